<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Measure\LookDifference;

/** What a step did, in numbers. */
final readonly class StepReport
{
    public function __construct(
        public string $key,
        public string $label,
        public int $piecesBefore,
        public int $piecesAfter,
        public int $nodesBefore,
        public int $nodesAfter,
        public int $strokesBefore,
        public int $strokesAfter,
        public LookDifference $look,
    ) {}

    public static function of(Step $step, Artwork $before, Artwork $after, LookDifference $look): self
    {
        $strokes = static fn (Artwork $artwork): int => count(array_filter($artwork->pieces, static fn ($piece): bool => $piece->stroke !== null));

        return new self(
            $step->key(),
            $step->label(),
            count($before->pieces),
            count($after->pieces),
            $before->nodeCount(),
            $after->nodeCount(),
            $strokes($before),
            $strokes($after),
            $look,
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
            'look_difference' => ['area_mm2' => round($this->look->area, 5), 'percent' => round($this->look->percent(), 5)],
        ];
    }
}
