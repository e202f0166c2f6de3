<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

/** What a rule says of one kind of finding that it makes. */
final readonly class AboutFinding
{
    /**
     * @param  string  $kind  a fixed word for scripts, such as thin-line
     * @param  string  $label  for a list of many
     * @param  string  $says  what is wrong, in one sentence
     * @param  string  $limit  name of the limit of the ticket that it is held to; none when empty
     * @param  bool  $drawn  whether it is also looked for while art is drawn, around what was changed
     */
    public function __construct(public string $kind, public string $label, public string $says, public string $limit = '', public bool $drawn = false)
    {
    }

    /** @return array{kind: string, label: string, says: string, limit: string} */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'label' => $this->label, 'says' => $this->says, 'limit' => $this->limit];
    }
}
