<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Border\BorderAround;
use NeatEdge\Core\Recipe\Wrap\Wrap;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\Test;

/** Pieces of the regatta made from nothing with the tools of Shape, with a mouse and keys; each is judged by its areas, pieces and nodes. */
final class ShapedByHandTest extends BrowserTestCase
{
    use OnTheBench;
    use ShapingHands;

    #[Test]
    public function a_harbour_dial_in_36_pieces_each_of_a_colour_its_outer_ring_pulled_apart(): void
    {
        $this->emptyBench('Harbour dial', 'cut-vinyl', '120mm', '120mm');
        foreach ([100, 64, 26] as $i => $size) {
            $this->shape('ellipse', 60, 60, $size, $size);
            if ($i > 0) {
                $this->lineOnly('#26231d', '0.5mm');
            }
            $this->none();
        }
        $this->line(60, 60, 60, 5);
        $this->tool('arrange');
        $this->open('repeat');
        $this->change(fn () => $this->press('[data-test=repeat-ring]'));
        foreach (['count' => '12', 'centreX' => '60mm', 'centreY' => '60mm'] as $field => $text) {
            $this->put($field, $text);
        }
        $this->keys('3');
        $this->see('[data-test=cells]');
        $this->everything();
        $this->take('cells', 'c');
        self::until(fn (): ?bool => $this->marks('[data-cell]') >= 36 ? true : null, '36 cells', 10.0);
        self::assertSame(36, $this->marks('[data-cell]'));
        $this->choose('rest', 'lift');
        $this->choose('colours', 'apart');
        $this->keepIt();
        $art = $this->art();
        self::assertCount(36, $art->pieces);
        self::assertCount(36, array_unique(array_map(static fn (Piece $piece): string => (string) $piece->fill?->colour->hex(), $art->pieces)));
        self::assertEqualsWithDelta(M_PI * 2500 * 1.00027, array_sum(array_map(static fn (Piece $piece): float => self::area($piece->shape), $art->pieces)), 0.5);
        self::assertSame([], array_filter($art->pieces, static fn (Piece $piece): bool => $piece->stroke !== null), 'no line is left');
        // The twelve outer ones are pulled apart.
        $this->keys(WebDriverKeys::ESCAPE);
        for ($k = 0; $k < 12; $k++) {
            $this->click(60 + 41 * cos(deg2rad(15 + 30 * $k)), 60 + 41 * sin(deg2rad(15 + 30 * $k)), $k === 0 ? 0 : 8);
        }
        $this->seeText('12 chosen');
        $this->take('pull-apart', 'z');
        $this->put('by', '3mm');
        $this->keepIt();
        $art = $this->art();
        foreach ($art->pieces as $k => $piece) {
            foreach (array_slice($art->pieces, $k + 1) as $other) {
                self::assertTrue(Combine::keepOverlap([$piece->shape, $other->shape])->isEmpty() || Combine::keepOverlap([$piece->shape, $other->shape])->area() < 1e-3);
            }
        }
        $this->keep('harbour-dial');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    #[Group('whole')]
    public function a_lantern_chain_of_six_rings_over_and_under_in_turn(): void
    {
        $this->emptyBench('Lantern chain', 'cut-vinyl', '120mm', '120mm');
        $this->shape('ellipse', 60, 34, 32, 32);
        $this->lineOnly('#1d5c46', '4mm');
        $this->open('repeat');
        $this->change(fn () => $this->press('[data-test=repeat-ring]'));
        foreach (['count' => '6', 'centreX' => '60mm', 'centreY' => '60mm'] as $field => $text) {
            $this->put($field, $text);
        }
        $this->take('weave', 'y');
        self::until(fn (): ?bool => $this->marks('[data-crossing]') === 12 ? true : null, '12 crossings', 10.0);
        $this->put('gap', '0.8mm');
        $this->see('[data-test=report]');
        // One crossing turned, and turned back with keys.
        $this->pressMark('[data-crossing="0"]');
        usleep(600_000);
        $this->keys(']');
        $this->keys(WebDriverKeys::ENTER);
        usleep(600_000);
        $this->keepIt();
        $art = $this->art();
        self::assertCount(12, $art->pieces, 'each ring is cut at two places');
        foreach ($art->pieces as $k => $piece) {
            self::assertCount(1, $piece->shape->contours, 'a closed outline');
            foreach (array_slice($art->pieces, $k + 1) as $other) {
                self::assertTrue(Combine::keepOverlap([$piece->shape, $other->shape])->isEmpty());
            }
        }
        $this->keep('lantern-chain');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    #[Group('whole')]
    public function a_pinwheel_of_lines_that_stop_short_and_stick_out_is_filled_and_no_line_is_left(): void
    {
        $this->emptyBench('Pinwheel', 'cut-vinyl', '100mm', '100mm');
        $this->line(20, 20, 80.6, 20);
        $this->lineOnly('#26231d', '0.4mm');
        foreach ([[80, 19.2, 80, 79.4], [80.5, 80, 20, 80], [20, 80.7, 20, 20.5], [20.4, 20.4, 79.7, 79.7], [79.8, 20.2, 20.3, 79.7]] as [$x0, $y0, $x1, $y1]) {
            $this->none();
            $this->line($x0, $y0, $x1, $y1);
        }
        // Two circles round the hub, as lines.
        foreach ([24, 10] as $size) {
            $this->none();
            $this->shape('ellipse', 50, 50, $size, $size);
        }
        self::assertNull($this->lastPiece()->fill);
        $this->keys('3');
        $this->see('[data-test=cells]');
        $this->everything();
        $this->take('cells', 'c');
        self::until(fn (): ?bool => $this->marks('[data-test=gap]') > 0 ? true : null, 'gaps to be shown', 10.0);
        self::assertGreaterThan(2, $this->marks('[data-test=gap]') + $this->marks('[data-test=sticks-out]'));
        $this->press('[data-field=mend]');
        self::until(fn (): ?bool => $this->marks('[data-cell]') === 12 ? true : null, 'four sails in three rings', 10.0);
        $this->pressMark('[data-cell="0"]');
        $this->choose('rest', 'lift');
        $this->choose('colours', 'apart');
        $this->keepIt();
        $art = $this->art();
        self::assertCount(12, $art->pieces);
        self::assertSame([], array_filter($art->pieces, static fn (Piece $piece): bool => $piece->stroke !== null || $piece->fill === null), 'no line is left');
        $areas = [];
        foreach ($art->pieces as $piece) {
            self::assertLessThanOrEqual(7, $piece->shape->nodeCount());
            $areas[] = $piece->shape->area();
        }
        sort($areas);
        self::assertEqualsWithDelta(3600.0, array_sum($areas), 20.0);
        // The hub's quarters, those of the ring between the circles, and what is left of the sails.
        foreach ([M_PI * 25 / 4, M_PI * (144 - 25) / 4, 900 - M_PI * 144 / 4] as $ring => $area) {
            foreach (array_slice($areas, 4 * $ring, 4) as $one) {
                self::assertEqualsWithDelta($area, $one, 5.0);
            }
        }
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function flags_parted_along_a_drawn_wave_and_a_life_ring_in_six(): void
    {
        $this->emptyBench('Regatta flags', 'cut-vinyl', '140mm', '100mm');
        $this->shape('rectangle', 40, 30, 60, 30);
        $this->filled('#cc3333');
        $this->none();
        $this->shape('ellipse', 105, 40, 50, 50);
        $this->filled('#e0a030');
        $this->put('inner', '0.6');
        $this->keys('3');
        $this->see('[data-test=part]');
        $this->none();
        $this->click(20, 30);
        self::until(fn (): ?bool => $this->howMany('[data-chosen]') > 0 ?: null, 'the flag to be chosen', 5.0);
        $this->take('part', 'p');
        $this->see('[data-test=shape-sheet]');
        $wave = [];
        for ($k = 0; $k <= 16; $k++) {
            $wave[] = [5 + 70 * $k / 16, 30 + 4 * sin($k * M_PI / 4)];
        }
        $this->drag($wave);
        $this->see('[data-test=report]');
        $this->keepIt();
        self::assertCount(3, $this->art()->pieces);
        $flag = array_slice($this->art()->pieces, 0, 2);
        self::assertEqualsWithDelta(1800.0, self::area($flag[0]->shape) + self::area($flag[1]->shape), 1e-3);
        self::assertLessThan(20, $flag[0]->shape->nodeCount(), 'a smooth wave of few nodes');
        // The ring in six, and once more on nothing else.
        $this->none();
        $this->click(105, 20);
        self::until(fn (): ?bool => $this->howMany('[data-chosen]') > 0 ?: null, 'the ring to be chosen', 5.0);
        $this->take('part', 'p');
        $this->put('sectors', '6');
        $this->see('[data-test=report]');
        $this->keepIt();
        $parts = array_slice($this->art()->pieces, 2);
        self::assertCount(6, $parts);
        foreach ($parts as $part) {
            self::assertEqualsWithDelta(M_PI * 625 * (1 - 0.36) / 6, self::area($part->shape), 0.3);
        }
        self::assertSame([], $this->complaints());
    }

    #[Test]
    #[Group('whole')]
    public function stickers_have_borders_that_follow_and_a_hole_is_lifted_as_a_rim(): void
    {
        $this->emptyBench('Sticker sheet', 'sticker', '160mm', '80mm');
        foreach ([[30, 'star'], [80, 'heart'], [130, 'polygon']] as [$x, $kind]) {
            $this->shape($kind, $x, 40, 30, 30);
            $this->filled('#cc3333');
            $this->none();
        }
        $this->keys('3');
        $this->see('[data-test=cut-border]');
        $this->everything();
        $this->take('cut-border', 'k');
        $this->press('[data-field=each]');
        $this->see('[data-test=report]');
        $this->keepIt();
        $borders = array_values(array_filter($this->art()->pieces, static fn (Piece $piece): bool => $piece->recipe?->base instanceof BorderAround));
        self::assertCount(3, $borders);
        self::assertEqualsWithDelta(34.0, ($borders[2]->box()?->width() ?? 0.0), 0.2);
        // A mark is moved, its border follows.
        $this->none();
        $right = $borders[0]->box()->right ?? 0.0;
        $this->change(fn () => $this->drag([[30, 42], [34, 44], [36, 46]], 2));
        $moved = array_values(array_filter($this->art()->pieces, static fn (Piece $piece): bool => $piece->id === $borders[0]->id))[0];
        self::assertGreaterThan($right + 3, $moved->box()->right ?? 0.0);
        // A ring from the heart; its hole lifted and enlarged.
        $this->none();
        $this->click(80, 42);
        $this->take('ring', 'r');
        $this->put('inner', '3mm');
        $this->put('outer', '0mm');
        $this->see('[data-test=report]');
        $this->keepIt();
        $this->take('lift-hole', 'h');
        $this->put('scale', '1.12');
        $before = count($this->art()->pieces);
        $this->change(fn () => $this->click(80, 42));
        self::assertCount($before + 1, $this->art()->pieces);
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_flag_hangs_in_folds_by_a_net_whose_knots_are_pulled(): void
    {
        $this->emptyBench('Flag in folds', 'plain', '160mm', '100mm');
        $this->shape('rectangle', 80, 50, 120, 60);
        $this->filled('#1d5c46');
        $this->keys('2');
        $this->take('wrap', 'f');
        $this->choose('shape', 'net');
        self::until(fn (): ?bool => $this->marks('[data-knot]') === 9 ?: null, 'nine knots', 15.0);

        // The middle of the upper line is pulled up, and a press on the lower lays a line more, down.
        $this->dragPx([$this->spot('[data-knot="1-2"]'), $this->px(80, 8)]);
        self::until(fn (): ?bool => abs((float) self::$browser->executeScript('return document.querySelector("[data-field=knot-y]")?.value ?? 0') - 8) < 0.3 ?: null, 'the knot by number', 15.0);
        $this->put('knot-y', '10');
        $this->dragPx([$this->px(50, 80)]);
        self::until(fn (): ?bool => $this->marks('[data-knot]') === 12 ?: null, 'twelve knots', 15.0);
        self::assertSame('4', self::$browser->executeScript('return document.querySelector("[data-field=across]").value'), 'the form tells of it');

        // A knot that is only pressed stays, and is made smooth; the grid shows how the art spreads.
        $this->dragPx([$this->spot('[data-knot="1-3"]')]);
        $this->press('[data-test=smooth-knot]');
        $this->press('[data-field=grid]');
        $this->see('[data-test=net-grid]');
        $this->see('[data-test=report]');
        $this->keepIt();
        $flag = $this->lastPiece();
        self::assertEqualsWithDelta([20.0, 140.0, 80.0], [$flag->box()?->left, $flag->box()?->right, $flag->box()?->bottom], 0.02);
        self::assertEqualsWithDelta(10.0, $flag->box()?->top, 0.3, 'the upper side goes as high as it was pulled');
        $wrap = $flag->recipe?->change(Wrap::class);
        self::assertSame(4, count($wrap->net->columns ?? []));

        // Pulled until it folds, it says where and cannot be kept; taken back, nothing of it is left.
        $this->everything();
        $this->take('wrap', 'f');
        self::until(fn (): ?bool => $this->marks('[data-knot]') === 12 ?: null, 'the net that it has', 15.0);
        $this->dragPx([$this->spot('[data-knot="2-1"]'), $this->px(158, 50)]);
        $this->see('[data-test=fault]');
        $this->seeText('folds over itself', '[data-test=why]');
        $this->press('[data-test=hand] [data-test=put]');
        $this->change(fn () => $this->keys(WebDriverKeys::CONTROL, 'z', WebDriverKeys::NULL));
        self::assertEqualsWithDelta(20.0, $this->lastPiece()->box()?->top, 1e-6);
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function window_panes_behind_their_frame_and_a_hoop_before_and_behind_a_lantern(): void
    {
        $this->emptyBench('Window panes', 'cut-vinyl', '160mm', '100mm');
        // A frame of four diamonds: one plate, and panes punched out of it by copies that are kept.
        $this->shape('rectangle', 40, 50, 60, 60);
        $this->filled('#26231d');
        $this->none();
        $this->shape('rectangle', 28, 38, 16, 16);
        $this->filled('#3b8ea5');
        $this->open('repeat');
        $this->change(fn () => $this->press('[data-test=repeat-grid]'));
        foreach (['count' => '2', 'rows' => '2', 'stepX' => '24mm', 'stepY' => '24mm'] as $field => $text) {
            $this->put($field, $text);
        }
        $panes = $this->lastPiece()->id;
        $this->everything();
        $this->take('cut-away', 'x');
        $this->choose('knife', $panes);
        $this->press('[data-field=keepKnife]');
        $this->see('[data-test=report]');
        $this->keepIt();
        $frame = array_values(array_filter($this->art()->pieces, static fn (Piece $piece): bool => $piece->id !== $panes))[0];
        self::assertEqualsWithDelta(3600 - 4 * 256, self::area($frame->shape), 1e-3);
        $this->none();
        $this->click(28, 38);
        self::until(fn (): ?bool => $this->howMany('[data-chosen]') > 0 ?: null, 'the panes to be chosen', 5.0);
        $this->take('spread-behind', 'b');
        $this->put('by', '1.2mm');
        $this->see('[data-test=report]');
        $this->keepIt();
        $art = $this->art();
        self::assertSame($panes, $art->pieces[0]->id, 'beneath the frame');
        self::assertEqualsWithDelta(4 * 18.4 ** 2, self::area($art->pieces[0]->shape), 1e-3);

        // A hoop that passes before and behind a lantern.
        $this->keys('2');
        $this->none();
        $this->shape('ellipse', 120, 50, 30, 54);
        $this->filled('#e0a030');
        $lantern = $this->lastPiece()->id;
        $this->none();
        $this->shape('ellipse', 120, 50, 66, 18);
        $this->lineOnly('#1d5c46', '3mm');
        $this->click(120, 70, 8);
        $this->seeText('2 chosen', '[data-stage=shape]');
        $this->take('weave', 'y');
        self::until(fn (): ?bool => $this->marks('[data-crossing]') === 2 ? true : null, 'two crossings', 10.0);
        $this->see('[data-test=report]');
        $this->keepIt();
        $hoop = array_values(array_filter($this->art()->pieces, static fn (Piece $piece): bool => ($piece->box()->left ?? 0.0) > 80));
        self::assertCount(3, $hoop, 'the lantern in two, and the hoop');
        self::assertGreaterThan(0, count(array_filter($hoop, static fn (Piece $piece): bool => $piece->id === $lantern)));
        self::assertSame([], $this->complaints());
    }
}
