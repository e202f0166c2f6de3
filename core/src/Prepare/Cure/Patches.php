<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Beside;
use NeatEdge\Core\PlanarMap\Combine;

/** What is added to pieces and taken from them, so that afterwards still none lies over another. */
final class Patches
{
    /** @var array<int, list<Shape>> by number of the piece */
    private array $added = [];

    /** @var array<int, list<Shape>> */
    private array $taken = [];

    /** @var array<int, list<Shape>> taken, and given to the neighbour that lies round it */
    private array $given = [];

    public function add(int $piece, Shape $shape): void
    {
        $this->added[$piece][] = $shape;
    }

    public function take(int $piece, Shape $shape, bool $give = false): void
    {
        $give ? $this->given[$piece][] = $shape : $this->taken[$piece][] = $shape;
    }

    /** @return array{Artwork, array<int, true>} the art with them, and the numbers of the pieces that are changed by it */
    public function on(Artwork $flat): array
    {
        $tolerance = $flat->tolerance();
        $pieces = $flat->pieces;
        $touched = [];
        foreach ($this->given as $i => $shapes) {
            $cut = Combine::weld($shapes, $tolerance);
            $gone = Combine::keepOverlap([$pieces[$i]->shape, $cut], $tolerance);
            $pieces[$i] = $pieces[$i]->withShape(Combine::cutAway($pieces[$i]->shape, [$cut], $tolerance));
            $touched[$i] = true;
            $to = $gone->isEmpty() ? null : self::round($gone, $i, $pieces);
            if ($to !== null) {
                $pieces[$to] = $pieces[$to]->withShape(Combine::weld([$pieces[$to]->shape, $gone], $tolerance));
                $touched[$to] = true;
            }
        }
        foreach ($this->added as $i => $shapes) {
            $patch = Combine::weld($shapes, $tolerance);
            $pieces[$i] = $pieces[$i]->withShape(Combine::weld([$pieces[$i]->shape, $patch], $tolerance));
            $touched[$i] = true;
            $boxes = array_map(static fn (Shape $shape): ?Box => $shape->box(), $shapes);
            foreach ($pieces as $k => $other) {
                $near = $k === $i ? [] : self::near($other, $shapes, $boxes);
                if ($near !== []) {
                    $less = Combine::cutAway($other->shape, $near, $tolerance);
                    if (abs($less->area() - $other->shape->area()) > 1e-9) {
                        $pieces[$k] = $other->withShape($less);
                        $touched[$k] = true;
                    }
                }
            }
        }
        foreach ($this->taken as $i => $shapes) {
            $pieces[$i] = $pieces[$i]->withShape(Combine::cutAway($pieces[$i]->shape, $shapes, $tolerance));
            $touched[$i] = true;
        }

        return [$flat->with(pieces: $pieces, apart: true), $touched];
    }

    /**
     * Those that may lie over an outline of a piece.
     *
     * @param  list<Shape>  $shapes
     * @param  list<Box|null>  $boxes  theirs
     * @return list<Shape>
     */
    private static function near(Piece $piece, array $shapes, array $boxes): array
    {
        $own = $piece->isSolid() ? $piece->box() : null;
        $near = [];
        foreach ($boxes as $k => $box) {
            if ($box === null || $own === null || ! $own->overlaps($box)) {
                continue;
            }
            foreach ($piece->shape->contours as $contour) {
                if ($contour->box()->overlaps($box)) {
                    $near[] = $shapes[$k];
                    break;
                }
            }
        }

        return $near;
    }

    /**
     * @param  array<int, Piece>  $pieces
     * @return int|null the piece that lies round most of what was taken from another; null where most of it is bare
     */
    private static function round(Shape $gone, int $from, array $pieces): ?int
    {
        [$beside, $rest] = Beside::along($gone, array_map(static fn (Piece $piece): ?Shape => $piece->isSolid() ? $piece->shape : null, $pieces));
        $rest -= $beside[$from] ?? 0.0;
        unset($beside[$from]);
        arsort($beside);
        $first = array_key_first($beside);

        return $first !== null && 2 * $beside[$first] > $rest ? (int) $first : null;
    }
}
