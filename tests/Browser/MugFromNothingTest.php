<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Proof\Things;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\Test;

/**
 * D12, D13, F1 to F7 from end to end, with a mouse: a thing is drawn over a picture of it, a design is shown on it by numbers and by a net, in a scene, is
 * changed and changed for another; and a customer says what they think until they say yes. What is seen is judged by another renderer.
 */
#[Group('whole')]
final class MugFromNothingTest extends BrowserTestCase
{
    use AtMachines;
    use OnACustomersTelephone;
    use OnTheBench;
    use ShapingHands;

    /** What a hand did: presses and drags. */
    private int $did = 0;

    protected function press(string $selector): void
    {
        $this->did++;
        parent::press($selector);
    }

    protected function pick(string $selector, string $value): void
    {
        $this->did += 2;
        parent::pick($selector, $value);
    }

    /**
     * @param  list<array{float, float}>  $places  mm
     * @return list<array{int, int, int}> red, green and blue there
     */
    private static function colours(string $svg, float $wide, array $places): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'svg');
        file_put_contents($file, $svg);
        exec(sprintf('rsvg-convert -w %d -b white %s -o %s', (int) (8 * $wide), escapeshellarg($file), escapeshellarg("{$file}.png")));
        $picture = imagecreatefrompng("{$file}.png");
        self::assertNotFalse($picture);
        if (getenv('NEAT_EDGE_SEE') !== false) {
            copy("{$file}.png", (string) getenv('NEAT_EDGE_SEE'));
        }
        array_map(unlink(...), [$file, "{$file}.png"]);

        return array_map(static function (array $place) use ($picture): array {
            $at = imagecolorat($picture, (int) (8 * $place[0]), (int) (8 * $place[1]));

            return [$at >> 16 & 255, $at >> 8 & 255, $at & 255];
        }, $places);
    }

    /** @param  bool  $lit  of what is shown on a thing, with its shade and light */
    private function picture(string $of, bool $lit = true): string
    {
        return (string) file_get_contents('http://127.0.0.1:'.self::$port."/api/v1/jobs/{$this->job}/{$of}.svg".($lit ? '' : '?without=light'));
    }

    /** A layer more, called so, on which lies what is drawn next. @return string its id */
    private function layer(string $name): string
    {
        $this->tool('arrange');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->press('[data-test=pieces]');
        $before = array_map(static fn (Layer $layer): string => $layer->id, $this->art()->layers);
        $this->change(fn () => self::$browser->findElement(WebDriverBy::xpath('//button[normalize-space()="Add a layer"]'))->click());
        $id = array_values(array_diff(array_map(static fn (Layer $layer): string => $layer->id, $this->art()->layers), $before))[0];
        $row = self::$browser->findElement(WebDriverBy::cssSelector("[data-layer={$id}] .layer"));
        self::$browser->action()->doubleClick($row)->perform();
        $this->change(static fn () => self::$browser->getKeyboard()->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL, $name, WebDriverKeys::ENTER]));
        $this->press("[data-layer={$id}] .layer");
        $this->tools();
        $this->did += 3;

        return $id;
    }

    private function tools(): void
    {
        self::$browser->findElement(WebDriverBy::xpath('//div[@class="panes"]/button[1]'))->click();
    }

    private function part(string $layer, string $part): void
    {
        $this->press('[data-test=pieces]');
        $this->open('layer-parts');
        $this->change(fn () => $this->pick("[data-part-of={$layer}]", $part));
    }

    /** @param  list<non-empty-list<array{float, float}>>  $places  a press, or a drag out of a place along its curve */
    private function curve(array $places): void
    {
        $this->tool('curve');
        foreach ($places as $i => $place) {
            $i === 0 ? $this->drag($place, 2) : $this->change(fn () => $this->drag($place, 2));
            $this->did++;
            usleep(380_000);
        }
        $this->keys(WebDriverKeys::ENTER);
        $this->tool('arrange');
    }

    #[Test]
    public function a_mug_is_drawn_shown_in_a_scene_and_approved(): void
    {
        $mug = $this->drawnMug();
        $mark = $this->mark('Ferry mark', '#c8402e', 'star');
        $this->onItByNumbers($mug);
        $this->onItByANet($mug, $mark);
        $this->inTheScene($mark);
        $this->approved();
        fwrite(STDERR, "{$this->did} presses and drags\n");
    }

    /** @return int the job */
    private function drawnMug(): int
    {
        $this->emptyBench('Quayside mug', 'plain', '150mm', '130mm');
        $mug = $this->job;
        // Under it lies a picture of a mug, as wide as the bench.
        file_put_contents(self::$folder.'/mug.svg', Writer::write(Things::artwork('mug')));
        exec('rsvg-convert -w 900 '.escapeshellarg(self::$folder.'/mug.svg').' -o '.escapeshellarg(self::$folder.'/mug.png'));
        $this->open('reference');
        $this->change(fn () => $this->see('[data-field=reference]')->setFileDetector(new LocalFileDetector)->sendKeys(self::$folder.'/mug.png'));
        self::assertEqualsWithDelta(150.0, $this->art()->reference->width ?? 0.0, 20.0);

        // The body: its right half from the front of the mouth to the foot, then mirrored.
        $body = $this->layer('Body');
        $this->open('fill');
        $this->type('Fill colour', '#f0f0f0');
        $this->curve([[[65, 31]], [[106, 24], [106, 20.1]], [[106, 103]], [[65, 110], [42.4, 110]]]);
        $this->open('mirror');
        $this->change(fn () => $this->press('[data-test=mirror-upright]'));
        $this->change(fn () => $this->type('axisX', '65mm'));
        $shape = $this->lastPiece();
        self::assertTrue($shape->shape->contours[0]->closed);
        self::assertEqualsWithDelta([24.0, 106.0], [$shape->box()?->left, $shape->box()?->right], 0.3);

        // Where art lies, for the time being by numbers; the rim, and a handle by one line of the hand's width.
        $place = $this->layer('Print');
        $this->open('fill');
        $this->type('Fill colour', '#ffffff');
        $this->drawShape('rectangle', 24, 27, 82, 80);
        foreach (['width' => '82mm', 'height' => '80mm', 'x' => '65mm', 'y' => '67mm'] as $field => $text) {
            $this->put($field, $text);
        }
        $rim = $this->layer('Rim');
        $this->open('fill');
        $this->type('Fill colour', '#8a8a8a');
        $this->drawShape('ellipse', 23, 16.5, 84, 15);
        $this->open('shape-values');
        $this->change(fn () => $this->type('inner', '0.94'));
        $handle = $this->layer('Handle');
        $this->curve([[[105, 44]], [[134, 62], [134, 76]], [[105, 88]]]);
        $this->lineOnly('#dcdcdc', '9mm');

        // Shade and lights, each cut from the body's own outline: a copy of it is what they are seen through.
        $bodyPiece = array_values(array_filter($this->art()->pieces, static fn ($piece): bool => $piece->place->layer === $body))[0]->id;
        $layers = ['Shade' => '', 'Light' => ''];
        foreach ([['Shade', '#3b3326', 86, 10, 26, 106, '6', 'multiply'], ['Light', '#ffffff', 40, 36, 10, 60, '3', 'screen']] as [$name, $colour, $x, $y, $w, $h, $edge, $blend]) {
            $layers[$name] = $this->layer($name);
            $this->open('fill');
            $this->type('Fill colour', $colour);
            $this->drawShape('rectangle', $x, $y, $w, $h);
            $soft = $this->lastPiece()->id;
            $this->change(fn () => $this->choose('blend', $blend));
            $this->change(fn () => $this->type('opacity', '0.45'));
            $this->open('soft');
            $this->change(fn () => $this->type('softEdge', $edge));
            $this->press('[data-test=pieces]');
            $this->press("[data-row={$bodyPiece}]");
            $this->change(fn () => $this->keys(WebDriverKeys::CONTROL, 'd', WebDriverKeys::NULL));
            $copy = $this->chosen()[0];
            self::assertNotSame($bodyPiece, $copy);
            $this->change(fn () => self::$browser->findElement(WebDriverBy::cssSelector("[data-layer={$layers[$name]}] [aria-label^=\"Lay what is chosen\"]"))->click());
            // Duplicated, it stands a little beside: back on the body.
            $this->tools();
            $this->open('place');
            $this->put('x', '65mm');
            $this->put('y', (string) round($this->art()->piece($bodyPiece)?->box()?->middle()->y ?? 0.0, 4));
            $this->press('[data-test=pieces]');
            $this->press("[data-row={$soft}]");
            self::$browser->action()->keyDown(null, WebDriverKeys::SHIFT)->click(self::$browser->findElement(WebDriverBy::cssSelector("[data-row={$copy}]")))->keyUp(null, WebDriverKeys::SHIFT)->perform();
            $this->tools();
            $this->open('soft');
            $this->type('edge', '0');
            $this->change(fn () => $this->press('[data-test=soft-clip]'));
            self::assertCount(1, $this->art()->piece($soft)?->soft->clips ?? []);
            $this->did += 3;
        }

        foreach ([$body => 'body', $rim => 'part', $handle => 'part', $layers['Shade'] => 'shade', $layers['Light'] => 'light', $place => 'place'] as $layer => $part) {
            $this->part($layer, $part);
        }
        $this->change(fn () => $this->choose('lies', 'round'));
        foreach (['width' => '200mm', 'height' => '70mm', 'round' => '82mm', 'tall' => '80mm', 'above' => '9.8'] as $field => $text) {
            $this->put($field, $text);
        }
        $this->change(fn () => $this->keys('g'));

        // Shade is seen on the body alone, and the body is what it is beside it.
        [$beside, $shaded, $plain] = self::colours($this->picture('picture'), 150.0, [[112, 20], [101, 60], [60, 60]]);
        self::assertSame([255, 255, 255], $beside);
        self::assertLessThan($plain[0] - 40, $shaded[0]);

        return $mug;
    }

    /** @return int the job of a mark in one colour: a shape over a bar */
    private function mark(string $title, string $colour, string $shape): int
    {
        $this->emptyBench($title, 'cut-vinyl', '60mm', '40mm');
        $this->open('fill');
        $this->type('Fill colour', $colour);
        $this->drawShape($shape, 20, 4, 20, 20);
        $this->none();
        $this->drawShape('rectangle', 10, 27, 40, 8);

        return $this->job;
    }

    private function onItByNumbers(int $mug): void
    {
        $this->visit("/jobs/{$this->job}/proof");
        $this->press('[data-test=proof-thing]');
        $this->pick('[data-test=thing]', "job-{$mug}");
        $this->seeText('Quayside mug', '[data-test=shown-view], body');
        $this->type('width', '60mm');
        $this->seeText('60.0 ×', '[data-test=shown-size]');
        // The bar is 60 mm long on a radius of 41: its ends are seen 41 sin(30 / 41) off the middle, and it sags to its middle.
        $end = 41 * sin(30 / 41);
        $svg = '';
        self::until(function () use (&$svg): ?bool {
            $svg = $this->picture('showing', false);

            return str_contains($svg, '#c8402e') ?: null;
        }, 'the mark on the mug', 20.0);
        $along = static fn (int $x): array => [(float) $x, 67 + 41 * sin(deg2rad(9.8)) * (sqrt(max(0.0, 1 - (($x - 65) / 41) ** 2)) - 0.5) + 16 * cos(deg2rad(9.8))];
        $row = array_combine(range(20, 110), array_map(self::isRed(...), self::colours($svg, 150.0, array_map($along, range(20, 110)))));
        $red = array_keys(array_filter($row));
        self::assertEqualsWithDelta([65 - $end, 65 + $end], [$red[0], $red[count($red) - 1]], 1.6, 'as far as it is long');
        self::assertCount((int) ($red[count($red) - 1] - $red[0] + 1), $red, 'without a gap');
    }

    private function onItByANet(int $mug, int $mark): void
    {
        // The shape of the place is wrapped by a net, whose middle is pulled down; then art lies as that does.
        $this->visit("/jobs/{$mug}/shape");
        [$this->job, $this->wide] = [$mug, 150.0];
        $this->see('[data-tool=arrange], [data-test=wrap]');
        $place = array_values(array_filter($this->art()->layers, static fn (Layer $layer): bool => $layer->part === 'place'))[0]->id;
        $piece = array_values(array_filter($this->art()->pieces, static fn ($piece): bool => $piece->place->layer === $place))[0]->id;
        $this->visit("/jobs/{$mug}/draw");
        $this->press('[data-test=pieces]');
        $this->press("[data-row={$piece}]");
        $this->keys('2');
        $this->take('wrap', 'f');
        $this->choose('shape', 'net');
        self::until(fn (): ?bool => $this->marks('[data-knot]') === 9 ?: null, 'nine knots', 15.0);
        $this->dragPx([$this->spot('[data-knot="2-2"]'), $this->px(65, 75)]);
        usleep(400_000);
        $this->dragPx([$this->spot('[data-knot="3-2"]'), $this->px(65, 114)]);
        $this->did += 2;
        $this->see('[data-test=report]');
        $this->keepIt();
        $this->visit("/jobs/{$mug}/draw");
        $this->press('[data-test=pieces]');
        $this->open('layer-parts');
        $this->change(fn () => $this->choose('lies', 'wrapped'));
        $this->put('width', '82mm');
        $this->put('height', '80mm');
        [$this->job, $this->wide] = [$mark, 60.0];
        $before = $this->picture('showing', false);
        [$knot] = self::colours($before, 150.0, [[65.0, 75.0]]);
        $this->visit("/jobs/{$mark}/proof");
        $this->press('[data-test=proof-thing]');
        $this->see('[data-test=shown-picture]');
        // The middle of the art lies where the middle knot was pulled to: between star and bar, so that a little below it the bar begins.
        self::assertNotSame([255, 255, 255], $knot);
        $column = array_map(self::isRed(...), self::colours($before, 150.0, array_map(static fn (int $y): array => [65.0, (float) $y], range(40, 112))));
        self::assertTrue(in_array(true, $column, true));
        $ends = array_keys(array_filter($column));
        self::assertEqualsWithDelta(75.0 + 22, 40 + end($ends), 6.0, 'the bar hangs as the net does');
    }

    /** @param  array{int, int, int}  $colour */
    private static function isRed(array $colour): bool
    {
        return $colour[0] - $colour[2] > 80;
    }

    private function inTheScene(int $mark): void
    {
        $this->pick('[data-test=thing]', 'quay');
        self::until(fn (): ?bool => $this->howMany('[data-test=shown-size]') === 3 ?: null, 'three places', 20.0);
        foreach (['Left mug: Print' => '-40', 'Middle mug: Print' => '0', 'Right mug: Print' => '35'] as $label => $turn) {
            foreach (['width' => '60mm', 'turn' => $turn] as $field => $text) {
                $this->see("[aria-label=\"{$label}\"] [data-field={$field}]")->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL, $text, WebDriverKeys::ENTER]);
                usleep(700_000);
            }
        }
        $first = $this->picture('showing', false);
        self::assertGreaterThanOrEqual(6, substr_count($first, '#c8402e'), 'star and bar, three times');
        // Turned otherwise, each is seen otherwise: the red of a mug lies left of its middle, in it, and right.
        foreach ([[2, -1], [98, 0], [194, 1]] as [$left, $side]) {
            $seen = array_map(self::isRed(...), self::colours($first, 300.0, array_map(static fn (int $x): array => [$left + 17.3 + $x, 117.0], range(0, 59))));
            $red = array_map(static fn (int $x): float => $x - 29.5, array_keys(array_filter($seen)));
            self::assertNotSame([], $red);
            $middle = array_sum($red) / count($red);
            $side === 0 ? self::assertEqualsWithDelta(0.0, $middle, 1.5) : self::assertGreaterThan(4.0, $side * $middle);
        }
        // One colour of the design: all three follow, nothing else is asked.
        $this->visit("/jobs/{$mark}/draw");
        $this->see('.page');
        $this->everything();
        $this->open('fill');
        $this->change(fn () => $this->type('Fill colour', '#1d5c46'));
        $second = $this->picture('showing', false);
        self::assertSame(substr_count($first, '#c8402e'), substr_count($second, '#1d5c46'));
        self::assertStringNotContainsString('#c8402e', $second);
        self::assertSame(strlen($first), strlen($second), 'and nothing but its colour is another');
        // Another design in its places.
        $other = $this->mark('Lantern mark', '#d9a441', 'drop');
        $this->job = $mark;
        $this->visit("/jobs/{$mark}/proof");
        $this->press('[data-test=proof-thing]');
        $this->see('[data-test=shown-picture]');
        foreach (['Left mug: Print', 'Middle mug: Print', 'Right mug: Print'] as $label) {
            $this->pick("[aria-label=\"{$label}\"] [data-place]", (string) $other);
            usleep(500_000);
        }
        self::until(fn (): ?bool => substr_count($this->picture('showing'), '#d9a441') >= 6 ?: null, 'the other design on all three', 20.0);
        self::assertStringNotContainsString('#1d5c46', $this->picture('showing'));
        foreach (['Left mug: Print', 'Right mug: Print'] as $label) {
            $this->pick("[aria-label=\"{$label}\"] [data-place]", '-1');
            usleep(500_000);
        }
        self::until(fn (): ?bool => str_contains($this->picture('showing'), '#1d5c46') ?: null, 'its own again', 20.0);
    }

    private function approved(): void
    {
        $this->visit("/jobs/{$this->job}/draw");
        $this->see('.page');
        $this->keys(WebDriverKeys::CONTROL, WebDriverKeys::ENTER, WebDriverKeys::NULL);
        $this->see('[data-sheet]', 60);
        $this->visit("/jobs/{$this->job}/proof");
        $this->press('[data-test=proof-thing]');
        $this->see('[data-test=shown-picture]');
        $first = $this->share();
        $this->telephone(true);
        self::$browser->get($first);
        $this->see('[data-test=no]');
        self::assertLessThanOrEqual(360, self::$browser->executeScript('return document.documentElement.scrollWidth'));
        $this->pressed('[data-test=no]');
        // On the right mug's bar, and on the river.
        $this->pin((194 + 0.72 * 65 + 6) / 300, 117 / 170, 'A little higher');
        $this->pin(0.5, 0.55, 'More evening');
        $this->see('[data-test=by]')->sendKeys('Ines Harrow');
        $this->pressed('[data-test=say]');
        $this->seeText('asked for a change.', '[data-test=last]');
        $this->telephone(false);
        $this->visit("/jobs/{$this->job}/proof");
        $this->seeText('A little higher', '[data-test=customer]');
        // The first leads through the mug's bend to the piece that it means; the second means none.
        $this->press('[data-look]');
        $bar = $this->art()->pieces[1]->id;
        self::until(fn (): ?bool => $this->chosen() === [$bar] ?: null, 'the bar under the pin', 15.0);
        $this->press('[data-test=settle]');
        // Mended: two millimetres up, by keys of the bench.
        $this->visit("/jobs/{$this->job}/draw");
        $this->see('.page');
        $this->click(30, 31);
        $this->open('place');
        $this->change(fn () => $this->type('y', '29mm'));
        $this->keys(WebDriverKeys::CONTROL, WebDriverKeys::ENTER, WebDriverKeys::NULL);
        self::until(fn (): ?bool => $this->howMany('[data-sheet]') > 0 && $this->howMany('.older') === 0 ?: null, 'it prepared anew', 60.0);
        $this->visit("/jobs/{$this->job}/proof");
        $this->press('[data-test=proof-thing]');
        $this->see('[data-test=shown-picture]');
        $second = $this->share();
        $this->telephone(true);
        self::$browser->get($second);
        $this->pressed('[data-test=yes]');
        $this->see('[data-test=by]')->sendKeys('Ines Harrow');
        $this->pressed('[data-test=say]');
        $this->seeText('Approved by Ines Harrow.', '[data-test=last]');
        $this->telephone(false);
        // And sent, without a question of the customer's.
        $this->machine('cutter', '--bed=5000x610mm', '--pace=0', '--blade=0.25');
        $this->visit("/jobs/{$this->job}/send");
        $this->see('[data-layout="0"]', 90.0);
        $this->press('[data-test=send-machine]');
        $this->press('[data-send="0"]');
        $this->letGoIfAsked();
        self::until(static fn (): ?bool => str_contains((string) self::$browser->executeScript('return document.querySelector(`[data-sending="0"]`)?.textContent ?? ""'), 'done') ?: null, 'the cut', 60.0);
        self::assertGreaterThan(100.0, $this->told('cutter')['cut_mm']);
    }

    /** @return string a photo of ours as SVG: dots of a sky over a quay, 120 by 90 mm */
    private static function photo(): string
    {
        $picture = imagecreatetruecolor(240, 180);
        self::assertNotFalse($picture);
        for ($x = 0; $x < 240; $x++) {
            for ($y = 0; $y < 180; $y++) {
                imagesetpixel($picture, $x, $y, (40 + (int) ($x / 3)) << 16 | (90 + (int) ($y / 4)) << 8 | 60);
            }
        }
        ob_start();
        imagepng($picture);

        return '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="120mm" height="90mm" viewBox="0 0 120 90">'
            .'<image width="120" height="90" preserveAspectRatio="none" xlink:href="data:image/png;base64,'.base64_encode((string) ob_get_clean()).'"/></svg>';
    }

    /**
     * Red, green and blue of the bench at places, and how much of the photo is there: 1 for all of it, 0 for the white beneath.
     *
     * @param  list<array{float, float}>  $places  mm
     * @return list<float>
     */
    private function seenOfPhoto(array $places): array
    {
        $seen = self::colours($this->picture('picture'), 120.0, $places);

        return array_map(static fn (array $place, array $colour): float => (255 - $colour[2]) / (255 - 60), $places, $seen);
    }

    #[Test]
    public function a_photo_is_seen_through_a_brush_line_a_fading_polygon_a_soft_circle_and_what_a_soft_brush_leaves(): void
    {
        file_put_contents(self::$folder.'/quay.svg', self::photo());
        $this->visit('/new');
        $this->press('[data-test=process-plain]');
        $this->upload(self::$folder.'/quay.svg');
        $this->press('[data-test=start]');
        $this->job = self::until(static fn (): ?int => preg_match('~/jobs/(\d+)~', self::$browser->getCurrentURL(), $found) === 1 ? (int) $found[1] : null, 'the job', 30.0);
        $this->wide = 120.0;
        $this->visit("/jobs/{$this->job}/draw");
        $this->see('[data-tool=arrange]');
        $photo = $this->lastPiece()->id;
        self::assertEqualsWithDelta([1.0, 1.0, 1.0], $this->seenOfPhoto([[5, 5], [60, 45], [115, 85]]), 0.03);
        // What clips it is drawn over it; both are chosen, and one press makes it so.
        $clip = function (string $edge, bool $fills = false) use ($photo): void {
            $mask = $this->lastPiece()->id;
            $this->press('[data-test=pieces]');
            $this->press("[data-row={$photo}]");
            self::$browser->action()->keyDown(null, WebDriverKeys::SHIFT)->click(self::$browser->findElement(WebDriverBy::cssSelector("[data-row={$mask}]")))->keyUp(null, WebDriverKeys::SHIFT)->perform();
            $this->tools();
            $this->open('soft');
            $this->type('edge', $edge);
            if ($fills) {
                // A line encloses nothing to be seen through; one press fills it and goes on.
                $this->press('[data-test=soft-clip]');
                $this->seeText('Only a filled shape can clip');
            }
            $this->change(fn () => $this->press($fills ? '[data-test=fill-and-clip]' : '[data-test=soft-clip]'));
            self::assertCount(1, $this->art()->pieces);
        };

        // A brush line, through its outline.
        $this->none();
        $this->tool('brush');
        $this->type('brushWidth', '16mm');
        $this->change(fn () => $this->drag([[20, 30], [40, 32], [60, 30], [80, 28], [100, 30]]));
        $this->tool('arrange');
        $clip('0');
        [$on, $above, $below] = $this->seenOfPhoto([[60, 30], [60, 12], [60, 60]]);
        self::assertEqualsWithDelta([1.0, 0.0, 0.0], [$on, $above, $below], 0.03);
        $this->change(fn () => $this->press('[data-test=undo]'));
        $this->change(fn () => $this->press('[data-test=undo]'));

        // A polygon that fades from its left to its right.
        $this->none();
        $this->curve([[[20, 10]], [[100, 20]], [[110, 80]], [[20, 80]], [[20, 10]]]);
        $this->open('soft');
        $this->change(fn () => $this->press('[data-test=fade]'));
        $clip('0', true);
        [$left, $middle, $right, $out] = $this->seenOfPhoto([[22, 50], [62, 50], [104, 50], [10, 50]]);
        self::assertGreaterThan(0.93, $left);
        self::assertEqualsWithDelta(0.5, $middle, 0.1);
        self::assertLessThan(0.12, $right);
        self::assertEqualsWithDelta(0.0, $out, 0.01);
        $this->change(fn () => $this->press('[data-test=undo]'));
        while (count($this->art()->pieces) > 1) {
            $this->change(fn () => $this->press('[data-test=undo]'));
        }

        // A circle with a soft edge of 3 mm: half of the photo at its edge, as a Gaussian has it beside.
        $this->none();
        $this->shape('ellipse', 60, 45, 50, 50);
        $this->plain('#26231d');
        $clip('3');
        [$middle, $edge, $within, $beyond] = $this->seenOfPhoto([[60, 45], [85, 45], [82, 45], [88, 45]]);
        self::assertEqualsWithDelta([1.0, 0.5, 0.84, 0.16], [$middle, $edge, $within, $beyond], 0.06);

        // And by hand with a soft brush: it takes away along its line, softly, and each stroke is one act.
        $this->press('[data-test=paint]');
        $this->type('width', '12mm');
        $this->change(fn () => $this->drag([[40, 45], [52, 46], [68, 44], [80, 45]]));
        [$on, $beside, $far] = $this->seenOfPhoto([[60, 45], [60, 39], [60, 30]]);
        self::assertLessThan(0.12, $on);
        self::assertGreaterThan(0.15, $beside);
        self::assertGreaterThan(0.9, $far);
        $this->change(fn () => $this->press('[data-test=undo]'));
        self::assertEqualsWithDelta(1.0, $this->seenOfPhoto([[60, 45]])[0], 0.03);
        self::assertSame([], $this->complaints());
    }
}
