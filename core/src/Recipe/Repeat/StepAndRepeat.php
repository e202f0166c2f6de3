<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Repeat;

use NeatEdge\Core\Artwork\Change;
use NeatEdge\Core\Artwork\Knob;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Stored;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** D6: copies in a row, a grid or a ring. */
final readonly class StepAndRepeat extends Change
{
    public const MOST = 10_000;

    /**
     * @param  array{string, int, int, float, float, float, float, float, bool}  $values  kind (row, grid or ring), columns or count, rows,
     *         step across and down (mm), centre x and y (mm, in the space of the base), sweep of the ring (degrees), whether copies turn along
     */
    public function __construct(public array $values)
    {
    }

    public static function kind(): string
    {
        return 'repeat';
    }

    public function stored(Stored $as): array
    {
        return ['values' => $this->values];
    }

    public static function read(array $data, Stored $as): self
    {
        $v = $data['values'];

        return new self([$v[0], $v[1], $v[2], (float) $v[3], (float) $v[4], (float) $v[5], (float) $v[6], (float) $v[7], $v[8]]);
    }

    /** With the centre and the step on the bench, the size of one copy there, and how many lie on another. */
    public function told(Recipe $recipe): array
    {
        [$kind, $count, $rows, $dx, $dy, $x, $y, $sweep, $turning] = $this->values;
        $m = $recipe->matrix;
        $centre = $m->apply($x, $y);
        $one = $recipe->without(self::class)->shape();
        $box = $one->box();

        return ['repeat' => [
            'as' => $kind, 'count' => $count, 'rows' => $rows,
            'stepX' => $m->a * $dx + $m->c * $dy, 'stepY' => $m->b * $dx + $m->d * $dy,
            'ownWidth' => $box?->width() ?? 0.0, 'ownHeight' => $box?->height() ?? 0.0, 'stacked' => $this->stacked($one),
            'centreX' => $centre->x, 'centreY' => $centre->y, 'sweep' => $sweep, 'turning' => $turning,
        ]];
    }

    public function knobs(Recipe $recipe): array
    {
        if ($this->values[0] !== 'ring') {
            return [];
        }
        $centre = $recipe->matrix->apply($this->values[5], $this->values[6]);

        return [new Knob('centre', 'Centre of the ring', $centre->x, $centre->y, Knob::CENTRE)];
    }

    public function dragged(string $knob, float $x, float $y, Recipe $recipe): ?self
    {
        if ($knob !== 'centre' || $this->values[0] !== 'ring' || $recipe->matrix->isSingular()) {
            return null;
        }
        $own = $recipe->matrix->inverse()->apply($x, $y);
        [$kind, $count, $rows, $dx, $dy, , , $sweep, $turning] = $this->values;

        return new self([$kind, $count, $rows, $dx, $dy, $own->x, $own->y, $sweep, $turning]);
    }

    public function reading(string $knob, Recipe $recipe): string
    {
        $centre = $recipe->matrix->apply($this->values[5], $this->values[6]);

        return $knob === 'centre' ? sprintf('Centre at %.2f, %.2f mm', $centre->x, $centre->y) : '';
    }

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::choice('as', 'Laid out as', 'row', ['row' => 'Row', 'grid' => 'Grid', 'ring' => 'Ring']),
            Field::count('count', 'Count', 6, 1, 1000),
            Field::count('rows', 'Rows', 3, 1, 1000),
            new Field('stepX', 'Step across', Field::LENGTH, 20.0),
            new Field('stepY', 'Step down', Field::LENGTH, 0.0),
            new Field('centreX', 'Centre, across', Field::LENGTH, 0.0),
            new Field('centreY', 'Centre, down', Field::LENGTH, 0.0),
            Field::angle('sweep', 'Sweep', 360.0),
            Field::flag('turning', 'Copies turn along', true),
        ];
    }

    /** How many copies lie exactly on another: with no step between them, or turned about their own middle. */
    public function stacked(Shape $shape): int
    {
        $box = $shape->box();
        if ($box === null) {
            return 0;
        }
        $near = 1e-3 * max($box->width(), $box->height(), 1e-6);
        $seen = [];
        $count = 0;
        foreach ($this->places($shape) as $matrix) {
            $copy = $shape->transformed($matrix)->box() ?? $box;
            $key = implode(' ', array_map(static fn (float $mm): int => (int) round($mm / $near), [$copy->left, $copy->top, $copy->right, $copy->bottom]));
            $count += isset($seen[$key]) ? 1 : 0;
            $seen[$key] = true;
        }

        return $count;
    }

    public function on(Shape $shape): Shape
    {
        $contours = [];
        foreach ($this->places($shape) as $matrix) {
            foreach ($shape->contours as $contour) {
                $contours[] = $contour->transformed($matrix);
            }
        }

        return new Shape($contours, $shape->rule);
    }

    /** @return list<Matrix> the first of which is the base itself */
    private function places(Shape $shape): array
    {
        [$kind, $count, $rows, $dx, $dy, $x, $y, $sweep, $turning] = $this->values;
        $places = [];
        if ($kind === 'ring') {
            // A whole round has no copy on the first; a part of one has copies on both its ends.
            $steps = abs($sweep) >= 360.0 - 1e-9 ? $count : max(1, $count - 1);
            $middle = $shape->box()?->middle();
            for ($i = 0; $i < $count; $i++) {
                $turned = Matrix::rotation($sweep * $i / $steps, $x, $y);
                if (! $turning && $middle !== null) {
                    $at = $turned->apply($middle->x, $middle->y);
                    $turned = Matrix::translation($at->x - $middle->x, $at->y - $middle->y);
                }
                $places[] = $i === 0 ? Matrix::identity() : $turned;
            }

            return $places;
        }
        for ($row = 0, $of = $kind === 'grid' ? $rows : 1; $row < $of; $row++) {
            for ($i = 0; $i < $count; $i++) {
                $places[] = Matrix::translation($i * $dx, $kind === 'grid' ? $row * $dy : $i * $dy);
            }
        }

        return $places;
    }
}
