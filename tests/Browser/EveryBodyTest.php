<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Tests\Support\Share;
use PHPUnit\Framework\Attributes\Test;

/** Whoever works here, by whatever means: every view, stage, drawer and dialog is measured by rules that we did not write. */
final class EveryBodyTest extends BrowserTestCase
{
    use AllOver;

    /** WCAG 2.2 A and AA, and what is good practice besides. */
    private const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

    /**
     * @param  list<string>  $rules
     * @param  string|null  $in  a part of the page alone, where the rest was measured before
     */
    private function holds(string $what, array $rules = self::RULES, ?string $in = null): void
    {
        self::$browser->executeScript((string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'));
        // A colour that is just on its way to another is measured again when it has come there.
        for ($tries = 0; $tries < 3; $tries++) {
            $found = self::$browser->executeAsyncScript('
                const [rules, part, done] = arguments;
                axe.run(part === null ? document : [...document.querySelectorAll(part)], { runOnly: rules }).then((all) => done(all.violations.map((one) => `${one.id} (${one.nodes.length}): ${one.nodes[0].target.join(" ")} - ${one.help} ${one.nodes[0].any?.[0]?.message ?? ""}`)), (refused) => done([String(refused)]));
            ', [$rules, $in]);
            if ($found === []) {
                break;
            }
            self::still();
        }
        self::assertSame([], $found, $what);
    }

    private function shut(): void
    {
        self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ESCAPE);
        self::still();
    }

    #[Test]
    public function every_page_and_stage_holds_to_the_rules_by_day_and_by_lamplight(): void
    {
        self::$browser->manage()->timeouts()->setScriptTimeout(120);
        // By lamplight other colours are measured; what the rest is like is known by then.
        foreach (['day' => self::RULES, 'lamp' => Share::isWhole() ? self::RULES : ['color-contrast']] as $light => $rules) {
            foreach (['/' => '[data-test=job]', '/new' => '[data-test=start]', '/presets' => '[data-test=preset-row]', '/stock' => '[data-test=add]', '/batches' => '[data-test=batch-start]', '/sign-in' => '[data-test=address]', '/people' => '[data-test=new-name]', '/account' => '[data-test=nobody]', '/today' => '[data-test=none], [data-test=due-job]', '/customers' => '[data-test=search]'] as $path => $there) {
                $this->visit($path);
                self::$browser->executeScript('localStorage.setItem("neat-edge-light", arguments[0])', [$light]);
                self::$browser->navigate()->refresh();
                $this->see($there);
                self::still();
                $this->holds("{$path} by {$light}", $rules);
            }
            foreach ($light === 'day' ? ['set-up', 'draw', 'shape', 'separate', 'check', 'send', 'proof'] : ['draw', 'check', 'send', 'proof'] as $stage) {
                $this->visit("/jobs/4/{$stage}");
                $this->see('.page');
                $this->see('[data-sheet]');
                self::still();
                $this->holds("{$stage} by {$light}", $rules);
            }
        }
        self::$browser->executeScript('localStorage.removeItem("neat-edge-light")');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function every_drawer_dialog_and_tool_holds_to_the_rules(): void
    {
        self::$browser->manage()->timeouts()->setScriptTimeout(120);
        // A tool changes its drawer; what lies round it is as it was.
        $inHand = fn (string $what) => $this->holds($what, in: Share::isWhole() ? null : '.drawer');
        $this->visit('/jobs/4/draw');
        $this->see('.page');
        $this->unfold();
        $this->holds('all sections of Draw');
        foreach (['keys' => '.keys-dialog', 'acts' => '.acts-popper', 'versions' => '[data-test=version-name]'] as $button => $there) {
            $this->pushed("[data-test={$button}]");
            $this->see($there);
            $this->holds($button);
            $this->shut();
        }
        $this->pushed('[data-test=pieces]');
        $this->pushed('[data-row]');
        $this->holds('the list of pieces');
        self::$browser->executeScript('document.querySelector("[role=tab]").click()');
        $this->drawingTools($inHand);
        $this->pushed('[data-tool=arrange]');
        self::$browser->executeScript('const one = document.querySelector(".surface"), r = one.getBoundingClientRect(); one.dispatchEvent(new MouseEvent("contextmenu", { bubbles: true, clientX: r.left + r.width / 2, clientY: r.top + r.height / 2 }))');
        $this->see('[data-test=menu]');
        $this->holds('the menu');
        $this->shut();

        $this->shapingTools($inHand);

        $this->visit('/jobs/4/check');
        $this->pushed('[data-group] .head');
        $this->pushed('[data-group] .row');
        $this->holds('a finding that is looked at');
        $this->pushed('[data-test=show-wipe]');
        $this->holds('the wipe');
        self::$browser->executeScript('[...document.querySelectorAll("button")].find((one) => one.textContent.trim() === "Unfold")?.click()');
        self::still();
        $this->holds('the prep line unfolded');
        $this->pushed('[data-step] .picture');
        $this->holds('a step that is open');

        $this->tabsOfSend($this->holds(...));
        $this->pushed('[data-layout]');
        $this->holds('a sheet');
        $this->pushed('[data-test=send-laying]');
        $this->pushed('[data-test=hands]');
        $this->holds('copies by hand');
        $this->pushed('[data-test=send-files]');
        $this->pushed('[data-test=all-files]');
        $this->see('[data-test=gate-by]');
        $this->holds('what is asked before something leaves');
        // A preview that another tool took the place of is answered with 409, and the browser notes that.
        self::assertSame([], array_filter($this->complaints(), static fn (string $line): bool => ! str_contains($line, '/previews') || ! str_contains($line, '409')));
    }

    #[Test]
    public function focus_goes_along_to_a_new_page_and_comes_back_after_a_dialog_and_what_happens_is_said(): void
    {
        $focus = static fn (): string => (string) self::$browser->executeScript('const one = document.activeElement; return one.id || one.dataset.test || one.tagName');
        $this->visit('/');
        $this->press('[data-test=new-job]');
        $this->see('[data-test=start]');
        self::until(static fn (): ?bool => $focus() === 'work' ? true : null, 'the focus on the new page', 5.0);
        $this->emptyBench('Said', 'plain', '120mm', '120mm');
        $this->press('[data-test=keys]');
        $this->see('.keys-dialog');
        $this->shut();
        self::until(static fn (): ?bool => $focus() === 'keys' ? true : null, 'the focus back where it was', 5.0);
        $this->drawShape('star', 20, 20, 40, 40);
        $this->seeText('Star', '[data-test=heard]');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->seeText('Nothing chosen', '[data-test=heard]');
        $this->keys(WebDriverKeys::CONTROL, WebDriverKeys::ENTER, WebDriverKeys::NULL);
        $this->seeText('Prepared.', '[data-test=heard]', 30.0);
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function findings_on_the_art_are_one_stop_with_arrows_inside(): void
    {
        $this->visit('/jobs/4/check');
        $this->see('.marks');
        self::$browser->executeScript('document.querySelector(".marks").focus()');
        $first = $this->see('.marks')->getAttribute('aria-activedescendant');
        self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ARROW_RIGHT);
        $next = $this->see('.marks')->getAttribute('aria-activedescendant');
        self::assertNotSame($first, $next);
        self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ENTER);
        $this->see('.mark.selected');
        // From the first stop of the page to the button that prepares, by Tab alone.
        self::$browser->executeScript('document.querySelector(".skip").focus()');
        $stops = 0;
        while ((string) self::$browser->executeScript('return document.activeElement.dataset.test ?? ""') !== 'prepare' && $stops < 120) {
            self::$browser->getKeyboard()->sendKeys(WebDriverKeys::TAB);
            $stops++;
        }
        self::assertLessThan(70, $stops);
    }

    #[Test]
    public function it_is_all_there_at_twice_the_letters_on_a_phone_and_on_a_wide_screen(): void
    {
        try {
            foreach ([[640, 400], [390, 780], [1024, 700], [2560, 1440]] as [$width, $height]) {
                self::$browser->manage()->window()->setSize(new WebDriverDimension($width, $height + 143));
                foreach (['/', '/jobs/4/check', '/jobs/4/send', '/stock'] as $path) {
                    $this->visit($path);
                    $this->see(str_starts_with($path, '/jobs') ? '.drawer h2' : 'h1');
                    self::still();
                    $over = (int) self::$browser->executeScript('return document.documentElement.scrollWidth - document.documentElement.clientWidth');
                    self::assertLessThanOrEqual(1, $over, "{$path} at {$width} px: nothing lies beside the page");
                    if (str_starts_with($path, '/jobs')) {
                        self::assertGreaterThan(200, (int) self::$browser->executeScript('return document.querySelector("[data-test=surface]").getBoundingClientRect().width'), "the bench at {$width} px");
                        $drawer = self::$browser->executeScript('const r = document.querySelector("section.drawer").getBoundingClientRect(); return [r.width, r.height]');
                        self::assertGreaterThan(230, $drawer[0], "the drawer at {$width} px");
                    }
                }
            }
            // With room, the names of sheets are whole.
            $this->visit('/jobs/4/send');
            $this->see('[data-sheet] .name');
            self::assertSame(0, (int) self::$browser->executeScript('return [...document.querySelectorAll("[data-sheet] .name")].filter((one) => one.scrollWidth > one.clientWidth + 1).length'));
        } finally {
            self::$browser->manage()->window()->setSize(new WebDriverDimension(1280, 943));
        }
    }
}
