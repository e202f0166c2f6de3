<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Edit\Shaping\BorderLine;
use NeatEdge\Core\Edit\Shaping\Outlined;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Border\BorderAround;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Recipe\Linked\LinkedCopy;
use NeatEdge\Core\Type\FontShelf;

/** What follows another piece - a linked copy its source, a text its line - brought up to date after an edit, in the order of who follows whom. */
final class Following
{
    public static function settled(Artwork $before, Artwork $after, FontShelf $fonts): Artwork
    {
        $followers = false;
        foreach ($after->pieces as $piece) {
            if (References::of($piece) !== []) {
                $followers = true;
                break;
            }
        }
        if (! $followers) {
            return $after;
        }
        $old = $new = [];
        foreach ($before->pieces as $piece) {
            $old[$piece->id] = $piece;
        }
        foreach ($after->pieces as $piece) {
            $new[$piece->id] = $piece;
        }
        foreach (References::order($new) as $id) {
            $piece = $new[$id];
            $leaders = References::of($piece);
            if ($leaders === []) {
                continue;
            }
            $leader = $leaders[0];
            $base = $piece->recipe?->base;
            if ($base instanceof LinkedCopy) {
                $new[$id] = self::linked($piece, $base, $old[$leader] ?? null, $new[$leader] ?? null);
            } elseif ($base instanceof Lettering) {
                $new[$id] = self::lettered($piece, $base, $old[$leader] ?? null, $new[$leader] ?? null, $fonts);
            } elseif ($base instanceof BorderAround) {
                $new[$id] = self::bordered($piece, $base, $old, $new, $after);
            }
        }
        $pieces = array_map(static fn (Piece $piece): Piece => $new[$piece->id], $after->pieces);

        return $pieces === $after->pieces ? $after : $after->withPieces($pieces);
    }

    private static function linked(Piece $piece, LinkedCopy $base, ?Piece $before, ?Piece $source): Piece
    {
        if ($source === null) {
            // Its source is gone: it stays as it is, on its own.
            return References::following($piece, array_fill_keys(References::of($piece), null));
        }
        if ($before === $source || $before === null || $piece->recipe === null) {
            return $piece;
        }
        $recipe = $before->shape === $source->shape ? $piece->recipe : $piece->recipe->withBase($base->after($before->shape, $source->shape));
        $followed = $piece->withRecipe($recipe);
        if ($source->fill === $before->fill && $source->stroke === $before->stroke) {
            return $followed;
        }
        // Its paints lie on it as the source's lie there.
        $way = $recipe->matrix->after($recipe->base instanceof LinkedCopy ? $recipe->base->back() : $base->back());

        return $followed->with(fill: $source->fill?->transformed($way), stroke: $source->stroke?->transformed($way, true));
    }

    /**
     * @param  array<string, Piece>  $old
     * @param  array<string, Piece>  $new
     */
    private static function bordered(Piece $piece, BorderAround $base, array $old, array $new, Artwork $artwork): Piece
    {
        $gone = array_filter($base->sources, static fn (string $id): bool => ! isset($new[$id]));
        $piece = References::following($piece, array_fill_keys($gone, null));
        $changed = $gone !== [] || array_filter($base->sources, static fn (string $id): bool => isset($old[$id]) && $old[$id] !== $new[$id]) !== [];
        $recipe = $piece->recipe;
        if ($recipe === null || ! $changed || ! $recipe->base instanceof BorderAround) {
            return $piece;
        }
        $sources = $recipe->base->sources;
        $border = self::border($sources, $recipe->base->values, array_map(static fn (string $id): Piece => $new[$id], $sources), $artwork);
        if ($border->shape()->isEmpty()) {
            return $piece;
        }

        // It lies round its pieces on the bench, wherever it was moved before.
        return $piece->withRecipe(new Recipe($border, Matrix::identity(), $recipe->changes));
    }

    /**
     * A cut border as it goes round some pieces now.
     *
     * @param  non-empty-list<string>  $sources
     * @param  array<string, float|string|bool>  $values
     * @param  list<Piece>  $pieces  of these ids
     */
    public static function border(array $sources, array $values, array $pieces, Artwork $artwork): BorderAround
    {
        $shapes = array_values(array_filter(
            array_map(static fn (Piece $one): Shape => Outlined::whole($one, $artwork), $pieces),
            static fn (Shape $shape): bool => ! $shape->isEmpty(),
        ));

        $seen = $shapes === [] ? new Shape([]) : Combine::weld($shapes, $artwork->tolerance());

        return new BorderAround(
            $sources,
            $values,
            BorderLine::around(
                $seen,
                (float) $values['distance'],
                (float) $values['bridge'],
                (float) $values['dropHoles'],
                (float) $values['radius'],
                $artwork->tolerance(),
            ),
        );
    }

    private static function lettered(Piece $piece, Lettering $base, ?Piece $before, ?Piece $line, FontShelf $fonts): Piece
    {
        if ($piece->recipe === null) {
            return $piece;
        }
        if ($line === null) {
            return References::following($piece, array_fill_keys(References::of($piece), null));
        }
        if ($before === null || $before->shape === $line->shape || $line->shape->isEmpty()) {
            return $piece;
        }
        $back = $piece->recipe->matrix->inverse();
        $setting = self::isBent($before->shape, $line->shape)
            ? $base->setting->with(along: $line->shape->contours[0]->transformed($back))
            : StandingOn::same($base->setting, $line->shape->transformed($back));

        return $piece->withRecipe($piece->recipe->withBase(Lettering::set($setting, $base->follows, $fonts)));
    }

    /**
     * Whether a line is the same line, moved or bent: then what stands on it goes along. Else - turned round, outlined, welded, cut - it is another line in its
     * place, and what stands there stays.
     */
    private static function isBent(Shape $before, Shape $after): bool
    {
        $nodes = static function (Shape $shape): array {
            $out = [];
            foreach ($shape->contours as $contour) {
                foreach ($contour->segments() as $s) {
                    $out[] = sprintf('%.4F %.4F', $s[0], $s[1]);
                    $out[] = sprintf('%.4F %.4F', $s[6], $s[7]);
                }
            }
            $out = array_values(array_unique($out));
            sort($out);

            return $out;
        };
        if (count($before->contours) !== count($after->contours) || $before->nodeCount() !== $after->nodeCount()) {
            return false;
        }

        return $nodes($before) !== $nodes($after);
    }
}
