<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Geometry;

use NeatEdge\Core\Format\Svg\TransformList;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\PathData;
use NeatEdge\Core\Geometry\PathTooLong;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** One drawing told in many ways is one drawing. */
final class PathDataTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function ways(): iterable
    {
        yield 'relative lines' => ['M10 10L30 10L30 25Z', 'm10 10l20 0l0 15z'];
        yield 'flat and upright lines' => ['M10 10L30 10L30 25L10 25Z', 'M10 10H30V25h-20z'];
        yield 'lines that follow a move' => ['M10 10L30 10L30 25', 'M10 10 30 10 30 25'];
        yield 'lines that follow a relative move' => ['M10 10L30 10L30 25', 'm10,10,20,0,0,15'];
        yield 'commands that are not repeated' => ['M0 0L4 4L8 0L12 4', 'M0 0L4 4 8 0 12 4'];
        yield 'numbers without a space' => ['M0.5 0.5L-3 -4L0.25 -0.5', 'M.5.5L-3-4L.25-.5'];
        yield 'exponents' => ['M100 0L0.05 30', 'M1e2 0L5E-2 3e+1'];
        yield 'a curve, relative' => ['M5 5C5 10 15 10 15 5', 'm5 5c0 5 10 5 10 0'];
        yield 'a smooth curve' => ['M0 0C0 5 10 5 10 0C10 -5 20 -5 20 0', 'M0 0C0 5 10 5 10 0S20-5 20 0'];
        yield 'a smooth curve, relative' => ['M0 0C0 5 10 5 10 0C10 -5 20 -5 20 0', 'M0 0c0 5 10 5 10 0s10-5 10 0'];
        yield 'a smooth curve after a line' => ['M0 0L10 0C10 0 15 5 20 0', 'M0 0L10 0S15 5 20 0'];
        yield 'a smooth quadratic' => ['M0 0Q5 9 10 0Q15 -9 20 0', 'M0 0Q5 9 10 0T20 0'];
        yield 'a smooth quadratic, relative' => ['M0 0Q5 9 10 0Q15 -9 20 0', 'M0 0q5 9 10 0t10 0'];
        yield 'a smooth quadratic after a curve' => ['M0 0C0 5 10 5 10 0L20 0', 'M0 0C0 5 10 5 10 0Q10 0 20 0'];
        yield 'arcs with flags run together' => ['M0 0A5 5 0 0 1 10 0A5 5 0 1 0 20 0', 'M0 0a5 5 0 0110 0 5 5 0 1010 0'];
        yield 'a second outline after a closed one' => ['M0 0L9 0L9 9ZM20 20L29 20L29 29Z', 'm0 0 9 0 0 9zm20 20 9 0 0 9z'];
        yield 'lines that go on after closing' => ['M3 3L9 3L9 9ZM3 3L0 0', 'M3 3L9 3L9 9ZL0 0'];
        yield 'white space everywhere' => ['M1 2L3 4', " \tM\n1 ,\r2 L 3\t,4 \n"];
    }

    #[Test, DataProvider('ways')]
    public function two_ways_of_writing_draw_the_same(string $plain, string $other): void
    {
        [$one, $faultOne] = PathData::parse($plain);
        [$two, $faultTwo] = PathData::parse($other);
        self::assertSame([null, null], [$faultOne, $faultTwo]);
        self::assertNotSame([], $one);
        self::assertSame(array_column($one, 'closed'), array_column($two, 'closed'));
        // A quadratic on its own start is told as a line's length of curve: lengths and places are compared, not handles.
        foreach ($one as $i => $contour) {
            self::assertEqualsWithDelta($contour->length(), $two[$i]->length(), 1e-9);
            self::assertEqualsWithDelta(array_values((array) $contour->box()), array_values((array) $two[$i]->box()), 1e-9);
            self::assertEqualsWithDelta(array_slice($contour->coords, -2), array_slice($two[$i]->coords, -2), 1e-9);
        }
    }

    #[Test]
    public function the_quick_way_and_the_careful_way_read_the_same_numbers(): void
    {
        $art = new RandomArt(8);
        for ($round = 0; $round < 60; $round++) {
            $text = sprintf('M%.3f %.3f', $art->between(-50, 50), $art->between(-50, 50));
            for ($i = 0, $n = 2 + $art->pick(12); $i < $n; $i++) {
                $command = ['L', 'l', 'H', 'h', 'V', 'v', 'C', 'c', 'M', 'm'][$art->pick(10)];
                $takes = match (strtoupper($command)) {
                    'H', 'V' => 1,
                    'C' => 6,
                    default => 2,
                };
                $text .= $command.implode(
                    $art->pick(2) === 0 ? ' ' : ',',
                    array_map(static fn (): string => sprintf('%.3f', $art->between(-50, 50)), range(1, $takes)),
                );
                $text .= $art->pick(5) === 0 ? 'z' : '';
            }
            [$quick] = PathData::parse($text);
            // An exponent is beyond the quick reader; it changes no number.
            [$careful] = PathData::parse((string) preg_replace('/(\.\d{3})/', '$1e0', $text));
            self::assertEquals(
                array_map(static fn (Contour $c): array => [$c->closed, $c->coords], $careful),
                array_map(static fn (Contour $c): array => [$c->closed, $c->coords], $quick),
                $text,
            );
        }
    }

    /** @return iterable<string, array{string, float}> text, length of what is drawn before the fault */
    public static function faults(): iterable
    {
        yield 'a letter that is no command' => ['M0 0L10 0X5 5', 10.0];
        yield 'a number missing' => ['M0 0L10 0L20', 10.0];
        yield 'a flag that is none' => ['M0 0L10 0A5 5 0 2 1 20 0', 10.0];
        yield 'numbers after closing' => ['M0 0L10 0L10 10Z 5 5', 20.0 + sqrt(200)];
        yield 'words' => ['M0 0H7 hello', 7.0];
    }

    #[Test, DataProvider('faults')]
    public function up_to_a_fault_it_is_drawn_and_the_fault_is_told(string $text, float $length): void
    {
        [$contours, $fault] = PathData::parse($text);
        self::assertNotNull($fault);
        self::assertEqualsWithDelta($length, array_sum(array_map(static fn (Contour $c): float => $c->length(), $contours)), 1e-9);
    }

    #[Test]
    public function data_that_begins_with_no_move_draws_nothing(): void
    {
        self::assertSame([[], 0, []], PathData::parse('L10 10'));
        self::assertSame([[], null, []], PathData::parse('   '));
    }

    #[Test]
    public function more_segments_than_are_taken_are_refused(): void
    {
        $text = 'M0 0'.str_repeat('q1 1 2 0', 50);
        self::assertSame(50, PathData::parse($text, 60)[0][0]->segmentCount());
        $this->expectException(PathTooLong::class);
        PathData::parse($text, 40);
    }

    /** @return iterable<string, array{string, Matrix}> */
    public static function transforms(): iterable
    {
        yield 'one number moves across' => ['translate(5)', Matrix::translation(5, 0)];
        yield 'one number scales both ways' => ['scale(2)', Matrix::scaling(2, 2)];
        yield 'separators of all kinds' => [" translate( 5 , 3 ),scale(2\t4)", Matrix::translation(5, 3)->after(Matrix::scaling(2, 4))];
        yield 'a turn about a place' => ['rotate(90 10 10)', Matrix::translation(10, 10)->after(Matrix::rotation(90))->after(Matrix::translation(-10, -10))];
        yield 'units of angles' => ['rotate(0.25turn)', Matrix::rotation(90)];
        yield 'radians' => ['rotate(3.141592653589793rad)', Matrix::rotation(180)];
        yield 'a slant' => ['skewX(45)', new Matrix(1, 0, 1, 1, 0, 0)];
        yield 'a slant down' => ['skewY(-45)', new Matrix(1, -1, 0, 1, 0, 0)];
        yield 'six numbers' => ['matrix(1 2 3 4 5 6)', new Matrix(1, 2, 3, 4, 5, 6)];
        yield 'one axis' => ['translateX(4px) translateY(6px)', Matrix::translation(4, 6)];
        yield 'too many numbers' => ['translate(1 2 3)', Matrix::identity()];
        yield 'too few numbers' => ['matrix(1 2 3 4 5)', Matrix::identity()];
        yield 'no such function' => ['wobble(3)', Matrix::identity()];
        yield 'a fault after a good one' => ['scale(3) nonsense', Matrix::identity()];
        yield 'words for numbers' => ['scale(two)', Matrix::identity()];
    }

    #[Test, DataProvider('transforms')]
    public function a_transform_is_read_whole_or_not_at_all(string $text, Matrix $matrix): void
    {
        $read = TransformList::parse($text);
        self::assertEqualsWithDelta(array_values((array) $matrix), array_values((array) $read), 1e-9);
    }
}
