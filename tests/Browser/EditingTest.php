<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Drawn\PageArt;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Artwork\Piece;
use PHPUnit\Framework\Attributes\Test;

/** The bench under mouse and keyboard. */
final class EditingTest extends BrowserTestCase
{
    use OnTheBench;

    #[Test]
    public function pieces_are_moved_sized_and_turned_by_hand_with_live_numbers_and_snap_by_name(): void
    {
        $this->emptyBench('By hand', 'plain', '200mm', '150mm');
        $this->drawShape('rectangle', 20, 20, 40, 30);
        $this->drawShape('star', 100, 30, 40, 40);
        $this->keys(WebDriverKeys::ESCAPE);

        // Dragged near to a corner of the other piece, it snaps to it and says so.
        $this->change(fn () => $this->drag([[25, 25], [75, 65]], 2));
        self::assertEqualsWithDelta([70.0, 60.0], $this->corner(0), 0.4);
        $this->change(fn () => $this->keys(WebDriverKeys::CONTROL, 'z', WebDriverKeys::NULL));
        $this->dragHalf([[25, 25], [44.6, 125.3]]);
        self::assertSame('edge of the page', self::$browser->findElement(WebDriverBy::cssSelector('[data-test=caught]'))->getText());
        self::assertStringContainsString('across', self::$browser->findElement(WebDriverBy::cssSelector('[data-test=said]'))->getText());
        $this->change(fn () => $this->letGo([44.6, 125.3]));
        self::assertEqualsWithDelta(150.0, $this->art()->pieces[0]->box()?->bottom, 1e-9, 'its foot lies on the edge of the page');

        // A knob with Shift keeps the ratio; the turn is held to fifteen degrees.
        $knob = $this->spot('[data-knob="top right"]');
        $this->change(fn () => $this->dragPx([$knob, [$knob[0] + 60, $knob[1] - 10]], 10));
        $box = $this->art()->pieces[0]->box();
        self::assertNotNull($box);
        self::assertEqualsWithDelta(40 / 30, $box->width() / $box->height(), 1e-6);
        $turn = $this->spot('[data-knob=turn]');
        $this->change(fn () => $this->dragPx([$turn, [$turn[0] + 200, $turn[1] + 35]], 8));
        self::assertEqualsWithDelta(0.0, fmod(abs($this->art()->pieces[0]->turn), 15.0), 1e-6);
        self::assertNotEqualsWithDelta(0.0, $this->art()->pieces[0]->turn, 1.0);

        // Arrows nudge by the typed step.
        $left = $this->corner(1)[0];
        $this->click(120, 50);
        $this->type('nudge', '2.5mm');
        $this->change(fn () => $this->keys(WebDriverKeys::ARROW_RIGHT));
        self::assertEqualsWithDelta($left + 2.5, $this->corner(1)[0], 1e-6);
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function what_lies_beneath_is_reached_groups_are_entered_and_a_menu_says_what_can_be_done(): void
    {
        $this->emptyBench('Beneath', 'plain', '200mm', '150mm');
        $this->drawShape('rectangle', 20, 20, 60, 60);
        $this->drawShape('ellipse', 30, 30, 30, 30);
        $this->drawShape('star', 120, 30, 40, 40);
        [$lowest, $upper, $star] = array_map(static fn (Piece $piece): string => $piece->id, $this->art()->pieces);
        $this->keys(WebDriverKeys::ESCAPE);
        $this->click(40, 52);
        self::assertSame([$upper], $this->chosen());
        $this->drag([[40, 52]], 0, 'right');
        $this->seeText('Under the pointer', '[data-test=menu]');
        $this->press("[data-test=menu] [data-under={$lowest}]");
        self::assertSame([$lowest], $this->chosen());
        $this->keys(WebDriverKeys::ESCAPE);
        // A box round both, grouped by key; then one of them alone by a double press.
        $this->drag([[5, 5], [100, 100]]);
        self::assertEqualsCanonicalizing([$lowest, $upper], $this->chosen());
        $this->change(fn () => $this->keys(WebDriverKeys::CONTROL, 'g', WebDriverKeys::NULL));
        $this->keys(WebDriverKeys::ESCAPE);
        $this->click(40, 52);
        self::assertCount(2, $this->chosen());
        usleep(520_000);
        $this->drag([[40, 52]]);
        $this->drag([[40, 52]]);
        self::assertSame([$upper], $this->chosen());
        $this->seeText('Inside a group');
        $this->keys(WebDriverKeys::ESCAPE);

        // By keyboard alone: stepped through, copied, pasted in place, removed.
        $this->keys(']');
        $this->keys(']');
        $this->keys(']');
        self::assertSame([$star], $this->chosen());
        self::$browser->executeScript('document.activeElement?.blur()');
        $this->keys(WebDriverKeys::CONTROL, 'c', WebDriverKeys::NULL);
        usleep(520_000);
        $this->change(fn () => $this->keys(WebDriverKeys::CONTROL, WebDriverKeys::SHIFT, 'v', WebDriverKeys::NULL));
        self::assertCount(4, $this->art()->pieces);
        self::assertEqualsWithDelta($this->corner(2), $this->corner(3), 1e-9);
        $this->change(fn () => $this->keys(WebDriverKeys::DELETE));
        self::assertCount(3, $this->art()->pieces);
        $this->keys('h');
        $this->change(fn () => $this->keys(WebDriverKeys::ENTER));
        self::assertCount(4, $this->art()->pieces, 'a shape without a mouse');
        $this->keys('l');
        $this->change(fn () => $this->keys(WebDriverKeys::ENTER));
        self::assertSame(['text'], PageArt::piece($this->lastPiece(), $this->art()->tolerance())['live'], 'letters without a mouse');

        $this->press('[data-test=pieces]');
        $this->see("[data-row={$star}]");
        $this->change(fn () => self::$browser->findElement(WebDriverBy::cssSelector('[aria-label^="Hide the layer"]'))->click());
        self::assertSame(0, $this->howMany('[data-test=art] [data-piece]'));
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function nodes_are_chosen_by_box_changed_by_button_and_stepped_by_key(): void
    {
        $this->emptyBench('Nodes', 'plain', '200mm', '150mm');
        $this->drawShape('rectangle', 40, 30, 80, 60);
        $this->tool('nodes');
        $this->change(fn () => $this->press('[data-test=bake]'));
        self::assertSame(4, $this->howMany('[data-node]'));
        $this->drag([[110, 20], [140, 100]]);
        $this->seeMany(2, '.node.on');
        $this->change(fn () => $this->press('[data-test=node-smooth]'));
        self::assertSame(['corner', 'smooth', 'smooth', 'corner'], $this->kinds());
        $this->change(fn () => $this->drag([[40, 60], [30, 60]], 2));
        self::assertEqualsWithDelta(30.0, $this->corner(0)[0], 0.5);
        usleep(520_000);
        // A double press on the line adds a node there.
        $this->keys(WebDriverKeys::ESCAPE);
        $this->keys(']');
        $this->change(function (): void {
            $this->drag([[30, 60]]);
            $this->drag([[30, 60]]);
        });
        self::assertSame(5, $this->howMany('[data-node]'));
        self::$browser->executeScript('document.activeElement?.blur()');
        $this->keys(']');
        $this->seeMany(1, '.node.on');
        $this->change(fn () => $this->keys(WebDriverKeys::DELETE));
        self::assertSame(4, $this->howMany('[data-node]'));
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function colours_are_changed_before_they_are_kept_and_a_gradient_is_drawn_on_the_art(): void
    {
        $this->emptyBench('Colours', 'screen-print', '200mm', '150mm');
        $this->drawShape('rectangle', 20, 20, 60, 40);
        $this->drawShape('ellipse', 100, 20, 60, 60);
        $this->open('fill');
        $this->change(fn () => $this->press('[data-test=linear]'));
        $end = $this->spot('[data-gradient="1"]');
        $this->change(fn () => $this->dragPx([$end, [$end[0], $end[1] + 60]], 2));
        $axis = $this->art()->pieces[1]->fill?->gradient?->axis;
        self::assertNotNull($axis);
        self::assertGreaterThan($axis[1] + 5, $axis[3]);
        $this->keys(WebDriverKeys::ESCAPE);
        $this->open('recolour');
        $this->press('[data-colour="#1f6f8b"]');
        $field = $this->see('[aria-label="New colour by number"]');
        $field->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL]);
        $field->sendKeys('#a8452f');
        $field->sendKeys(WebDriverKeys::ENTER);
        $this->seeText('Preview: not kept yet');
        self::assertSame('#1f6f8b', $this->art()->pieces[0]->fill?->colour->hex());
        $this->change(fn () => $this->press('[data-test=keep-colour]'));
        self::assertSame('#a8452f', $this->art()->pieces[0]->fill?->colour->hex());
        self::assertSame('#a8452f', $this->art()->pieces[1]->fill?->gradient?->stops[0][1]->hex());
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_stale_window_shows_the_newer_state_and_a_named_version_is_compared(): void
    {
        $this->emptyBench('Two windows', 'plain', '200mm', '150mm');
        $this->drawShape('rectangle', 20, 20, 60, 40);
        $this->press('[data-test=versions]');
        $this->see('[data-test=version-name]')->sendKeys('Square <b>one</b>');
        $this->press('[data-test=keep-version]');
        $this->seeText('Square <b>one</b>', '.el-drawer');
        $this->keys(WebDriverKeys::ESCAPE);
        usleep(500_000);

        // Another window colours the piece; this one does not know yet.
        $id = $this->lastPiece()->id;
        self::asPage("jobs/{$this->job}/edits", ['version' => $this->version(), 'edit' => ['kind' => 'fill', 'pieces' => [$id], 'colour' => '#00aa00']]);
        $this->drag([[50, 40], [90, 70]], 2);
        $this->seeText('changed in another window', '[data-test=problem]');
        self::assertSame('#00aa00', self::$browser->executeScript('return document.querySelector("[data-test=art] [data-piece]").getAttribute("fill")'));
        $this->change(fn () => $this->press('[data-test=again]'));
        self::assertEqualsWithDelta(60.0, $this->corner(0)[0], 0.5);
        self::assertSame('#00aa00', $this->lastPiece()->fill?->colour->hex());

        $this->press('[data-test=versions]');
        usleep(520_000);
        $this->press('[data-test=compare-version]');
        $this->see('[data-test=wipe]');
        self::assertSame(1, $this->howMany('[data-test=art-before] [data-piece]'));
        self::assertCount(1, $this->complaints(), 'only the answer to the stale window');
        $this->keys('s');
        $this->keys('?');
        $this->seeText('Tools of Draw');
    }

    private function seeMany(int $count, string $selector): void
    {
        self::assertTrue(self::until(fn (): ?bool => $this->howMany($selector) === $count ?: null, "{$count} of {$selector}", 5.0));
    }

    /** @return array{float, float} upper left corner, mm */
    private function corner(int $piece): array
    {
        $box = $this->art()->pieces[$piece]->box();

        return [$box->left ?? 0.0, $box->top ?? 0.0];
    }

    /** @return list<string> */
    private function kinds(): array
    {
        return array_map(fn (int $i): string => (new \NeatEdge\Core\Edit\Lines\NodePath($this->art()->pieces[0]->shape->contours[0]))->kind($i), range(0, 3));
    }

    /** @param  list<array{float, float}>  $places  the button stays down */
    private function dragHalf(array $places): void
    {
        [$from, $to] = array_map(fn (array $place): array => $this->px($place[0], $place[1]), $places);
        foreach ([['mouseMoved', $from, 0], ['mousePressed', $from, 1], ['mouseMoved', [($from[0] + $to[0]) / 2, ($from[1] + $to[1]) / 2], 1], ['mouseMoved', $to, 1]] as [$type, $at, $down]) {
            $this->mouse($type, $at, $down);
        }
        usleep(150_000);
    }

    /** @param  array{float, float}  $place */
    private function letGo(array $place): void
    {
        $this->mouse('mouseReleased', $this->px($place[0], $place[1]), 0);
    }

    /** @param  array{float, float}  $at */
    private function mouse(string $type, array $at, int $down): void
    {
        self::$browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', [
            'cmd' => 'Input.dispatchMouseEvent', 'params' => ['type' => $type, 'x' => $at[0], 'y' => $at[1], 'button' => $down === 0 && $type === 'mouseMoved' ? 'none' : 'left', 'buttons' => $down, 'clickCount' => 1],
        ]);
    }
}
