<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** What is typed, shown or laid is kept, left or undone because somebody says so, and never by chance. */
final class NothingIsLostTest extends BrowserTestCase
{
    use OnTheBench;

    /** Two thin lines over a plate, and a word in a font that is not here. */
    private function prepared(): void
    {
        $this->visit('/new');
        $path = self::$folder.'/plate.svg';
        file_put_contents($path, "<svg xmlns='http://www.w3.org/2000/svg' width='120mm' height='60mm' viewBox='0 0 120 60'><rect x='10' y='30' width='60' height='20' fill='#1f3a4d'/><rect x='10' y='10' width='60' height='.5' fill='#1f3a4d'/><rect x='10' y='16' width='60' height='.5' fill='#1f3a4d'/><text x='75' y='40' font-family='Marrow Display' font-size='8' fill='#1f3a4d'>QUAY</text></svg>");
        $this->upload($path);
        $this->press('[data-test=start]');
        $this->press('[data-test=prepare]');
        $this->see('[data-test=wipe]', 30);
    }

    private function body(): \Facebook\WebDriver\Remote\RemoteWebElement
    {
        return self::$browser->findElement(WebDriverBy::tagName('body'));
    }

    #[Test]
    public function a_remedy_tells_what_it_comes_to_and_what_is_shown_or_typed_is_asked_about(): void
    {
        $this->prepared();
        $this->press('[data-stage=check]');
        $this->press('[data-group=thin-line] .head');
        $this->press('[data-test=remedy-thicken]');
        $this->seeText('As a step: cures all', '[data-test=told-step]');
        $this->seeText('On the art: cures all', '[data-test=told-art]');
        // Shown and not kept: another stage asks.
        $this->press('[data-stage=send]');
        $this->seeText('The remedy “Thicken to the limit” is shown and not kept.', '[data-test=unkept]');
        $this->press('[data-test=unkept-stay]');
        $this->see('[data-stage=check][aria-current=step]');
        $this->press('[data-test=cure-leave]');

        // A value of a step that was typed: preparing asks, and keeps it first.
        $this->press('[data-step=clean-nodes] .picture');
        $this->type('deviation', '0.2');
        $this->see('[data-test=keep-values]');
        $this->press('[data-test=prepare]');
        $this->seeText('Values of the step “Clean nodes” are typed and not kept.', '[data-test=unkept]');
        $this->press('[data-test=unkept-keep]');
        self::until(fn (): ?bool => $this->howMany('[data-test=keep-values]') === 0 && $this->howMany('[data-test=stop]') === 0 ?: null, 'prepared with it', 20.0);
        self::assertStringStartsWith('0.2', (string) $this->see('[data-field=deviation]')->getAttribute('value'));
        // What cannot be read is said, and is gone when something else is typed.
        $this->type('deviation', 'much');
        $this->seeText('much', '[data-test=problem]');
        $this->type('deviation', '0.1');
        $this->see('[data-test=keep-values]');
        $this->press('[data-test=leave-values]');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function letters_of_a_missing_font_are_shown_and_set_in_another_beside_the_finding(): void
    {
        $this->prepared();
        $this->press('[data-stage=check]');
        $this->press('[data-group=missing-font] .head');
        $this->see('[data-test=spot]');
        $zoom = (int) self::$browser->findElement(WebDriverBy::cssSelector('[data-test=fit]'))->getText();
        self::assertGreaterThan(150, $zoom, 'at a size at which the word is read');
        $this->see('[data-test=font-add]');
        $this->press('[data-test=font-other]');
        self::until(static function (): ?bool {
            foreach (self::$browser->findElements(WebDriverBy::cssSelector('.el-select-dropdown__item')) as $item) {
                if ($item->isDisplayed() && str_starts_with($item->getText(), 'Rye')) {
                    $item->click();

                    return true;
                }
            }

            return null;
        }, 'the fonts', 10.0);
        $this->press('[data-test=font-set]');
        self::until(fn (): ?bool => str_contains($this->see('[data-test=undo]')->getText(), 'Set letters in Rye') ?: null, 'set in it', 20.0);
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function copies_are_laid_by_hand_all_at_once_and_undone(): void
    {
        $this->prepared();
        $this->press('[data-stage=send]');
        $this->press('[data-test=send-laying]');
        $this->press('[data-test=hands]');
        $this->press('[data-test=hands-all]');
        $where = fn (): string => (string) $this->see('[data-copy="0"]')->getAttribute('transform');
        $before = $where();
        $this->body()->sendKeys(WebDriverKeys::SHIFT.WebDriverKeys::ARROW_RIGHT);
        self::until(fn (): ?bool => $where() !== $before ?: null, 'moved', 10.0);
        self::assertStringContainsString('by hand', $this->see('[data-test=undo]')->getText());
        $this->press('[data-test=undo]');
        self::until(fn (): ?bool => $where() === $before ?: null, 'back where it lay', 10.0);
        self::assertSame(1, $this->howMany('[data-test=hands-view]'), 'in the same view');
        self::assertSame([], $this->complaints());
    }
}
