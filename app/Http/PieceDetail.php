<?php

declare(strict_types=1);

namespace App\Http;

use NeatEdge\Core\Artwork\BasicShape;
use NeatEdge\Core\Artwork\BorderAround;
use NeatEdge\Core\Artwork\Contours;
use NeatEdge\Core\Artwork\Lettering;
use NeatEdge\Core\Artwork\LinkedCopy;
use NeatEdge\Core\Artwork\MirrorHalf;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\RoundCorners;
use NeatEdge\Core\Artwork\StepAndRepeat;
use NeatEdge\Core\Artwork\Woven;
use NeatEdge\Core\Artwork\Wrap;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Edit\Lines\NodePath;
use NeatEdge\Core\Edit\Lines\OnContours;
use NeatEdge\Core\Edit\Shaping\Unwoven;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Type\LineAlong;
use NeatEdge\Core\Type\Typesetter;

/** What of a piece can be edited: its nodes and handles as they lie on the bench, and the values that are still adjustable. */
final class PieceDetail
{
    /** Places on a line less one. */
    private const RAIL = 120;

    /** @return array<string, mixed> */
    public static function of(Piece $piece): array
    {
        $recipe = $piece->recipe;
        $plain = $recipe === null || $recipe->base instanceof Contours;

        return [
            'id' => $piece->id,
            'editable' => $plain,
            'contours' => $plain ? array_map(self::contour(...), OnContours::of($piece)) : [],
            'corners' => $recipe === null ? [] : self::corners($piece, $recipe),
            'shape' => $recipe?->base instanceof BasicShape ? [...self::shape($recipe->base), 'matrix' => self::matrix($recipe)] : null,
            'text' => $recipe?->base instanceof Lettering ? self::text($recipe->base) : null,
            'linked' => $recipe?->base instanceof LinkedCopy ? $recipe->base->source : null,
            'mirror' => $recipe === null ? null : self::mirror($recipe),
            'repeat' => $recipe === null ? null : self::repeat($recipe),
            // What a tool of shaping begins with when such a piece is chosen.
            'shaped' => match (true) {
                $recipe?->base instanceof BorderAround => ['kind' => 'cut-border', 'values' => $recipe->base->values],
                $recipe?->base instanceof Woven => ['kind' => 'weave', 'values' => Unwoven::values($piece, $recipe->base)],
                $recipe?->change(Wrap::class) !== null => ['kind' => 'wrap', 'values' => $recipe->change(Wrap::class)->values],
                default => null,
            },
            'rail' => $piece->stroke?->stops === null ? [] : self::rail($piece),
        ];
    }

    /** @return list<array{float, float, float, float}> places on its line at equal shares of its length, and the direction there: what width stops are laid out by */
    private static function rail(Piece $piece): array
    {
        $along = isset($piece->shape->contours[0]) ? new LineAlong([$piece->shape->contours[0]]) : null;
        $out = [];
        for ($i = 0; $along !== null && $i <= self::RAIL; $i++) {
            $at = $along->at($along->length * min(1.0 - 1e-12, $i / self::RAIL));
            if ($at !== null) {
                $out[] = $at;
            }
        }

        return $out;
    }

    /** @return array<string, mixed> */
    private static function contour(Contour $contour): array
    {
        $path = new NodePath($contour);
        $kinds = [];
        for ($i = 0, $n = $path->nodes(); $i < $n; $i++) {
            $kinds[] = $path->kind($i);
        }

        return ['closed' => $contour->closed, 'coords' => $contour->coords, 'kinds' => $kinds];
    }

    /** @return list<array{int, int, float, float, float}> contour, node, radius in mm on the bench, x, y */
    private static function corners(Piece $piece, Recipe $recipe): array
    {
        $shape = $recipe->base->shape()->transformed($recipe->matrix);
        $radii = [];
        foreach ($recipe->change(RoundCorners::class)->corners ?? [] as [$k, $i, $radius]) {
            $coords = ($shape->contours[$k] ?? null)?->coords;
            if (isset($coords[6 * $i + 1])) {
                $radii[] = [$k, $i, $radius * $recipe->matrix->meanScale(), $coords[6 * $i], $coords[6 * $i + 1]];
            }
        }

        return $radii;
    }

    /** @return array<string, mixed> */
    private static function shape(BasicShape $shape): array
    {
        return [
            'kind' => $shape->kind->value,
            'label' => $shape->kind->label(),
            'fields' => array_map(static fn (Field $field): array => $field->toArray(), $shape->kind->fields()),
            'values' => $shape->values,
        ];
    }

    /** @return list<float> from the shape's own space to the bench */
    private static function matrix(Recipe $recipe): array
    {
        $m = $recipe->matrix;

        return [$m->a, $m->b, $m->c, $m->d, $m->e, $m->f];
    }

    /** @return array<string, mixed> */
    private static function text(Lettering $text): array
    {
        $setting = $text->setting;

        return [
            ...array_diff_key(get_object_vars($setting), ['along' => 1]),
            'onLine' => $setting->along !== null,
            'follows' => $text->follows,
            'stops' => $setting->along === null ? [] : Typesetter::stops($setting->inside ? $setting->along->reversed() : $setting->along),
        ];
    }

    /** @return array<string, float>|null the axis on the bench */
    private static function mirror(Recipe $recipe): ?array
    {
        $mirror = $recipe->change(MirrorHalf::class);
        if ($mirror === null) {
            return null;
        }
        $at = $recipe->matrix->apply($mirror->x, $mirror->y);
        $ahead = $recipe->matrix->apply($mirror->x + cos(deg2rad($mirror->angle)), $mirror->y + sin(deg2rad($mirror->angle)));

        return ['x' => $at->x, 'y' => $at->y, 'angle' => rad2deg(atan2($ahead->y - $at->y, $ahead->x - $at->x)), 'reach' => $mirror->reach * $recipe->matrix->meanScale()];
    }

    /** @return array{ownWidth: float, ownHeight: float, stacked: int} the size of one copy on the bench, and how many lie on another */
    private static function copies(Recipe $recipe, StepAndRepeat $repeat): array
    {
        $one = $recipe->without(StepAndRepeat::class)->shape();
        $box = $one->box();

        return ['ownWidth' => $box?->width() ?? 0.0, 'ownHeight' => $box?->height() ?? 0.0, 'stacked' => $repeat->stacked($one)];
    }

    /** @return array<string, float|int|string|bool>|null with the centre and the step on the bench */
    private static function repeat(Recipe $recipe): ?array
    {
        $repeat = $recipe->change(StepAndRepeat::class);
        if ($repeat === null) {
            return null;
        }
        [$kind, $count, $rows, $dx, $dy, $x, $y, $sweep, $turning] = $repeat->values;
        $m = $recipe->matrix;
        $centre = $m->apply($x, $y);

        return [
            'as' => $kind, 'count' => $count, 'rows' => $rows,
            'stepX' => $m->a * $dx + $m->c * $dy, 'stepY' => $m->b * $dx + $m->d * $dy,
            ...self::copies($recipe, $repeat),
            'centreX' => $centre->x, 'centreY' => $centre->y, 'sweep' => $sweep, 'turning' => $turning,
        ];
    }
}
