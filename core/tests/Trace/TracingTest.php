<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Trace;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Reference;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Recipe\Basic\BasicShape;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Tests\Support\Painted;
use NeatEdge\Core\Tests\Support\RealArt;
use NeatEdge\Core\Tests\Support\Share;
use NeatEdge\Core\Trace\Choice;
use NeatEdge\Core\Trace\Denoised;
use NeatEdge\Core\Trace\Meant\Found;
use NeatEdge\Core\Trace\Meant\Rules;
use NeatEdge\Core\Trace\Options;
use NeatEdge\Core\Trace\Part;
use NeatEdge\Core\Trace\Scan;
use NeatEdge\Core\Trace\Traced;
use NeatEdge\Core\Trace\Tracing;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** D14: from a picture to few, true curves. */
final class TracingTest extends TestCase
{
    private static function traced(string $bytes, Options $options = new Options): Traced
    {
        return Tracing::of(Scan::of($bytes), $options);
    }

    /** @return array<string, Found> */
    private static function meant(Traced $traced): array
    {
        return array_column($traced->meant, null, 'key');
    }

    /** A disc of two halves on a ground of two: five colours, every border shared. */
    private static function flag(float $x, float $y): int
    {
        if (hypot($x - 70, $y - 50) < 34) {
            return $x + 0.4 * $y < 88 ? 0xCC3333 : 0xF2B134;
        }

        return $y < 47 ? 0x1D5C46 : 0x224488;
    }

    #[Test]
    public function pieces_share_their_borders_so_that_they_cover_the_picture_and_nothing_twice(): void
    {
        foreach ([null, 75] as $quality) {
            $traced = self::traced(Painted::picture(140, 100, self::flag(...), $quality), new Options(paper: true));
            $area = 0.0;
            foreach ($traced->parts as $part) {
                foreach ($part->contours as $i => $contour) {
                    $area += $i === 0 ? abs($contour->area()) : -abs($contour->area());
                }
            }
            self::assertEqualsWithDelta(140.0 * 100.0, $area, 1e-6, 'no gap, no overlap');
            self::assertCount(4, $traced->parts);
        }
    }

    #[Test]
    public function a_border_goes_on_smoothly_past_what_ends_on_it(): void
    {
        $traced = self::traced(Painted::picture(140, 100, self::flag(...)), new Options(paper: true));
        $red = array_values(array_filter($traced->parts, static fn (Part $part): bool => $traced->inks[$part->ink]->colour->red > 0xC0))[0];
        foreach ($red->contours[0]->closedSegments() as $segment) {
            foreach ([[$segment[0], $segment[1]], [$segment[6], $segment[7]]] as [$x, $y]) {
                $off = abs(hypot($x - 70, $y - 50) - 34);
                self::assertTrue($off < 0.1 || abs($x + 0.4 * $y - 88) < 0.15, "{$x} {$y} lies on the disc or on the line through it");
            }
        }
        self::assertSame('1 circle', self::meant($traced)['circles']->label ?? '', 'also where others meet it');
        self::assertLessThanOrEqual(20, $traced->nodes, 'joints where borders meet and at the frame, and few others');
    }

    #[Test]
    public function what_was_meant_is_told_with_how_far_it_moves_and_can_be_left(): void
    {
        $picture = Painted::picture(240, 120, static function (float $x, float $y): int {
            foreach ([[40.2, 60.3, 30.05], [40.25, 60.28, 18.0], [120.4, 40.1, 18.04]] as [$cx, $cy, $r]) {
                if (abs(hypot($x - $cx, $y - $cy) - $r) < 3) {
                    return 0x101010;
                }
            }

            // Its upper side rises by a fifth of a dot in sixty: no hand means that.
            return $x > 160 && $x < 220 && $y > 30.3 + ($x - 160) / 300 && $y < 90.4 - abs($x - 190) / 3 ? 0x101010 : 0xFFFFFF;
        });
        $traced = self::traced($picture);
        $meant = self::meant($traced);
        self::assertSame('6 circles', $meant['circles']->label ?? '');
        self::assertArrayHasKey('centres', $meant);
        self::assertSame('4 circles of equal radii', $meant['radii']->label ?? '');
        self::assertSame('2 upright lines', $meant['upright']->label ?? '');
        self::assertSame('1 level line', $meant['level']->label ?? '');
        self::assertGreaterThan(0.02, $meant['level']->moves);
        self::assertLessThan(0.3, $meant['level']->moves);
        foreach ($meant as $found) {
            self::assertLessThan(0.4, $found->moves, $found->key);
            self::assertNotSame([], $found->at);
        }
        self::assertEqualsWithDelta(190.0, $meant['level']->at[0][0], 1.0);
        // They are drawn so, not only told.
        $rings = $corners = [];
        foreach ($traced->parts as $part) {
            foreach ($part->contours as $contour) {
                count($part->contours) === 2 ? $rings[] = $contour->box() : $corners = array_map(static fn (array $s): array => [$s[0], $s[1]], $contour->segments());
            }
        }
        $widths = array_map(static fn ($box): float => $box->width(), $rings);
        sort($widths);
        self::assertEqualsWithDelta(0.0, $widths[1] - $widths[0], 1e-9, 'inner circles of one radius');
        $middles = array_map(static fn ($box): string => sprintf('%.6f %.6f', ($box->left + $box->right) / 2, ($box->top + $box->bottom) / 2), $rings);
        self::assertCount(2, array_unique($middles), 'four about one centre, two about another');
        usort($corners, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        self::assertEqualsWithDelta($corners[0][1], $corners[1][1], 1e-9, 'its upper side is level');
        foreach (array_keys($meant) as $key) {
            self::assertArrayNotHasKey($key, self::meant(self::traced($picture, new Options(off: [$key]))), $key);
        }
        $all = self::traced($picture, new Options(off: array_keys(Rules::all())));
        self::assertSame([], $all->meant);
        self::assertCount(count($traced->parts), $all->parts);
    }

    #[Test]
    public function circles_and_rectangles_come_as_shapes_that_stay_adjustable(): void
    {
        $picture = Painted::picture(200, 100, static fn (float $x, float $y): int => hypot($x - 50, $y - 50) < 30.5 ? 0xCC3333
            : (abs($x - 140.2) < 40.1 && abs($y - 50) < 25.2 ? 0x1D5C46 : 0xFFFFFF));
        $pieces = self::traced($picture)->artwork(100.0)->pieces;
        $recipes = array_map(static fn (Piece $piece) => $piece->recipe?->base, $pieces);
        self::assertInstanceOf(BasicShape::class, $recipes[0]);
        self::assertInstanceOf(BasicShape::class, $recipes[1]);
        self::assertSame(['rectangle', 'ellipse'], [$recipes[0]->kind->value, $recipes[1]->kind->value]);
        self::assertEqualsWithDelta([40.1, 25.2, 30.5], [$recipes[0]->values['width'], $recipes[0]->values['height'], $recipes[1]->values['width']], 0.05, 'mm');
        $turned = self::traced(Painted::picture(120, 100, static fn (float $x, float $y): int => abs(($x - 60) * 0.9 + ($y - 50) * 0.4359) < 35 && abs(($y - 50) * 0.9 - ($x - 60) * 0.4359) < 20 ? 0x1D5C46 : 0xFFFFFF))->artwork(120.0)->pieces[0];
        self::assertInstanceOf(BasicShape::class, $turned->recipe?->base);
        self::assertEqualsWithDelta(70 * 0.9 + 40 * 0.4359, $turned->box()?->width(), 0.3, 'turned as it was');
        self::assertEqualsWithDelta([9.75, 9.75], [$pieces[1]->box()->left ?? 0, $pieces[1]->box()->top ?? 0], 0.03);
    }

    /** @return array<string, array{string, int, int|null}> */
    public static function real(): array
    {
        $cases = [];
        foreach (['icons' => 10, 'emoji' => 12, 'map-signs' => 6] as $set => $count) {
            foreach (RealArt::of($set, Share::of($count)) as $name => $svg) {
                $cases["{$set} {$name}"] = [$svg, 400, null];
                if (count($cases) % 4 === 0) {
                    $cases["{$set} {$name}, JPEG"] = [$svg, 500, 80];
                }
            }
        }

        return $cases;
    }

    #[Test]
    #[DataProvider('real')]
    public function a_picture_of_a_drawing_of_others_looks_like_the_drawing(string $svg, int $width, ?int $quality): void
    {
        $bytes = Painted::drawing($svg, $width, $quality);
        $traced = self::traced($bytes, new Options(paper: true));
        $scan = Scan::of($bytes);
        $outcome = imagecreatefromstring(Painted::drawing(Writer::write($traced->artwork((float) $scan->width)), $scan->width)) ?: self::fail();
        $off = 0;
        foreach ($scan->dots as $i => $dot) {
            $other = (int) imagecolorat($outcome, $i % $scan->width, intdiv($i, $scan->width));
            $far = max(abs(($dot >> 16) - ($other >> 16 & 255)), abs(($dot >> 8 & 255) - ($other >> 8 & 255)), abs(($dot & 255) - ($other & 255)));
            $off += $far > 128 ? 1 : 0;
        }
        // Of an edge that lies half a dot off, every dot along it is so far off.
        $edges = 0;
        foreach ($scan->dots as $i => $dot) {
            $edges += $i % $scan->width > 0 && $dot !== $scan->dots[$i - 1] ? 1 : 0;
        }
        self::assertLessThan(0.03 * $edges + 6, $off);
    }

    #[Test]
    public function colours_that_were_drawn_beside_each_other_have_a_straight_border_though_the_ground_shows_between_them(): void
    {
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100"><path d="M20 12.3L180 31.7L180 60L20 60Z" fill="#246"/>'
            .'<path d="M20 12.3L180 31.7L180 4L20 4Z" fill="#c83"/></svg>';
        $traced = self::traced(Painted::drawing($svg, 420), new Options(off: array_keys(Rules::all())));
        self::assertCount(2, $traced->parts);
        foreach ($traced->parts as $part) {
            self::assertCount(4, $part->contours[0]->segments());
            foreach ($part->contours[0]->segments() as $s) {
                // The two ends of the border that they share.
                if ($s[1] > 20 && $s[1] < 70) {
                    self::assertEqualsWithDelta(2.1 * (12.3 + ($s[0] / 2.1 - 20) * 19.4 / 160), $s[1], 0.35);
                }
            }
        }
    }

    #[Test]
    public function colours_are_chosen_dropped_joined_and_named(): void
    {
        $picture = Painted::picture(140, 100, self::flag(...));
        $inks = array_map(static fn ($ink): Colour => $ink->colour, self::traced($picture)->inks);
        self::assertCount(4, $inks);
        $hexes = array_map(static fn (Colour $colour): string => $colour->hex(), $inks);
        self::assertContains('#cc3333', $hexes);
        $choices = array_map(static fn (Colour $colour): Choice => new Choice(
            $colour,
            $colour->hex() === '#224488' ? 'Deep sea' : '',
            $colour->hex() === '#1d5c46',
            $colour->hex() === '#f2b134' ? Colour::fromHex('#cc3333') : null,
        ), $inks);
        $traced = self::traced($picture, new Options(choices: $choices));
        self::assertCount(2, $traced->parts, 'the green ground is dropped, and both halves are one');
        $pieces = $traced->artwork(140.0, ['#224488' => 'Deep sea'])->pieces;
        self::assertContains('Deep sea', array_map(static fn (Piece $piece): string => $piece->name, $pieces));
        $disc = array_values(array_filter($pieces, static fn (Piece $piece): bool => $piece->fill?->colour->hex() === '#cc3333'))[0];
        self::assertEqualsWithDelta(M_PI * 34 * 34, abs($disc->shape->area()), 8.0);
    }

    #[Test]
    public function a_scan_that_is_darker_to_one_side_is_levelled_first(): void
    {
        $page = static function (float $x, float $y): int {
            $light = (int) (245 - 70 * (($x - 60) / 240) ** 2 - 15 * $y / 200);

            return hypot($x - 90, $y - 100) < 40 || hypot($x - 230, $y - 100) < 40 ? (int) ($light * 0.2) * 0x010101 : $light * 0x010101;
        };
        $bytes = Painted::picture(300, 200, static fn (float $x, float $y): int => $page(floor($x * 4) / 4, floor($y * 4) / 4));
        $traced = self::traced($bytes);
        self::assertCount(2, $traced->parts);
        self::assertSame('2 circles', self::meant($traced)['circles']->label ?? '');
        self::assertGreaterThan(2, count(self::traced($bytes, new Options(level: false))->parts), 'shades of the ground, as they are');
    }

    #[Test]
    public function grain_of_a_scanner_is_taken_away_before_and_what_is_clean_stays_as_it_is(): void
    {
        $stamp = static fn (float $x, float $y): int => abs(hypot($x - 80, $y - 80) - 50) < 8 ? 0x1D5C46 : (hypot($x - 80, $y - 80) < 25 ? 0xCC3333 : 0xE8E4DA);
        $clean = Painted::picture(160, 160, $stamp);
        self::assertEqualsWithDelta(0.0, Denoised::grain(Scan::of($clean)), 0.5);
        self::assertSame(Scan::of($clean)->dots, Denoised::of(Scan::of($clean))->dots);
        mt_srand(21);
        $image = imagecreatefromstring($clean) ?: self::fail();
        for ($i = 0; $i < 160 * 160; $i++) {
            [$x, $y] = [$i % 160, intdiv($i, 160)];
            $dot = (int) imagecolorat($image, $x, $y);
            $grain = mt_rand(-20, 20);
            $one = static fn (int $shift): int => max(0, min(255, ($dot >> $shift & 255) + $grain)) << $shift;
            imagesetpixel($image, $x, $y, mt_rand(0, 500) === 0 ? 0x202020 : $one(16) | $one(8) | $one(0));
        }
        ob_start();
        imagepng($image);
        $bytes = (string) ob_get_clean();
        self::assertEqualsWithDelta(11.8, Denoised::grain(Scan::of($bytes)), 2.5, 'as much as was strewn');
        $traced = self::traced($bytes);
        self::assertSame(2, count($traced->parts), implode(' ', $traced->says()));
        self::assertFalse($traced->photo);
        $pieces = $traced->artwork(160.0)->pieces;
        self::assertEqualsWithDelta(M_PI * (58 ** 2 - 42 ** 2), abs($pieces[0]->shape->area()), 90.0);
        self::assertLessThan(4 * 12, $traced->nodes);
    }

    /** @return array<string, array{string, string}> */
    public static function bad(): array
    {
        $noise = Painted::picture(80, 80, static fn (float $x, float $y): int => crc32((int) $x.' '.(int) $y) & 0xFFFFFF);

        return [
            'one colour' => [Painted::picture(50, 50, static fn (): int => 0x336699), 'one colour only'],
            'tiny' => [Painted::picture(12, 9, static fn (float $x): int => $x < 6 ? 0 : 0xFFFFFF), 'under 40 dots'],
            'one dot' => [Painted::picture(1, 1, static fn (): int => 0), 'under 40 dots'],
            'noise' => [$noise, 'photo'],
            'a chessboard' => [Painted::picture(60, 60, static fn (float $x, float $y): int => (((int) $x ^ (int) $y) & 1) === 1 ? 0 : 0xFFFFFF), ''],
        ];
    }

    #[Test]
    #[DataProvider('bad')]
    public function a_picture_that_cannot_be_traced_well_says_so(string $bytes, string $says): void
    {
        $traced = self::traced($bytes);
        self::assertStringContainsString($says, implode(' ', $traced->says()).($says === '' ? ' ' : ''));
        foreach ($traced->artwork(50.0)->pieces as $piece) {
            foreach ($piece->shape->contours as $contour) {
                foreach ($contour->coords as $number) {
                    self::assertTrue(is_finite($number));
                }
            }
        }
    }

    #[Test]
    public function what_is_thin_and_even_comes_as_strokes_and_nothing_else_does(): void
    {
        $picture = Painted::picture(220, 160, static function (float $x, float $y): int {
            $line = abs($y - 30.4) < 4 && $x > 20 && $x < 180;
            $ring = abs(hypot($x - 60, $y - 100) - 35) < 4;
            $cross = (abs($x - 150) < 4 && $y > 60 && $y < 150) || (abs($y - 104) < 4 && $x > 110 && $x < 200);

            return $line || $ring || $cross ? 0x101010 : (hypot($x - 60, $y - 100) < 20 ? 0xCC3333 : 0xFFFFFF);
        });
        $pieces = self::traced($picture, new Options(lines: true))->artwork(220.0)->pieces;
        $strokes = array_values(array_filter($pieces, static fn (Piece $piece): bool => $piece->stroke !== null));
        self::assertCount(3, $strokes);
        self::assertCount(4, $pieces, 'the disc is no line');
        foreach ($strokes as $piece) {
            self::assertNotNull($piece->stroke);
            self::assertEqualsWithDelta(8.0, $piece->stroke->style->width, 0.15);
            self::assertSame(Cap::Butt, $piece->stroke->style->cap);
        }
        $single = array_values(array_filter($strokes, static fn (Piece $piece): bool => ($piece->box()?->height() ?? 9) < 0.5))[0];
        self::assertEqualsWithDelta([20.0, 30.4, 160.0], [$single->box()->left ?? 0, $single->box()->top ?? 0, $single->box()?->width()], 0.4);
        $ring = array_values(array_filter($strokes, static fn (Piece $piece): bool => $piece->shape->contours[0]->closed))[0];
        self::assertEqualsWithDelta(70.0, $ring->box()?->width(), 0.4);
        self::assertCount(0, array_filter(self::traced($picture)->artwork(220.0)->pieces, static fn (Piece $piece): bool => $piece->stroke !== null));
    }

    #[Test]
    public function round_ends_are_round_and_no_part_of_a_drawing_of_lines_is_lost(): void
    {
        $strokes = 0;
        foreach (RealArt::of('icons', 7) as $name => $svg) {
            $traced = self::traced(Painted::drawing($svg, 300), new Options(lines: true));
            $strokes += count(array_filter($traced->parts, static fn (Part $part): bool => $part->line !== null));
            $scan = Scan::of(Painted::drawing($svg, 150));
            $outcome = Scan::of(Painted::drawing(Writer::write($traced->artwork(24.0)), 150));
            $dark = $off = 0;
            foreach ($scan->dots as $i => $dot) {
                $dark += ($dot & 255) < 128 ? 1 : 0;
                $off += abs(($dot & 255) - ($outcome->dots[$i] & 255)) > 110 ? 1 : 0;
            }
            self::assertLessThan(0.015 * $dark + 3, $off, $name);
        }
        self::assertGreaterThan(5, $strokes);
        $line = Painted::picture(140, 60, static fn (float $x, float $y): int => hypot(max(0.0, abs($x - 70) - 40), $y - 30) < 5 ? 0 : 0xFFFFFF);
        $piece = self::traced($line, new Options(lines: true))->artwork(140.0)->pieces[0];
        self::assertSame(Cap::Round, $piece->stroke?->style->cap);
        self::assertEqualsWithDelta([30.0, 80.0], [$piece->box()->left ?? 0, $piece->box()?->width()], 1.0);
    }

    #[Test]
    public function the_curves_are_laid_over_the_reference_picture_wherever_it_lies_now(): void
    {
        $picture = Painted::picture(100, 100, static fn (float $x, float $y): int => hypot($x - 30, $y - 30) < 20 ? 0xCC3333 : (abs($x - 75) < 10 && abs($y - 75) < 10 ? 0x1D5C46 : 0xFFFFFF));
        $traced = self::traced($picture);
        $art = new Artwork(200, 200, [], reference: new Reference('file', 'Stamp', 20.0, 40.0, 150.0, 150.0));
        $told = ['artwork' => $traced->artwork(100.0), 'left' => 0.0, 'top' => 0.0, 'wide' => 100.0];
        $laid = Edits::make('trace', ['traced' => $told], FontShelf::shipped())->apply($art);
        self::assertCount(2, $laid->pieces);
        self::assertSame(['Traced'], array_map(static fn ($layer): string => $layer->name, array_slice($laid->layers, 1)));
        self::assertSame($laid->layers[1]->id, $laid->pieces[0]->place->layer);
        self::assertCount(2, array_unique(array_map(static fn (Piece $piece): string => $piece->id, $laid->pieces)));
        self::assertEqualsWithDelta([35.0, 55.0, 60.0], [$laid->pieces[0]->box()->left ?? 0, $laid->pieces[0]->box()->top ?? 0, $laid->pieces[0]->box()?->width()], 0.2);
        $only = Edits::make('trace', ['traced' => $told, 'within' => '100mm 100mm 80mm 80mm', 'layer' => 'Square'], FontShelf::shipped())->apply($art);
        self::assertSame(['#1d5c46'], array_map(static fn (Piece $piece): ?string => $piece->fill?->colour->hex(), $only->pieces));
        self::assertSame('Square', $only->layers[1]->name);
        self::assertCount(1, Edits::make('trace', ['traced' => $told, 'within' => '0mm 0mm 130mm 300mm'], FontShelf::shipped())->apply($art)->pieces, 'what reaches beyond its right side is not kept');
        foreach ([[['traced' => $told, 'within' => '0mm 0mm 5mm 5mm'], $art, 'in that box'], [[], $art, 'Trace the picture first'], [['traced' => $told], new Artwork(10, 10, []), 'no reference picture']] as [$fields, $on, $says]) {
            try {
                Edits::make('trace', $fields, FontShelf::shipped())->apply($on);
                self::fail($says);
            } catch (Refused $refused) {
                self::assertStringContainsString($says, $refused->getMessage());
            }
        }
    }

    #[Test]
    public function what_is_said_of_a_trace_is_read_from_its_description(): void
    {
        $options = Options::from(Values::read(Options::fields(), [
            'colours' => 3, 'specks' => '20', 'closeness' => '2', 'lines' => true, 'off' => 'level, circles', 'part' => '1cm 5mm 20mm 30mm',
            'inks' => [['colour' => '#cc3333', 'name' => 'Red', 'drop' => true], ['colour' => 'nonsense'], ['colour' => '#112233', 'into' => '#cc3333']],
        ]));
        self::assertSame([3, 20, 2.0, true, ['level', 'circles'], [10.0, 5.0, 20.0, 30.0]], [$options->colours, $options->speck, $options->closeness, $options->lines, $options->off, $options->part]);
        self::assertCount(2, $options->choices);
        self::assertSame(['Red', true, '#cc3333'], [$options->choices[0]->name, $options->choices[0]->drop, $options->choices[1]->into?->hex()]);
        $usual = Options::from(Values::read(Options::fields(), []));
        self::assertNull($usual->colours);
        self::assertNull($usual->speck);
        $this->expectExceptionMessage('four lengths');
        Options::from(Values::read(Options::fields(), ['part' => '10mm 20mm']));
    }
}
