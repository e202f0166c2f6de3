<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Format\Svg\Reader;
use PHPUnit\Framework\Attributes\Test;
use ZipArchive;

/** The way of a user: from a customer's file to sheets in hand. */
final class FromFileToSheetsTest extends BrowserTestCase
{
    private const DECAL = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 100 50"><rect id="panel" x="10" y="10" width="50" height="20" fill="#cc0000"/><path id="rope" d="M20 20h60" stroke="#0000cc" stroke-width="4"/><path id="hair" d="M10 40h80" stroke="#cc0000" stroke-width=".1"/><foreignObject x="5" y="40" width="20" height="5"/></svg>';

    private function file(string $name, string $content): string
    {
        $path = self::$folder.'/'.$name;
        file_put_contents($path, $content);

        return $path;
    }

    #[Test]
    public function the_demo_jobs_are_listed_and_open_on_the_bench(): void
    {
        $this->visit('/');
        $this->see('[data-test=job]');
        self::assertSame(9, $this->howMany('[data-test=job]'));
        $this->seeText('Window decal for the boathouse');
        $this->press('[data-test=job] a');
        $this->see('[data-test=art] path');
        $this->visit('/jobs/4');
        $this->see('[data-test=art] path');
        self::assertGreaterThanOrEqual(40, $this->howMany('[data-test=art] path[data-piece]'));
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_file_of_ones_own_becomes_sheets(): void
    {
        $this->visit('/');
        $this->press('[data-test=new-job]');
        $this->press('[data-test=process-cut-vinyl]');
        $this->see('[data-test=width]')->sendKeys('600mm/2');
        $this->seeText('= 300 mm');
        $this->upload($this->file('own-decal.svg', self::DECAL));
        $this->seeText('own-decal.svg');
        $this->press('[data-test=start]');

        $this->seeText('300.0 × 150.0 mm', '[data-test=size]');
        self::assertSame(3, $this->howMany('[data-test=art] path[data-piece]'));
        self::assertNotNull(self::$browser->findElement(WebDriverBy::cssSelector('.ruler.across text')));

        $this->press('[data-test=prepare]');
        $this->see('[data-test=wipe]', 30);
        $this->seeText('Looks the same', '[data-test=verdict]');
        $this->seeText('pieces 3→3', '[data-step=outline-strokes]');
        $this->seeText('pieces 3→2', '[data-step=merge-by-colour]');
        self::assertSame(2, $this->howMany('[data-sheet]'));

        $this->press('[data-stage=check]');
        $this->seeText('narrowest 0.30 mm');
        $this->seeText('Left out foreign content');
        $this->press('[data-group=thin-line] .head');
        $this->seeText('at least 0.80 mm is needed.');
        $this->see('.mark.selected');
        $this->seeText('0.30 mm', '.mark.selected');

        $this->press('[data-stage=send]');
        $this->press('[data-test=send-files]');
        $this->press('[data-test=all-sheets]');
        $this->letGoIfAsked();
        $zip = new ZipArchive;
        self::assertTrue($zip->open($this->downloaded()));
        self::assertSame(3, $zip->numFiles);
        $sheet = Reader::read((string) $zip->getFromName('sheet-2-0000cc.svg'))->artwork;
        self::assertEqualsWithDelta([300.0, 150.0], [$sheet->width, $sheet->height], 1e-6);
        self::assertEqualsWithDelta(180 * 12.0, $sheet->pieces[0]->shape->area(), 0.01);

        $this->pick('[data-test=format]', 'svg');
        $this->press('[data-test=file-0]');
        $one = Reader::read((string) file_get_contents($this->downloaded()))->artwork;
        self::assertSame('#cc0000', $one->pieces[0]->fill?->colour->hex(), 'the sheet as it is cut');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_bad_file_is_answered_in_words_on_the_page(): void
    {
        $this->visit('/new');
        $this->press('[data-test=start]');
        $this->seeText('Choose a file first', '[data-test=problem]');
        $this->upload($this->file('letter.svg', 'Dear shop, please find enclosed'));
        $this->press('[data-test=start]');
        $this->seeText('The file is damaged at line', '[data-test=problem]');
        $this->upload($this->file('bomb.svg', '<!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]><svg xmlns="http://www.w3.org/2000/svg">&a;</svg>'));
        $this->press('[data-test=start]');
        $this->seeText('external entity', '[data-test=problem]');
        $this->visit('/jobs/9999');
        $this->seeText('That is not here any more.');
        self::assertCount(1, $this->complaints(), 'only the missing job itself');
    }

    #[Test]
    public function pieces_are_welded_after_a_preview_and_undone(): void
    {
        $this->visit('/new');
        $this->upload($this->file('weld.svg', self::DECAL));
        $this->press('[data-test=start]');
        $this->see('[data-piece=p1]');
        $this->press('[data-stage=shape]');
        $this->see('[data-test=weld]');
        self::$browser->findElement(WebDriverBy::cssSelector('body'))->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL]);
        $this->seeText('3 chosen');
        $this->press('[data-test=weld]');
        $this->seeText('Preview: not kept yet');
        self::assertSame(1, $this->howMany('[data-test=art] path[data-piece]'));
        $this->press('[data-test=keep]');
        $this->seeText('Undo: Weld');
        self::assertSame(1, $this->howMany('[data-test=art] path[data-piece]'));
        self::$browser->navigate()->refresh();
        $this->seeText('Undo: Weld');
        $this->press('[data-test=undo]');
        self::until(fn (): ?bool => $this->howMany('[data-test=art] path[data-piece]') === 3 ?: null, 'three pieces again', 10);
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function the_keyboard_alone_prepares_wipes_and_steps_through_findings(): void
    {
        $this->visit('/jobs/4');
        $this->see('[data-test=art] path');
        $body = self::$browser->findElement(WebDriverBy::cssSelector('body'));
        $body->sendKeys('5');
        $this->seeText('Findings');
        $body->sendKeys([WebDriverKeys::CONTROL, WebDriverKeys::ENTER, WebDriverKeys::NULL]);
        $this->see('[data-test=wipe]', 30);
        $body->sendKeys('nnn');
        $this->see('.mark.selected');
        $body->sendKeys('?');
        $this->seeText('bare lines: edges, nodes');
    }

    #[Test]
    public function a_switched_off_step_changes_the_line_and_the_ticket_changes_the_size(): void
    {
        $this->visit('/jobs/2/set-up');
        $this->see('[data-test=prepare]');
        $this->press('[data-test=prepare]');
        $this->see('[data-test=wipe]', 30);
        $this->press('[data-step=clean-nodes] .el-switch');
        $this->seeText('off', '[data-step=clean-nodes]');
        $this->see('[data-test=wipe]', 30);
        $width = $this->see('[data-test=width]');
        $width->clear();
        $width->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL, '144mm', WebDriverKeys::ENTER]);
        $this->seeText('144.0 × 184.0 mm', '[data-test=size]');
        $this->see('[data-test=wipe]', 30);
        $this->seeText('Looks the same', '[data-test=verdict]');
    }
}
