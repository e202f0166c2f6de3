<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Measure\LookDifference;
use NeatEdge\Core\Prepare\StepReport;

/** What came out of a prep line, and every state on the way. */
final readonly class PrepResult
{
    /** @param  list<array{id: string, artwork: Artwork, report: StepReport, cached: bool}>  $stages */
    public function __construct(public Artwork $source, public array $stages, public LookDifference $look)
    {
    }

    public function artwork(): Artwork
    {
        return $this->stages === [] ? $this->source : $this->stages[count($this->stages) - 1]['artwork'];
    }

    /** What is judged: the art before what only lays out what is made, such as how colours lie on each other. */
    public function judged(): Artwork
    {
        for ($i = count($this->stages) - 1; $i >= 0; $i--) {
            if (! Steps::about($this->stages[$i]['report']->key)->lays) {
                return $this->stages[$i]['artwork'];
            }
        }

        return $this->source;
    }

    /** @return list<string> what the line changed of what was drawn, step by step, in words */
    public function told(): array
    {
        $told = [];
        foreach ($this->stages as $stage) {
            foreach ($stage['report']->told as $says) {
                $told[] = "{$stage['report']->label}: {$says}.";
            }
        }

        return $told;
    }

    /** The art before a stage. */
    public function before(int $stage): Artwork
    {
        return $this->stages[$stage - 1]['artwork'] ?? $this->source;
    }

    /** With what each stage did to the look measured. */
    public function withLooks(PrepLine $line): self
    {
        $stages = $this->stages;
        foreach ($stages as $i => $stage) {
            $stages[$i]['report'] = $stage['report']->withLook($line->look($this->before($i), $stage['artwork']));
        }

        return new self($this->source, $stages, $this->look);
    }
}
