<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\Attributes\Test;

/** D13, F1-F3 in the page, with a mouse: soft looks drawn, painted and clipped; and a design on things, judged by pixels of a program that we did not write. */
final class ShownOnThingsTest extends BrowserTestCase
{
    use OnTheBench;

    /** @return array{int, int, int} red, green and blue that librsvg shows of the bench at a place, mm */
    private function seen(float $x, float $y): array
    {
        $svg = (string) tempnam(sys_get_temp_dir(), 'svg');
        file_put_contents($svg, (string) file_get_contents('http://127.0.0.1:'.self::$port."/api/v1/jobs/{$this->job}/picture.svg?v=".$this->version()));
        exec(sprintf('rsvg-convert -w %d -b white %s', 10 * 120, escapeshellarg($svg)).' -o '.escapeshellarg("{$svg}.png"));
        $picture = imagecreatefrompng("{$svg}.png");
        self::assertNotFalse($picture);
        $at = imagecolorat($picture, (int) (10 * $x), (int) (10 * $y));
        array_map(unlink(...), [$svg, "{$svg}.png"]);

        return [$at >> 16 & 255, $at >> 8 & 255, $at & 255];
    }

    /** The picture of the art on the thing, as the server gives it now. */
    private function shown(): string
    {
        return (string) file_get_contents('http://127.0.0.1:'.self::$port."/api/v1/jobs/{$this->job}/showing.svg");
    }

    #[Test]
    public function a_piece_is_softened_faded_clipped_and_painted_on_and_each_is_one_act(): void
    {
        $this->emptyBench('Soft sail', 'sticker', '120mm', '90mm');
        $this->drawShape('rectangle', 10, 10, 40, 30);
        $first = $this->lastPiece();
        self::assertSame('#1f6f8b', $first->fill?->colour->hex());
        $this->open('soft');
        $this->change(fn () => $this->type('softEdge', '2'));
        self::assertSame(2.0, $this->lastPiece()->soft?->edge);
        self::assertEqualsWithDelta((0x1F + 255) / 2, $this->seen(10, 25)[0], 14.0, 'half of it is seen at its edge');
        self::assertEqualsWithDelta(0x1F, $this->seen(30, 25)[0], 3.0);
        $this->change(fn () => $this->press('[data-test=fade]'));
        self::assertEqualsWithDelta((0x1F + 255) / 2, $this->seen(30, 25)[0], 8.0, 'half of it in its middle');
        self::assertGreaterThan(240, $this->seen(48, 25)[0]);
        $this->change(fn () => $this->press('[data-test=no-fade]'));

        // Two more, of which the upper clips the lower.
        $this->drawShape('rectangle', 60, 20, 50, 40);
        $below = $this->lastPiece()->id;
        $this->drawShape('ellipse', 70, 25, 30, 30);
        $this->click(78, 33);
        $this->click(63, 56, 8);
        $this->type('edge', '1.5');
        $this->change(fn () => $this->press('[data-test=soft-clip]'));
        self::assertCount(2, $this->art()->pieces);
        $look = $this->art()->piece($below)?->soft;
        self::assertSame(1.5, $look?->clips[0][0]->soft?->edge);
        self::assertEqualsWithDelta(0x1F, $this->seen(85, 40)[0], 4.0);
        self::assertSame([255, 255, 255], $this->seen(62, 22), 'what lies outside it is not seen');

        // By hand: a soft stroke takes away, the harder one brings back.
        $this->press('[data-test=paint]');
        $this->type('width', '8mm');
        $this->change(fn () => $this->drag([[66, 40], [75, 41], [95, 40], [104, 40]]));
        self::assertGreaterThan(235, $this->seen(85, 40)[0], 'taken away');
        $this->choose('does', 'adds');
        $this->change(fn () => $this->drag([[85, 30], [85, 36], [85, 50]]));
        self::assertLessThan(0x1F + 50, $this->seen(85, 40)[0], 'and brought back there');
        self::assertCount(3, $this->art()->piece($below)?->soft?->clips[0] ?? []);
        $this->change(fn () => $this->press('[data-test=undo]'));
        self::assertCount(2, $this->art()->piece($below)?->soft?->clips[0] ?? [], 'one stroke is one act');

        // For a knife it is made hard.
        $this->tool('arrange');
        $this->click(20, 20);
        $this->change(fn () => $this->press('[data-test=harden]'));
        $hard = $this->art()->piece($first->id);
        self::assertNotNull($hard);
        self::assertNull($hard->soft);
        self::assertLessThanOrEqual(14, $hard->shape->nodeCount());
        self::assertEqualsWithDelta(10.0, $hard->box()->left ?? 0.0, 0.03);
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_design_lies_on_a_mug_in_its_size_and_follows_what_is_changed(): void
    {
        $this->emptyBench('Mug mark', 'plain', '60mm', '40mm');
        $this->drawShape('rectangle', 10, 10, 40, 20);
        $this->visit("/jobs/{$this->job}/proof");
        $this->press('[data-test=proof-thing]');
        $this->see('[data-test=shown-picture]');
        $this->seeText('40.0 × 20.0 mm on the thing', '[data-test=shown-size]');
        $this->type('width', '70mm');
        $this->seeText('70.0 × 35.0 mm on the thing', '[data-test=shown-size]');
        $before = $this->shown();
        $this->type('turn', '180');
        self::until(fn (): ?bool => substr_count($this->shown(), '<path') < substr_count($before, '<path') ? true : null, 'the art to be turned away', 20.0);
        $this->type('turn', '0');
        self::until(fn (): ?bool => $this->shown() === $before ? true : null, 'the art to be there again', 20.0);
        // Another colour of the design is there without a word.
        $piece = $this->art()->pieces[0]->id;
        self::asPage("jobs/{$this->job}/edits", ['version' => $this->version(), 'edit' => ['kind' => 'fill', 'pieces' => [$piece], 'colour' => '#c8402e']]);
        self::assertStringContainsString('#c8402e', $this->shown());
        self::assertStringNotContainsString('#1f6f8b', $this->shown());
        // The wipe: on the left without the light.
        $this->pick('[data-test=shown-wipe]', 'light');
        self::assertStringContainsString('without=light', (string) $this->see('[data-test=shown-bare]')->getAttribute('href'));
        [$x, $y] = $this->spot('[data-test=shown-view] [data-test=wipe] rect');
        $this->dragPx([[$x, $y], [$x - 120, $y]]);
        self::until(fn (): ?bool => $this->spot('[data-test=shown-view] [data-test=wipe] rect')[0] < $x - 100 ? true : null, 'the border to follow', 10.0);
        $this->pick('[data-test=shown-wipe]', '');
        self::assertSame(0, $this->howMany('[data-test=shown-bare]'));
        $lit = $this->shown();
        $this->press('[data-field=lights]');
        self::until(fn (): ?bool => strlen($this->shown()) < strlen($lit) ? true : null, 'no light', 20.0);
        $this->pick('[data-test=thing]', 'tag');
        $this->seeText('Brass tag', '[data-test=shown-view]');
        $this->type('width', '70mm');
        $this->seeText('wider than can be printed there: 70 mm of 46 mm', '[data-test=shown-says]');
        // Back on the bench when another stage is entered.
        $this->press('[data-test=proof-material]');
        self::until(fn (): ?bool => $this->howMany('[data-test=shown-view]') === 0 ? true : null, 'the bench again', 10.0);
        self::assertSame([], $this->complaints());
    }
}
