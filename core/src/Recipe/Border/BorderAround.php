<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Border;

use NeatEdge\Core\Artwork\Base;
use NeatEdge\Core\Artwork\Leaders;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\References;
use NeatEdge\Core\Artwork\Stored;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
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

    public function led(Piece $piece, Recipe $recipe, Leaders $leaders): Piece
    {
        $gone = array_filter($this->sources, static fn (string $id): bool => $leaders->now($id) === null);
        $changed = array_filter(
            $this->sources,
            static fn (string $id): bool => $leaders->before($id) !== null && $leaders->before($id) !== $leaders->now($id),
        );
        $piece = References::following($piece, array_fill_keys($gone, null));
        $sources = array_values(array_diff($this->sources, $gone));
        if (($gone === [] && $changed === []) || $sources === []) {
            return $piece;
        }
        $shapes = array_map(
            static fn (Piece $source): Shape => $leaders->covered($source),
            array_values(array_filter(array_map($leaders->now(...), $sources))),
        );
        $border = self::round($sources, $this->values, $shapes, $leaders->tolerance());

        // It lies round its pieces on the bench, wherever it was moved before.
        return $border->shape()->isEmpty() ? $piece : $piece->withRecipe(new Recipe($border, Matrix::identity(), $recipe->changes));
    }

    /**
     * The border that goes round some pieces as they are now.
     *
     * @param  non-empty-list<string>  $sources  their ids
     * @param  array<string, float|string|bool>  $values  see fields
     * @param  list<Shape>  $covered  what each of them covers
     */
    public static function round(array $sources, array $values, array $covered, Tolerance $tolerance): self
    {
        $shapes = array_values(array_filter($covered, static fn (Shape $shape): bool => ! $shape->isEmpty()));

        return new self($sources, $values, BorderLine::around(
            $shapes === [] ? new Shape([]) : Combine::weld($shapes, $tolerance),
            (float) $values['distance'],
            (float) $values['bridge'],
            (float) $values['dropHoles'],
            (float) $values['radius'],
            $tolerance,
        ));
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
            Field::length('dropHoles', 'Leave out holes under', 3.0, 0.0, 'holes into which no circle of this width fits'),
            Field::length('radius', 'Least radius', 0.5, 0.0, 'hollows that are sharper tear or stop the blade'),
        ];
    }

    public function shape(): Shape
    {
        return $this->shape;
    }
}
