<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Described\Field;

/** What a step says of itself: from it follow its card on the page, its form, the options of the command line and the catalogue. */
final readonly class AboutStep
{
    /** No two solid pieces overlap afterwards, whatever was before. */
    public const MAKES = 'makes';

    /** None overlap afterwards where none did before. */
    public const KEEPS = 'keeps';

    /** They may overlap afterwards. */
    public const ENDS = 'ends';

    /** It is about what is seen of all together. */
    public const NOT = '';

    /** About what is seen of each piece. */
    public const SEEN = 'seen';

    /** About each piece as it is drawn; one that it leaves out goes. */
    public const DRAWN = 'drawn';

    /**
     * @param  string  $kind  a fixed word for scripts and stored lines
     * @param  string  $says  what it does, in one sentence
     * @param  list<Field>  $fields
     * @param  int  $rank  where in a line it is proposed: after all of a lower rank
     * @param  array<string, string>  $after  kinds that it should come after, with the reason
     * @param  bool  $looks  whether it changes how the art looks, so that it is only done where an artist chooses it
     * @param  bool  $lays  whether it only lays out what is made: checks look at what was before
     * @param  bool  $cuts  whether it takes along by itself what is cut once; else such lines are laid, as they were, on what it gives
     * @param  self::MAKES|self::KEEPS|self::ENDS  $apart  what is true afterwards of a sheet no two solid pieces of which overlap: such a sheet needs no
     *     map of all to be merged or checked
     * @param  self::NOT|self::SEEN|self::DRAWN  $byPiece  whether it changes paints and lines piece by piece, and so can be made on the pieces of the art
     *     themselves
     * @param  float  $work  what it costs, measured against removing what is hidden
     */
    public function __construct(
        public string $kind,
        public string $label,
        public string $says,
        public array $fields = [],
        public int $rank = 0,
        public array $after = [],
        public bool $looks = false,
        public float $work = 0.2,
        public bool $lays = false,
        public bool $cuts = false,
        public string $apart = self::ENDS,
        public string $byPiece = self::NOT,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind, 'label' => $this->label, 'says' => $this->says, 'rank' => $this->rank, 'looks' => $this->looks,
            'fields' => array_map(static fn (Field $field): array => $field->toArray(), $this->fields),
        ];
    }
}
