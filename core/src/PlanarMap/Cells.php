<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\PlanarMap\Rule\EachFace;

/** P3: the faces that shapes and lines enclose, each by itself: found by a place inside, joined at will, and drawn with the original curves. */
final class Cells
{
    /** @var list<list<int>> by cell: the shapes that cover it, the lowest first; none where only lines enclose it */
    public readonly array $covers;

    /** @var array<int, int> face => cell */
    private readonly array $cellOf;

    public function __construct(
        private readonly PlanarMap $map,
        private readonly Sources $sources,
        private readonly Chords $edges,
        private readonly Faces $faces,
    ) {
        $rule = new EachFace($sources->filled);
        $this->cellOf = FaceLabels::walk($edges, $faces, $sources->evenodd, $rule);
        $this->covers = $rule->covers;
    }

    public function count(): int
    {
        return count($this->covers);
    }

    /**
     * The cell at a place, by a ray to the left.
     *
     * @param  float  $x  mm
     * @param  float  $y  mm
     */
    public function at(float $x, float $y): ?int
    {
        $px = ($x * $this->sources->unit - $this->sources->originX) * $this->sources->scale;
        $py = ($y * $this->sources->unit - $this->sources->originY) * $this->sources->scale;
        // Half a step off: no vertex lies on the ray.
        $py = floor($py) + 0.5;
        $vx = $this->edges->x;
        $vy = $this->edges->y;
        $b = $this->edges->b;
        $best = -1;
        $bestX = -INF;
        foreach ($this->edges->a as $e => $v) {
            Patience::ask();
            $w = $b[$e];
            $y0 = $vy[$v];
            $y1 = $vy[$w];
            if (($y0 > $py) === ($y1 > $py)) {
                continue;
            }
            $at = $vx[$v] + ($vx[$w] - $vx[$v]) * ($py - $y0) / ($y1 - $y0);
            if ($at <= $px && $at > $bestX) {
                $bestX = $at;
                $best = $y0 < $y1 ? 2 * $e + 1 : 2 * $e;
            }
        }
        $cell = $best < 0 ? FaceRule::NOTHING : $this->cellOf[$this->faces->leftOfHalf($best)];

        return $cell < 0 ? null : $cell;
    }

    /**
     * Cells drawn as regions: those with the same label are one, without a seam.
     *
     * @param  array<int, int>  $labels  cell => label; what is left out is not drawn
     * @return array<int, Shape> by label
     */
    public function shapes(array $labels): array
    {
        $byFace = [];
        foreach ($this->cellOf as $face => $cell) {
            $byFace[$face] = $labels[$cell] ?? FaceRule::NOTHING;
        }

        return $this->map->drawn($byFace);
    }

    /** @return array<int, Shape> each cell by itself */
    public function each(): array
    {
        return $this->shapes(array_keys($this->covers));
    }
}
