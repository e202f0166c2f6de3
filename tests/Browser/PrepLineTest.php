<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Artwork\Piece;
use PHPUnit\Framework\Attributes\Test;

/** The line, remedies, colours and touching up, with a mouse and keys. */
final class PrepLineTest extends BrowserTestCase
{
    use OnTheBench;
    use ShapingHands;

    private function prepareIt(): void
    {
        $this->press('[data-test=prepare]');
        $this->see('[data-test=verdict]');
    }

    /** @return list<string> kinds of the cards, in order */
    private function cards(): array
    {
        return explode(' ', (string) self::$browser->executeScript('return [...document.querySelectorAll("[data-step]")].map((one) => one.dataset.step).join(" ")'));
    }

    private function barge(): void
    {
        $this->emptyBench('Barge name', 'cut-vinyl', '120mm', '60mm');
        $this->shape('rectangle', 45, 30, 60, 40);
        $this->plain('#e0a030');
        $this->none();
        $this->shape('rectangle', 60, 30, 90, 0.4);
        $this->plain('#223344');
        $this->none();
    }

    #[Test]
    public function what_is_drawn_too_thin_is_told_while_it_is_drawn_and_so_is_that_it_was_mended(): void
    {
        $this->barge();
        self::until(fn (): ?bool => $this->howMany('[data-test=drawn-next]') > 0 ?: null, 'the finding', 10.0);
        $this->press('[data-test=drawn-next]');
        $this->seeText('0.40 mm', '[data-test=drawn-next]');
        $line = $this->lastPiece();
        $this->click(103, 30);
        $this->put('height', '2mm');
        self::until(fn (): ?bool => $this->howMany('[data-test=drawn-next]') === 0 ?: null, 'the finding to be gone', 10.0);
        self::assertNotSame($line, $this->lastPiece());
    }

    #[Test]
    public function a_thin_line_is_cured_by_a_step_whose_value_is_tried_before_it_is_kept_and_the_step_is_moved_by_keys(): void
    {
        $this->barge();
        $this->keys('5');
        $this->prepareIt();
        $this->see('[data-group=thin-line] .head')->click();
        $this->press('[data-test=remedy-thicken]');
        $this->see('[data-test=cure-step]:not([disabled])');
        self::assertStringContainsString('Preview', (string) self::$browser->executeScript('return document.querySelector(".viewing")?.textContent ?? ""'));
        $this->change(fn () => $this->press('[data-test=cure-step]'));
        self::assertSame(['merge-by-colour', 'thicken', 'clean-nodes'], array_slice($this->cards(), 4));
        self::until(fn (): ?bool => $this->howMany('[data-step=thicken] img') > 0 ?: null, 'the picture after the step', 20.0);
        self::until(fn (): ?bool => $this->howMany('[data-group=thin-line]') === 0 ?: null, 'the finding to be gone', 20.0);

        // Each card tells what was found before and is after it.
        self::until(fn (): ?bool => preg_match('/findings [1-9]\d*→0/', (string) self::$browser->executeScript('return document.querySelector("[data-step=thicken] [data-test=found]")?.textContent ?? ""')) === 1 ?: null, 'findings before and after', 20.0);

        // The card is opened: another value is shown and left, then one is kept.
        $this->press('[data-step=thicken] .picture');
        $this->see('[data-test=step-report]');
        $this->type('width', '2mm');
        $this->see('[data-test=keep-values]');
        self::until(fn (): ?bool => str_contains((string) self::$browser->executeScript('return document.querySelector(".viewing")?.textContent ?? ""'), 'Preview') ?: null, 'the preview', 10.0);
        $this->press('[data-test=leave-values]');
        $this->type('width', '1.5mm');
        $this->see('[data-test=keep-values]');
        $this->change(fn () => $this->press('[data-test=keep-values]'));
        self::assertSame(1.5, array_values(array_filter($this->art()->line ?? [], static fn ($step): bool => $step->kind === 'thicken'))[0]->values['width']);
        // It is moved with Alt and an arrow, told to stand in an odd place, and moved back by undo.
        $this->keys(WebDriverKeys::ESCAPE);
        $this->change(static fn () => self::$browser->executeScript('const card = document.querySelector("[data-step=thicken]"); card.focus(); card.dispatchEvent(new KeyboardEvent("keydown", { key: "ArrowLeft", altKey: true, bubbles: true }))'));
        self::assertSame(['thicken', 'merge-by-colour'], array_slice($this->cards(), 4, 2));
        $this->see('[data-step=thicken].wrong');
        $this->change(fn () => $this->keys(WebDriverKeys::CONTROL, 'z', WebDriverKeys::NULL));
        self::assertSame(['merge-by-colour', 'thicken'], array_slice($this->cards(), 4, 2));
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_remedy_on_the_art_itself_changes_only_what_shows_it_and_colours_get_names(): void
    {
        $this->barge();
        $this->keys('5');
        $this->prepareIt();
        $before = $this->art();
        $this->see('[data-group=thin-line] .head')->click();
        $this->press('[data-test=remedy-thicken]');
        $this->see('[data-test=cure-art]:not([disabled])');
        $this->change(fn () => $this->press('[data-test=cure-art]'));
        $after = $this->art();
        self::assertEqualsWithDelta(0.808, $after->pieces[1]->box()?->height(), 0.01);
        self::assertEquals($before->pieces[0]->recipe, $after->pieces[0]->recipe, 'the other is as adjustable as it was');
        $this->keys('4');
        $this->see('[data-colour="#e0a030"] [data-test=name-colour]')->click();
        $this->see('[data-test=colour-name]')->sendKeys('Brass film');
        $this->see('[data-test=colour-name]')->sendKeys(WebDriverKeys::ENTER);
        $this->seeText('Brass film', '[data-colour="#e0a030"]');
        // How they lie is a step that opens where it is set.
        $this->change(fn () => $this->press('[data-test=lay]'));
        $this->see('[data-field=how]');
        self::assertContains('stack', $this->cards());
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_preset_is_used_and_the_result_is_touched_up_by_hand_and_carried_over(): void
    {
        $this->barge();
        $this->keys('5');
        $this->change(fn () => $this->pick('[data-test=preset]', 'Vinyl to weed'));
        self::assertContains('islands', $this->cards());
        $this->seeText('Vinyl to weed', '[data-test=preset]');
        $this->prepareIt();
        $this->change(fn () => $this->pick('[data-test=insert-step]', 'touch-up'));
        $this->press('[data-test=touch]');
        $this->see('[data-test=touching]');
        $this->see('[data-tool=arrange]');
        // The result is on the bench only when it was fetched: what is pressed before is a piece of the source.
        self::still(20.0);
        $source = $this->art();
        // The line that runs meanwhile lays no wipe over what is worked on, whenever it has run.
        $made = fn (): mixed => json_decode((string) file_get_contents('http://127.0.0.1:'.self::$port."/api/v1/jobs/{$this->job}"), true)['preparation'];
        self::until(static fn (): ?bool => $made()['status'] === 'done' ?: null, 'the line to have run', 60.0);
        self::still(20.0);
        self::assertSame(0, $this->howMany('[data-test=wipe]'));
        // The bar is one piece of the result, in the strength that the line gave it; it is moved by hand.
        $this->click(100, 30);
        self::until(fn (): ?bool => $this->howMany('[data-chosen]') > 0 ?: null, 'a piece of the result to be chosen', 10.0);
        $this->change(fn () => $this->drag([[100, 30], [100, 33], [100, 38]], 2));
        self::assertEquals(array_map(static fn (Piece $piece) => $piece->box(), $source->pieces), array_map(static fn (Piece $piece) => $piece->box(), $this->art()->pieces), 'the source is as it was');
        $kept = static fn (array $line): array => array_values(array_filter($line, static fn ($step): bool => $step->kind === 'touch-up'))[0]->values['edits'];
        self::assertCount(1, $kept($this->art()->line ?? []));
        $this->press('[data-test=to-source]');
        $this->keys('5');
        self::until(fn (): ?bool => str_contains((string) self::$browser->executeScript('return document.querySelector("[data-step=touch-up]")?.textContent ?? ""'), '1 by hand') ?: null, 'the hand edit to be made', 20.0);
        self::assertSame(0, $this->howMany('[data-test=touching]'));
        self::assertSame([], $this->complaints());
    }
}
