<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Edit;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Tests\Support\Bench;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PaintAndTextTest extends TestCase
{
    private Bench $bench;

    protected function setUp(): void
    {
        $this->bench = new Bench;
    }

    #[Test]
    public function a_fill_is_none_one_colour_or_a_gradient_between_two_places(): void
    {
        $id = $this->bench->shape('ellipse', 50, 50, 40, 40);
        $this->bench->do(
            'fill',
            [
                'pieces' => [$id],
                'gradient' => [
                    'kind' => 'linear',
                    'axis' => [30, 50, 70, 50],
                    'stops' => [['at' => 0, 'colour' => '#ff0000'], ['at' => 1, 'colour' => '#0000ff']],
                ],
            ],
        );
        $fill = $this->bench->piece($id)->fill;
        self::assertSame(['#800080', true], [$fill?->colour->hex(), $fill?->gradient !== null]);
        $this->bench->do('transform', ['pieces' => [$id], 'matrix' => [1, 0, 0, 1, 10, 0]]);
        self::assertEqualsWithDelta(40.0, $this->bench->piece($id)->fill?->gradient?->matrix->apply(30, 50)->x, 1e-9, 'the gradient goes along');
        $this->bench->do('fill', ['pieces' => [$id], 'opacity' => 0.5]);
        self::assertEqualsWithDelta(0.5, $this->bench->piece($id)->fill?->opacity, 1e-9);
        $this->bench->do('fill', ['pieces' => [$id], 'colour' => 'none']);
        self::assertNull($this->bench->piece($id)->fill);
    }

    #[Test]
    public function everything_of_one_colour_is_recoloured_strokes_and_gradients_too(): void
    {
        $a = $this->bench->shape('ellipse', 50, 50, 40, 40, ['fill' => '#aa0000']);
        $b = $this->bench->shape('star', 50, 50, 40, 40, ['fill' => 'none', 'line' => '#AA0000']);
        $c = $this->bench->shape('star', 90, 50, 40, 40);
        $this->bench->do(
            'fill',
            [
                'pieces' => [$c],
                'gradient' => [
                    'kind' => 'radial',
                    'axis' => [90, 50, 110, 50],
                    'stops' => [['at' => 0, 'colour' => '#aa0000'], ['at' => 1, 'colour' => '#ffffff']],
                ],
            ],
        );
        $locked = $this->bench->shape('drop', 120, 50, 10, 20, ['fill' => '#aa0000']);
        $this->bench->do('mark', ['pieces' => [$locked], 'locked' => true])->do('recolour', ['colour' => '#aa0000', 'to' => '#00aa00']);
        self::assertSame(
            ['#00aa00', '#00aa00', '#00aa00', '#aa0000'],
            [
                $this->bench->piece($a)->fill?->colour->hex(),
                $this->bench->piece($b)->stroke?->paint->colour->hex(),
                $this->bench->piece($c)->fill?->gradient?->stops[0][1]->hex(),
                $this->bench->piece($locked)->fill?->colour->hex(),
            ],
        );
    }

    /** @param  array<string, mixed>  $edit */
    #[Test]
    #[TestWith([['kind' => 'fill', 'colour' => 'red']])]
    #[TestWith([['kind' => 'stroke', 'width' => '-3mm']])]
    #[TestWith([['kind' => 'stroke', 'dashes' => '0 0']])]
    #[TestWith([['kind' => 'stroke', 'cap' => 'pointed']])]
    #[TestWith([['kind' => 'stroke', 'stops' => [[2, 1]]]])]
    #[TestWith([['kind' => 'place', 'width' => 'wide']])]
    #[TestWith([['kind' => 'place', 'width' => '0']])]
    #[TestWith([['kind' => 'transform', 'matrix' => [1, 1, 1, 1, 0, 0]]])]
    #[TestWith([['kind' => 'transform', 'matrix' => [1, 0, 0, 'x', 0, 0]]])]
    #[TestWith([['kind' => 'shape-values', 'inner' => 'NAN']])]
    #[TestWith([['kind' => 'round-corners', 'radius' => -1]])]
    #[TestWith([['kind' => 'set-text', 'size' => 3]])]
    #[TestWith([['kind' => 'move-nodes', 'nodes' => [[0, 99]], 'x' => 1]])]
    #[TestWith([['kind' => 'move-nodes', 'nodes' => 'all', 'x' => 1]])]
    #[TestWith([['kind' => 'blend', 'blend' => 'spin']])]
    #[TestWith([['kind' => 'draw-line', 'coords' => [1, 2, 3]]])]
    #[TestWith([['kind' => 'draw-shape', 'shape' => 'cube', 'x' => 0, 'y' => 0]])]
    #[TestWith([['kind' => 'text', 'text' => ' ', 'x' => 0, 'y' => 0]])]
    #[TestWith([['kind' => 'text', 'text' => 'Wharf', 'family' => 'No Such Type', 'x' => 0, 'y' => 0]])]
    #[TestWith([['kind' => 'clip']])]
    #[TestWith([['kind' => 'paste', 'art' => []]])]
    public function bad_fields_are_refused_in_one_sentence(array $edit): void
    {
        $id = $this->bench->shape('star', 50, 50, 40, 40, ['line' => '#000000']);
        $before = ArtworkJson::encode($this->bench->art);
        try {
            $this->bench->do($edit['kind'], ['pieces' => [$id], 'piece' => $id, ...$edit]);
            self::fail('It was taken.');
        } catch (Refused $refused) {
            self::assertMatchesRegularExpression('/^["A-Z][^\n]+\.$/', $refused->getMessage());
        }
        self::assertSame($before, ArtworkJson::encode($this->bench->art));
    }

    #[Test]
    public function at_least_six_fonts_of_different_character_set_the_same_word_differently(): void
    {
        $areas = [];
        foreach (FontShelf::shipped()->families() as $family) {
            $id = $this->bench->do('text', ['text' => 'Marrowby', 'family' => $family['family'], 'size' => 20, 'x' => 10, 'y' => 50])->made[0];
            $areas[$family['family']] = round(Seen::of($this->bench->art)->piece($id)?->shape->length() ?? 0.0);
        }
        self::assertGreaterThanOrEqual(6, count(array_unique($areas)));
    }

    #[Test]
    public function text_stays_text_and_keeps_its_place_when_its_letters_change(): void
    {
        $id = $this->bench->do('text', ['text' => 'Wharf', 'size' => '20mm', 'align' => 'middle', 'x' => 100, 'y' => 50])->made[0];
        $before = $this->bench->box($id);
        self::assertEqualsWithDelta(100.0, $before[0] + $before[2] / 2, 1.5);
        $this->bench->do('set-text', ['pieces' => [$id], 'text' => "Wharf\nRegatta", 'spacing' => '1mm']);
        $after = $this->bench->box($id);
        self::assertGreaterThan($before[3] + 20, $after[3]);
        self::assertSame('Wharf Regatta', $this->bench->piece($id)->name);
        self::assertEqualsWithDelta(100.0, $after[0] + $after[2] / 2, 1.5);
        self::assertInstanceOf(Lettering::class, $this->bench->piece($id)->recipe?->base);
        $this->bench->do('bake', ['pieces' => [$id]]);
        self::assertNull($this->bench->piece($id)->recipe);
    }

    #[Test]
    public function text_on_a_circle_stands_outside_or_inside_and_follows_when_the_circle_changes(): void
    {
        $circle = $this->bench->shape('ellipse', 100, 75, 80, 80);
        $id = $this->bench->do('text', ['text' => 'LANTERN', 'family' => 'Rye', 'size' => 10, 'along' => $circle])->made[0];
        $box = $this->bench->box($id);
        self::assertEqualsWithDelta(100.0, $box[0] + $box[2] / 2, 0.5, 'about its highest place');
        self::assertLessThan(35.0, $box[1]);
        $far = fn (): array => $this->distances($id, 100, 75);
        self::assertGreaterThan(38.5, $far()[0], 'outside');
        $this->bench->do('set-text', ['pieces' => [$id], 'inside' => true]);
        self::assertLessThan(41.0, $far()[1], 'inside');
        self::assertLessThan(75.0, $this->bench->box($id)[1], 'where it was on the circle');
        $this->bench->do('set-text', ['pieces' => [$id], 'slide' => 0.75]);
        self::assertGreaterThan(75.0, $this->bench->box($id)[1], 'about its lowest place');
        $this->bench->do('shape-values', ['pieces' => [$circle], 'width' => 120, 'height' => 120]);
        self::assertGreaterThan(48.0, $far()[0], 'it follows the wider circle');
        $this->bench->do('set-text', ['pieces' => [$id], 'inside' => false, 'stand' => 'below']);
        self::assertLessThan(61.0, $far()[1]);
        $this->bench->do('remove', ['pieces' => [$circle]]);
        self::assertNull($this->bench->piece($id)->recipe?->base instanceof Lettering ? $this->bench->piece($id)->recipe->base->follows : 'gone');
    }

    /** @return list<array{float, float}> the nodes of an outline: those of capitals without serifs lie on straight lines */
    private static function places(Contour $contour): array
    {
        return array_map(static fn (array $s): array => [$s[0], $s[1]], $contour->segments());
    }

    /** @return iterable<string, array{float, float, bool, float}> where a circle of radius 30 about 50, 50 is pressed, whether the letters lie outside it, and the angle that they stand about */
    public static function presses(): iterable
    {
        foreach ([[-90, 'top'], [90, 'bottom'], [-150, 'upper left'], [30, 'lower right']] as [$angle, $where]) {
            foreach ([[31.0, true], [29.0, false]] as [$radius, $outside]) {
                yield "{$where}, ".($outside ? 'outside' : 'inside') => [50 + $radius * cos(deg2rad($angle)), 50 + $radius * sin(deg2rad($angle)), $outside, (float) $angle];
            }
        }
    }

    #[Test]
    #[DataProvider('presses')]
    public function letters_stand_where_a_circle_was_pressed_the_right_way_up_on_the_side_of_the_press(float $x, float $y, bool $outside, float $angle): void
    {
        $circle = $this->bench->shape('ellipse', 50, 50, 60, 60, ['fill' => 'none', 'line' => '#000000']);
        $id = $this->bench->do('text', ['text' => 'LH', 'family' => 'Josefin Sans', 'size' => 6, 'align' => 'middle', 'along' => $circle, 'pressed' => true, 'x' => $x, 'y' => $y])->made[0];
        $shape = $this->bench->piece($id)->shape;
        foreach ($shape->contours as $contour) {
            foreach (self::places($contour) as [$px, $py]) {
                // Feet are straight where the line is bent: their corners stand a little over it.
                self::assertTrue($outside ? hypot($px - 50, $py - 50) > 29.9 : hypot($px - 50, $py - 50) < 30.1, sprintf('%.3f mm from the middle', hypot($px - 50, $py - 50)));
            }
        }
        $box = $shape->box();
        self::assertNotNull($box);
        $at = rad2deg(atan2($box->top + $box->height() / 2 - 50, $box->left + $box->width() / 2 - 50));
        self::assertEqualsWithDelta($angle, $at, 3.0, 'about where it was pressed');
        // The right way up: the foot of the L lies lower than its head, and to the left of the H.
        $l = $shape->contours[0]->box();
        $h = $shape->contours[1]->box();
        self::assertLessThan($h->left + $h->width() / 2, $l->left + $l->width() / 2, 'it is read from left to right');
        if (abs($angle) !== 90.0) {
            return;
        }
        $lines = self::places($shape->contours[0]);
        $foot = array_sum(array_column($lines, 1)) / count($lines);
        self::assertGreaterThan($l->top + $l->height() / 2, $foot, 'more of an L lies at its foot');
    }

    #[Test]
    public function letters_of_so_high_capitals_keep_them_with_any_font_until_a_size_is_said(): void
    {
        $id = $this->bench->do('text', ['text' => 'H', 'family' => 'Rye', 'capitals' => 20, 'x' => 10, 'y' => 60])->made[0];
        // Over the baseline: the ornaments of some fonts hang under it.
        $high = fn (): float => 60.0 - ($this->bench->piece($id)->shape->box()->top ?? 0.0);
        self::assertEqualsWithDelta(20.0, $high(), 1e-6);
        foreach (['League Gothic', 'Josefin Sans', 'DejaVu Serif'] as $family) {
            $this->bench->do('set-text', ['pieces' => [$id], 'family' => $family]);
            self::assertEqualsWithDelta(20.0, $high(), 1e-6, $family);
        }
        $this->bench->do('set-text', ['pieces' => [$id], 'text' => 'HAH', 'bold' => true]);
        self::assertEqualsWithDelta(20.0, $high(), 1e-6, 'other letters, bold');
        $this->bench->do('set-text', ['pieces' => [$id], 'size' => 10, 'text' => 'H', 'family' => 'Rye']);
        $ten = $high();
        self::assertLessThan(12.0, $ten);
        $this->bench->do('set-text', ['pieces' => [$id], 'family' => 'League Gothic']);
        self::assertNotEqualsWithDelta($ten, $high(), 0.1, 'what was said last was the size');
    }

    #[Test]
    public function any_filled_shape_clips_and_an_unfilled_one_is_refused_with_the_reason(): void
    {
        $art = $this->bench->shape('rectangle', 50, 50, 40, 20, ['line' => '#000000', 'lineWidth' => 2]);
        $by = $this->bench->shape('rectangle', 60, 50, 20, 60, ['fill' => 'none', 'line' => '#123456']);
        try {
            $this->bench->do('clip', ['pieces' => [$art, $by]]);
            self::fail('An unfilled shape clipped.');
        } catch (Refused $refused) {
            self::assertStringContainsString('its colour does not matter', $refused->getMessage());
        }
        $this->bench->do('fill', ['pieces' => [$by], 'colour' => '#ff00ff'])->do('clip', ['pieces' => [$art, $by]]);
        $flat = Seen::of($this->bench->art);
        self::assertEqualsWithDelta(20.0 * 20.0, $flat->pieces[0]->shape->area(), 1e-6);
        self::assertEqualsWithDelta(2 * 20.0 * 2 + 0.0, $flat->pieces[1]->shape->area() - 2 * 0.0, 45.0);
        $this->bench->do('release-clip', ['pieces' => [$art]]);
        self::assertSame([$art, $by], $this->bench->order());
        self::assertSame('#ff00ff', $this->bench->piece($by)->fill?->colour->hex());
    }

    #[Test]
    public function a_compound_has_holes_where_its_pieces_overlap_and_comes_apart_again(): void
    {
        $a = $this->bench->shape('rectangle', 50, 50, 40, 40);
        $b = $this->bench->shape('ellipse', 50, 50, 20, 20);
        $c = $this->bench->shape('rectangle', 120, 50, 10, 10);
        $this->bench->do('compound', ['pieces' => [$a, $b, $c]]);
        self::assertSame([$a], $this->bench->order());
        self::assertEqualsWithDelta(1600 - 100 * M_PI + 100, \NeatEdge\Core\PlanarMap\Combine::weld([$this->bench->piece($a)->shape])->area(), 0.1);
        $this->bench->do('separate', ['pieces' => [$a]]);
        self::assertSame([2, 1], array_map(static fn ($piece): int => count($piece->shape->contours), $this->bench->art->pieces));
    }

    #[Test]
    public function what_is_hidden_or_lies_on_a_hidden_layer_reaches_no_sheet(): void
    {
        $a = $this->bench->shape('rectangle', 50, 50, 40, 40);
        $this->bench->do('add-layer');
        $b = $this->bench->shape('star', 50, 50, 40, 40);
        $this->bench->do('mark', ['pieces' => [$a], 'hidden' => true]);
        self::assertSame([$b], array_map(static fn ($piece): string => $piece->id, Seen::of($this->bench->art)->pieces));
        $this->bench->do('change-layer', ['layer' => $this->bench->art->layers[1]->id, 'hidden' => true]);
        self::assertSame([], Seen::of($this->bench->art)->pieces);
    }

    /** @return array{float, float} nearest and farthest node from a place, mm */
    private function distances(string $id, float $x, float $y): array
    {
        $all = [];
        foreach ($this->bench->piece($id)->shape->contours as $contour) {
            for ($i = 0; $i < count($contour->coords); $i += 6) {
                $all[] = hypot($contour->coords[$i] - $x, $contour->coords[$i + 1] - $y);
            }
        }

        return [min([INF, ...$all]), max([0.0, ...$all])];
    }
}
