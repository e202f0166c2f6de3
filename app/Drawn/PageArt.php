<?php

declare(strict_types=1);

namespace App\Drawn;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Change;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\Picture;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Line\Presets;
use NeatEdge\Core\Recipe\Called;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Recipe\Recipes;
use NeatEdge\Core\Seen\StrokeRegion;

/** Artwork as the page draws it: path data and paints, lengths in mm. */
final class PageArt
{
    /** Grows whenever what is told of a piece changes: what was stored in another form is made anew. */
    public const FORM = 8;

    /** @return array<string, mixed> */
    public static function of(Artwork $artwork): array
    {
        $tolerance = $artwork->tolerance();

        return [
            ...self::frame(ArtworkJson::frame($artwork)),
            'pieces' => array_map(static fn (Piece $piece): array => self::piece($piece, $tolerance), $artwork->pieces),
        ];
    }

    /**
     * @param  array<string, mixed>  $frame  as ArtworkJson has it
     * @return array<string, mixed>
     */
    public static function frame(array $frame): array
    {
        return ['groups' => (object) ($frame['groups'] ?? [])] + array_intersect_key(
            $frame,
            ['width' => 1, 'height' => 1, 'layers' => 1, 'guides' => 1, 'reference' => 1],
        )
            + ['line' => PageLine::of(is_array($frame['line'] ?? null) ? ArtworkJson::line($frame['line']) : Presets::plain())];
    }

    /** @return array<string, mixed> what of an artwork another has otherwise */
    public static function changes(Artwork $before, Artwork $after): array
    {
        $difference = ArtworkDifference::between($before, $after);
        $tolerance = $after->tolerance();
        $pieces = [];
        foreach ($after->pieces as $piece) {
            if (isset($difference->pieces[$piece->id])) {
                $pieces[] = self::piece($piece, $tolerance);
            }
        }

        return [
            'pieces' => $pieces,
            'gone' => array_map(strval(...), array_keys(array_filter($difference->pieces, static fn (?array $piece): bool => $piece === null))),
            'order' => $difference->order,
            'frame' => $difference->frame === null ? null : self::frame($difference->frame),
        ];
    }

    /** @return array<string, mixed> what a tool shows on the art */
    public static function mark(Mark $mark): array
    {
        return [
            'kind' => $mark->kind,
            'x' => $mark->x,
            'y' => $mark->y,
            'says' => $mark->says,
            'd' => $mark->shape === null ? '' : Writer::path($mark->shape),
            'state' => $mark->state,
        ];
    }

    /** @return list<string> what of it is still adjustable */
    private static function live(Recipe $recipe): array
    {
        $done = array_map(static fn (Change $change): string => $change::kind(), $recipe->changes);

        return [...$recipe->base->marks(), ...array_values(array_intersect(array_keys(Recipes::changes()), $done))];
    }

    /** @return array<string, mixed> in the space of its piece */
    private static function gradient(Gradient $gradient, ?Matrix $back): array
    {
        return [
            'kind' => $gradient->kind->value,
            'axis' => $gradient->axis,
            'spread' => $gradient->spread->value,
            'transform' => self::matrix($back === null ? $gradient->matrix : $back->after($gradient->matrix)),
            'stops' => array_map(static fn (array $stop): array => ['at' => $stop[0], 'colour' => $stop[1]->hex(), 'opacity' => $stop[2]], $gradient->stops),
        ];
    }

    private static function matrix(Matrix $m): string
    {
        return sprintf('matrix(%.9F %.9F %.9F %.9F %.9F %.9F)', $m->a, $m->b, $m->c, $m->d, $m->e, $m->f);
    }

    /** @return array<string, mixed> */
    public static function piece(Piece $piece, Tolerance $tolerance): array
    {
        $box = $piece->box();
        $row = [
            'id' => $piece->id,
            'name' => $piece->name,
            'called' => Called::name($piece),
            'fill' => $piece->fill?->colour->hex(),
            'paint' => $piece->fill?->key(),
            'fillOpacity' => $piece->fill?->gradient !== null ? 1 : $piece->fill->opacity ?? 1,
            'rule' => $piece->shape->rule->value,
            'nodes' => $piece->shape->nodeCount(),
            'box' => $box === null ? null : [$box->left, $box->top, $box->width(), $box->height()],
            'layer' => $piece->place->layer,
            'groups' => $piece->place->groups,
            'hidden' => $piece->place->hidden,
            'locked' => $piece->place->locked,
            'turn' => $piece->turn,
            'blend' => $piece->blend->value,
            'live' => $piece->recipe === null ? null : self::live($piece->recipe),
        ];
        if ($piece->recipe?->base instanceof Lettering) {
            $row['text'] = $piece->recipe->base->setting->text;
        }
        if ($piece->clip !== null) {
            $row['clip'] = ['d' => Writer::path($piece->clip->shape), 'rule' => $piece->clip->shape->rule->value];
        }
        $stroke = $piece->stroke;
        $shape = $piece->shape;
        if ($stroke !== null) {
            if ($stroke->isOwnKind()) {
                // A browser cannot draw it: it gets the outline.
                $row['outline'] = Writer::path(StrokeRegion::of($piece->shape, $stroke, $tolerance));
            } elseif ($stroke->pen !== null) {
                $shape = $shape->transformed($stroke->pen->inverse());
                $row['transform'] = self::matrix($stroke->pen);
            }
            $row['stroke'] = self::stroke($stroke);
        }
        $row['d'] = Writer::path($shape);
        $back = isset($row['transform']) ? $stroke?->pen?->inverse() : null;
        foreach (['fillGradient' => $piece->fill?->gradient, 'strokeGradient' => $stroke?->paint->gradient] as $name => $gradient) {
            if ($gradient !== null) {
                $row[$name] = self::gradient($gradient, $back);
            }
        }

        return [...$row, ...self::beyondFlat($piece, $tolerance)];
    }

    /** @return array<string, mixed> what of its paint is no flat colour and no gradient, and how softly it is seen */
    private static function beyondFlat(Piece $piece, Tolerance $tolerance): array
    {
        $row = [];
        $picture = $piece->fill?->picture;
        if ($picture !== null) {
            $row['picture'] = self::picture($picture);
        }
        if ($piece->soft !== null) {
            $row['soft'] = self::soft($piece->soft, $tolerance);
        }
        $drawn = $piece->fill?->soft;
        if ($drawn !== null) {
            $row['drawn'] = [
                'pieces' => array_map(static fn (Piece $one): array => self::piece($one, $tolerance), $drawn->pieces),
                'soft' => self::soft($drawn->look, $tolerance),
            ];
        }

        return $row;
    }

    /** @return array<string, mixed> */
    private static function soft(SoftLook $look, Tolerance $tolerance): array
    {
        return [
            'edge' => $look->edge,
            'fade' => $look->fade === null ? null : self::gradient($look->fade, null),
            'clips' => array_map(
                static fn (array $clip): array => array_map(static fn (Piece $one): array => self::piece($one, $tolerance), $clip),
                $look->clips,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function stroke(Stroke $stroke): array
    {
        return [
            'colour' => $stroke->paint->colour->hex(),
            'opacity' => $stroke->paint->opacity,
            'width' => $stroke->style->width,
            'cap' => $stroke->style->cap->value,
            'join' => $stroke->style->join->value,
            'miter' => $stroke->style->miterLimit,
            'dashes' => implode(' ', $stroke->style->dashes),
            'offset' => $stroke->style->dashOffset,
            'side' => $stroke->side->value,
            'stops' => $stroke->stops?->stops,
            'cut' => $stroke->cut,
            'ends' => $stroke->ends === null ? null : [$stroke->ends->start->value, $stroke->ends->finish->value, $stroke->ends->size],
            'widths' => $stroke->widths(),
        ];
    }

    /** @return array<string, mixed> */
    private static function picture(Picture $picture): array
    {
        // A picture beside the drawing did not come with it: its frame stands for it.
        $inside = str_starts_with($picture->reference, 'data:');

        return [
            'href' => $inside ? $picture->reference : null,
            'width' => $picture->width,
            'height' => $picture->height,
            'fit' => $picture->fit,
            'transform' => self::matrix($picture->matrix),
        ];
    }
}
