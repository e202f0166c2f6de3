<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** The last stage with a mouse: what is laid out is looked at, gone through, and goes to the machines, which fail. */
final class SentToMachinesTest extends BrowserTestCase
{
    use AtMachines;

    private function at(string $title): void
    {
        $this->visit('/');
        $this->seeText($title);
        self::$browser->executeScript('[...document.querySelectorAll("a")].find((one) => one.textContent.includes(arguments[0]))?.click()', [$title]);
        $this->press('[data-stage=send]');
    }

    #[Test]
    public function a_decal_is_laid_out_gone_through_and_cut_by_a_machine_that_runs_out_of_material(): void
    {
        $this->machine('cutter', '--bed=5000x610mm', '--pace=0', '--blade=0.25', '--fail=empty', '--after=60');
        $this->at('Window decal for the boathouse');
        $this->see('[data-layout="3"]', 60.0)->click();
        $this->see('[data-test=layout-view] image');
        $this->press('[data-test=simulate]');
        self::until(fn (): ?bool => preg_match('/^0:0[1-9]/', trim((string) self::$browser->executeScript('return document.querySelector("[data-test=clock]")?.textContent ?? ""'))) === 1 ?: null, 'the head to go', 15.0);
        $this->press('[data-test=simulate]');
        $this->press('[data-test=send-machine]');
        $this->press('[data-send="3"]');
        $this->letGoIfAsked();
        $this->seeText('out of material', '[data-test=sending-error]');
        $this->press('[data-test=go-on]');
        self::until(fn (): ?bool => str_contains((string) self::$browser->executeScript('return document.querySelector("[data-sending=\"3\"]")?.textContent ?? ""'), 'done') ?: null, 'the cut to be done', 40.0);
        $said = (float) self::$browser->executeAsyncScript('const done = arguments[0]; fetch(location.pathname.replace(/^\/jobs\/(\d+).*/, "/api/v1/jobs/$1/making")).then((r) => r.json()).then((m) => done(m.layouts[3].length_mm))');
        // The blade's swivels and the overcut come on top of what the sheet says.
        self::assertGreaterThan($said, $this->told('cutter')['cut_mm']);
        self::assertLessThan(1.12 * $said, $this->told('cutter')['cut_mm']);
        // Sent once more only after it was asked.
        $this->press('[data-send="3"]');
        $this->seeText('was sent to Stand-in vinyl cutter before', '[data-test=asked]');
        self::assertSame([], array_filter($this->complaints(), static fn (string $line): bool => ! str_contains($line, '409')));
    }

    /** The first sheet of a job, which is prepared if it never was, goes to the machine that the page proposes. */
    private function sendFirst(string $title): void
    {
        $this->at($title);
        self::until(fn (): ?bool => $this->howMany('[data-test=prepare]') > 0 ?: null, 'the line', 10.0);
        if ($this->howMany('[data-layout]') === 0) {
            $this->press('[data-test=prepare]');
        }
        $this->see('[data-layout="0"]', 90.0);
        $this->press('[data-test=send-machine]');
        $this->press('[data-send="0"]');
        $this->letGoIfAsked();
    }

    /** The state of a sheet at its machine, as the page says it. */
    private function sent(int $number, string $state, float $seconds = 400.0): void
    {
        self::until(static fn (): ?bool => str_contains((string) self::$browser->executeScript('return document.querySelector(`[data-sending="${arguments[0]}"]`)?.textContent ?? ""', [$number]), $state) ?: null, "sheet {$number} to be {$state}", $seconds);
    }

    #[Test]
    public function tags_are_engraved_by_a_machine_that_has_no_plate_at_first_and_what_is_done_is_drawn_on_the_sheet(): void
    {
        $this->machine('engraver', '--bed=600x400mm', '--pace=0', '--fail=empty', '--after=2500');
        $this->sendFirst('Brass lantern tags, no. 1 to 40');
        $this->sent(0, 'failed');
        $this->see('[data-test=so-far]', 30.0);
        $some = strlen((string) self::$browser->executeScript('return document.querySelector("[data-test=so-far]").getAttribute("d")'));
        self::assertGreaterThan(200, $some);
        $this->press('[data-test=go-on]');
        $this->sent(0, 'done');
        self::until(fn (): ?bool => $this->howMany('[data-test=so-far]') === 0 ?: null, 'nothing to be left to do', 60.0);
        $log = $this->told('engraver');
        self::assertStringContainsString('no plate', (string) json_encode($log['log']));
        self::assertSame([], $this->complaints());
    }

    /** @return iterable<string, array{string, string, string}> title, kind of machine, and what it says that it did */
    public static function others(): iterable
    {
        yield 'stickers' => ['Proof sticker sheet, six marks', 'cutter', 'cut_mm'];
        yield 'a chain' => ['Lantern chain, woven', 'cutter', 'cut_mm'];
        yield 'a redrawn mark' => ['Boathouse mark, redrawn from a picture', 'cutter', 'cut_mm'];
        yield 'a dial' => ['Harbour dial, 36 pieces', 'cutter', 'cut_mm'];
        yield 'a flat tabard' => ["Stewards' tabard, flat", 'cutter', 'cut_mm'];
        yield 'an emblem' => ['Regatta emblem', 'recorder', 'plates'];
    }

    #[Test]
    #[DataProvider('others')]
    public function every_demo_job_goes_to_its_machine(string $title, string $kind, string $did): void
    {
        $this->machine($kind, '--bed=5000x700mm', '--pace=0');
        $this->sendFirst($title);
        $this->sent(0, 'done');
        self::assertGreaterThan(0, $this->told($kind)[$did]);
    }

    #[Test]
    public function plates_are_mixed_on_the_cloth_and_exposed_and_copies_are_nested_and_moved_by_hand(): void
    {
        $this->machine('recorder', '--bed=450x600mm', '--pace=0');
        $this->at("Stewards' tabard, three inks on dark cloth");
        $this->see('[data-test=show-mix]', 60.0)->click();
        $this->seeText('3 of 3 plates in ink on the cloth');
        $this->press('[data-test=send-machine]');
        $this->press('[data-send="0"]');
        $this->letGoIfAsked();
        self::until(fn (): ?bool => str_contains((string) self::$browser->executeScript('return document.querySelector("[data-sending=\"0\"]")?.textContent ?? ""'), 'done') ?: null, 'the plate to be exposed', 60.0);
        self::assertSame(1, $this->told('recorder')['plates']);

        $this->at('Proof sticker sheet, six marks');
        self::until(fn (): ?bool => $this->howMany('[data-test=prepare]') > 0 ?: null, 'the line', 10.0);
        $this->press('[data-test=prepare]');
        $this->see('[data-test=verdict]', 60.0);
        $this->press('[data-test=send-laying]');
        $this->see('[data-field=copies]', 60.0)->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL, '2', WebDriverKeys::ENTER]);
        $this->press('[data-test=hands]');
        self::until(fn (): ?bool => $this->howMany('[data-copy]') === 2 ?: null, 'two copies', 30.0);
        // Moved by hand it stays there; onto the other it is not let.
        $place = static fn (int $copy): string => (string) self::$browser->executeScript('return document.querySelector("[data-copy=\'" + arguments[0] + "\']").getAttribute("transform")', [$copy]);
        $before = $place(1);
        $shift = static function (int $copy, int $dx, int $dy): void {
            self::$browser->executeScript('const p = document.querySelector("[data-copy=\'" + arguments[0] + "\']"); const b = p.getBoundingClientRect(); const at = (t, x, y) => new PointerEvent(t, { bubbles: true, clientX: x, clientY: y, pointerId: 1 }); p.setPointerCapture = () => {}; p.dispatchEvent(at("pointerdown", b.x + 9, b.y + 9)); p.dispatchEvent(at("pointermove", b.x + 9 + arguments[1], b.y + 9 + arguments[2])); p.dispatchEvent(at("pointerup", b.x + 9 + arguments[1], b.y + 9 + arguments[2]))', [$copy, $dx, $dy]);
        };
        $shift(1, 110, 0);
        self::until(static fn (): ?bool => $place(1) !== $before ?: null, 'the copy to lie elsewhere', 15.0);
        $there = $place(1);
        $shift(0, 60, 110);
        $this->seeText('There it would lie on another copy', '[data-test=hands-problem]');
        self::assertSame($there, $place(1));
        self::assertSame(1, $this->howMany('.copy.kept'));
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function what_takes_long_is_told_of_on_every_page_and_stopped_there_and_its_best_is_kept(): void
    {
        $this->visit('/new');
        $path = self::$folder.'/oar.svg';
        file_put_contents($path, "<svg xmlns='http://www.w3.org/2000/svg' width='120mm' height='60mm' viewBox='0 0 120 60'><path d='M5 30q30-40 60 0l50-6v12l-50-6q-30 40-60 0z' fill='#1f3a4d'/></svg>");
        $this->upload($path);
        $this->press('[data-test=start]');
        $this->press('[data-test=prepare]');
        $this->see('[data-test=wipe]', 30);
        $address = self::$browser->getCurrentURL();
        $this->press('[data-stage=send]');
        $this->press('[data-test=send-laying]');
        $this->see('[data-field=copies]', 60.0)->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL, '7', WebDriverKeys::ENTER]);
        // While it is laid out something else is chosen: both are kept.
        $this->pick('[data-field=arrange]', 'nest');
        $this->see('[data-test=nest]', 60.0);
        // Whichever came first.
        self::until(fn (): ?bool => [$this->see('[data-field=copies]')->getAttribute('value'), $this->see('[data-field=arrange]')->getText()] === ['7', 'Nested'] ?: null, 'both', 30.0);
        self::$browser->executeScript('const one = document.querySelector("[aria-label=Seconds]"); one.value = "300"; one.dispatchEvent(new Event("input", { bubbles: true })); one.dispatchEvent(new Event("change", { bubbles: true }));');
        $this->press('[data-test=nest]');
        $this->see('[data-test=works]', 20.0);
        $this->visit('/stock');
        $this->see('[data-test=works-fold]', 20.0);
        $this->press('[data-test=works-fold]');
        $this->see('[data-work=nest][data-state=running]', 40.0);
        $this->seeText('oar', '[data-work=nest]');
        $this->seeText('tried', '[data-work=nest]');
        $this->press('[data-test=stop-work]');
        self::until(fn (): ?bool => $this->howMany('[data-work=nest][data-state=running]') === 0 ?: null, 'its end', 40.0);
        $this->visit((string) parse_url($address, PHP_URL_PATH));
        self::until(fn (): ?bool => str_contains($this->see('[data-test=undo]')->getText(), 'Nest the copies') ?: null, 'its best kept', 20.0);
        self::assertSame([], $this->complaints());
    }
}
