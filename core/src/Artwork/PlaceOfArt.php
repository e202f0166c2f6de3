<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Described\Field;

/**
 * What is said of a place on a thing in which art is shown. A shape on the picture says where it is; on something round its box is the thing's diameter.
 * Lines without a fill on its layer are seams.
 */
final class PlaceOfArt
{
    public const KINDS = [
        'flat' => 'Flat, seen from the front', 'round' => 'Round a thing', 'angle' => 'Flat, seen at an angle', 'wrapped' => 'As its shape is wrapped',
    ];

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::choice('lies', 'Art lies', 'flat', self::KINDS),
            Field::length('width', 'Printed across at most', 200.0, 1.0, 'in true size', 20_000.0),
            Field::length('height', 'Printed down at most', 200.0, 1.0, 'in true size', 20_000.0),
            Field::length('round', 'Diameter', 82.0, 1.0, 'of the thing, above', 20_000.0)->where('lies', ['round']),
            Field::length('below', 'Diameter below', 0.0, 0.0, 'as above when nought', 20_000.0)->where('lies', ['round']),
            Field::length('tall', 'Height of the thing', 95.0, 1.0, '', 20_000.0)->where('lies', ['round']),
            Field::number('above', 'Seen from above, °', 0.0, 0.0, 80.0)->where('lies', ['round']),
        ];
    }
}
