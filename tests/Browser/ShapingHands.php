<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;

/** What hands do in Draw and Shape, over and over. */
trait ShapingHands
{
    private function everything(): void
    {
        $this->keys(WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL);
    }

    /** Takes a tool of shaping in hand by its key and waits for it. */
    private function take(string $kind, string $key): void
    {
        $this->keys(WebDriverKeys::SHIFT, $key, WebDriverKeys::NULL);
        $this->see("[data-test={$kind}].on");
    }

    private function keepIt(): void
    {
        $this->see('[data-test=keep]:not([disabled])');
        $this->change(fn () => $this->press('[data-test=keep]'));
    }

    private function line(float $x0, float $y0, float $x1, float $y1): void
    {
        $this->tool('curve');
        $this->click($x0, $y0, 2);
        // Each press is stored as it is made; Enter only ends the line.
        $this->change(fn () => $this->click($x1, $y1, 2));
        $this->keys(WebDriverKeys::ENTER);
    }

    /** What is drawn next, and what is chosen, is a line without fill. */
    private function lineOnly(string $colour, string $width): void
    {
        $this->open('fill');
        if ($this->lastPiece()->fill !== null) {
            $this->change(fn () => $this->press('[data-section=fill] [aria-label=None]'));
        }
        $this->open('stroke');
        if ($this->lastPiece()->stroke?->paint->colour->hex() !== $colour) {
            $this->change(fn () => $this->type('Stroke colour', $colour));
        }
        $this->put('strokeWidth', $width);
    }

    private function filled(string $colour): void
    {
        $this->open('fill');
        $this->type('Fill colour', $colour);
    }

    /** Filled, and without a line. */
    private function plain(string $colour): void
    {
        $this->filled($colour);
        $this->open('stroke');
        if ($this->lastPiece()->stroke !== null) {
            $this->change(fn () => $this->press('[data-section=stroke] [aria-label=None]'));
        }
    }

    private function none(): void
    {
        if ($this->howMany('[data-tool=arrange]') > 0) {
            $this->tool('arrange');
        }
        // Out of a tool first, then of what is chosen.
        $this->keys(WebDriverKeys::ESCAPE);
        $this->keys(WebDriverKeys::ESCAPE);
        self::until(fn (): ?bool => $this->howMany('[data-chosen]') === 0 ?: null, 'nothing to be chosen', 5.0);
    }

    private function shape(string $kind, float $x, float $y, float $width, float $height): void
    {
        $this->drawShape($kind, $x - $width / 2, $y - $height / 2, $width, $height);
        foreach (['width' => "{$width}mm", 'height' => "{$height}mm", 'x' => "{$x}mm", 'y' => "{$y}mm"] as $field => $text) {
            $this->put($field, $text);
        }
    }

    /** Middle of each mark of a kind on the page, in px. */
    private function marks(string $selector): int
    {
        return (int) self::$browser->executeScript('return document.querySelectorAll(arguments[0]).length', ["[data-test=shape-marks] {$selector}"]);
    }

    private static function area(Shape $shape): float
    {
        return Combine::weld([$shape])->area();
    }

    /** A place inside of what is marked, pressed with the mouse. */
    private function pressMark(string $selector): void
    {
        [$x, $y] = self::$browser->executeScript('const r = document.querySelector(arguments[0]).getBoundingClientRect(); return [r.left + r.width / 2, r.top + r.height / 2]', ["[data-test=shape-marks] {$selector}"]);
        $this->dragPx([[$x, $y]]);
    }
}
