<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Picture;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place;
use NeatEdge\Core\Artwork\Side;
use NeatEdge\Core\Artwork\SoftDrawing;
use NeatEdge\Core\Artwork\Spread;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\EndKind;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\LineEnds;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Stroke\WidthStops;

/** A piece as plain data, and back. What is as usual is left out. */
final class PieceJson
{
    /** @return array<string, mixed> */
    public static function of(Piece $piece): array
    {
        $place = $piece->place;

        return array_filter([
            'id' => $piece->id,
            'name' => $piece->name === '' ? null : $piece->name,
            ...self::shape($piece->shape),
            'fill' => $piece->fill === null ? null : self::paint($piece->fill),
            'stroke' => $piece->stroke === null ? null : self::stroke($piece->stroke),
            'recipe' => $piece->recipe === null ? null : RecipeJson::of($piece->recipe),
            'layer' => $place->layer,
            'groups' => $place->groups === [] ? null : $place->groups,
            'hidden' => $place->hidden ?: null,
            'locked' => $place->locked ?: null,
            'turn' => $piece->turn === 0.0 ? null : $piece->turn,
            'clip' => $piece->clip === null ? null : self::of($piece->clip),
            'blend' => $piece->blend === Blend::Normal ? null : $piece->blend->value,
            'soft' => $piece->soft === null ? null : SoftJson::of($piece->soft),
        ], static fn (mixed $value): bool => $value !== null);
    }

    /** @param  array<string, mixed>  $data */
    public static function to(array $data): Piece
    {
        return new Piece(
            $data['id'],
            self::toShape($data),
            isset($data['fill']) ? self::toPaint($data['fill']) : null,
            isset($data['stroke']) ? self::toStroke($data['stroke']) : null,
            $data['name'] ?? '',
            isset($data['recipe']) ? RecipeJson::to($data['recipe']) : null,
            new Place($data['layer'] ?? Layer::FIRST, $data['groups'] ?? [], $data['hidden'] ?? false, $data['locked'] ?? false),
            (float) ($data['turn'] ?? 0.0),
            isset($data['clip']) ? self::to($data['clip']) : null,
            Blend::from($data['blend'] ?? Blend::Normal->value),
            isset($data['soft']) ? SoftJson::to($data['soft']) : null,
        );
    }

    /** @return array{rule: string, contours: list<array{bool, list<float>}>} */
    public static function shape(Shape $shape): array
    {
        return ['rule' => $shape->rule->value, 'contours' => array_map(self::contour(...), $shape->contours)];
    }

    /** @param  array<string, mixed>  $data */
    public static function toShape(array $data): Shape
    {
        return new Shape(array_values(array_map(self::toContour(...), $data['contours'])), FillRule::from($data['rule']));
    }

    /** @return array{bool, list<float>} */
    public static function contour(Contour $contour): array
    {
        return [$contour->closed, $contour->coords];
    }

    /** @param  array<mixed>  $data */
    public static function toContour(array $data): Contour
    {
        return new Contour(self::floats($data[1]), $data[0]);
    }

    /**
     * @param  array<mixed>  $numbers
     * @return list<float>
     */
    public static function floats(array $numbers): array
    {
        return array_values(array_map(floatval(...), $numbers));
    }

    /** @return list<mixed> hex, opacity and, if it is none flat, what it is painted with */
    private static function paint(Paint $paint): array
    {
        $row = [$paint->colour->hex(), $paint->opacity];
        if ($paint->gradient !== null) {
            $row[] = ['gradient' => self::gradient($paint->gradient)];
        } elseif ($paint->picture !== null) {
            $picture = $paint->picture;
            $row[] = ['picture' => [$picture->reference, $picture->width, $picture->height, self::matrix($picture->matrix), $picture->fit]];
        }

        if ($paint->soft !== null) {
            $row[] = ['soft' => ['pieces' => array_map(self::of(...), $paint->soft->pieces), 'look' => SoftJson::of($paint->soft->look)]];
        }

        return $row;
    }

    /** @return list<mixed> */
    public static function gradient(Gradient $gradient): array
    {
        return [
            $gradient->kind->value, $gradient->spread->value, $gradient->axis, self::matrix($gradient->matrix),
            array_map(static fn (array $stop): array => [$stop[0], $stop[1]->hex(), $stop[2]], $gradient->stops),
        ];
    }

    /** @param  array<mixed>  $data  as gradient() gives it */
    public static function toGradient(array $data): Gradient
    {
        $stops = array_values(array_map(static fn (array $stop): array => [(float) $stop[0], Colour::fromHex($stop[1]), (float) $stop[2]], $data[4]));

        return new Gradient(
            GradientKind::from($data[0]),
            self::floats($data[2]),
            $stops === [] ? throw new \UnexpectedValueException('A gradient has no colours.') : $stops,
            new Matrix(...self::floats($data[3])),
            Spread::from($data[1]),
        );
    }

    /** @param  array<mixed>  $data */
    private static function toPaint(array $data): Paint
    {
        $gradient = $data[2]['gradient'] ?? null;
        $picture = $data[2]['picture'] ?? null;
        $soft = $data[2]['soft'] ?? null;

        return new Paint(
            Colour::fromHex($data[0]),
            (float) $data[1],
            $gradient === null ? null : self::toGradient($gradient),
            $picture === null ? null : new Picture(
                $picture[0],
                (float) $picture[1],
                (float) $picture[2],
                new Matrix(...self::floats($picture[3])),
                $picture[4],
            ),
            $soft === null ? null : self::toDrawing($soft),
        );
    }

    /** @param  array<string, mixed>  $data */
    private static function toDrawing(array $data): SoftDrawing
    {
        $pieces = array_values(array_map(self::to(...), $data['pieces']));

        return new SoftDrawing($pieces === [] ? throw new \UnexpectedValueException('A soft paint paints nothing.') : $pieces, SoftJson::to($data['look']));
    }

    /** @return list<float> */
    public static function matrix(Matrix $m): array
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
            'side' => $stroke->side->value,
            'stops' => $stroke->stops?->stops,
            ...($stroke->cut ? ['cut' => true] : []),
            ...($stroke->ends === null ? [] : ['ends' => [$stroke->ends->start->value, $stroke->ends->finish->value, $stroke->ends->size]]),
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
            Side::from($data['side'] ?? Side::Centre->value),
            self::toStops($data['stops'] ?? []),
            (bool) ($data['cut'] ?? false),
            isset($data['ends']) ? new LineEnds(EndKind::from($data['ends'][0]), EndKind::from($data['ends'][1]), (float) $data['ends'][2]) : null,
        );
    }

    /** @param  array<mixed>  $stops */
    private static function toStops(array $stops): ?WidthStops
    {
        $stops = array_values(array_map(static fn (array $stop): array => [(float) $stop[0], (float) $stop[1]], $stops));

        return $stops === [] ? null : new WidthStops($stops);
    }
}
