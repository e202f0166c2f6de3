<?php

declare(strict_types=1);

namespace App\Http;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Writer;

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

    /** @return array<string, mixed> */
    private static function piece(Piece $piece): array
    {
        $box = $piece->box();
        $out = [
            'id' => $piece->id,
            'name' => $piece->name,
            'fill' => $piece->fill?->colour->hex(),
            'fillOpacity' => $piece->fill->opacity ?? 1,
            'rule' => $piece->shape->rule->value,
            'nodes' => $piece->shape->nodeCount(),
            'box' => $box === null ? null : [$box->left, $box->top, $box->width(), $box->height()],
        ];
        $stroke = $piece->stroke;
        $shape = $piece->shape;
        if ($stroke !== null) {
            if ($stroke->pen !== null) {
                $m = $stroke->pen;
                $shape = $shape->transformed($m->inverse());
                $out['transform'] = sprintf('matrix(%.9F %.9F %.9F %.9F %.9F %.9F)', $m->a, $m->b, $m->c, $m->d, $m->e, $m->f);
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

        return $out;
    }
}
