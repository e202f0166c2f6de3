<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Recipe\Letters\Lettering;
use PHPUnit\Framework\Attributes\Test;

/** Where a hand stumbled: keys, presses, letters, an absent server, findings. */
final class HandOnTheBenchTest extends BrowserTestCase
{
    use OnTheBench;

    private function pieces(): int
    {
        return count($this->art()->pieces);
    }

    #[Test]
    public function keys_go_where_the_artist_looks_and_a_press_lays_nothing_by_chance(): void
    {
        $this->emptyBench('Keys', 'plain', '120mm', '120mm');
        // After a button, letters and stages work; after Enter in a field they are not typed into it.
        self::$browser->findElement(WebDriverBy::cssSelector('[data-tool=nodes]'))->click();
        self::$browser->switchTo()->activeElement()->sendKeys('h');
        self::assertSame('true', $this->see('[data-tool=shape]')->getAttribute('aria-checked'));
        $this->press('[data-shape=rectangle]');
        $this->type('width', '30');
        self::$browser->switchTo()->activeElement()->sendKeys('3');
        $this->see('[data-stage=shape][aria-current=step]');
        self::$browser->switchTo()->activeElement()->sendKeys('2');
        self::assertSame('30', $this->see('[data-field=width]')->getAttribute('value'));

        $this->type('width', '1in + 4.6');
        self::until(fn (): ?bool => $this->see('[data-field=width]')->getAttribute('value') === '30' ?: null, 'what was typed is shown as it is understood', 5.0);
        $this->click(40, 40);
        self::assertSame(0, $this->pieces(), 'one press lays nothing');
        $this->change(function (): void {
            $this->drag([[40, 40]]);
            $this->drag([[40, 40]]);
        });
        self::assertEqualsWithDelta(30.0, $this->lastPiece()->box()?->width() ?? 0.0, 1e-6, 'two lay one of the size that is typed');

        // A quick second drag is no double press: it draws a second piece.
        usleep(600_000);
        $this->change(function (): void {
            $this->drag([[70, 70], [80, 80]], 2);
            $this->drag([[80, 80], [95, 95]], 2);
        }, 2);
        self::assertSame(3, $this->pieces());

        // What lies on each other is said, and taken off again by its button.
        $this->tool('arrange');
        $this->open('repeat');
        $this->change(fn () => $this->press('[data-test=repeat-row]'));
        $this->change(fn () => $this->type('stepX', '0'));
        $this->seeText('exactly on another', '[data-test=stacked]');
        $this->change(fn () => $this->choose('as', 'grid'));
        $this->seeText('Columns', '[data-section=repeat]');
        self::assertSame(0, $this->howMany('[data-test=stacked]'), 'with steps of its own size');
        $this->change(fn () => $this->press('[data-test=repeat-off]'));
        self::assertCount(1, $this->lastPiece()->shape->contours);

        // A typed value is repeated like a drag.
        $left = $this->lastPiece()->box()->left ?? 0.0;
        $this->open('place');
        $this->change(fn () => $this->type('x', '60'));
        $step = ($this->lastPiece()->box()->left ?? 0.0) - $left;
        $this->change(fn () => $this->press('[data-test=repeat-last]'));
        self::assertEqualsWithDelta($left + 2 * $step, $this->lastPiece()->box()->left ?? 0.0, 1e-6);
        // Two values that are typed one after the other are one move.
        $from = $this->lastPiece()->box();
        $this->change(fn () => $this->type('x', '30'));
        $this->change(fn () => $this->type('y', '70'));
        $to = $this->lastPiece()->box();
        $this->change(fn () => $this->press('[data-test=repeat-last]'));
        $now = $this->lastPiece()->box();
        self::assertEqualsWithDelta([2 * ($to->left ?? 0.0) - ($from->left ?? 0.0), 2 * ($to->top ?? 0.0) - ($from->top ?? 0.0)], [$now->left ?? 0.0, $now->top ?? 0.0], 1e-6);
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function what_is_typed_while_a_slow_server_makes_the_letters_is_theirs_and_no_key_of_the_bench(): void
    {
        $this->emptyBench('Slow letters', 'plain', '120mm', '120mm');
        $this->drawShape('rectangle', 20, 20, 30, 30);
        $this->tool('text');
        self::$browser->executeScript('const now = window.fetch; window.fetch = (...what) => new Promise((on) => setTimeout(on, 1200)).then(() => now(...what))');
        $this->click(60, 60);
        $field = $this->see('[data-test=type-on-art]');
        self::assertSame('type-on-art', self::$browser->executeScript('return document.activeElement.dataset.test ?? ""'), 'it is open before the server has answered');
        // Each is a key of the bench: a tool, undo's neighbour, deleting.
        self::$browser->getKeyboard()->sendKeys(['Row', WebDriverKeys::BACKSPACE, 'pe', WebDriverKeys::ENTER]);
        self::assertSame(0, $this->howMany('[data-test=type-on-art]'), 'it is kept as soon as Enter is pressed');
        for ($k = 0; $k < 60 && ! (($now = $this->lastPiece()->recipe?->base) instanceof Lettering && $now->setting->text === 'Rope'); $k++) {
            usleep(200_000);
        }
        $text = $this->lastPiece()->recipe?->base;
        self::assertInstanceOf(Lettering::class, $text);
        self::assertSame('Rope', $text->setting->text);

        // Who has gone on to another field meanwhile is not fetched back.
        self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ESCAPE);
        $this->tool('text');
        $this->click(90, 90);
        $this->see('[data-test=type-on-art]');
        $size = $this->see('[data-field=size]');
        $size->click();
        usleep(2_500_000);
        self::assertNotSame('type-on-art', self::$browser->executeScript('return document.activeElement.dataset.test ?? ""'));
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function what_is_being_typed_is_not_overwritten_by_what_arrives_meanwhile(): void
    {
        $this->emptyBench('Typed on', 'plain', '120mm', '120mm');
        $this->letters(40, 60, 'Rope');
        $this->seeText('still text', '[data-section=text]');
        $this->see('[data-field=size]');
        self::$browser->executeScript('const now = window.fetch; window.fetch = (...what) => new Promise((on) => setTimeout(on, 900)).then(() => now(...what))');
        $before = $this->version();
        $this->type('size', '9mm');
        // The answer to the size is still on its way when the words begin.
        $area = $this->see('[data-field=text]');
        $area->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL]);
        $area->sendKeys('HARB');
        self::until(fn (): ?bool => $this->version() > $before ?: null, 'the size to be kept', 20.0);
        usleep(1_500_000);
        $area->sendKeys('OUR');
        self::assertSame('HARBOUR', $area->getAttribute('value'));
        self::$browser->executeScript('document.activeElement.blur()');
        self::until(function (): ?bool {
            $base = $this->lastPiece()->recipe?->base;

            return $base instanceof Lettering && $base->setting->text === 'HARBOUR' && abs($base->setting->size - 9.0) < 1e-6 ? true : null;
        }, 'both to be kept', 20.0);
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function letters_are_typed_on_the_art_also_over_a_filled_piece(): void
    {
        $this->emptyBench('Letters', 'plain', '120mm', '120mm');
        $this->drawShape('rectangle', 20, 20, 80, 80);
        $this->letters(30, 60, 'Boat');
        $text = $this->lastPiece();
        self::assertInstanceOf(Lettering::class, $text->recipe?->base);
        self::assertSame(['Boat', null], [$text->recipe->base->setting->text, $text->recipe->base->follows], 'over the piece, not along it');
        self::assertSame(0, $this->howMany('[data-test=type-on-art]'));
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function changes_wait_while_the_server_is_away_and_are_made_in_order_when_it_is_back(): void
    {
        $this->emptyBench('Away', 'plain', '120mm', '120mm');
        self::$browser->executeScript('window.real = window.fetch; window.fetch = (...all) => (window.gone ? Promise.reject(new TypeError("gone")) : window.real(...all)); window.gone = true');
        $this->tool('shape');
        $this->press('[data-shape=rectangle]');
        $this->drag([[10, 10], [30, 30]], 2);
        $this->seeText('1 change waits', '[data-test=away]');
        $this->drag([[50, 50], [90, 70]], 2);
        $this->seeText('2 changes wait', '[data-test=away]');
        $before = $this->version();
        self::$browser->executeScript('window.gone = false');
        self::until(fn (): ?bool => $this->version() >= $before + 2 ?: null, 'both changes', 15.0);
        self::assertEqualsWithDelta([20.0, 40.0], array_map(static fn ($piece): float => $piece->box()?->width() ?? 0.0, $this->art()->pieces), 0.01);
        self::assertSame(0, $this->howMany('[data-test=away]'));

        // One that arrived, though its answer was lost, is not made twice.
        self::$browser->executeScript('let lost = true; window.fetch = async (url, how) => { const answer = await window.real(url, how); if (lost && String(url).endsWith("/edits")) { lost = false; throw new TypeError("lost") } return answer }');
        $this->change(fn () => $this->drag([[10, 80], [30, 110]], 2));
        self::assertSame([3, 0], [$this->pieces(), $this->howMany('[data-test=problem]')]);
        // The browser notes that the second sending met the change already made.
        self::assertStringContainsString('409', implode(' ', $this->complaints()));
    }

    #[Test]
    public function findings_are_worked_off_and_the_bench_comes_back_to_where_it_was(): void
    {
        $this->visit('/new');
        $lines = implode('', array_map(static fn (int $k): string => sprintf('<rect x="10" y="%d" width="%d" height=".%d" fill="#1f3a4d"/>', 6 + 3 * $k, 30 + $k, 2 + $k % 3), range(0, 11)));
        $path = self::$folder.'/lines.svg';
        file_put_contents($path, "<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='50mm' viewBox='0 0 100 50'>{$lines}</svg>");
        $this->upload($path);
        $this->press('[data-test=start]');
        $this->press('[data-test=prepare]');
        $this->see('[data-test=wipe]', 30);
        $this->press('[data-stage=check]');
        self::$browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::ESCAPE);
        self::until(fn (): ?bool => $this->howMany('[data-test=wipe]') === 0 ?: null, 'the comparison left', 5.0);
        self::assertSame([12, 0], [$this->howMany('.mark.small'), $this->howMany('.mark rect')], 'small marks, no carpet of labels');
        $this->press('[data-group=thin-line] .head');
        self::assertSame(12, $this->howMany('[data-group=thin-line] [data-row]'));
        $where = static fn (): string => self::$browser->findElement(WebDriverBy::cssSelector('[data-test=fit]'))->getText();
        $before = $where();
        $this->press('[data-group=thin-line] [data-row]');
        self::until(static fn (): ?bool => $where() !== $before ?: null, 'nearer', 5.0);
        $this->press('[data-test=seen]');
        self::$browser->findElement(WebDriverBy::tagName('body'))->sendKeys('n');
        self::until(fn (): ?bool => $this->howMany('[data-group=thin-line] [data-row]') === 11 ?: null, 'one less to look at', 5.0);
        self::$browser->findElement(WebDriverBy::tagName('body'))->sendKeys(WebDriverKeys::ESCAPE);
        self::until(static fn (): ?bool => $where() === $before ?: null, 'back where it was', 5.0);
        $this->see('[data-test=reason-all]')->sendKeys('drawn so');
        $this->press('[data-test=accept-all]');
        $this->seeText('1 finding is open, a serious one', '[data-test=look]');
        self::assertSame(0, $this->howMany('.mark'));
        $this->press('[data-test=sieve-done]');
        self::until(fn (): ?bool => $this->howMany('.mark') === 12 ?: null, 'all again', 5.0);
        self::assertSame([], $this->complaints());
    }
}
