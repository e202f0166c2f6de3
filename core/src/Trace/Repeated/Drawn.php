<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use NeatEdge\Core\Artwork\Contours;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Mirror\MirrorHalf;
use NeatEdge\Core\Recipe\Repeat\StepAndRepeat;
use NeatEdge\Core\Trace\Part;

/** What comes again, drawn once: the first of it as a piece that mirrors or repeats itself, the others left out. */
final class Drawn
{
    /** mm from an axis within which an end is drawn onto it. */
    private const REACH = 0.01;

    /**
     * @param  array<int, Part>  $parts  by their regions
     * @param  array<int, list<int>>  $chains  of each region
     * @param  list<Again>  $all
     * @return array<int, Part> by their regions, in the order that they had
     */
    public static function once(array $parts, array $chains, array $all): array
    {
        $regions = [];
        foreach ($chains as $region => $own) {
            if (isset($parts[$region]) && $parts[$region]->line === null) {
                $regions[self::key($own)] = $region;
            }
        }
        foreach ($all as $again) {
            foreach ($regions as $region) {
                $copies = isset($parts[$region]) && $parts[$region]->again === null ? self::copies($again, $chains[$region], $regions) : null;
                if ($copies === null || ! self::areAlike($parts, $copies)) {
                    continue;
                }
                $parts[$region] = $parts[$region]->repeated($again);
                foreach ($copies as $copy) {
                    if ($copy !== $region) {
                        unset($parts[$copy]);
                    }
                }
            }
        }

        return $parts;
    }

    /** @param  list<int>  $chains */
    private static function key(array $chains): string
    {
        $chains = array_unique($chains);
        sort($chains);

        return implode(' ', $chains);
    }

    /**
     * @param  list<int>  $chains  of a region
     * @param  array<string, int>  $regions
     * @return list<int>|null the regions on which it comes to lie, itself first; null where it does not, or where it lies on itself but for a mirror
     */
    private static function copies(Again $again, array $chains, array $regions): ?array
    {
        $found = [];
        foreach ($again->copies as $copy) {
            $onto = [];
            foreach ($chains as $chain) {
                if (! isset($copy[$chain])) {
                    return null;
                }
                $onto[] = $copy[$chain];
            }
            $region = $regions[self::key($onto)] ?? null;
            if ($region === null || ($again->kind !== Again::MIRROR && in_array($region, $found, true))) {
                return null;
            }
            $found[] = $region;
        }

        return $found;
    }

    /**
     * @param  array<int, Part>  $parts
     * @param  list<int>  $regions
     */
    private static function areAlike(array $parts, array $regions): bool
    {
        $first = $parts[$regions[0]];
        // A circle that mirrors itself is a circle all the same.
        if (count(array_unique($regions)) === 1 && $first->model !== null) {
            return false;
        }
        foreach ($regions as $region) {
            if (! isset($parts[$region]) || $parts[$region]->ink !== $first->ink || $parts[$region]->again !== null) {
                return false;
            }
        }

        return true;
    }

    /** @param  Matrix  $matrix  from dots to the piece's mm */
    public static function live(Piece $piece, Again $again, Matrix $matrix): Piece
    {
        $recipe = Recipe::of($piece)->trueToBench();
        $back = $recipe->matrix->inverse()->after($matrix);
        $at = $back->apply($again->x, $again->y);
        if ($again->kind === Again::MIRROR) {
            $ahead = $back->apply($again->x + cos(deg2rad($again->angle)), $again->y + sin(deg2rad($again->angle)));
            $angle = rad2deg(atan2($ahead->y - $at->y, $ahead->x - $at->x));
            $half = new MirrorHalf($at->x, $at->y, $angle, self::REACH);
            $base = $recipe->base instanceof Contours ? new Contours(self::half($recipe->base->shape(), $half)) : $recipe->base;

            return $piece->withRecipe($recipe->withBase($base)->changed($half->heldTo($base->shape())));
        }
        $count = count($again->copies);
        $ring = $again->kind === Again::RING;
        $step = $ring ? [0.0, 0.0] : [$back->a * $again->x + $back->c * $again->y, $back->b * $again->x + $back->d * $again->y];
        $centre = $ring ? [$at->x, $at->y] : [0.0, 0.0];

        return $piece->withRecipe($recipe->changed(new StepAndRepeat([
            $ring ? 'ring' : 'row', $count, 1, $step[0], $step[1], $centre[0], $centre[1], $matrix->determinant() < 0 ? -360.0 : 360.0, true,
        ])));
    }

    /** What of a shape lies on the left of the axis, or above it: all of it where it does not run over it. */
    private static function half(Shape $shape, MirrorHalf $half): Shape
    {
        $lay = Matrix::rotation(90 - $half->angle)->after(Matrix::translation(-$half->x, -$half->y));
        $laid = $shape->transformed($lay);
        $box = $laid->box();
        if ($box === null || $box->left > -self::REACH || $box->right < self::REACH) {
            return $shape;
        }
        $far = max(abs($box->left), abs($box->right)) + 1;

        return Combine::keepOverlap([$laid, Shape::of(Contour::rectangle(-$far, $box->top - 1, $far, $box->height() + 2))])->transformed($lay->inverse());
    }
}
