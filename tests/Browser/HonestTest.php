<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use PHPUnit\Framework\Attributes\Test;

/** C12, S5 on the page: what a person is told is true, and what is not ready does not leave by mistake. */
final class HonestTest extends BrowserTestCase
{
    private function drop(string $svg, string $name = 'customer.svg'): void
    {
        file_put_contents(self::$folder."/{$name}", $svg);
        $this->visit('/new');
        $this->see('[data-test=start]');
        $this->upload(self::$folder."/{$name}");
        $this->see('[data-test=look]');
    }

    /** What is painted at a place of the bench, as a browser shows it. */
    private function colourAt(float $x, float $y): string
    {
        $box = self::$browser->executeScript('const b = document.querySelector("[data-test=surface]").getBoundingClientRect(); return [b.left, b.top, b.width, b.height]');
        $image = imagecreatefromstring(self::$browser->takeScreenshot()) ?: throw new \LogicException;

        return sprintf('#%06x', imagecolorat($image, (int) ($box[0] + $x * $box[2]), (int) ($box[1] + $y * $box[3])) & 0xFFFFFF);
    }

    #[Test]
    public function a_file_that_states_no_size_is_asked_about_and_its_art_measured(): void
    {
        $this->drop('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100"><rect x="150" y="20" width="100" height="40" fill="#1f6f8b"/></svg>');
        $this->seeText('The file states no size.', '[data-test=asks]');
        $this->seeText('Some of the art lies outside the page');
        $this->press('[data-test=start]');
        $this->seeText('type the finished width', '[data-test=problem]');
        self::$browser->findElement(WebDriverBy::cssSelector('[data-test=width] input, input[data-test=width]'))->sendKeys('300mm');
        // Art that lies outside is what is finished, unless the page is chosen.
        self::assertTrue(self::$browser->findElement(WebDriverBy::cssSelector('[data-test=of-art] input'))->isSelected());
        $this->press('[data-test=start]');
        $this->seeText('300.0 × 120.0 mm', '[data-test=size]');
        self::assertSame([], array_filter($this->complaints(), static fn (string $line): bool => ! str_contains($line, '422')));
    }

    #[Test]
    public function what_came_in_is_the_file_and_what_was_left_out_is_accepted_with_a_reason(): void
    {
        $this->drop('<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 100 50"><filter id="b"><feFlood flood-color="#00c000"/></filter><rect width="100" height="50" fill="#c00000" filter="url(#b)"/></svg>');
        $this->press('[data-test=start]');
        $this->press('[data-test=prepare]');
        $this->seeText('Not ready. Looks the same but for 1 thing that was left out or replaced.', '[data-test=verdict]');
        // The wipe begins with the file itself, as the browser draws it: green where what was understood is red.
        $this->see('[data-test=file]');
        usleep(700_000);
        self::assertSame(['#00c000', '#c00000'], [$this->colourAt(0.45, 0.4), $this->colourAt(0.55, 0.4)]);
        $this->wipe('before', 'bench');
        usleep(400_000);
        self::assertSame(['#c00000', '#c00000'], [$this->colourAt(0.45, 0.4), $this->colourAt(0.55, 0.4)]);
        // Any two can be compared, the file on the right too.
        $this->wipe('after', 'file');
        usleep(400_000);
        self::assertSame(['#c00000', '#00c000'], [$this->colourAt(0.45, 0.4), $this->colourAt(0.55, 0.4)]);
        $this->wipe('after', 'step 0');
        $this->wipe('before', 'file');
        usleep(400_000);
        self::assertSame(['#00c000', '#c00000'], [$this->colourAt(0.45, 0.4), $this->colourAt(0.55, 0.4)]);
        // An edit changes nothing of what came in.
        $this->press('[data-stage=check]');
        $this->press('[data-group=filter] .head');
        $this->see('[data-finding="0"]');
        self::assertFalse(self::$browser->findElement(WebDriverBy::cssSelector('[data-test=accept]'))->isEnabled());
        $this->see('[data-test=reason]')->sendKeys('printed plain');
        $this->press('[data-test=accept]');
        $this->seeText('Accepted: printed plain');
        $this->seeText('Ready. Looks the same but for 1 thing', '[data-test=look]');
        $this->press('[data-test=show-file]');
        $this->seeText('The file as it came in, drawn by the browser');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function sheets_of_an_earlier_state_are_not_there_to_be_taken_by_mistake(): void
    {
        $this->drop('<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 100 50"><rect x="10" y="10" width="50" height="20" fill="#c00000"/><rect x="40" y="20" width="40" height="20" fill="#0000c0" opacity=".5"/></svg>');
        $this->press('[data-test=start]');
        $this->press('[data-test=prepare]');
        $this->seeText('Not ready.', '[data-test=verdict]');
        // The finding leads to its cure.
        $this->press('[data-stage=check]');
        $this->press('[data-group=overlapping-sheets] .head');
        $this->press('[data-test=remedy-solid-colours]');
        // What it would come to is told beside the button, which moves for it.
        self::still(20.0);
        $this->press('[data-test=cure-step]');
        // It looks the same; that it goes out in a solid colour that nobody drew is told, and waits for somebody.
        $this->see('[data-group=made-solid]', 20.0);
        $this->seeText('Looks the same.', '[data-test=look]');
        $this->press('[data-stage=send]');
        $this->see('[data-layout="2"]');
        $this->press('[data-stage=set-up]');
        $width = $this->see('[data-test=width]');
        $width = $width->getTagName() === 'input' ? $width : $width->findElement(WebDriverBy::tagName('input'));
        self::asPage('jobs/'.self::$browser->executeScript('return location.pathname.split("/")[2]').'/edits', ['version' => (int) self::$browser->executeScript('return Number(document.querySelector(".bench").dataset.version)'), 'edit' => ['kind' => 'move', 'pieces' => ['p1'], 'x' => 4]]);
        self::$browser->navigate()->refresh();
        $this->press('[data-stage=send]');
        $this->seeText('The job was changed since these sheets were made.');
        $this->press('[data-test=send-files]');
        $this->see('[data-test=earlier]');
        self::assertSame([0, 0], [$this->howMany('[data-test=all-files]'), $this->howMany('[data-test=file-0]')]);
        $this->press('[data-test=earlier]');
        $this->press('[data-test=file-0]');
        $this->letGoIfAsked();
        self::assertStringContainsString('IN;SP1;', (string) file_get_contents($this->downloaded()));
        $this->press('[data-test=prepare-stale]');
        self::until(fn (): ?bool => $this->howMany('[data-test=prepare-stale]') === 0 ?: null, 'the sheets to be those of now', 20.0);
        $this->seeText('Looks the same.', '[data-test=send-verdict]', 20.0);
    }

    #[Test]
    public function a_deleted_job_is_brought_back_from_the_trash(): void
    {
        $this->visit('/');
        $this->see('[data-test=job]');
        $before = $this->howMany('[data-test=job]');
        $title = self::$browser->findElement(WebDriverBy::cssSelector('[data-test=job] .title'))->getText();
        $this->press('[data-test=job] button[title=Delete]');
        $this->seeText('can be restored from there for 30 days', '.el-message-box');
        usleep(400_000);
        $this->press('.el-message-box__btns .el-button--primary');
        self::until(fn (): ?bool => $this->howMany('[data-test=job]') === $before - 1 ? true : null, 'one job less', 15.0);
        $this->press('[data-test=trash]');
        $this->seeText($title, '[data-test=trashed]');
        $this->press('[data-test=bring-back]');
        self::until(fn (): ?bool => $this->howMany('[data-test=job]') === $before ? true : null, 'the job again', 15.0);
        self::assertSame([], $this->complaints());
    }

    /** Chooses what lies on a side of the wipe. */
    private function wipe(string $side, string $what): void
    {
        $this->pick("[data-test=wipe-{$side}]", $what);
    }
}
