<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Cookie;
use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** The page as a German reader has it: no sentence is left in English, and none is longer than its place. */
final class InGermanTest extends BrowserTestCase
{
    use AllOver;

    /**
     * What is shown, or read out, and stands in a catalogue in other words; and what does not fit its place. Names of the demo stay as they are, and so do words
     * that are the same in both languages.
     */
    private const LOOK = <<<'JS'
        const english = new Set(arguments[0])
        const wrong = []
        const seen = (node) => node.checkVisibility && node.checkVisibility({ opacityProperty: true, visibilityProperty: true })
        const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
        while (walker.nextNode()) {
            const text = walker.currentNode.textContent.trim()
            const holder = walker.currentNode.parentElement
            if (text !== '' && english.has(text) && seen(holder) && !holder.closest('code, kbd')) wrong.push(`English: ${text}, in ${holder.parentElement.outerHTML.slice(0, 300)}`)
        }
        for (const node of document.querySelectorAll('[title], [aria-label], [placeholder], [alt]')) {
            for (const name of ['title', 'aria-label', 'placeholder', 'alt']) if (english.has(node.getAttribute(name))) wrong.push(`English ${name}: ${node.getAttribute(name)}`)
        }
        for (const node of document.querySelectorAll('button, a, label, h1, h2, h3, dt, [role=tab], .choose .of, .typed > span')) {
            const style = getComputedStyle(node)
            if (!seen(node) || node.clientWidth === 0 || node.children.length > 3 || node.dataset.long !== undefined) continue
            const box = node.getBoundingClientRect()
            // Where it is cut off on purpose, with dots, somebody's own words stand, or there is a title that says the whole.
            if (style.textOverflow === 'ellipsis' || node.closest('.row, .head, li a')) continue
            let over = 0
            const words = document.createTreeWalker(node, NodeFilter.SHOW_TEXT)
            while (words.nextNode()) {
                // What is only read out has no place.
                if (words.currentNode.parentElement.offsetWidth <= 2 || getComputedStyle(words.currentNode.parentElement).textOverflow === 'ellipsis') continue
                const range = document.createRange()
                range.selectNodeContents(words.currentNode)
                over = Math.max(over, ...[...range.getClientRects()].map((one) => one.right - box.right))
            }
            if (over > 2 && style.display !== 'inline') wrong.push(`cut off by ${Math.round(over)} px: ${node.textContent.trim()}`)
        }
        return [...new Set(wrong)]
    JS;

    /** @return list<string> English sentences that German says otherwise */
    private static function english(): array
    {
        $all = [];
        foreach (['page', 'server'] as $part) {
            $all += json_decode((string) file_get_contents(dirname(__DIR__, 2)."/lang/{$part}/de.json"), true, flags: JSON_THROW_ON_ERROR);
        }
        // Words that are German as well, for something else.
        $same = array_flip($all);

        return array_map(strval(...), array_keys(array_filter($all, static fn (string $german, string $english): bool => $german !== $english && ! isset($same[$english]), ARRAY_FILTER_USE_BOTH)));
    }

    private function holds(string $what): void
    {
        self::assertSame([], self::$browser->executeScript(self::LOOK, [self::english()]), $what);
    }

    private function german(): void
    {
        $this->visit('/');
        self::$browser->manage()->addCookie(new Cookie('language', 'de'));
    }

    #[Test]
    public function no_sentence_is_left_in_english_and_none_is_cut_off(): void
    {
        $this->german();
        $pages = ['/' => '[data-test=job]', '/new' => '[data-test=start]', '/presets' => '[data-test=preset-row]', '/stock' => '[data-test=add]', '/batches' => '[data-test=batch-start]', '/settings' => '[data-test=language]', '/mailbox' => 'h1', '/today' => 'h1', '/customers' => '[data-test=search]', '/people' => '[data-test=new-name]', '/sign-in' => '[data-test=address]', '/guide/reference' => '[data-test=guide], .text'];
        foreach ($pages as $path => $there) {
            $this->visit($path);
            $this->see($there);
            self::still();
            self::assertSame('de', self::$browser->executeScript('return document.documentElement.lang'));
            $this->holds($path);
        }
        foreach ([[1280, 943], [1024, 843]] as [$width, $height]) {
            self::$browser->manage()->window()->setSize(new WebDriverDimension($width, $height));
            // With less room each stage once.
            foreach ($width > 1100 ? [3, 4] : [4] as $job) {
                foreach (['set-up', 'draw', 'shape', 'separate', 'check', 'send', 'proof'] as $stage) {
                    $this->visit("/jobs/{$job}/{$stage}");
                    $this->see('.page');
                    $this->see('[data-sheet]');
                    self::still();
                    $this->holds("{$stage} of {$job} at {$width}");
                }
            }
        }
        self::$browser->manage()->window()->setSize(new WebDriverDimension(1280, 943));
        $this->visit('/jobs/4/draw');
        $this->see('.page');
        $this->drawingTools($this->holds(...));
        $this->pushed('[data-test=keys]');
        $this->see('.keys-dialog');
        $this->holds('the list of keys');
        self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ESCAPE);
        $this->shapingTools($this->holds(...));
        $this->visit('/jobs/4/check');
        $this->pushed('[data-group] .head');
        $this->pushed('[data-group] .row');
        $this->holds('a finding that is looked at');
        $this->tabsOfSend($this->holds(...));
        $this->pushed('[data-layout]');
        $this->holds('a sheet');
    }

    #[Test]
    public function numbers_are_read_and_typed_as_german_writes_them_and_the_settings_go_back(): void
    {
        $this->german();
        $this->visit('/jobs/4/draw');
        $this->see('.page');
        self::assertStringContainsString('600,0 × 408,0 mm', $this->see('[data-test=size]')->getText());
        $this->keys(WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL);
        $left = $this->see('[data-field="x"] input, input[data-field="x"]');
        self::until(static fn (): ?bool => preg_match('/^-?\d+(,\d+)?$/', (string) $left->getAttribute('value')) === 1 ? true : null, 'the place of what is chosen', 15);
        $left->click();
        $left->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL, '12,5', WebDriverKeys::ENTER]);
        self::until(fn (): ?bool => str_contains($this->see('[data-test=undo]')->getText(), 'Links 12,5 mm') ? true : null, 'the move', 15);
        self::until(fn (): ?bool => $this->see('[data-field="x"] input, input[data-field="x"]')->getAttribute('value') === '12,5' ? true : null, 'the number', 15);
        $this->pushed('[data-test=undo]');
        $this->visit('/settings');
        $this->see('[data-test=language]')->click();
        self::until(static fn (): ?bool => self::$browser->executeScript('const one = [...document.querySelectorAll(".el-select-dropdown__item")].find((each) => each.textContent.trim() === "English"); one?.click(); return one !== undefined') ?: null, 'the languages', 15);
        self::until(static fn (): ?bool => self::$browser->executeScript('return document.querySelector("h1")?.textContent') === 'Settings' ? true : null, 'the page in English', 15);
        self::assertSame([], $this->complaints());
    }
}
