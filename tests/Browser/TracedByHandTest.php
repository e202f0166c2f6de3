<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Tests\Support\Painted;
use PHPUnit\Framework\Attributes\Test;

/** D14: a picture that a customer sent becomes curves by presses. */
final class TracedByHandTest extends BrowserTestCase
{
    use OnTheBench;

    /** @return list<string> */
    private function kinds(): array
    {
        return array_map(static fn (Piece $piece): string => ($piece->fill?->colour->hex() ?? 'line').($piece->recipe === null ? '' : ' live'), $this->art()->pieces);
    }

    #[Test]
    public function a_picture_is_traced_looked_at_and_laid_on_the_bench(): void
    {
        $this->emptyBench('Harbour stamp', 'plain', '120mm', '80mm');
        $path = self::$folder.'/stamp.png';
        file_put_contents($path, Painted::picture(240, 160, static fn (float $x, float $y): int => hypot($x - 70, $y - 80) < 40 ? 0xCC3333
            : (abs($x - 170) < 40 && abs($y - 80) < 30 ? 0x1D5C46 : (abs($y - 140) < 4 && $x > 30 && $x < 210 ? 0x224488 : 0xFFFFFF))));
        $this->open('reference');
        $this->change(fn () => $this->see('[data-field=reference]')->setFileDetector(new LocalFileDetector)->sendKeys($path));
        $this->open('trace');
        $this->press('[data-test=trace]');
        $this->seeText('3 pieces', '[data-section=trace] summary');
        // The picture on the left of the wipe, the curves on its right.
        self::until(fn (): ?bool => $this->howMany('[data-test=art-before]') === 1 ?: null, 'the curves beside the picture', 20.0);
        $this->seeText('1 circle', '[aria-label="What was meant"]');
        self::assertSame([], $this->kinds(), 'nothing lies on the bench yet');
        $this->seeText('Nowhere do the curves leave the picture', '[data-section=trace]');
        // What was meant is pointed at, and left as the dots have it.
        self::$browser->action()->moveToElement($this->see('[data-field=meant-circles]'))->perform();
        $this->see('[data-test=meant-mark]');
        $this->press('[data-field=meant-circles]');
        $this->seeText('as the dots have it', '[aria-label="What was meant"]');
        // A colour is left out by its tick.
        $this->press('[data-ink="#224488"] [data-field^=ink-]');
        $this->seeText('2 pieces', '[data-section=trace] summary');
        // A colour is picked from the picture: at an edge the mean of both.
        self::assertSame(4, $this->howMany('[data-ink]'));
        $this->press('[data-test=trace-pick]');
        $this->click(15.0, 40.0);
        self::until(fn (): ?bool => $this->howMany('[data-ink]') === 5 ?: null, 'a fifth colour', 10.0);
        $this->press('[data-test=trace-pick]');
        $this->click(-4.0, 40.0);
        $this->seeText('There is no picture at that place.', '[data-section=trace]');
        // What is traced meanwhile does not take it away.
        $this->press('[data-ink="#1d5c46"] [data-field^=ink-]');
        $this->seeText('1 piece', '[data-section=trace] summary');
        $this->seeText('There is no picture at that place.', '[data-section=trace]');
        $this->press('[data-test=trace-propose]');
        $this->press('[data-ink="#224488"] [data-field^=ink-]');
        $this->seeText('2 pieces', '[data-section=trace] summary');
        // Only what lies in a box that is dragged is laid, then all of it.
        $this->press('[data-test=trace-box]');
        $this->drag([[60.0, 20.0], [112.0, 60.0]]);
        $this->see('[data-test=kept-box]');
        $this->change(fn () => $this->press('[data-test=keep-trace]'));
        self::assertSame(['#1d5c46 live'], $this->kinds());
        $this->change(fn () => $this->press('[data-test=undo]'));
        $this->press('[data-test=trace]');
        $this->seeText('2 pieces', '[data-section=trace] summary');
        self::assertSame(0, $this->howMany('[data-test=kept-box]'));
        $this->change(fn () => $this->press('[data-test=keep-trace]'));
        self::assertSame(['#cc3333', '#1d5c46 live'], $this->kinds());
        self::assertEqualsWithDelta([65.0, 25.0, 40.0], [$this->lastPiece()->box()->left ?? 0, $this->lastPiece()->box()->top ?? 0, $this->lastPiece()->box()?->width()], 0.2, 'mm, as the picture lies');
        self::assertSame(0, $this->howMany('[data-test=art-before]'));
        $this->change(fn () => $this->press('[data-test=undo]'));
        self::assertSame([], $this->kinds(), 'one act');
        // Left, nothing of it stays.
        $this->press('[data-test=trace]');
        $this->seeText('2 pieces', '[data-section=trace] summary');
        $this->press('[data-test=leave-trace]');
        self::until(fn (): ?bool => $this->howMany('[data-test=art-before]') === 0 ?: null, 'the bench as it was', 10.0);
        self::assertSame([], $this->kinds());
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_picture_that_is_given_to_a_new_job_is_traced_there(): void
    {
        $path = self::$folder.'/anchor.png';
        // A hairline is too thin to be traced: the page shows where it is missing.
        file_put_contents($path, Painted::picture(200, 100, static fn (float $x, float $y): int => abs($y - 90) < 0.17 && $x > 40 && $x < 160 ? 0x000000
            : (hypot($x - 60, $y - 45) < 30 ? 0xCC3333 : 0xFFFFFF)));
        $this->visit('/new');
        $this->press('[data-test=process-plain]');
        $this->upload($path);
        $this->press('[data-test=trace-it]');
        $this->see('[data-test=width]')->sendKeys('80mm');
        self::assertSame(0, $this->howMany('[data-test=height]'), 'the height follows');
        $this->press('[data-test=start]');
        $this->seeText('1 piece', '[data-section=trace] summary');
        preg_match('~/jobs/(\d+)~', self::$browser->getCurrentURL(), $found);
        $this->job = (int) ($found[1] ?? 0);
        self::assertEqualsWithDelta([80.0, 40.0], [$this->art()->width, $this->art()->height], 0.001);
        $this->press('[data-field=differs]');
        $this->see('[data-test=differs-mark]');
        $this->change(fn () => $this->press('[data-test=keep-trace]'));
        self::assertSame(['#cc3333 live'], $this->kinds());
        self::assertSame(0, $this->howMany('[data-test=differs-mark]'));
        self::assertSame([], $this->complaints());
    }
}
