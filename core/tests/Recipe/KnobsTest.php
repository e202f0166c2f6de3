<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Recipe;

use NeatEdge\Core\Artwork\Knob;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Recipe\Basic\BasicShape;
use NeatEdge\Core\Recipe\Basic\ShapeKind;
use NeatEdge\Core\Recipe\Mirror\MirrorHalf;
use NeatEdge\Core\Recipe\Repeat\StepAndRepeat;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Knobs by which live pieces are adjusted on the art. */
final class KnobsTest extends TestCase
{
    /** @var array<string, array<string, float>> */
    private const VALUES = [
        'rectangle' => ['topLeft' => 9.0], 'star' => ['inner' => 0.5, 'points' => 5.0], 'ellipse' => ['start' => 20.0, 'sweep' => 200.0, 'inner' => 0.4],
        'banner' => ['depth' => 7.0], 'arrow' => ['head' => 11.0, 'shaft' => 6.0], 'heart' => ['cleft' => 0.3],
    ];

    /** @param  array<string, float>  $values */
    private static function recipe(ShapeKind $kind, array $values = []): Recipe
    {
        $all = [...$kind->usual(), 'width' => 60.0, 'height' => 40.0, ...$values];

        return new Recipe(new BasicShape($kind, $all), new Matrix(0.0, 2.0, -2.0, 0.0, 70.0, 30.0));
    }

    /** @return array<string, Knob> */
    private static function knobs(Recipe $recipe): array
    {
        return array_column($recipe->base->knobs($recipe), null, 'name');
    }

    /** @return iterable<string, array{ShapeKind}> */
    public static function kinds(): iterable
    {
        foreach (ShapeKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    #[DataProvider('kinds')]
    public function a_knob_lies_where_its_value_is_and_goes_where_it_is_dragged(ShapeKind $kind): void
    {
        $recipe = self::recipe($kind, self::VALUES[$kind->value] ?? []);
        $knobs = self::knobs($recipe);
        self::assertSame(isset(self::VALUES[$kind->value]), $knobs !== []);
        foreach ($knobs as $name => $knob) {
            self::assertMatchesRegularExpression('/^[A-Z]/', $knob->says);
            $same = $recipe->base->dragged($name, $knob->x, $knob->y, $recipe);
            self::assertInstanceOf(BasicShape::class, $same);
            $was = $recipe->base;
            self::assertInstanceOf(BasicShape::class, $was);
            $given = self::VALUES[$kind->value] ?? [];
            foreach ($given as $field => $value) {
                self::assertEqualsWithDelta($value, $same->values[$field], 1e-9, "{$name} dragged to where it is leaves {$field}");
            }
            // A little on: the knob is there, as far as it can move, and something is otherwise.
            $there = $recipe->base->dragged($name, $knob->x + 1.5, $knob->y + 1.0, $recipe);
            self::assertInstanceOf(BasicShape::class, $there);
            self::assertNotEquals($was->values, $there->values);
            $now = self::knobs(new Recipe($there, $recipe->matrix))[$name];
            self::assertLessThan(4.0, hypot($now->x - $knob->x - 1.5, $now->y - $knob->y - 1.0));
            self::assertMatchesRegularExpression('/^[A-Z].* -?\d+\.\d\d$/', $there->reading($name, $recipe));
            // And however far, within the bounds of its field.
            foreach ([[1e4, 1e4], [-1e4, -1e4]] as [$x, $y]) {
                $far = $recipe->base->dragged($name, $x, $y, $recipe);
                self::assertInstanceOf(BasicShape::class, $far);
                foreach ($kind->fields() as $field) {
                    if (is_float($far->values[$field->name])) {
                        self::assertGreaterThanOrEqual($field->least, $far->values[$field->name]);
                        self::assertLessThanOrEqual($field->most, $far->values[$field->name]);
                    }
                }
            }
        }
        self::assertNull($recipe->base->dragged('none', 0.0, 0.0, $recipe));
    }

    #[Test]
    #[TestWith([0.0, 0.0])]
    #[TestWith([10.0, 12.0])]
    public function a_hole_shuts_near_the_middle_and_a_corner_begins_where_it_can_be_held(float $corner, float $at): void
    {
        $ring = self::recipe(ShapeKind::Ellipse, ['inner' => 0.4]);
        $middle = $ring->matrix->apply(0.5, 0.5);
        $shut = $ring->base->dragged('inner', $middle->x, $middle->y, $ring);
        self::assertInstanceOf(BasicShape::class, $shut);
        self::assertSame(0.0, $shut->values['inner']);
        $box = self::recipe(ShapeKind::Rectangle, ['topLeft' => $corner]);
        $own = $box->matrix->inverse();
        $knob = self::knobs($box)['corners'];
        self::assertEqualsWithDelta(-30.0 + max($corner, 20.0 / 6.0), $own->apply($knob->x, $knob->y)->x, 1e-9);
        $to = $box->matrix->apply(-30.0 + $at, -20.0);
        $round = $box->base->dragged('corners', $to->x, $to->y, $box);
        self::assertInstanceOf(BasicShape::class, $round);
        self::assertEqualsWithDelta([$at, $at, $at, $at], [$round->values['topLeft'], $round->values['topRight'], $round->values['bottomRight'], $round->values['bottomLeft']], 1e-9);
    }

    #[Test]
    public function a_whole_circle_has_no_start_until_it_is_opened(): void
    {
        $whole = self::recipe(ShapeKind::Ellipse);
        self::assertSame(['inner', 'end'], array_keys(self::knobs($whole)));
        $to = $whole->matrix->apply(0.0, 20.0);
        $quarter = $whole->base->dragged('end', $to->x, $to->y, $whole);
        self::assertInstanceOf(BasicShape::class, $quarter);
        self::assertEqualsWithDelta(90.0, $quarter->values['sweep'], 1e-9);
        self::assertSame(['inner', 'end', 'start'], array_keys(self::knobs(new Recipe($quarter, $whole->matrix))));
        $back = $whole->matrix->apply(30.0, 0.0);
        $again = $quarter->dragged('end', $back->x, $back->y, new Recipe($quarter, $whole->matrix));
        self::assertInstanceOf(BasicShape::class, $again);
        self::assertEqualsWithDelta(360.0, $again->values['sweep'], 1e-9);
    }

    #[Test]
    public function an_axis_and_the_middle_of_a_ring_are_knobs_of_what_is_done_to_a_shape(): void
    {
        $recipe = self::recipe(ShapeKind::Rectangle, ['topLeft' => 9.0])
            ->changed(new MirrorHalf(5.0, 4.0, 90.0, 1.0, 1))
            ->changed(new StepAndRepeat(['ring', 6, 1, 0.0, 0.0, -20.0, 10.0, 360.0, true]));
        $knobs = array_column($recipe->knobs(), null, 'name');
        self::assertSame(['axis', 'centre'], array_slice(array_keys($knobs), -2));
        self::assertSame([Knob::TAB, Knob::AXIS, Knob::CENTRE], [$recipe->knobs()[0]->as, $knobs['axis']->as, $knobs['centre']->as]);
        // The recipe is turned a quarter and twice as large: what is upright in it is level on the bench.
        self::assertEqualsWithDelta([62.0, 40.0, 180.0], [$knobs['axis']->x, $knobs['axis']->y, abs($knobs['axis']->angle)], 1e-9);
        self::assertEqualsWithDelta([50.0, -10.0], [$knobs['centre']->x, $knobs['centre']->y], 1e-9);

        $moved = $recipe->dragged('axis', 40.0, 70.0);
        self::assertNotNull($moved);
        $mirror = $moved->change(MirrorHalf::class);
        self::assertEqualsWithDelta([20.0, 15.0, 90.0, 1.0], [$mirror?->x, $mirror?->y, $mirror?->angle, $mirror?->reach], 1e-9);
        self::assertSame('Axis at 40.00, 70.00 mm', $moved->reading('axis'));
        // Past the middle of what is drawn the other side is mirrored.
        self::assertSame([-1, 1], [$mirror?->side, $recipe->dragged('axis', 40.0, 10.0)?->change(MirrorHalf::class)?->side]);

        $ring = $recipe->dragged('centre', 70.0, 30.0);
        self::assertEqualsWithDelta([0.0, 0.0], array_slice($ring?->change(StepAndRepeat::class)->values ?? [], 5, 2), 1e-9);
        self::assertSame('Centre at 70.00, 30.00 mm', $ring?->reading('centre'));
        $row = $recipe->changed(new StepAndRepeat(['row', 6, 1, 8.0, 0.0, -20.0, 10.0, 360.0, true]));
        self::assertArrayNotHasKey('centre', array_column($row->knobs(), null, 'name'));
        self::assertNull($row->dragged('centre', 1.0, 1.0));
    }
}
