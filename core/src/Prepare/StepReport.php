<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Measure\LookDifference;
use NeatEdge\Core\Prepare\Cure\Cured;

/** What a step did, in numbers; what it did to the look once that was asked for. */
final readonly class StepReport
{
    /**
     * @param  int  $done  places that were brought to their limits
     * @param  list<array{kind: string, at: array{float, float}|null, measured: float|null, how: string}>  $left  those that were not, and why
     * @param  list<string>  $told  what it changed of what was drawn, in words
     */
    public function __construct(
        public string $key,
        public string $label,
        public int $piecesBefore,
        public int $piecesAfter,
        public int $nodesBefore,
        public int $nodesAfter,
        public int $strokesBefore,
        public int $strokesAfter,
        public int $slivers = 0,
        public ?LookDifference $look = null,
        public int $done = 0,
        public array $left = [],
        public array $told = [],
    ) {
    }

    public static function of(Step $step, Artwork $before, Artwork $after, int $slivers = 0, ?Cured $cured = null): self
    {
        $strokes = static fn (Artwork $artwork): int => count(array_filter($artwork->pieces, static fn ($piece): bool => $piece->stroke !== null));

        return new self(
            $step->key(), $step->label(), count($before->pieces), count($after->pieces), $before->nodeCount(), $after->nodeCount(),
            $strokes($before), $strokes($after), $slivers, done: count($cured->done ?? []), left: $cured->left ?? [],
            told: $step::about()->looks ? Told::of($before, $after, $cured) : [],
        );
    }

    public function withLook(LookDifference $look): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), 'look' => $look];

        return new self(...$all);
    }

    /** @param  array<string, mixed>  $data as toArray() gives it */
    public static function fromArray(array $data): self
    {
        return new self(
            $data['step'], $data['label'],
            $data['pieces']['before'], $data['pieces']['after'],
            $data['nodes']['before'], $data['nodes']['after'],
            $data['strokes']['before'], $data['strokes']['after'],
            (int) ($data['slivers'] ?? 0),
            isset($data['look_difference']) ? LookDifference::fromArray($data['look_difference']) : null,
            (int) ($data['done'] ?? 0), $data['left'] ?? [], $data['told'] ?? [],
        );
    }

    /** @return array<string, mixed> areas in mm² */
    public function toArray(): array
    {
        return [
            'step' => $this->key,
            'label' => $this->label,
            'pieces' => ['before' => $this->piecesBefore, 'after' => $this->piecesAfter],
            'nodes' => ['before' => $this->nodesBefore, 'after' => $this->nodesAfter],
            'strokes' => ['before' => $this->strokesBefore, 'after' => $this->strokesAfter],
            'slivers' => $this->slivers,
            ...($this->done === 0 && $this->left === [] ? [] : ['done' => $this->done, 'left' => $this->left]),
            ...($this->told === [] ? [] : ['told' => $this->told]),
            ...($this->look === null ? [] : ['look_difference' => $this->look->toArray()]),
        ];
    }
}
