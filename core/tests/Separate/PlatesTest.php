<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Separate;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Process\ScreenPrint;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Separate\Halftone;
use NeatEdge\Core\Separate\Trap;
use NeatEdge\Core\Separate\Underbase;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Sheet\Make\ScreenPlates;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** X3, X4, X5: what each ink prints. */
final class PlatesTest extends TestCase
{
    private static function drawn(string $body): Artwork
    {
        return PrepLine::usual()->outcome(Seen::of(Reader::read("<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='60mm' viewBox='0 0 100 60'>{$body}</svg>")->artwork));
    }

    /**
     * @param  array<string, string>  $values
     * @param  array<string, Artwork>  $under
     * @param  array<string, array{rank: int, alone: bool}>  $inks
     * @return list<Layout>
     */
    private static function plates(Artwork $art, array $values = [], array $under = [], array $inks = []): array
    {
        return (new Order(
            $art,
            'Mark',
            (new ScreenPrint)->making(),
            (new ScreenPrint)->limits(),
            (new ScreenPrint)->values(['marks' => '', 'trap' => '0', ...$values]),
            under: $under,
            inks: $inks,
        ))->layouts();
    }

    private static function area(Layout $plate): float
    {
        return array_sum(array_map(static fn (Layer $layer): float => $layer->role === Role::Plate ? $layer->area() : 0.0, $plate->layers));
    }

    private const THREE = "<rect x='10' y='10' width='50' height='40' fill='#e0b040'/><circle cx='50' cy='30' r='18' fill='#203050'/><path d='M30 20L80"
        ." 25L60 55Z' fill='#c03020'/>";

    #[Test]
    public function areas_of_plates_before_trap_add_up_to_what_is_seen(): void
    {
        $art = self::drawn(self::THREE);
        $seen = Combine::weld(array_map(static fn (Piece $piece): Shape => $piece->shape, $art->pieces))->area();
        $plates = self::plates($art);
        self::assertCount(3, $plates);
        self::assertEqualsWithDelta($seen, array_sum(array_map(self::area(...), $plates)), 1e-4 * $seen);
        self::assertSame(['mark-1-gold-e0b040', 'mark-2-dark-blue-203050', 'mark-3-red-c03020'], array_map(static fn (Layout $plate): string => $plate->name, $plates));
        self::assertSame(['Printed first of 3.'], $plates[0]->says);
    }

    #[Test]
    public function the_lighter_spreads_into_the_darker_where_they_meet_and_nowhere_else(): void
    {
        $light = Shape::of(Contour::rectangle(0, 0, 20, 20));
        $dark = Shape::of(Contour::rectangle(20, 0, 20, 20));
        $apart = Shape::of(Contour::rectangle(-10.05, 0, 10, 20));
        [$a, $b, $c] = Trap::spread([$light, $dark, $apart], [80.0, 20.0, 30.0], [false, false, false], 0.2, Tolerance::forExtent(60.0));
        self::assertEqualsWithDelta(400 + 0.2 * 20, $a->area(), 0.02, 'across the shared border, not across the gap');
        self::assertEqualsWithDelta(20.2, $a->box()?->right, 1e-6);
        self::assertEqualsWithDelta([0.0, 0.0, 20.0], [$a->box()?->left, $a->box()?->top, $a->box()?->bottom], 1e-6, 'not onto the ground');
        self::assertSame($dark, $b);
        self::assertSame($apart, $c);
        self::assertSame(
            [$light, $dark],
            Trap::spread([$light, $dark], [80.0, 20.0], [false, true], 0.2, Tolerance::forExtent(60.0)),
            'what is printed on others needs none',
        );
        self::assertSame([$light, $dark], Trap::spread([$light, $dark], [80.0, 20.0], [false, false], 0.0, Tolerance::forExtent(60.0)));
    }

    #[Test]
    public function a_thin_line_is_not_swallowed_by_the_trap_of_its_neighbours(): void
    {
        $light = new Shape([Contour::rectangle(0, 0, 20, 20), Contour::rectangle(20.3, 0, 20, 20)]);
        $line = Shape::of(Contour::rectangle(20, 0, 0.3, 20));
        [$spread] = Trap::spread([$light, $line], [80.0, 10.0], [false, false], 0.25, Tolerance::forExtent(60.0));
        $left = Combine::cutAway($line, [$spread]);
        self::assertGreaterThan(0.25 * $line->area(), $left->area());
    }

    #[Test]
    public function corners_of_a_trap_are_mitred(): void
    {
        $dark = new Shape([Contour::rectangle(0, 0, 40, 40), Contour::rectangle(10, 10, 20, 20)->reversed()]);
        $light = Shape::of(Contour::rectangle(10, 10, 20, 20));
        [$spread] = Trap::spread([$light, $dark], [80.0, 10.0], [false, false], 0.5, Tolerance::forExtent(60.0));
        self::assertEqualsWithDelta(21.0 ** 2, $spread->area(), 0.01);
    }

    #[Test]
    public function white_goes_under_the_inks_a_little_smaller_and_small_holes_are_filled(): void
    {
        $ink = new Shape([Contour::rectangle(0, 0, 40, 20), Contour::circle(10, 10, 0.2)->reversed(), Contour::circle(25, 10, 4)->reversed()]);
        $base = Underbase::under([$ink], 0.3, Tolerance::forExtent(60.0));
        self::assertCount(2, $base->contours, 'the hole of 0.4 mm is gone');
        self::assertEqualsWithDelta(39.4 * 19.4 - M_PI * 4.3 ** 2, $base->area(), 0.1);
        $plates = self::plates(self::drawn(self::THREE), ['underbase' => '1', 'alone' => '#203050', 'choke' => '0.2mm']);
        self::assertSame('White under the inks', $plates[0]->layers[0]->name);
        self::assertCount(4, $plates);
        self::assertLessThan(self::area($plates[1]) + self::area($plates[3]), self::area($plates[0]));
        $beneath = Combine::keepOverlap([$plates[0]->layers[0]->areas[0]->shape, $plates[2]->layers[0]->areas[0]->shape]);
        self::assertLessThan(0.01, $beneath->area(), 'none where an ink prints alone');
    }

    #[Test]
    public function plates_come_in_the_order_of_the_shops_inks_and_those_that_print_alone_have_no_white(): void
    {
        $inks = ['#203050' => ['rank' => 1, 'alone' => true], '#c03020' => ['rank' => 2, 'alone' => false]];
        $plates = self::plates(self::drawn(self::THREE), ['underbase' => '1'], [], $inks);
        self::assertSame(
            ['#ffffff', '#203050', '#c03020', '#e0b040'],
            array_map(static fn (Layout $plate): string => $plate->layers[0]->colour, $plates),
            'white first; what the shop does not know last',
        );
        self::assertSame(['Printed as number 2 of 4.'], $plates[1]->says);
        $beneath = Combine::keepOverlap([$plates[0]->layers[0]->areas[0]->shape, $plates[1]->layers[0]->areas[0]->shape]);
        self::assertLessThan(0.01, $beneath->area());
        $other = Combine::keepOverlap([$plates[0]->layers[0]->areas[0]->shape, $plates[3]->layers[0]->areas[0]->shape]);
        self::assertGreaterThan(100.0, $other->area());
    }

    #[Test]
    public function an_ink_that_prints_on_others_leaves_what_lies_under_it_whole(): void
    {
        $body = "<rect x='10' y='10' width='50' height='40' fill='#e0b040'/><circle cx='35' cy='30' r='10' fill='#203050'/>";
        $source = Seen::of(Reader::read("<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='60mm' viewBox='0 0 100 60'>{$body}</svg>")->artwork);
        $line = PrepLine::usual();
        $plates = self::plates($line->outcome($source), ['overprint' => '#203050'], ['#203050' => $line->outcomeWithout($source, ['#203050'])]);
        self::assertEqualsWithDelta(2000.0, self::area($plates[0]), 0.1, 'nothing is knocked out');
        self::assertTrue($plates[1]->layers[0]->overprints);
        self::assertContains('Printed on the inks before it, not beside them.', $plates[1]->says);
        self::assertEqualsWithDelta(2000.0 - M_PI * 100, self::area(self::plates($line->outcome($source))[0]), 0.2);
    }

    /** @return iterable<string, array{string, float}> */
    public static function covers(): iterable
    {
        foreach (['round', 'oval', 'line'] as $dot) {
            foreach ([0.1, 0.3, 0.5, 0.7, 0.9] as $cover) {
                yield "{$dot} {$cover}" => [$dot, $cover];
            }
        }
    }

    #[Test]
    #[DataProvider('covers')]
    public function dots_cover_as_much_as_the_tint_says(string $dot, float $cover): void
    {
        $region = Shape::of(Contour::rectangle(0, 0, 40, 30));
        foreach ([0.0, 15.0, 45.0] as $angle) {
            $dots = (new Halftone(60.0, $angle, $dot))->dots($region, static fn (): float => $cover);
            self::assertEqualsWithDelta($cover * 1200, $dots->area(), 0.02 * 1200);
        }
    }

    #[Test]
    public function dots_below_the_least_are_dropped_or_kept_at_it(): void
    {
        $region = Shape::of(Contour::rectangle(0, 0, 10, 10));
        $faint = static fn (): float => 0.01;
        self::assertTrue((new Halftone(45.0, 45.0, 'round', 0.2))->dots($region, $faint)->isEmpty());
        $kept = (new Halftone(45.0, 45.0, 'round', 0.2, true))->dots($region, $faint);
        self::assertFalse($kept->isEmpty());
        self::assertEqualsWithDelta(0.2, $kept->contours[0]->box()->width(), 1e-6);
        self::assertTrue((new Halftone(45.0, 45.0, 'round', 0.2, true))->dots($region, static fn (): float => 0.0)->isEmpty(), 'nothing is nothing');
        self::assertEqualsWithDelta(
            100.0,
            (new Halftone(45.0, 0.0, 'round', 0.2))->dots($region, static fn (): float => 0.998)->area(),
            9.0,
            'a hole that would close is closed',
        );
    }

    #[Test]
    public function a_gradient_between_two_inks_becomes_dots_of_both_that_add_up(): void
    {
        $art = self::drawn("<defs><linearGradient id='g'><stop stop-color='#e07a1f'/><stop offset='1' stop-color='#3aa0a8'/></linearGradient></defs><rect"
            ." x='10' y='10' width='10' height='10' fill='#e07a1f'/><rect x='70' y='10' width='10' height='10' fill='#3aa0a8'/><rect x='10' y='30'"
            ." width='80' height='20' fill='url(#g)'/>");
        $plates = self::plates($art, ['ruling' => '55']);
        self::assertCount(2, $plates, 'no ink of its own for the gradient');
        foreach ($plates as $plate) {
            self::assertEqualsWithDelta(100 + 800, self::area($plate), 40.0);
        }
        $third = self::drawn("<defs><linearGradient id='g'><stop stop-color='#e07a1f'/><stop offset='1'"
            ." stop-color='#a02090'/></linearGradient></defs><rect x='10' y='10' width='10' height='10' fill='#e07a1f'/><rect x='10' y='30' width='80'"
            ." height='20' fill='url(#g)'/>");
        self::assertSame(
            ['#e07a1f', '#a02090'],
            array_map(static fn (Layout $plate): string => $plate->layers[0]->colour, self::plates($third)),
            'a stop that is no ink is one of its own',
        );
        $xs = array_map(static fn (Contour $dot): float => $dot->box()->middle()->x, $plates[0]->layers[0]->areas[1]->shape->contours);
        self::assertLessThan(count($xs) * 0.75, count(array_filter($xs, static fn (float $x): bool => $x > 50)), 'denser where the orange is');
    }

    #[Test]
    public function angles_keep_apart_and_the_darkest_has_forty_five(): void
    {
        $angles = Halftone::angles([80.0, 20.0, 55.0]);
        self::assertSame(45.0, $angles[1]);
        foreach ([[0, 1], [0, 2], [1, 2]] as [$i, $k]) {
            $between = abs($angles[$i] - $angles[$k]);
            self::assertGreaterThanOrEqual(15.0, min($between, 90 - $between));
        }
    }

    #[Test]
    public function plates_carry_the_same_crosses_their_names_and_a_wedge_where_there_are_dots(): void
    {
        $art = self::drawn(self::THREE);
        $plates = self::plates($art, ['marks' => '1']);
        self::assertEqualsWithDelta([132.0, 92.0], [$plates[0]->width, $plates[0]->height], 1e-9);
        $marks = static fn (Layout $plate): array => array_map(
            static fn (Piece $piece): float => round($piece->box()->left ?? 0.0, 6),
            array_merge(...array_map(static fn (Layer $layer): array => $layer->role === Role::Mark ? $layer->areas : [], $plate->layers)),
        );
        self::assertSame($marks($plates[0]), $marks($plates[2]));
        self::assertGreaterThan(12, count($marks($plates[0])));
        $art = $plates[0]->trim;
        foreach ($plates[0]->layers as $number => $layer) {
            foreach ($number === 0 ? [] : $layer->areas as $piece) {
                $box = $piece->box();
                self::assertTrue($box !== null && $art !== null && ! $art->overlaps($box), 'no mark lies in the art');
            }
        }
        $together = ScreenPlates::together($plates);
        self::assertSame('mark-plates', $together->name);
        self::assertCount(1, array_filter($together->layers, static fn (Layer $layer): bool => $layer->role === Role::Mark));
    }

    /** @return iterable<string, array{Contour}> */
    public static function outlines(): iterable
    {
        yield 'a square' => [Contour::rectangle(21, 21, 18, 18)];
        yield 'a circle' => [Contour::circle(30, 30, 9)];
        yield 'a small circle' => [Contour::circle(30, 30, 0.8)];
        yield 'a large circle' => [Contour::circle(30, 30, 28)];
        yield 'an ellipse' => [Contour::ellipse(30, 30, 14, 6)];
        yield 'one segment that comes back to its start' => [new Contour([30.0, 40.0, 10.0, 10.0, 50.0, 10.0, 30.0, 40.0], true)];
        yield 'half a disc' => [Contour::ofSegments([Cubic::line(20, 30, 40, 30), [40.0, 30.0, 40.0, 43.33, 20.0, 43.33, 20.0, 30.0]], true)];
    }

    #[Test]
    #[DataProvider('outlines')]
    public function whatever_the_outline_the_lighter_spreads_along_all_of_it(Contour $outline): void
    {
        $tolerance = Tolerance::forExtent(60.0);
        $inner = Shape::of($outline);
        $cloth = Combine::cutAway(Shape::of(Contour::rectangle(0, 0, 60, 60)), [$inner], $tolerance);
        [$spread, $stays] = Trap::spread([$inner, $cloth], [90.0, 20.0], [false, false], 0.15, $tolerance);
        self::assertEqualsWithDelta(0.15 * $inner->length(), $spread->area() - abs($inner->area()), 0.03 * 0.15 * $inner->length() + 0.08, 'outwards');
        self::assertSame($cloth, $stays);
        [, $spread] = Trap::spread([$inner, $cloth], [20.0, 90.0], [false, false], 0.15, $tolerance);
        self::assertEqualsWithDelta(0.15 * $inner->length(), $spread->area() - $cloth->area(), 0.03 * 0.15 * $inner->length() + 0.12, 'inwards');
    }

    #[Test]
    public function a_disc_over_the_border_of_two_others_spreads_into_each(): void
    {
        $tolerance = Tolerance::forExtent(60.0);
        $disc = Shape::of(Contour::circle(30, 30, 9));
        [$left, $right] = array_map(
            static fn (float $x): Shape => Combine::cutAway(Shape::of(Contour::rectangle($x, 0, 30, 60)), [$disc], $tolerance),
            [0.0, 30.0],
        );
        [$spread] = Trap::spread([$disc, $left, $right], [90.0, 20.0, 30.0], [false, false, false], 0.15, $tolerance);
        foreach ([$left, $right] as $side) {
            self::assertEqualsWithDelta(0.15 * M_PI * 9, Combine::keepOverlap([$spread, $side], $tolerance)->area(), 0.05);
        }
    }

    #[Test]
    public function tints_of_an_ink_are_dots_of_its_plate_and_inks_with_a_name_are_none(): void
    {
        $body = '';
        for ($k = 1; $k <= 10; $k++) {
            $mix = static fn (int $ink): int => (int) round(255 + ($ink - 255) * $k / 10);
            $body .= sprintf("<rect x='%d' y='10' width='9' height='30' fill='#%02x%02x%02x'/>", 9 * $k - 8, $mix(0xC0), $mix(0x30), $mix(0x20));
        }
        $art = self::drawn($body);
        $plates = self::plates($art, ['ground' => '#ffffff', 'leastDot' => '0', 'ruling' => '60']);
        self::assertSame(['#c03020'], array_map(static fn (Layout $plate): string => $plate->layers[0]->colour, $plates));
        self::assertEqualsWithDelta(270 * array_sum(range(0.1, 1.0, 0.1)), self::area($plates[0]), 12.0, 'mm² of ink: each tint as dense as it is');
        $named = (new Order(
            $art,
            'Mark',
            (new ScreenPrint)->making(),
            (new ScreenPrint)->limits(),
            (new ScreenPrint)->values(['ground' => '#ffffff', 'marks' => '', 'trap' => '0']),
            ['#e69f91' => 'Pale red'],
        ))->layouts();
        $own = array_map(static fn (Layout $plate): string => $plate->layers[0]->colour, $named);
        self::assertCount(count(array_filter($art->pieces, static fn (Piece $piece): bool => $piece->fill?->colour->hex() === '#e69f91')) + 1, $own);
        self::assertCount(10, self::plates($art, ['ground' => '#ffffff', 'tints' => '']), 'switched off, each is an ink');
    }

    #[Test]
    public function a_gradient_with_a_colour_between_two_inks_lies_on_the_plates_of_these_two(): void
    {
        $art = self::drawn("<defs><linearGradient id='g'><stop offset='0' stop-color='#c03020'/><stop offset='.5' stop-color='#784060'/><stop offset='1'"
            ." stop-color='#3050a0'/></linearGradient></defs><rect x='5' y='5' width='20' height='20' fill='#c03020'/><rect x='30' y='5' width='20'"
            ." height='20' fill='#3050a0'/><rect x='55' y='5' width='40' height='40' fill='url(#g)'/>");
        $plates = self::plates($art, ['ground' => '#ffffff', 'leastDot' => '0']);
        self::assertSame(['#c03020', '#3050a0'], array_map(static fn (Layout $plate): string => $plate->layers[0]->colour, $plates));
        foreach ($plates as $plate) {
            self::assertEqualsWithDelta(400 + 800, self::area($plate), 40.0, 'the solid and half of the gradient');
        }
    }

    #[Test]
    public function dots_end_at_the_edge_of_their_shape_unless_they_are_left_whole(): void
    {
        $art = self::drawn("<rect x='10' y='10' width='5' height='5' fill='#c03020'/><circle cx='50' cy='30' r='15' fill='#c03020' fill-opacity='.4'/>");
        $reach = static function (array $plates): float {
            $far = 0.0;
            foreach ($plates[0]->layers[0]->areas as $piece) {
                foreach ($piece->shape->contours as $contour) {
                    for ($i = 0; $i < count($contour->coords); $i += 6) {
                        $x = $contour->coords[$i] - 50;
                        $far = $x > -25 ? max($far, hypot($x, $contour->coords[$i + 1] - 30)) : $far;
                    }
                }
            }

            return $far;
        };
        self::assertLessThan(15.01, $reach(self::plates($art)));
        self::assertGreaterThan(15.1, $reach(self::plates($art, ['cutDots' => ''])));
    }
}
