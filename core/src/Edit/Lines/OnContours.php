<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Contours;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Recipe\Corners\RoundCorners;

/** The contours that nodes are edited on: a piece's own, or those that its recipe begins with, as they lie on the bench. */
final class OnContours
{
    /**
     * @param  callable(list<Contour>): array<int, Contour>  $edit  closed contours end where they begin
     * @param  bool  $moves  whether nodes keep their places and may be counted otherwise, so that what belongs to one is found by its place
     *
     * @throws Refused
     */
    public static function edited(Artwork $artwork, string $id, callable $edit, bool $moves = false): Artwork
    {
        $piece = Chosen::in($artwork, [$id])[$id];
        $before = self::of($piece);
        $after = array_values($edit($before));
        if ($after === []) {
            return Arrangement::settled($artwork->withPieces(array_values(array_filter(
                $artwork->pieces,
                static fn (Piece $piece): bool => $piece->id !== $id,
            ))));
        }
        $shape = new Shape($after, $piece->shape->rule);
        if ($piece->recipe === null) {
            $changed = $piece->withShape($shape);
        } else {
            $recipe = $piece->recipe->withBase(new Contours($shape->transformed($piece->recipe->matrix->inverse())));
            $rounded = $recipe->change(RoundCorners::class);
            $changed = $piece->withRecipe($rounded === null
                ? $recipe
                : $recipe->changed(new RoundCorners(self::followed($rounded->corners, $before, $after, $moves))));
        }

        return $artwork->mapped(static fn (): Piece => $changed, [$id => true]);
    }

    /**
     * @return list<Contour>
     *
     * @throws Refused for what is still made from numbers or letters
     */
    public static function of(Piece $piece): array
    {
        $recipe = $piece->recipe;
        if ($recipe === null) {
            return array_map(self::closedUp(...), $piece->shape->contours);
        }
        $base = $recipe->base;
        if ($base->isAdjustable()) {
            throw Refused::stillAdjustable($base->said());
        }

        return array_map(self::closedUp(...), $base->shape()->transformed($recipe->matrix)->contours);
    }

    /** A closed contour with the line that closes it, so that its nodes are the starts of its segments. */
    public static function closedUp(Contour $contour): Contour
    {
        $c = $contour->coords;
        $last = count($c) - 2;
        if (! $contour->closed || $last < 6 || ($c[0] === $c[$last] && $c[1] === $c[$last + 1])) {
            return $contour;
        }
        if (hypot($c[0] - $c[$last], $c[1] - $c[$last + 1]) < 1e-6) {
            // As good as there: the last node is moved onto the first, a line's handle with it.
            if ($c[$last - 2] === $c[$last] && $c[$last - 1] === $c[$last + 1]) {
                [$c[$last - 2], $c[$last - 1]] = [$c[0], $c[1]];
            }
            [$c[$last], $c[$last + 1]] = [$c[0], $c[1]];

            return new Contour(array_values($c), true);
        }

        return new Contour([...$c, ...array_slice(Cubic::line($c[$last], $c[$last + 1], $c[0], $c[1]), 2)], true);
    }

    /**
     * The same corners, by where their nodes lie, after the nodes were counted anew.
     *
     * @param  list<array{int, int, float}>  $corners
     * @param  list<Contour>  $before
     * @param  list<Contour>  $after
     * @return list<array{int, int, float}>
     */
    private static function followed(array $corners, array $before, array $after, bool $moves): array
    {
        if (! $moves && array_map(
            static fn (Contour $c): array => [count($c->coords), $c->closed],
            $before,
        ) === array_map(static fn (Contour $c): array => [count($c->coords), $c->closed], $after)) {
            return $corners;
        }
        $at = [];
        foreach ($after as $k => $contour) {
            for ($i = 0, $n = $contour->segmentCount(); $i < $n; $i++) {
                $at[sprintf('%.7f %.7f', $contour->coords[6 * $i], $contour->coords[6 * $i + 1])] = [$k, $i];
            }
        }
        $out = [];
        foreach ($corners as [$k, $i, $radius]) {
            $coords = ($before[$k] ?? null)?->coords;
            if (isset($coords[6 * $i + 1])) {
                $found = $at[sprintf('%.7f %.7f', $coords[6 * $i], $coords[6 * $i + 1])] ?? null;
                if ($found !== null) {
                    $out[] = [$found[0], $found[1], $radius];
                }
            }
        }

        return $out;
    }
}
