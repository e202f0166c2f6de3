<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\MakesDots;
use NeatEdge\Core\Format\TraceDifferences;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Tests\Support\Painted;
use NeatEdge\Core\Trace\Choice;
use NeatEdge\Core\Trace\Options;
use NeatEdge\Core\Trace\Scan;
use NeatEdge\Core\Trace\Tracing;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** D14: where curves do not look as their picture does, as librsvg draws them. */
final class TraceDifferencesTest extends TestCase
{
    private static function dots(): MakesDots
    {
        return new class implements MakesDots
        {
            public function png(string $svg, int $width): string
            {
                return Painted::drawing($svg, $width);
            }
        };
    }

    /** Three colours that touch each other, and a bar where one is asked for. */
    private static function picture(bool $bar): Scan
    {
        return Scan::of(Painted::picture(160, 120, static function (float $x, float $y) use ($bar): int {
            if ($bar && abs($x - 120) < 3 && abs($y - 60) < 20) {
                return 0x1D5C46;
            }

            return hypot($x - 55.3, $y - 60.2) < 40 ? ($x + 0.3 * $y < 74 ? 0xCC3333 : 0xF2B134) : 0xFFFFFF;
        }));
    }

    #[Test]
    public function curves_that_look_as_the_picture_does_differ_nowhere_and_touching_colours_have_no_seam(): void
    {
        $scan = self::picture(true);
        $traced = Tracing::ofReady($scan, new Options);
        self::assertCount(3, $traced->parts);
        self::assertSame([], TraceDifferences::of($scan, $traced, new Options, self::dots()));
    }

    #[Test]
    public function what_is_missing_or_lies_beside_its_edge_is_told_with_where(): void
    {
        $traced = Tracing::ofReady(self::picture(false), new Options);
        $found = TraceDifferences::of(self::picture(true), $traced, new Options, self::dots());
        self::assertCount(1, $found, 'the bar');
        $boxes = $found[0];
        self::assertEqualsWithDelta(117.0, min(array_column($boxes, 0)), 1.0);
        self::assertEqualsWithDelta(40.0, min(array_column($boxes, 1)), 1.0);
        self::assertEqualsWithDelta(240.0, array_sum(array_map(static fn (array $box): float => $box[2] * $box[3], $boxes)), 30.0, 'six dots by forty, in small boxes');
        self::assertLessThanOrEqual(12.0, max(array_column($boxes, 3)));
        // The same curves a dot and a half to the right of their picture.
        $moved = Scan::of(Painted::picture(160, 120, static fn (float $x, float $y): int => hypot($x - 56.8, $y - 60.2) < 40
            ? ($x - 1.5 + 0.3 * $y < 74 ? 0xCC3333 : 0xF2B134) : 0xFFFFFF));
        self::assertNotSame([], TraceDifferences::of($moved, $traced, new Options, self::dots()));
    }

    #[Test]
    public function an_edge_within_what_a_curve_may_leave_it_by_dust_and_seams_are_no_difference(): void
    {
        $disc = static fn (float $off): Scan => Scan::of(Painted::picture(120, 120, static fn (float $x, float $y): int => hypot($x - 60 - $off, $y - 60) < 40 ? 0x1D5C46 : 0xFFFFFF));
        $traced = Tracing::ofReady($disc(0.0), new Options);
        self::assertSame([], TraceDifferences::of($disc(0.2), $traced, new Options, self::dots()));
        self::assertNotSame([], TraceDifferences::of($disc(0.9), $traced, new Options, self::dots()));
        // Two dots of dust are left out of the trace, and are not worth a mark.
        $dusty = Scan::of(Painted::picture(120, 120, static fn (float $x, float $y): int => hypot($x - 60, $y - 60) < 40 || ($x >= 8 && $x < 10 && $y >= 8 && $y < 9) ? 0x1D5C46 : 0xFFFFFF));
        self::assertSame([], TraceDifferences::of($dusty, $traced, new Options, self::dots()));
        // Browns that touch: the white beneath would show between them, as far off as they are from each other.
        $browns = Scan::of(Painted::picture(120, 120, static fn (float $x, float $y): int => hypot($x - 60.3, $y - 60.7) < 30.2 ? 0x60352A
            : (abs($x - 60) < 50 && abs($y - 60) < 50 ? 0x7A4A38 : 0xFFFFFF)));
        $two = Tracing::ofReady($browns, new Options);
        self::assertCount(2, $two->parts);
        self::assertSame([], TraceDifferences::of($browns, $two, new Options, self::dots()));
    }

    #[Test]
    public function what_was_left_out_by_choice_is_no_difference_and_one_colour_has_none(): void
    {
        $scan = self::picture(true);
        $white = Colour::parse('#ffffff');
        $green = Colour::parse('#1d5c46');
        $red = Colour::parse('#cc3333');
        $yellow = Colour::parse('#f2b134');
        self::assertNotNull($white);
        self::assertNotNull($green);
        self::assertNotNull($red);
        self::assertNotNull($yellow);
        $left = new Options(choices: [new Choice($white, drop: true), new Choice($green, drop: true), new Choice($red), new Choice($yellow)]);
        $traced = Tracing::ofReady($scan, $left);
        self::assertCount(2, $traced->parts);
        self::assertSame([], TraceDifferences::of($scan, $traced, $left, self::dots()));
        $plain = Scan::of(Painted::picture(60, 60, static fn (): int => 0x1D5C46));
        self::assertSame([], TraceDifferences::of($plain, Tracing::ofReady($plain, new Options), new Options, self::dots()));
    }

    #[Test]
    public function where_no_picture_can_be_made_it_says_so(): void
    {
        $scan = self::picture(false);
        $broken = new class implements MakesDots
        {
            public function png(string $svg, int $width): string
            {
                return 'no picture';
            }
        };
        $this->expectException(Refused::class);
        TraceDifferences::of($scan, Tracing::ofReady($scan, new Options), new Options, $broken);
    }
}
