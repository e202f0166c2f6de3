<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** Somebody who comes here for the first time; and the pictures of the guide, which are made here (NEAT_EDGE_KEEP=1). */
final class TheFirstMinutesTest extends BrowserTestCase
{
    use OnTheBench;

    private const SVG = '<svg xmlns="http://www.w3.org/2000/svg" width="40mm" height="20mm" viewBox="0 0 40 20"><rect x="5" y="5" width="10" height="8" fill="#1d5c46"/><circle cx="30" cy="10" r="6" fill="#c84630"/></svg>';

    /** @param  list<array{string, string, string}>  $files  name, type and contents, let go over the page */
    private function letGo(array $files): void
    {
        self::$browser->executeScript('
            const carried = new DataTransfer();
            for (const [name, type, text] of arguments[0]) carried.items.add(new File([text], name, { type }));
            const at = document.querySelector(".surface .page")?.getBoundingClientRect() ?? { left: 300, top: 200, width: 10, height: 10 };
            for (const kind of ["dragover", "drop"]) document.body.dispatchEvent(new DragEvent(kind, { dataTransfer: carried, bubbles: true, cancelable: true, clientX: at.left + at.width / 4, clientY: at.top + at.height / 2 }));
        ', [$files]);
    }

    private function picture(string $name): void
    {
        if (getenv('NEAT_EDGE_KEEP') === '1') {
            usleep(900_000);
            self::$browser->takeScreenshot(dirname(__DIR__, 2)."/docs/screenshots/{$name}.png");
        }
    }

    #[Test]
    public function the_start_page_leads_through_a_demo_job_and_is_left_and_found_again(): void
    {
        $this->visit('/');
        $this->see('[data-test=start-here]');
        self::assertSame(3, $this->howMany('[data-test=start-here] svg'));
        $this->picture('jobs');
        $this->press('[data-test=start-walk]');
        $this->seeText('1 of 9', '[data-test=walk]');
        self::until(fn (): ?bool => $this->howMany('[data-test=prepare].walked-to') === 1 ? true : null, 'what is to be pressed is ringed', 10.0);
        $this->press('[data-test=prepare]');
        $this->seeText('2 of 9', '[data-test=walk]', 60.0);
        $this->see('[data-stage=draw][aria-current=step]');
        $this->press('[data-test=walk-on]');
        $this->press('[data-test=bare]');
        $this->seeText('4 of 9', '[data-test=walk]');
        $this->press('[data-test=walk-leave]');
        self::until(fn (): ?bool => $this->howMany('[data-test=walk]') === 0 ? true : null, 'the walk to be left', 5.0);
        self::assertSame(0, $this->howMany('.walked-to'));
        $this->visit('/');
        // A job of one's own by now: the start page has made room, the walk is found again.
        $this->see('[data-test=walk-again]');
        self::assertSame(0, $this->howMany('[data-test=start-here]'));
        $this->press('[data-test=walk-again]');
        $this->seeText('4 of 9', '[data-test=walk]');
        self::$browser->executeScript('localStorage.removeItem("neat-edge-walk")');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function files_are_let_go_anywhere_several_become_several_jobs_and_a_picture_is_drawn_over(): void
    {
        $this->visit('/stock');
        $this->see('[data-test=add]');
        $this->letGo([['quay.svg', 'image/svg+xml', self::SVG], ['lamp.svg', 'image/svg+xml', self::SVG]]);
        $this->seeText('2 files', '[data-test=others]');
        $this->see('[data-test=look]');
        $this->picture('new-job');
        $this->press('[data-test=start]');
        $this->seeText('quay', '.jobs');
        $titles = array_map(static fn ($one): string => trim($one->getText()), array_slice(self::$browser->findElements(WebDriverBy::cssSelector('[data-test=job] .title')), 0, 2));
        self::assertEqualsCanonicalizing(['quay', 'lamp'], $titles);

        // Over a bench a drawing lands where it is let go, and what was left out of it is said.
        $this->emptyBench('Landing', 'plain', '120mm', '120mm');
        $this->change(fn () => $this->letGo([['flag.svg', 'image/svg+xml', str_replace('</svg>', '<foreignObject width="2" height="2"/></svg>', self::SVG)]]));
        self::assertCount(2, $this->art()->pieces);
        $box = $this->art()->pieces[0]->box();
        self::assertEqualsWithDelta([30.0 - 15.5, 60.0 - 5.0], [$box?->left, $box?->top], 2.0);
        $this->seeText('Of flag.svg:', '[data-test=problem]');
        $this->letGo([['torn.svg', 'image/svg+xml', '<svg xmlns="http://www.w3.org/2000/svg"><path']]);
        $this->seeText('torn.svg: The file is damaged at line 1', '[data-test=problem]');

        // Pasted from another program; copied here and pasted here it stays what it was.
        $this->change(fn () => self::$browser->executeScript('const carried = new DataTransfer(); carried.setData("text/plain", arguments[0]); document.body.dispatchEvent(new ClipboardEvent("paste", { clipboardData: carried, bubbles: true, cancelable: true }))', [self::SVG]));
        self::assertCount(4, $this->art()->pieces);
        $this->keys(WebDriverKeys::CONTROL, 'c', WebDriverKeys::NULL);
        usleep(900_000);
        $this->change(fn () => $this->keys(WebDriverKeys::CONTROL, 'v', WebDriverKeys::NULL));
        self::assertCount(6, $this->art()->pieces);

        $this->visit('/new');
        $this->letGo([['photo.png', 'image/png', 'x']]);
        $this->seeText('photo.png is a picture', '[data-test=picture]');
        $this->press('[data-test=draw-over]');
        self::assertSame('photo', $this->see('[data-test=title]')->getAttribute('value'));
        self::assertSame([], array_filter($this->complaints(), static fn (string $line): bool => ! str_contains($line, 'favicon')));
    }

    #[Test]
    public function one_search_finds_jobs_tools_and_the_guide_and_help_leads_to_its_place(): void
    {
        $this->visit('/jobs/4/shape');
        $this->see('.page');
        // A server that is slow to find jobs: what it found for less than what is typed is not what Enter takes.
        self::$browser->executeScript('const ask = window.fetch; window.fetch = (what, ...more) => /search=o/.test(String(what?.url ?? what)) ? new Promise((done) => setTimeout(() => done(ask(what, ...more)), 2500)) : ask(what, ...more)');
        $this->keys(WebDriverKeys::CONTROL, 'k', WebDriverKeys::NULL);
        $this->see('#found-all [role=option]');
        self::$browser->getKeyboard()->sendKeys('outl');
        $this->seeText('Outline strokes', '#found-all');
        self::assertSame('outl', $this->see('[data-test=search-all] input, input[data-test=search-all]')->getAttribute('value'));
        self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ENTER);
        $this->see('[data-test=outline-strokes].on');
        $this->press('[data-test=hand] .guide-link');
        $windows = self::$browser->getWindowHandles();
        self::$browser->switchTo()->window($windows[count($windows) - 1]);
        $this->see('#tool-outline-strokes');
        self::$browser->close();
        self::$browser->switchTo()->window($windows[0]);
        $this->keys(WebDriverKeys::CONTROL, 'k', WebDriverKeys::NULL);
        self::$browser->getKeyboard()->sendKeys('tabard three');
        $this->seeText('three inks', '#found-all');
        self::$browser->getKeyboard()->sendKeys(WebDriverKeys::ENTER);
        $this->seeText('three inks', 'h1');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_template_is_made_of_a_job_and_begun_with_and_a_job_is_archived(): void
    {
        $this->visit('/jobs/4/set-up');
        $this->see('[data-test=template-name]')->sendKeys('Decals');
        $this->press('[data-test=keep-template]');
        $this->seeText('New jobs can begin with “Decals”');
        $this->visit('/new?empty=1');
        $this->press('[data-test^=template-]');
        $this->see('[data-test=title]')->sendKeys('Second window');
        $this->press('[data-test=start]');
        $this->seeText('Second window', 'h1');
        $this->seeText('600.0 × 408.0 mm', '[data-test=size]');
        $this->visit('/');
        $this->see('[data-test=job]');
        $before = $this->howMany('[data-test=job]');
        $this->press('[data-test=job] [data-test=archive]');
        self::until(fn (): ?bool => $this->howMany('[data-test=job]') === $before - 1 ? true : null, 'it to be put away', 10.0);
        $this->pick('[data-test=only]', 'archived');
        $this->seeText('Second window', '[data-test=job]');
        $this->press('[data-test=archive]');
        self::until(fn (): ?bool => $this->howMany('[data-test=job]') === 0 ? true : null, 'it to be back', 10.0);
        $this->pick('[data-test=only]', 'all');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_job_goes_from_its_file_to_a_machines_file_by_keyboard_alone(): void
    {
        $this->visit('/');
        $this->see('[data-test=job]');
        $keyboard = self::$browser->getKeyboard();
        $now = static fn (): string => (string) self::$browser->executeScript('const one = document.activeElement; return one.dataset.test ?? one.closest("[data-test]")?.dataset.test ?? ""');
        $tabTo = static function (string $test) use ($keyboard, $now): void {
            for ($k = 0; $k < 150 && $now() !== $test; $k++) {
                $keyboard->sendKeys(WebDriverKeys::TAB);
            }
            self::assertSame($test, $now());
        };
        $tabTo('new-job');
        $keyboard->sendKeys(WebDriverKeys::ENTER);
        $this->see('[data-test=start]');
        // The chooser of files is the system's own: its file is given here as it would give it.
        $path = self::$folder.'/keys.svg';
        file_put_contents($path, self::SVG);
        $this->upload($path);
        $this->see('[data-test=look]');
        $tabTo('title');
        $keyboard->sendKeys('By keys');
        $tabTo('start');
        $keyboard->sendKeys(WebDriverKeys::ENTER);
        $this->seeText('By keys', 'h1');
        $this->see('.page');
        $keyboard->sendKeys([WebDriverKeys::CONTROL, WebDriverKeys::ENTER, WebDriverKeys::NULL]);
        $this->see('[data-test=show-wipe]', 60.0);
        $keyboard->sendKeys('5');
        $this->see('[data-stage=check][aria-current=step]');
        $keyboard->sendKeys('6');
        $this->see('[data-test=send-files]');
        $tabTo('send-files');
        $keyboard->sendKeys(WebDriverKeys::ENTER);
        $this->see('[data-test=all-files]');
        $tabTo('file-0');
        $keyboard->sendKeys(WebDriverKeys::ENTER);
        $this->letGoIfAsked();
        self::assertGreaterThan(100, filesize($this->downloaded()));
        // What was chosen is kept with the job, and written again in one press.
        $this->press('[data-test=send-sheets]');
        $this->press('[data-test=send-files]');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function the_pictures_of_the_guide_show_what_it_speaks_of(): void
    {
        foreach ([
            ['/jobs/4/set-up', '[data-test=keep-template]', 'bench-set-up'], ['/jobs/4/separate', '[data-sheet]', 'bench-separate'],
            ['/presets', '[data-test=preset-row]', 'presets'],
        ] as [$path, $there, $name]) {
            $this->visit($path);
            $this->see($there);
            $this->picture($name);
        }
        $this->visit('/jobs/4/check');
        $this->press('[data-group] .head');
        $this->see('.mark:not(.small)');
        $this->picture('bench-check');
        $this->press('[data-test=show-wipe]');
        $this->see('[data-test=wipe]');
        $this->picture('bench-wipe');
        $this->press('[data-step] .picture');
        $this->see('[data-test=close-step]');
        $this->picture('bench-line');
        $this->visit('/jobs/4/send');
        $this->press('[data-layout]');
        $this->see('[data-test=legend]');
        $this->picture('bench-sheet');
        $this->visit('/jobs/3/send');
        $this->press('[data-test=show-mix]');
        $this->see('[data-test=layout-view] svg');
        $this->picture('send-plates');
        $this->visit('/jobs/4/shape');
        $this->see('.page');
        $this->keys(WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL);
        $this->press('[data-test=cut-border]');
        $this->see('[data-test=report]', 60.0);
        $this->picture('bench-shape');
        self::assertSame([], $this->complaints());
    }
}
