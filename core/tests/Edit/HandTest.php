<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Edit;

use NeatEdge\Core\Artwork\Side;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\ColourName;
use NeatEdge\Core\Recipe\Called;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Recipe\Repeat\StepAndRepeat;
use NeatEdge\Core\Stroke\WidthStops;
use NeatEdge\Core\Tests\Support\Bench;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What an artist stumbled over: each of these went otherwise than anyone expects. */
final class HandTest extends TestCase
{
    #[Test]
    public function a_repeat_is_taken_off_with_nothing_but_the_word(): void
    {
        $bench = new Bench;
        $star = $bench->shape('star', 30, 30, 10, 10);
        $one = $bench->piece($star)->shape->nodeCount();
        $bench->do('repeat', ['pieces' => [$star], 'as' => 'ring', 'count' => 6, 'centreX' => 60, 'centreY' => 60]);
        self::assertSame(6 * $one, $bench->piece($star)->shape->nodeCount());
        $bench->do('repeat', ['kind' => 'repeat', 'pieces' => [$star], 'off' => true]);
        self::assertSame($one, $bench->piece($star)->shape->nodeCount());
    }

    /** @param  array{string, int, int, float, float, float, float, float, bool}  $values */
    #[Test]
    #[TestWith([['row', 3, 1, 0.0, 0.0, 0.0, 0.0, 360.0, true], 2])]
    #[TestWith([['row', 3, 1, 12.0, 0.0, 0.0, 0.0, 360.0, true], 0])]
    #[TestWith([['grid', 2, 3, 12.0, 0.0, 0.0, 0.0, 360.0, true], 4])]
    #[TestWith([['ring', 4, 1, 0.0, 0.0, 5.0, 5.0, 360.0, true], 3])]
    #[TestWith([['ring', 4, 1, 0.0, 0.0, 50.0, 5.0, 360.0, true], 0])]
    public function copies_that_lie_on_each_other_are_counted(array $values, int $stacked): void
    {
        self::assertSame($stacked, (new StepAndRepeat($values))->stacked(Shape::of(Contour::circle(5, 5, 5))));
    }

    #[Test]
    public function letters_keep_their_place_on_a_line_when_they_change_sides_and_stand_as_far_from_it_as_is_typed(): void
    {
        $bench = new Bench;
        $line = $bench->line([20, 80, 60, 80, 100, 80, 140, 80]);
        $text = $bench->do('text', ['text' => 'Lantern', 'family' => 'Fraunces', 'size' => 8, 'along' => $line, 'slide' => 0.3])->made[0];
        $middle = static function () use ($bench, $text): float {
            [$left, , $width] = $bench->box($text);

            return $left + $width / 2;
        };
        $before = $middle();
        $bench->do('set-text', ['pieces' => [$text], 'inside' => true]);
        self::assertEqualsWithDelta($before, $middle(), 1.0);
        self::assertGreaterThan(79.5, $bench->box($text)[1], 'on the other side of the line');
        $bench->do('set-text', ['pieces' => [$text], 'inside' => false]);
        self::assertEqualsWithDelta($before, $middle(), 0.01);
        $top = $bench->box($text)[1];
        $bench->do('set-text', ['pieces' => [$text], 'distance' => '2.5mm']);
        self::assertEqualsWithDelta($top - 2.5, $bench->box($text)[1], 1e-6);
        $base = $bench->piece($text)->recipe?->base;
        self::assertInstanceOf(Lettering::class, $base);
        self::assertSame(2.5, $base->setting->distance);
    }

    #[Test]
    public function a_size_counts_the_strokes_when_it_shall(): void
    {
        $bench = new Bench;
        $id = $bench->shape('rectangle', 50, 50, 40, 20, ['line' => '#000000', 'lineWidth' => 2]);
        $place = static fn (array $fields): array => ['pieces' => [$id], 'originX' => 0.5, 'originY' => 0.5, ...$fields];
        $bench->do('place', $place(['width' => '84mm', 'outer' => true]));
        self::assertEqualsWithDelta(80.0, $bench->box($id)[2], 1e-3, 'twice as wide with its stroke, which is stretched along');
        $bench->do('place', $place(['height' => '42mm', 'outer' => true, 'strokes' => false]));
        self::assertEqualsWithDelta(42.0, $bench->box($id)[3] + 2.0, 1e-3, 'the stroke keeps its width');
        $bench->do('place', $place(['width' => '50%']));
        self::assertEqualsWithDelta(40.0, $bench->box($id)[2], 1e-3);
        $this->expectException(Refused::class);
        $this->expectExceptionMessage('The strokes alone are');
        $bench->do('place', $place(['height' => '1mm', 'outer' => true, 'strokes' => false]));
    }

    #[Test]
    public function the_next_piece_gets_the_side_that_is_said(): void
    {
        $bench = new Bench;
        $id = $bench->shape('ellipse', 50, 50, 40, 40, ['line' => '#000000', 'lineWidth' => 2, 'side' => 'inside', 'fill' => 'none']);
        self::assertSame(Side::Inside, $bench->piece($id)->stroke?->side);
    }

    #[Test]
    public function the_first_and_the_last_stop_of_a_closed_line_are_one(): void
    {
        $bench = new Bench;
        $circle = $bench->shape('ellipse', 50, 50, 40, 40, ['line' => '#000000', 'lineWidth' => 2]);
        $bench->do('stroke', ['pieces' => [$circle], 'stops' => [[0, 0.4], [0.5, 1], [1, 0.9]]]);
        self::assertSame([[0.0, 0.4], [0.5, 1.0], [1.0, 0.4]], $bench->piece($circle)->stroke?->stops?->stops);
        $line = $bench->line([10, 100, 30, 100, 50, 100, 90, 100]);
        $bench->do('stroke', ['pieces' => [$line], 'stops' => [[0, 0.4], [1, 0.9]]]);
        self::assertSame([[0.0, 0.4], [1.0, 0.9]], $bench->piece($line)->stroke?->stops?->stops, 'an open line has two ends');
        $seam = (new WidthStops([[0.2, 0.0], [0.8, 1.0]]))->closed();
        self::assertEqualsWithDelta(0.5, $seam->at(0.0), 1e-9);
        self::assertSame($seam->at(0.0), $seam->at(1.0));
    }

    #[Test]
    public function a_piece_is_called_by_its_name_or_by_what_it_is_and_its_colour(): void
    {
        $art = Reader::read('<svg xmlns="http://www.w3.org/2000/svg" width="90mm" height="90mm" viewBox="0 0 90 90"><path id="path1204" d="M5 5H20V20z" fill="#1f6fd0"/><path id="mast" d="M30 5H40V20z"/><rect x="50" y="5" width="9" height="9"><title>Boat
            house</title></rect><path id="p7" d="M5 40H40" stroke="#c22" fill="none"/></svg>')->artwork;
        self::assertSame(['Shape, blue', 'mast', 'Boat house', 'Line, red'], array_map(Called::name(...), $art->pieces));
        $bench = new Bench;
        $circle = $bench->shape('ellipse', 50, 50, 40, 40, ['fill' => '#ffffff']);
        self::assertSame('Circle, white', Called::name($bench->piece($circle)));
        $knife = $bench->shape('rectangle', 70, 50, 40, 10);
        $bench->do('cut-away', ['pieces' => [$circle, $knife]]);
        self::assertSame('Shape, white', Called::name($bench->piece($circle)), 'what was cut from a circle is none');
        $bench->do('mark', ['pieces' => [$circle], 'name' => 'Moon']);
        self::assertSame('Moon', Called::name($bench->piece($circle)));
        self::assertSame(
            ['black', 'white', 'dark blue', 'yellow'],
            array_map(static fn (string $hex): string => ColourName::of(Colour::fromHex($hex)), ['#050505', '#fdfdfa', '#16284c', '#f8d030']),
        );
    }
}
