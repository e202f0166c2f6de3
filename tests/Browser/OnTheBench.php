<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\PieceJson;

/** An artist's hands on the page: places are mm on the bench. */
trait OnTheBench
{
    private int $job = 0;

    private float $wide = 0.0;

    /** @var array{float, float, float} the last click, in px, and when it was */
    private array $pressed = [-100.0, -100.0, 0.0];

    private function emptyBench(string $title, string $process, string $width, string $height): void
    {
        $this->visit('/new');
        $this->press("[data-test=process-{$process}]");
        $this->press('[data-test=empty]');
        $this->see('[data-test=width]')->sendKeys($width);
        $this->see('[data-test=height]')->sendKeys($height);
        $this->see('[data-test=title]')->sendKeys($title);
        $this->press('[data-test=start]');
        $this->see('[data-tool=arrange]');
        $this->see('.page');
        preg_match('~/jobs/(\d+)~', self::$browser->getCurrentURL(), $found);
        $this->job = (int) ($found[1] ?? 0);
        $this->wide = (float) $width;
    }

    private function tool(string $tool): void
    {
        $this->press("[data-tool={$tool}]");
    }

    /** What an artist does, and waits for: one more version of the job. */
    private function change(callable $do, int $versions = 1): void
    {
        $before = $this->version();
        $do();
        try {
            self::until(fn (): ?bool => $this->version() >= $before + $versions && self::$browser->executeScript('return document.querySelector(".bench").dataset.busy') === 'false' ? true : null, 'the change', 45.0);
        } catch (\Throwable $waited) {
            self::$browser->takeScreenshot(self::$folder.'/../neat-edge-waited.png');
            throw $waited;
        }
        // What is drawn anew is there with the next picture.
        self::$browser->executeAsyncScript('const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(done))');
    }

    private function version(): int
    {
        return (int) self::$browser->executeScript('return document.querySelector(".bench")?.dataset.version ?? 0');
    }

    /** @return array{float, float} px in the window */
    private function px(float $x, float $y): array
    {
        [$left, $top, $width] = self::$browser->executeScript('const r = document.querySelector(".page").getBoundingClientRect(); return [r.left, r.top, r.width]');

        return [$left + $x * $width / $this->wide, $top + $y * $width / $this->wide];
    }

    /**
     * @param  list<array{float, float}>  $places  mm; the button goes down at the first and up at the last
     * @param  int  $keys  of the DevTools protocol: 1 Alt, 2 Ctrl, 8 Shift
     */
    private function drag(array $places, int $keys = 0, string $button = 'left'): void
    {
        $this->dragPx(array_map(fn (array $place): array => $this->px($place[0], $place[1]), $places), $keys, $button);
    }

    /** @param  list<array{float, float}>  $points  px */
    private function dragPx(array $points, int $keys = 0, string $button = 'left'): void
    {
        $send = static fn (string $type, array $at, int $down) => self::$browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', [
            'cmd' => 'Input.dispatchMouseEvent',
            'params' => ['type' => $type, 'x' => $at[0], 'y' => $at[1], 'button' => $type === 'mouseMoved' && $down === 0 ? 'none' : $button, 'buttons' => $down, 'modifiers' => $keys, 'clickCount' => 1],
        ]);
        $send('mouseMoved', $points[0], 0);
        $this->apart($points[0]);
        $send('mousePressed', $points[0], $button === 'right' ? 2 : 1);
        for ($i = 1; $i < count($points); $i++) {
            for ($k = 1; $k <= 4; $k++) {
                $send('mouseMoved', [$points[$i - 1][0] + ($points[$i][0] - $points[$i - 1][0]) * $k / 4, $points[$i - 1][1] + ($points[$i][1] - $points[$i - 1][1]) * $k / 4], 1);
            }
        }
        $send('mouseReleased', $points[count($points) - 1], 0);
    }

    private function click(float $x, float $y, int $keys = 0): void
    {
        $at = $this->px($x, $y);
        $this->dragPx([$at], $keys);
        $this->pressed = [...$at, microtime(true)];
    }

    /**
     * After a click another press at once at its place would make a double press of it: it waits.
     *
     * @param  array{float, float}  $at  px
     */
    private function apart(array $at): void
    {
        [$x, $y, $when] = $this->pressed;
        if (hypot($at[0] - $x, $at[1] - $y) < 16.0) {
            usleep((int) max(0.0, 1e6 * ($when + 0.52 - microtime(true))));
        }
    }

    /** Letters typed on the art, kept by Enter: one change. */
    private function letters(float $x, float $y, string $words): void
    {
        $this->tool('text');
        $this->click($x, $y);
        $this->change(static fn () => self::$browser->getKeyboard()->sendKeys([$words, WebDriverKeys::ENTER]));
    }

    /** @return array{float, float} px, the middle of what a selector finds */
    private function spot(string $selector): array
    {
        $this->see($selector);

        return self::$browser->executeScript('const r = document.querySelector(arguments[0]).getBoundingClientRect(); return [r.left + r.width / 2, r.top + r.height / 2]', [$selector]);
    }

    /** @return list<string> */
    private function chosen(): array
    {
        return self::$browser->executeScript('return [...document.querySelectorAll("[data-chosen]")].map((one) => one.dataset.chosen)');
    }

    private function open(string $section): void
    {
        $details = $this->see("[data-section={$section}]");
        if ($details->getAttribute('open') === null) {
            $details->findElement(WebDriverBy::cssSelector('summary'))->click();
        }
    }

    private function type(string $field, string $text): void
    {
        $input = $this->see("[data-field=\"{$field}\"]");
        $input->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL, $text, WebDriverKeys::ENTER]);
    }

    /** A value that may be so already: dragged out, a piece can lie exactly where it is wanted. */
    private function put(string $field, string $text): void
    {
        $this->type($field, $text);
        usleep(150_000);
        self::until(static fn (): ?bool => self::$browser->executeScript('return document.querySelector(".bench").dataset.busy') === 'false' ? true : null, 'the bench at rest', 15.0);
    }

    private function choose(string $field, string $value): void
    {
        $this->pick("[data-field=\"{$field}\"]", $value);
    }

    private function keys(string ...$keys): void
    {
        self::$browser->executeScript('document.activeElement?.blur()');
        self::$browser->findElement(WebDriverBy::cssSelector('body'))->sendKeys($keys);
    }

    /** A basic shape dragged out over its box, then typed exact. */
    private function drawShape(string $kind, float $left, float $top, float $width, float $height): void
    {
        $this->tool('shape');
        $this->press("[data-shape={$kind}]");
        $this->change(fn () => $this->drag([[$left, $top], [$left + $width, $top + $height]], 2));
        $this->tool('arrange');
        $this->open('place');
    }

    /** What lies on the bench, as it is stored. */
    private function art(): Artwork
    {
        $state = json_decode((string) file_get_contents('http://127.0.0.1:'.self::$port."/api/v1/jobs/{$this->job}"), true);
        $ids = array_column($state['art']['pieces'], 'id');
        if ($ids === []) {
            return ArtworkJson::framed($state['art'], []);
        }
        $pieces = array_values(array_map(PieceJson::to(...), ArtworkJson::data(self::asPage("jobs/{$this->job}/take", ['pieces' => $ids])['art'])['pieces']));

        return ArtworkJson::framed($state['art'], $pieces);
    }

    private function lastPiece(): Piece
    {
        $pieces = $this->art()->pieces;

        return $pieces[count($pieces) - 1];
    }

    /** Asked for by name, what was drawn is kept as a demo job, and its picture for the guide. */
    private function keep(string $name): void
    {
        if (getenv('NEAT_EDGE_KEEP') === '1') {
            $root = dirname(__DIR__, 2);
            file_put_contents("{$root}/database/demo/{$name}.json", ArtworkJson::encode($this->art()));
            $this->keys(WebDriverKeys::ESCAPE);
            if (is_file(self::$folder.'/boathouse.png')) {
                copy(self::$folder.'/boathouse.png', "{$root}/database/demo/{$name}.png");
            }
            self::$browser->takeScreenshot("{$root}/docs/screenshots/draw-{$name}.png");
        }
    }
}
