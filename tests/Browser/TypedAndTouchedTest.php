<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Recipe\Letters\Lettering;
use PHPUnit\Framework\Attributes\Test;

/** What is typed is typed, what is pressed is pressed: by keys that come at once, by fingers, on pieces of three millimetres. */
final class TypedAndTouchedTest extends BrowserTestCase
{
    use OnTheBench;

    /** From now on the server answers so many ms later. */
    private function slow(int $ms): void
    {
        self::$browser->executeScript('const now = window.realFetch ?? window.fetch; window.realFetch = now; window.fetch = (...what) => new Promise((on) => setTimeout(on, arguments[0])).then(() => now(...what))', [$ms]);
    }

    /** @return list<string> what was done, the newest first */
    private function acts(): array
    {
        $answer = json_decode((string) file_get_contents('http://127.0.0.1:'.self::$port."/api/v1/jobs/{$this->job}/acts"), true);

        return array_column(array_filter($answer['acts'], static fn (array $act): bool => $act['state'] !== 'undone'), 'label');
    }

    private function told(string $sentence): void
    {
        $this->seeText($sentence, '[data-test=told]', 5.0);
    }

    /** @param  list<array{float, float}>  $fingers  px, where they are; none when all are lifted */
    private function fingers(string $type, array $fingers): void
    {
        self::$browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', ['cmd' => 'Input.dispatchTouchEvent', 'params' => [
            'type' => $type,
            'touchPoints' => array_map(static fn (array $at, int $id): array => ['x' => $at[0], 'y' => $at[1], 'id' => $id], $fingers, array_keys($fingers)),
        ]]);
    }

    #[Test]
    public function letters_have_the_keys_before_the_press_is_over_and_are_one_act(): void
    {
        $this->emptyBench('Letters at once', 'plain', '120mm', '120mm');
        $this->drawShape('rectangle', 20, 20, 30, 30);
        $this->tool('text');
        $before = count($this->acts());
        $this->slow(1600);
        // The press and the keys in one row, with no moment between.
        [$x, $y] = $this->px(60, 80);
        self::$browser->executeScript('window.scrollTo(0, 0)');
        $this->drag([[60, 80]]);
        foreach (mb_str_split('HARBOUR 5') as $letter) {
            self::$browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', ['cmd' => 'Input.dispatchKeyEvent', 'params' => ['type' => 'keyDown', 'text' => $letter, 'key' => $letter]]);
        }
        self::assertSame('HARBOUR 5', $this->see('[data-test=type-on-art]')->getAttribute('value'));
        self::assertStringContainsString('/draw', self::$browser->getCurrentURL(), 'no digit was a stage');
        $this->change(static fn () => self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ENTER));
        $base = $this->lastPiece()->recipe?->base;
        self::assertInstanceOf(Lettering::class, $base);
        self::assertSame('HARBOUR 5', $base->setting->text);
        self::assertEqualsWithDelta(60.0, $this->lastPiece()->box()->left ?? 0.0, 3.0);
        self::assertSame('Letters “HARBOUR 5”', $this->acts()[0]);
        self::assertCount($before + 1, $this->acts());
        // One press takes them back; escaped from, nothing was ever made.
        $this->slow(0);
        $this->change(fn () => $this->keys(WebDriverKeys::CONTROL, 'z', WebDriverKeys::NULL));
        self::assertCount(1, $this->art()->pieces);
        $this->tool('text');
        $this->click(60, 90);
        self::$browser->getKeyboard()->sendKeys(['Quay', WebDriverKeys::ESCAPE]);
        usleep(600_000);
        self::assertCount(1, $this->art()->pieces);

        // A press beside what is typed keeps it too.
        $this->tool('text');
        $this->click(60, 100);
        self::$browser->getKeyboard()->sendKeys('Pier');
        $this->change(fn () => $this->click(110, 10));
        $base = $this->lastPiece()->recipe?->base;
        self::assertInstanceOf(Lettering::class, $base);
        self::assertSame('Pier', $base->setting->text);
        self::assertSame(0, $this->howMany('[data-test=type-on-art]'));
        $this->change(fn () => $this->keys(WebDriverKeys::CONTROL, 'z', WebDriverKeys::NULL));

        // On the line that is pressed, on the side that is pressed.
        $this->drawShape('ellipse', 60, 60, 50, 50);
        $this->keys(WebDriverKeys::ESCAPE);
        $this->tool('text');
        $this->press('[data-field=onLine]');
        $this->click(85, 58.5);
        $this->change(static fn () => self::$browser->getKeyboard()->sendKeys(['TOP', WebDriverKeys::ENTER]));
        $base = $this->lastPiece()->recipe?->base;
        self::assertInstanceOf(Lettering::class, $base);
        self::assertSame([$this->art()->pieces[1]->id, 'above', 'TOP'], [$base->follows, $base->setting->stand, $base->setting->text]);
        self::assertLessThan(52.0, $this->lastPiece()->box()->top ?? 60.0, 'over it');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_name_is_typed_from_the_double_press_on(): void
    {
        $this->emptyBench('Names', 'plain', '120mm', '120mm');
        $this->drawShape('rectangle', 20, 20, 30, 30);
        $this->drawShape('star', 60, 20, 30, 30);
        $colours = array_map(static fn (Piece $piece): ?string => $piece->fill?->colour->hex(), $this->art()->pieces);
        $star = $this->lastPiece()->id;
        $this->press('[data-test=pieces]');
        $this->slow(900);
        foreach (["[data-row={$star}]" => 'Klack', '[data-layer] .layer' => 'Dock'] as $row => $name) {
            $at = $this->see($row);
            self::$browser->action()->doubleClick($at)->sendKeys(null, $name)->perform();
            $this->change(static fn () => self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ENTER));
        }
        $art = $this->art();
        self::assertSame(['Klack', 'Dock'], [$art->pieces[1]->name, $art->layers[0]->name]);
        self::assertSame($colours, array_map(static fn (Piece $piece): ?string => $piece->fill?->colour->hex(), $art->pieces), 'no letter was the key of a tool');
        $this->slow(0);

        // The list is asked for what it should show, and what is found is chosen.
        $this->see('[data-test=find-words] input, input[data-test=find-words]')->sendKeys('klack');
        $this->seeText('1 of 2', '[data-test=found]');
        self::assertSame(1, $this->howMany('[data-row]'));
        $this->press('[data-test=choose-found]');
        self::assertSame(1, $this->howMany("[data-row={$star}][aria-pressed=true]"));
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_key_says_why_it_does_nothing_and_can_be_another_or_none(): void
    {
        $this->emptyBench('Keys', 'plain', '120mm', '120mm');
        $this->keys(WebDriverKeys::DELETE);
        $this->told('Choose what is to go first.');
        $this->keys('w');
        $this->told('Prepare first');
        $this->keys('r');
        $this->keys(WebDriverKeys::ALT, 'r', WebDriverKeys::NULL);
        $this->told('Choose a piece first.');
        // Nothing long or hard to take back hangs on one letter.
        $this->keys('p');
        usleep(300_000);
        self::assertSame('Prepare', trim($this->see('[data-test=prepare]')->getText()));

        $this->press('[data-test=keys]');
        $key = $this->see('[data-key="tool:shape"]');
        $key->click();
        $key->sendKeys('l');
        $this->seeText('L is the key for “letters”', '[data-test=key-why]');
        $key->sendKeys('m');
        self::assertSame('M', trim($key->getText()));
        self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ESCAPE);
        self::until(fn (): ?bool => $this->howMany('.keys-dialog') === 0 || ! $this->see('body')->findElement(WebDriverBy::cssSelector('.keys-dialog'))->isDisplayed() ? true : null, 'the list to shut', 5.0);
        $this->keys('h');
        self::assertSame('false', $this->see('[data-tool=shape]')->getAttribute('aria-checked'));
        $this->keys('m');
        self::assertSame('true', $this->see('[data-tool=shape]')->getAttribute('aria-checked'));
        // Kept by who sits here; switched off, no sign alone does anything.
        self::$browser->navigate()->refresh();
        $this->see('.page');
        $this->keys('m');
        self::assertSame('true', $this->see('[data-tool=shape]')->getAttribute('aria-checked'));
        $this->press('[data-test=keys]');
        $this->press('[data-test=single-keys]');
        self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ESCAPE);
        usleep(500_000);
        $this->keys('l');
        self::assertSame('false', $this->see('[data-tool=text]')->getAttribute('aria-checked'));
        self::assertSame('', self::$browser->executeScript('return document.querySelector("[data-tool=text] kbd").textContent'));
        $this->press('[data-test=keys]');
        $this->press('[data-test=reset-keys]');
        self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ESCAPE);
        usleep(500_000);
        $this->keys('l');
        self::assertSame('true', $this->see('[data-tool=text]')->getAttribute('aria-checked'));
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function twenty_nudges_are_one_act_and_every_act_can_be_gone_to(): void
    {
        $this->emptyBench('Nudged', 'plain', '120mm', '120mm');
        $this->drawShape('rectangle', 20, 20, 30, 30);
        $left = $this->lastPiece()->box()->left ?? 0.0;
        $this->slow(700);
        // How far it was seen to be moved, and what had been asked of the server by then: written down by the page, however long the look takes.
        self::$browser->executeScript('window.seen = []; const asked = window.fetch; window.asked = 0; window.fetch = (...what) => { window.asked++; return asked(...what) };
            new MutationObserver(() => { const now = document.querySelector("[data-move]")?.getAttribute("transform"); if (now) window.seen.push([now, window.asked]) }).observe(document.body, { subtree: true, childList: true, attributeFilter: ["transform"] })');
        $this->change(function (): void {
            $this->keys(...array_fill(0, 20, WebDriverKeys::ARROW_RIGHT));
        });
        self::assertContains(['matrix(1 0 0 1 20 0)', 0], self::$browser->executeScript('return window.seen'), 'it moved before anything was asked of the server');
        $this->slow(0);
        self::assertEqualsWithDelta($left + 20.0, $this->lastPiece()->box()?->left, 1e-6);
        self::assertSame('Move 20 mm', $this->acts()[0]);
        self::assertStringContainsString('Undo: Move 20 mm', $this->see('[data-test=undo]')->getText());
        // Enter right after a tool of Shape was taken waits for what it would give, and keeps it.
        $this->keys('3');
        $this->slow(900);
        $this->change(function (): void {
            $this->press('[data-test=outset]');
            $this->keys(WebDriverKeys::ENTER);
        });
        $this->slow(0);
        self::assertSame('Outset', $this->acts()[0]);
        $this->press('[data-test=acts]');
        $this->change(fn () => $this->press('[data-act="2"]'));
        self::assertEqualsWithDelta($left, $this->lastPiece()->box()?->left, 1e-6);
        self::assertSame('step', $this->see('[data-act="2"]')->getAttribute('aria-current'));
        $this->change(fn () => $this->press('[data-act="3"]'));
        self::assertEqualsWithDelta($left + 20.0, $this->lastPiece()->box()?->left, 1e-6);
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function what_is_nudged_while_the_server_answers_stays_where_it_is_seen(): void
    {
        $this->emptyBench('Nudged again', 'plain', '120mm', '120mm');
        $this->drawShape('rectangle', 20, 20, 30, 30);
        $left = $this->lastPiece()->box()->left ?? 0.0;
        $this->slow(1200);
        // Where it is seen with each picture, mm from where it was.
        self::$browser->executeScript('const page = document.querySelector(".page"); const at = () => { const r = document.querySelector("[data-move]").getBoundingClientRect(); const p = page.getBoundingClientRect(); return (r.left - p.left) * arguments[0] / p.width };
            const from = at(); window.seen = []; const look = () => { const now = Math.round(at() - from); if (now !== window.seen.at(-1)) window.seen.push(now); requestAnimationFrame(look) }; look()', [$this->wide]);
        $this->change(function (): void {
            $this->keys(...array_fill(0, 5, WebDriverKeys::ARROW_RIGHT));
            usleep(600_000);
            $this->keys(...array_fill(0, 3, WebDriverKeys::ARROW_RIGHT));
        }, 2);
        $this->slow(0);
        self::assertEqualsWithDelta($left + 8.0, $this->lastPiece()->box()?->left, 1e-6);
        $seen = self::$browser->executeScript('return window.seen');
        $never = $seen;
        sort($never);
        self::assertSame($never, $seen, 'it never jumps back');
        self::assertSame(8, end($seen));
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_piece_is_dragged_by_its_middle_however_small_and_alt_makes_a_copy(): void
    {
        $this->emptyBench('Small', 'plain', '200mm', '120mm');
        $this->drawShape('rectangle', 40, 40, 30, 30);
        foreach (['width', 'height'] as $field) {
            $this->put($field, '3');
        }
        foreach (['x', 'y'] as $field) {
            $this->put($field, '50');
        }
        $this->click(20, 100);
        // At about the size it has on the cutter: each press takes the piece, and no knob.
        $this->change(fn () => $this->drag([[50, 50], [60, 55]], 2));
        $box = $this->lastPiece()->box();
        self::assertNotNull($box);
        self::assertEqualsWithDelta([58.5, 53.5, 3.0, 3.0], [$box->left, $box->top, $box->width(), $box->height()], 0.3);
        $this->change(fn () => $this->drag([[60, 55], [70, 60]], 2));
        $box = $this->lastPiece()->box();
        self::assertEqualsWithDelta([68.5, 3.0], [$box->left ?? 0, $box?->width()], 0.3, 'it was chosen, and its frame did not take the press');
        self::assertContains('rectangle', $this->lastPiece()->recipe?->base->marks() ?? [], 'no knob made another shape of it');
        $this->change(fn () => $this->drag([[70, 60], [80, 60]], 3));
        self::assertCount(2, $this->art()->pieces, 'a copy');
        self::assertEqualsWithDelta([68.5, 78.5], array_map(static fn (Piece $piece): float => $piece->box()->left ?? 0.0, $this->art()->pieces), 0.4);

        // The place that it turns about has a grip of its own, and numbers.
        $this->click(80, 60);
        $this->dragPx([$grip = $this->spot('[data-knob=pivot]'), [$grip[0] + 60, $grip[1]]]);
        $this->open('place');
        self::assertGreaterThan(85.0, (float) $this->see('[data-field=pivotX]')->getAttribute('value'));
        $this->put('pivotX', '100');
        $this->change(fn () => $this->type('angle', '180'));
        self::assertEqualsWithDelta(120.0, ($this->lastPiece()->box()->left ?? 0.0) + 1.5, 0.5);
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function two_fingers_look_and_never_move_art_and_one_that_rests_opens_the_menu(): void
    {
        $this->emptyBench('Fingers', 'plain', '120mm', '120mm');
        $this->drawShape('rectangle', 30, 30, 40, 40);
        $this->drawShape('ellipse', 80, 80, 20, 20);
        $this->keys(WebDriverKeys::ESCAPE);
        $version = $this->version();
        $wide = self::$browser->executeScript('return document.querySelector(".page").getBoundingClientRect().width');
        $at = $this->px(50, 50);
        $this->fingers('touchStart', [$at]);
        $this->fingers('touchMove', [[$at[0] + 6, $at[1]]]);
        $this->fingers('touchStart', [[$at[0] + 6, $at[1]], [$at[0] + 80, $at[1] + 10]]);
        for ($k = 1; $k <= 6; $k++) {
            $this->fingers('touchMove', [[$at[0] - 8 * $k, $at[1]], [$at[0] + 80 + 8 * $k, $at[1] + 10]]);
        }
        $this->fingers('touchEnd', []);
        // What was looked at closer is drawn with the next picture, which a busy machine makes later.
        self::until(static fn (): ?bool => self::$browser->executeScript('return document.querySelector(".page").getBoundingClientRect().width') > $wide * 1.3 ?: null, 'a closer look', 10.0);
        usleep(900_000);
        self::assertSame($version, $this->version(), 'no art was moved');
        $this->press('[data-test=fit]');

        // One finger moves it, as a hand does.
        $at = $this->px(50, 50);
        $to = $this->px(55, 60);
        $this->change(function () use ($at, $to): void {
            $this->fingers('touchStart', [$at]);
            foreach ([0.3, 0.7, 1.0] as $t) {
                $this->fingers('touchMove', [[$at[0] + $t * ($to[0] - $at[0]), $at[1] + $t * ($to[1] - $at[1])]]);
            }
            $this->fingers('touchEnd', []);
        });
        self::assertEqualsWithDelta(35.0, $this->art()->pieces[0]->box()?->left, 1.0);

        // A second is chosen without a keyboard, and a finger that rests asks what can be done.
        $this->press('[data-test=adding]');
        $both = $this->px(90, 90);
        $this->fingers('touchStart', [$both]);
        $this->fingers('touchEnd', []);
        $this->fingers('touchStart', [$both]);
        usleep(900_000);
        $this->fingers('touchEnd', []);
        $this->see('[data-test=menu]');
        self::assertCount(2, $this->chosen());
        $this->seeText('Make a compound', '[data-test=menu]');
        self::assertSame([], $this->complaints());
    }

    /** A key by the DevTools protocol: the driver's own way gives the keys back to what had them before. */
    private function pressed(string $key, int $code, int $held = 0): void
    {
        foreach (['keyDown', 'keyUp'] as $type) {
            self::$browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', ['cmd' => 'Input.dispatchKeyEvent', 'params' => [
                'type' => $type, 'key' => $key, 'code' => $key, 'windowsVirtualKeyCode' => $code, 'modifiers' => $held, ...($key === 'Enter' ? ['text' => "\r"] : []),
            ]]);
        }
    }

    #[Test]
    public function the_menu_has_a_key_stands_at_what_is_chosen_and_gives_the_keys_back(): void
    {
        $this->emptyBench('A menu by key', 'plain', '120mm', '120mm');
        $this->drawShape('rectangle', 20, 20, 30, 30);
        $this->drawShape('ellipse', 70, 70, 30, 30);
        $this->tool('arrange');
        $this->keys(']');
        self::$browser->executeScript('document.querySelector("[data-tool=arrange]").focus()');
        $this->pressed('F10', 121, 8);
        $this->see('[data-test=menu]');
        $at = $this->spot('[data-test=menu]');
        $chosen = $this->spot('[data-piece="'.$this->chosen()[0].'"]');
        self::assertLessThan(300.0, hypot($at[0] - $chosen[0], $at[1] - $chosen[1]), 'at what is chosen');
        $pieces = count($this->art()->pieces);
        $this->change(function (): void {
            for ($i = 0; $i < 30 && ! str_starts_with((string) self::$browser->executeScript('return document.activeElement.textContent'), 'Duplicate'); $i++) {
                $this->pressed('ArrowDown', 40);
            }
            $this->pressed('Enter', 13);
        });
        self::assertCount($pieces + 1, $this->art()->pieces);
        self::assertSame('arrange', self::$browser->executeScript('return document.activeElement?.dataset.tool'), 'the keys are where they were');
    }

    #[Test]
    public function after_preparing_a_press_of_the_hand_is_for_the_art_again(): void
    {
        $this->emptyBench('Back', 'plain', '120mm', '120mm');
        $this->drawShape('rectangle', 20, 20, 30, 30);
        $this->keys(WebDriverKeys::ESCAPE);
        $this->press('[data-test=prepare]');
        $this->see('[data-test=wipe]');
        $this->tool('shape');
        $this->press('[data-test=show-wipe]');
        $this->see('[data-test=wipe]');
        $this->change(fn () => $this->drag([[70, 70], [100, 90]], 2));
        self::assertCount(2, $this->art()->pieces);
        self::assertSame([], $this->complaints());
    }
}
