<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Border;

use NeatEdge\Core\Artwork\Base;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Stored;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Geometry\Shape;
use UnexpectedValueException;

/** P7: a cut border that follows the pieces that it goes round. */
final readonly class BorderAround extends Base
{
    /**
     * @param  non-empty-list<string>  $sources  ids of the pieces that it goes round
     * @param  array<string, float|string|bool>  $values  see fields
     */
    public function __construct(public array $sources, public array $values, private Shape $shape)
    {
    }

    public static function kind(): string
    {
        return 'border';
    }

    public function stored(Stored $as): array
    {
        return ['sources' => $this->sources, 'values' => $this->values, 'shape' => $as->shape($this->shape)];
    }

    public static function read(array $data, Stored $as): self
    {
        $sources = array_values(array_map(strval(...), $data['sources']));
        if ($sources === []) {
            throw new UnexpectedValueException('The stored recipe cannot be read.');
        }

        return new self(
            $sources,
            array_map(static fn (mixed $value): mixed => is_int($value) ? (float) $value : $value, $data['values']),
            $as->toShape($data['shape']),
        );
    }

    public function follows(): array
    {
        return $this->sources;
    }

    public function following(array $ids): ?self
    {
        return $ids === [] ? null : new self($ids, $this->values, $this->shape);
    }

    public function told(Recipe $recipe): array
    {
        return ['shaped' => ['kind' => 'cut-border', 'values' => $this->values]];
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
