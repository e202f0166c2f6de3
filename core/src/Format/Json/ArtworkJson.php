<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Colour;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Picture;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Spread;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;
use UnexpectedValueException;

/** Artwork as text that gives back every float bit for bit: how a job is stored. */
final class ArtworkJson
{
    public static function encode(Artwork $artwork): string
    {
        $before = ini_set('serialize_precision', '-1');
        try {
            return json_encode([
                'width' => $artwork->width,
                'height' => $artwork->height,
                'pieces' => array_map(static fn (Piece $piece): array => [
                    'id' => $piece->id,
                    'name' => $piece->name,
                    'rule' => $piece->shape->rule->value,
                    'contours' => array_map(static fn (Contour $contour): array => [$contour->closed, $contour->coords], $piece->shape->contours),
                    'fill' => $piece->fill === null ? null : self::paint($piece->fill),
                    'stroke' => $piece->stroke === null ? null : self::stroke($piece->stroke),
                ], $artwork->pieces),
            ], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);
        } finally {
            ini_set('serialize_precision', (string) $before);
        }
    }

    public static function decode(string $text): Artwork
    {
        $data = json_decode($text, true, 32, JSON_THROW_ON_ERROR);
        if (! is_array($data)) {
            throw new UnexpectedValueException('The stored artwork cannot be read.');
        }

        return new Artwork((float) $data['width'], (float) $data['height'], array_values(array_map(static fn (array $piece): Piece => new Piece(
            $piece['id'],
            new Shape(
                array_values(array_map(static fn (array $contour): Contour => new Contour(self::floats($contour[1]), $contour[0]), $piece['contours'])),
                FillRule::from($piece['rule']),
            ),
            $piece['fill'] === null ? null : self::toPaint($piece['fill']),
            $piece['stroke'] === null ? null : self::toStroke($piece['stroke']),
            $piece['name'],
        ), $data['pieces'])));
    }

    /**
     * @param  array<mixed>  $numbers
     * @return list<float>
     */
    private static function floats(array $numbers): array
    {
        return array_values(array_map(floatval(...), $numbers));
    }

    /** @return list<mixed> hex, opacity and, if it is none flat, what it is painted with */
    private static function paint(Paint $paint): array
    {
        $out = [$paint->colour->hex(), $paint->opacity];
        if ($paint->gradient !== null) {
            $gradient = $paint->gradient;
            $out[] = ['gradient' => [
                $gradient->kind->value, $gradient->spread->value, $gradient->axis, self::matrix($gradient->matrix),
                array_map(static fn (array $stop): array => [$stop[0], $stop[1]->hex(), $stop[2]], $gradient->stops),
            ]];
        } elseif ($paint->picture !== null) {
            $picture = $paint->picture;
            $out[] = ['picture' => [$picture->reference, $picture->width, $picture->height, self::matrix($picture->matrix), $picture->fit]];
        }

        return $out;
    }

    /** @param  array<mixed>  $data */
    private static function toPaint(array $data): Paint
    {
        $gradient = $data[2]['gradient'] ?? null;
        $picture = $data[2]['picture'] ?? null;
        $stops = array_values(array_map(static fn (array $stop): array => [(float) $stop[0], Colour::fromHex($stop[1]), (float) $stop[2]], $gradient[4] ?? []));

        return new Paint(
            Colour::fromHex($data[0]),
            (float) $data[1],
            $stops === [] ? null : new Gradient(GradientKind::from($gradient[0]), self::floats($gradient[2]), $stops, new Matrix(...self::floats($gradient[3])), Spread::from($gradient[1])),
            $picture === null ? null : new Picture($picture[0], (float) $picture[1], (float) $picture[2], new Matrix(...self::floats($picture[3])), $picture[4]),
        );
    }

    /** @return list<float> */
    private static function matrix(Matrix $m): array
    {
        return [$m->a, $m->b, $m->c, $m->d, $m->e, $m->f];
    }

    /** @return array<string, mixed> */
    private static function stroke(Stroke $stroke): array
    {
        $style = $stroke->style;
        $pen = $stroke->pen;

        return [
            'paint' => self::paint($stroke->paint),
            'width' => $style->width,
            'cap' => $style->cap->value,
            'join' => $style->join->value,
            'miter' => $style->miterLimit,
            'dashes' => $style->dashes,
            'offset' => $style->dashOffset,
            'pen' => $pen === null ? null : self::matrix($pen),
        ];
    }

    /** @param  array<string, mixed>  $data */
    private static function toStroke(array $data): Stroke
    {
        return new Stroke(
            self::toPaint($data['paint']),
            new StrokeStyle(
                (float) $data['width'], Cap::from($data['cap']), Join::from($data['join']), (float) $data['miter'],
                self::floats($data['dashes']), (float) $data['offset'],
            ),
            $data['pen'] === null ? null : new Matrix(...array_map(floatval(...), $data['pen'])),
        );
    }
}
