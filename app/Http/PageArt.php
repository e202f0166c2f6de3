<?php

declare(strict_types=1);

namespace App\Http;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Matrix;

/** Artwork as the page draws it: path data and paints, lengths in mm. */
final class PageArt
{
    /** @return array<string, mixed> */
    public static function of(Artwork $artwork): array
    {
        return [
            'width' => $artwork->width,
            'height' => $artwork->height,
            'pieces' => array_map(self::piece(...), $artwork->pieces),
        ];
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
    private static function piece(Piece $piece): array
    {
        $box = $piece->box();
        $out = [
            'id' => $piece->id,
            'name' => $piece->name,
            'fill' => $piece->fill?->colour->hex(),
            'paint' => $piece->fill?->key(),
            'fillOpacity' => $piece->fill?->gradient !== null ? 1 : $piece->fill->opacity ?? 1,
            'rule' => $piece->shape->rule->value,
            'nodes' => $piece->shape->nodeCount(),
            'box' => $box === null ? null : [$box->left, $box->top, $box->width(), $box->height()],
        ];
        $stroke = $piece->stroke;
        $shape = $piece->shape;
        if ($stroke !== null) {
            if ($stroke->pen !== null) {
                $shape = $shape->transformed($stroke->pen->inverse());
                $out['transform'] = self::matrix($stroke->pen);
            }
            $out['stroke'] = [
                'colour' => $stroke->paint->colour->hex(),
                'opacity' => $stroke->paint->opacity,
                'width' => $stroke->style->width,
                'cap' => $stroke->style->cap->value,
                'join' => $stroke->style->join->value,
                'miter' => $stroke->style->miterLimit,
                'dashes' => implode(' ', $stroke->style->dashes),
                'offset' => $stroke->style->dashOffset,
            ];
        }
        $out['d'] = Writer::path($shape);
        $back = $stroke?->pen?->inverse();
        foreach (['fillGradient' => $piece->fill?->gradient, 'strokeGradient' => $stroke?->paint->gradient] as $name => $gradient) {
            if ($gradient !== null) {
                $out[$name] = self::gradient($gradient, $back);
            }
        }
        $picture = $piece->fill?->picture;
        if ($picture !== null) {
            // A picture beside the drawing did not come with it: its frame stands for it.
            $inside = str_starts_with($picture->reference, 'data:');
            $out['picture'] = ['href' => $inside ? $picture->reference : null, 'width' => $picture->width, 'height' => $picture->height, 'fit' => $picture->fit, 'transform' => self::matrix($picture->matrix)];
        }

        return $out;
    }
}
