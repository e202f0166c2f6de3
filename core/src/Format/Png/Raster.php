<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Png;

use Generator;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Geometry\ScanLines;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Seen\Shade;
use NeatEdge\Core\Seen\SoftTone;

/**
 * Shapes as rows of pixels, the lowest painted first. Whole stretches of one colour are laid at once; only edges and gradients are worked out pixel by
 * pixel.
 */
final readonly class Raster
{
    /** Lines that cut a row of pixels. */
    private const LINES = 4;

    /** Pixels from which on a stretch is laid at once, which copies the row. */
    private const LONG = 256;

    /**
     * @param  list<array{Shape, Paint}>  $painted  mm
     * @param  float  $scale  pixels a mm
     * @param  bool  $clear  whether pixels say how much of them is covered; else they lie on white
     */
    public function __construct(private array $painted, private int $width, private int $height, private float $scale, private bool $clear)
    {
    }

    /** @return Generator<int, string> rows of bytes, three or four a pixel */
    public function rows(): Generator
    {
        $empty = str_repeat($this->clear ? "\0\0\0\0" : "\xFF\xFF\xFF", $this->width);
        $layers = [];
        foreach ($this->painted as [$shape, $paint]) {
            $box = $shape->box();
            if ($box !== null) {
                $first = max(0, (int) floor($box->top * $this->scale));
                $last = min($this->height - 1, (int) floor($box->bottom * $this->scale));
                $layers[] = [$first, $last, $this->covered($shape, $first, $last), $paint];
            }
        }
        for ($row = 0; $row < $this->height; $row++) {
            Patience::ask(256);
            $bytes = $empty;
            foreach ($layers as [$first, $last, $lines, $paint]) {
                if ($row < $first || $row > $last) {
                    continue;
                }
                $lines->send(null);
                $this->lay($bytes, $lines->current(), $paint, $row);
            }
            yield $bytes;
        }
    }

    /**
     * @return Generator<int, list<array{float, float}>> stretches in pixels, all lines of a row together
     */
    private function covered(Shape $shape, int $first, int $last): Generator
    {
        $lines = [];
        for ($row = $first; $row <= $last; $row++) {
            for ($k = 0; $k < self::LINES; $k++) {
                $lines[] = ($row + ($k + 0.5) / self::LINES) / $this->scale;
            }
        }
        $scan = new ScanLines([$shape], 0.0, 0.1 / $this->scale);
        $own = [];
        yield [];
        foreach ($scan->along($lines) as $k => $stretches) {
            foreach ($stretches as [$from, $to]) {
                $own[] = [$from * $this->scale, $to * $this->scale];
            }
            if ($k % self::LINES === self::LINES - 1) {
                yield $own;
                $own = [];
            }
        }
    }

    /**
     * Onto a row. It is long and changed at many places, so that it is never copied for one of them.
     *
     * @param  list<array{float, float}>  $stretches
     */
    private function lay(string &$bytes, array $stretches, Paint $paint, int $row): void
    {
        // How much is covered changes by so much at a pixel: a sum along the row gives the coverage of each.
        $edge = $steps = [];
        foreach ($stretches as [$from, $to]) {
            $from = max(0.0, $from);
            $to = min((float) $this->width, $to);
            if ($to <= $from) {
                continue;
            }
            [$a, $b] = [(int) $from, (int) $to];
            if ($a === $b) {
                $edge[$a] = ($edge[$a] ?? 0.0) + $to - $from;

                continue;
            }
            $edge[$a] = ($edge[$a] ?? 0.0) + $a + 1 - $from;
            if ($b < $this->width) {
                $edge[$b] = ($edge[$b] ?? 0.0) + $to - $b;
            }
            $steps[$a + 1] = ($steps[$a + 1] ?? 0) + 1;
            $steps[$b] = ($steps[$b] ?? 0) - 1;
        }
        $stops = array_keys($edge + $steps);
        foreach (array_keys($edge) as $x) {
            $stops[] = $x + 1;
        }
        $stops = array_unique($stops);
        sort($stops);
        $full = 0;
        foreach ($stops as $i => $x) {
            $full += $steps[$x] ?? 0;
            $next = $stops[$i + 1] ?? null;
            $share = ($full + ($edge[$x] ?? 0.0)) / self::LINES;
            if ($next === null || $x >= $this->width || $share <= 0.002) {
                continue;
            }
            $this->stretch($bytes, $x, min($next, $this->width), min(1.0, $share), $paint, $row);
        }
    }

    private function stretch(string &$bytes, int $from, int $to, float $share, Paint $paint, int $row): void
    {
        $wide = $this->clear ? 4 : 3;
        if ($paint->gradient === null && $paint->soft === null) {
            $c = $paint->colour;
            if ($share * $paint->opacity > 0.998) {
                $pixel = chr($c->red).chr($c->green).chr($c->blue).($this->clear ? "\xFF" : '');
                if ($to - $from > self::LONG) {
                    $bytes = substr_replace($bytes, str_repeat($pixel, $to - $from), $from * $wide, ($to - $from) * $wide);
                } else {
                    for ($i = $from * $wide, $end = $to * $wide; $i < $end; $i++) {
                        $bytes[$i] = $pixel[$i % $wide];
                    }
                }

                return;
            }
        }
        for ($x = $from; $x < $to; $x++) {
            $place = [($x + 0.5) / $this->scale, ($row + 0.5) / $this->scale];
            [$r, $g, $b, $opacity] = $paint->soft !== null ? self::soft($paint, ...$place) : ($paint->gradient === null
                ? [$paint->colour->red, $paint->colour->green, $paint->colour->blue, $paint->opacity]
                : Shade::at($paint->gradient, ...$place));
            $this->mix($bytes, $x * $wide, [$r, $g, $b], $share * $opacity);
        }
    }

    /** @return array{float|int, float|int, float|int, float} what a soft paint is at a place, mm: its main colour, as much of it as is seen */
    private static function soft(Paint $paint, float $x, float $y): array
    {
        $drawing = $paint->soft ?? throw new \LogicException;
        $main = $drawing->mainPaint();
        $tone = $paint->opacity * SoftTone::of($drawing)->at($x, $y);
        if ($main->gradient === null) {
            return [$main->colour->red, $main->colour->green, $main->colour->blue, $tone];
        }
        [$red, $green, $blue] = Shade::at($main->gradient, $x, $y);

        return [$red, $green, $blue, $tone];
    }

    /** @param  array{float|int, float|int, float|int}  $colour */
    private function mix(string &$bytes, int $at, array $colour, float $cover): void
    {
        $under = $this->clear ? ord($bytes[$at + 3]) / 255 : 1.0;
        $whole = $cover + $under * (1 - $cover);
        foreach ($colour as $k => $value) {
            $bytes[$at + $k] = chr((int) round($whole <= 0 ? 0 : ($value * $cover + ord($bytes[$at + $k]) * $under * (1 - $cover)) / $whole));
        }
        if ($this->clear) {
            $bytes[$at + 3] = chr((int) round(255 * $whole));
        }
    }
}
