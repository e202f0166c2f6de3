<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Edit;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Tests\Support\Bench;
use NeatEdge\Core\Type\FontShelf;
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
