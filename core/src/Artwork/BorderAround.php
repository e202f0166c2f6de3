<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Geometry\Shape;

/** P7: a cut border that follows the pieces that it goes round. */
final readonly class BorderAround implements Base
{
    /**
     * @param  non-empty-list<string>  $sources  ids of the pieces that it goes round
     * @param  array<string, float|string|bool>  $values  see fields
     */
    public function __construct(public array $sources, public array $values, private Shape $shape)
    {
    }

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::length('distance', 'Distance', 2.0, 0.0, 'from what is seen to the cut'),
            Field::length('bridge', 'Bridge gaps under', 1.0, 0.0),
            Field::length('dropHoles', 'Drop holes under', 3.0, 0.0, 'holes into which no circle of this width fits'),
            Field::length('radius', 'Least radius', 0.5, 0.0, 'hollows that are sharper tear or stop the blade'),
        ];
    }

    public function shape(): Shape
    {
        return $this->shape;
    }
}
