<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Artwork;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Basic\BasicShape;
use NeatEdge\Core\Recipe\Basic\ShapeKind;
use NeatEdge\Core\Recipe\Corners\RoundCorners;
use NeatEdge\Core\Recipe\Linked\LinkedCopy;
use NeatEdge\Core\Recipe\Repeat\StepAndRepeat;
use NeatEdge\Core\Stroke\WidthStops;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What makes the shape of a piece while it can still be adjusted. */
final class ChangesTest extends TestCase
{
    /** @return iterable<string, array{ShapeKind}> */
    public static function filled(): iterable
    {
        foreach (ShapeKind::cases() as $kind) {
            if ($kind !== ShapeKind::Line) {
                yield $kind->value => [$kind];
            }
        }
    }

    #[Test, DataProvider('filled')]
    public function a_basic_shape_lies_about_its_middle_clean_and_cut_ready(ShapeKind $kind): void
    {
        $shape = (new BasicShape($kind, $kind->usual()))->shape();
        $box = $shape->box();
        self::assertNotNull($box);
        self::assertEqualsWithDelta(0.0, $box->middle()->x, 1e-6);
        // What it fills is what its outlines say: nothing crosses itself, nothing lies double.
        self::assertEqualsWithDelta($shape->area(), Combine::weld([$shape])->area(), 1e-6);
        foreach ($shape->contours as $contour) {
            self::assertTrue($contour->closed);
            foreach ($contour->segments() as $s) {
                self::assertGreaterThan(1e-3, Cubic::length($s), 'no segment without a length');
            }
        }
    }

    #[Test, DataProvider('filled')]
    public function scaled_evenly_a_basic_shape_is_the_same_larger(ShapeKind $kind): void
    {
        $values = $kind->usual();
        if (isset($values['round'])) {
            $values['round'] = 2.0;
        }
        $shape = new BasicShape($kind, $values);
        $larger = $shape->scaled(2.5)->shape();
        $same = $shape->shape()->transformed(Matrix::scaling(2.5, 2.5));
        self::assertSame(count($same->contours), count($larger->contours));
        foreach ($same->contours as $i => $contour) {
            self::assertEqualsWithDelta($contour->coords, $larger->contours[$i]->coords, 1e-6);
        }
    }

    #[Test]
    public function a_rounded_corner_is_an_arc_of_its_radius_that_touches_both_sides(): void
    {
        $square = Shape::of(Contour::rectangle(0, 0, 40, 40));
        $rounded = (new RoundCorners([[0, 1, 10.0]]))->on($square);
        // A quarter of a circle takes the place of the corner.
        self::assertEqualsWithDelta(1600 - 100 + M_PI * 25, $rounded->area(), 0.03);
        self::assertSame(5, $rounded->nodeCount());
        $arc = array_values(array_filter($rounded->contours[0]->segments(), static fn (array $s): bool => ! Cubic::isLine($s)))[0];
        foreach ([0.0, 0.25, 0.5, 1.0] as $t) {
            [$x, $y] = Cubic::at($arc, $t);
            self::assertEqualsWithDelta(10.0, hypot($x - 30, $y - 10), 4e-3);
        }
    }

    #[Test]
    public function two_roundings_that_want_one_side_share_it_and_no_corner_is_turned_over(): void
    {
        $square = Shape::of(Contour::rectangle(0, 0, 40, 40));
        $all = (new RoundCorners([[0, 0, 99.0], [0, 1, 99.0], [0, 2, 99.0], [0, 3, 99.0]]))->on($square);
        self::assertEqualsWithDelta(M_PI * 400, $all->area(), 0.5, 'a circle is left');
        $unlike = (new RoundCorners([[0, 0, 60.0], [0, 1, 20.0]]))->on($square);
        self::assertEqualsWithDelta($unlike->area(), Combine::weld([$unlike])->area(), 1e-6);
        self::assertLessThan(1600.0, $unlike->area());
    }

    #[Test]
    public function what_is_no_corner_is_left_as_it_is(): void
    {
        $line = Shape::of(Contour::polygon([[0, 0], [10, 0], [20, 0], [20, 10]], false));
        // The first node of an open line, one on a straight way, one that is not there, and a contour that is not there.
        $same = (new RoundCorners([[0, 0, 5.0], [0, 1, 5.0], [0, 9, 5.0], [3, 0, 5.0], [0, 2, 0.0]]))->on($line);
        self::assertSame($line->contours[0]->coords, $same->contours[0]->coords);
        $bent = (new RoundCorners([[0, 2, 5.0]]))->on($line);
        self::assertEqualsWithDelta(30 - 10 + 2.5 * M_PI, $bent->length(), 0.01);
        self::assertSame([[0.0, 0.0], [20.0, 10.0]], [array_slice($bent->contours[0]->coords, 0, 2), array_slice($bent->contours[0]->coords, -2)]);
    }

    /**
     * @return iterable<string, array{array{string, int, int, float, float, float, float, float, bool}, list<array{float, float}>}> values, middles of the
     *     copies
     */
    public static function layouts(): iterable
    {
        yield 'a row that climbs' => [['row', 3, 9, 10.0, -2.0, 0.0, 0.0, 360.0, true], [[5.0, 5.0], [15.0, 3.0], [25.0, 1.0]]];
        yield 'a grid' => [['grid', 2, 2, 10.0, 20.0, 0.0, 0.0, 360.0, true], [[5.0, 5.0], [15.0, 5.0], [5.0, 25.0], [15.0, 25.0]]];
        yield 'a whole ring' => [['ring', 4, 1, 0.0, 0.0, 5.0, 15.0, 360.0, true], [[5.0, 5.0], [15.0, 15.0], [5.0, 25.0], [-5.0, 15.0]]];
        yield 'a half ring with copies on both its ends' => [['ring', 3, 1, 0.0, 0.0, 5.0, 15.0, 180.0, false], [[5.0, 5.0], [15.0, 15.0], [5.0, 25.0]]];
        yield 'against the clock' => [['ring', 2, 1, 0.0, 0.0, 5.0, 15.0, -90.0, true], [[5.0, 5.0], [-5.0, 15.0]]];
        yield 'one alone' => [['ring', 1, 1, 0.0, 0.0, 0.0, 0.0, 90.0, true], [[5.0, 5.0]]];
    }

    /**
     * @param  array{string, int, int, float, float, float, float, float, bool}  $values
     * @param  list<array{float, float}>  $middles
     */
    #[Test, DataProvider('layouts')]
    public function copies_stand_where_their_values_say(array $values, array $middles): void
    {
        $base = Shape::of(Contour::rectangle(3, 4, 4, 2));
        $copies = (new StepAndRepeat($values))->on($base);
        self::assertSame($base->contours[0]->coords, $copies->contours[0]->coords, 'the first is the base itself');
        $stand = array_map(static fn (Contour $c): array => [$c->box()->middle()->x, $c->box()->middle()->y], $copies->contours);
        self::assertEqualsWithDelta($middles, $stand, 1e-9);
        self::assertEqualsWithDelta(8.0 * count($middles), $copies->area(), 1e-9);
    }

    #[Test]
    public function copies_in_a_ring_turn_along_only_if_they_are_told_to(): void
    {
        $base = Shape::of(Contour::rectangle(3, 4, 4, 2));
        $size = static fn (bool $turning): array => (static fn (Contour $c): array => [$c->box()->width(), $c->box()->height()])((new StepAndRepeat([
            'ring', 4, 1, 0.0, 0.0, 5.0, 15.0, 360.0, $turning,
        ]))->on($base)->contours[1]);
        self::assertEqualsWithDelta([2.0, 4.0], $size(true), 1e-9);
        self::assertEqualsWithDelta([4.0, 2.0], $size(false), 1e-9);
    }

    #[Test]
    public function a_linked_copy_takes_on_what_its_source_looks_like_and_not_where_it_goes(): void
    {
        $before = Shape::of(Contour::rectangle(0, 0, 10, 10));
        $copy = LinkedCopy::of(new Piece('a', $before, null));
        $moved = $before->transformed(Matrix::translation(30, -5));
        $copy = $copy->after($before, $moved);
        self::assertEqualsWithDelta($before->contours[0]->coords, $copy->shape()->contours[0]->coords, 1e-9);
        $rounded = (new RoundCorners([[0, 0, 3.0]]))->on($moved);
        $copy = $copy->after($moved, $rounded);
        self::assertEqualsWithDelta($rounded->area(), $copy->shape()->area(), 1e-9);
        // It still lies where the source was when it was copied.
        self::assertEqualsWithDelta([0.0, 0.0, 10.0, 10.0], array_values((array) $copy->shape()->box()), 1e-6);
        self::assertEqualsWithDelta([-30.0, 5.0], [$copy->back()->e, $copy->back()->f], 1e-9);
    }

    #[Test]
    public function a_width_never_overshoots_its_stops_and_passes_through_each(): void
    {
        foreach (WidthStops::profiles() as [$label, $stops]) {
            if ($stops === []) {
                continue;
            }
            $width = new WidthStops($stops);
            foreach ($stops as [$share, $wide]) {
                self::assertEqualsWithDelta($wide, $width->at($share), 1e-12, $label);
            }
            for ($i = 1, $n = count($stops); $i < $n; $i++) {
                [[$from, $a], [$to, $b]] = [$stops[$i - 1], $stops[$i]];
                $last = $a;
                for ($k = 1; $k <= 50; $k++) {
                    $now = $width->at($from + ($to - $from) * $k / 50);
                    self::assertGreaterThanOrEqual(-1e-12, ($b <=> $a) * ($now - $last), "{$label} goes one way between two stops");
                    $last = $now;
                }
            }
            self::assertSame(max(array_column($stops, 1)), $width->greatest());
        }
        // Before the first and after the last stop the width stays.
        $held = new WidthStops([[0.3, 0.5], [0.6, 2.0]]);
        self::assertSame([0.5, 0.5, 2.0, 2.0], array_map($held->at(...), [0.0, 0.3, 0.6, 1.0]));
        self::assertEqualsWithDelta(1.25, $held->at(0.45), 1e-12);
    }
}
