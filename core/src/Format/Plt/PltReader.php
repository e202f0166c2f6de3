<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Plt;

use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Pen;

/** Reads plotter language: lines with the pen down, arcs and circles, by pen. Letters and fills are left alone. */
final class PltReader
{
    private const MOST_PLACES = 1_000_000;

    /** @var array<string, list<Contour>> */
    private array $out = [];

    /** @var list<array{float, float}> the line that is being drawn */
    private array $line = [];

    private float $x = 0.0;

    private float $y = 0.0;

    private bool $down = false;

    private bool $relative = false;

    private string $pen = 'pen 1';

    /** @var array{float, float, float, float} from user units to mm: scales and shifts */
    private array $unit = [1 / PltWriter::STEPS, 1 / PltWriter::STEPS, 0.0, 0.0];

    /** @var array{float, float, float, float} corners that scaling refers to, steps */
    private array $corners = [0.0, 0.0, 10_000.0, 7_200.0];

    private int $places = 0;

    /**
     * @return array<string, list<Contour>> lines by pen, mm, y upwards
     *
     * @throws FileRefused
     */
    public static function lines(string $bytes): array
    {
        $self = new self;
        // Device control is no drawing.
        $text = preg_replace('/\x1B\.[A-Z@()]?[^:;]*[:;]?/', '', $bytes) ?? '';
        if (preg_match_all('/([A-Za-z]{2})([^A-Za-z;]*);?/', $text, $found, PREG_SET_ORDER) === false || $found === []) {
            throw FileRefused::because('The PLT file holds no instructions.');
        }
        foreach ($found as $number => [, $word, $rest]) {
            $values = preg_match_all('/[-+]?(?:\d+\.?\d*|\.\d+)/', $rest, $numbers) ? array_map(floatval(...), $numbers[0]) : [];
            foreach ($values as $value) {
                if (abs($value) > 1e8) {
                    throw FileRefused::because(sprintf('Instruction %d of the PLT file names a place that lies too far off.', $number + 1));
                }
            }
            $self->do(strtoupper($word), $values);
        }
        $self->lift();

        return array_filter($self->out, static fn (array $lines): bool => $lines !== []);
    }

    /** @param  list<float>  $v */
    private function do(string $word, array $v): void
    {
        match ($word) {
            'IN', 'DF' => $this->begin(),
            'SP' => $this->choose((int) ($v[0] ?? 0)),
            'PU' => $this->penUp($v),
            'PD' => $this->penDown($v),
            'PA' => $this->places($v, false),
            'PR' => $this->places($v, true),
            'AA' => $this->arc($v, false),
            'AR' => $this->arc($v, true),
            'CI' => $this->circle($v[0] ?? 0.0),
            'EA' => $this->box($v, false),
            'ER' => $this->box($v, true),
            'IP' => $this->corners = count($v) >= 4 ? [$v[0], $v[1], $v[2], $v[3]] : $this->corners,
            'SC' => $this->scale($v),
            default => null,
        };
    }

    private function begin(): void
    {
        $this->lift();
        $this->relative = false;
        $this->unit = [1 / PltWriter::STEPS, 1 / PltWriter::STEPS, 0.0, 0.0];
    }

    private function choose(int $pen): void
    {
        $this->lift();
        $this->pen = 'pen '.max(1, $pen);
    }

    /** @param  list<float>  $v */
    private function penUp(array $v): void
    {
        $this->lift();
        $this->places($v, $this->relative);
    }

    /** @param  list<float>  $v */
    private function penDown(array $v): void
    {
        $this->down = true;
        $this->places($v, $this->relative);
    }

    private function lift(): void
    {
        if (count($this->line) > 1) {
            $this->out[$this->pen][] = Contour::polygon($this->line, false);
        }
        $this->line = [];
        $this->down = false;
    }

    /** @param  list<float>  $v */
    private function places(array $v, bool $relative): void
    {
        $this->relative = $relative;
        for ($i = 0, $n = count($v) - 1; $i < $n; $i += 2) {
            $this->go($relative ? $this->x + $v[$i] : $v[$i], $relative ? $this->y + $v[$i + 1] : $v[$i + 1]);
        }
    }

    private function go(float $x, float $y): void
    {
        if (++$this->places > self::MOST_PLACES) {
            throw FileRefused::because(sprintf('The PLT file names more than %s places.', number_format(self::MOST_PLACES)));
        }
        if ($this->down) {
            if ($this->line === []) {
                $this->line[] = $this->mm($this->x, $this->y);
            }
            $this->line[] = $this->mm($x, $y);
        }
        $this->x = $x;
        $this->y = $y;
    }

    /** @return array{float, float} */
    private function mm(float $x, float $y): array
    {
        return [$x * $this->unit[0] + $this->unit[2], $y * $this->unit[1] + $this->unit[3]];
    }

    /** @param  list<float>  $v  middle, degrees, perhaps a chord's angle */
    private function arc(array $v, bool $relative): void
    {
        if (count($v) < 3) {
            return;
        }
        [$cx, $cy] = $relative ? [$this->x + $v[0], $this->y + $v[1]] : [$v[0], $v[1]];
        $r = hypot($this->x - $cx, $this->y - $cy);
        $from = atan2($this->y - $cy, $this->x - $cx);
        $sweep = deg2rad(max(-360.0, min(360.0, $v[2])));
        for ($k = 1, $n = max(4, (int) ceil(abs($sweep) / 0.05)); $k <= $n; $k++) {
            $this->go($cx + $r * cos($from + $sweep * $k / $n), $cy + $r * sin($from + $sweep * $k / $n));
        }
    }

    private function circle(float $radius): void
    {
        [$x, $y] = $this->mm($this->x, $this->y);
        $rx = abs($radius * $this->unit[0]);
        $ry = abs($radius * $this->unit[1]);
        if ($rx > 0 && $ry > 0) {
            $this->out[$this->pen][] = Contour::ellipse($x, $y, $rx, $ry);
        }
    }

    /** @param  list<float>  $v */
    private function box(array $v, bool $relative): void
    {
        if (count($v) < 2) {
            return;
        }
        [$x, $y] = $relative ? [$this->x + $v[0], $this->y + $v[1]] : [$v[0], $v[1]];
        $pen = new Pen;
        foreach ([[$this->x, $this->y], [$x, $this->y], [$x, $y], [$this->x, $y]] as $i => $p) {
            $i === 0 ? $pen->moveTo(...$this->mm(...$p)) : $pen->lineTo(...$this->mm(...$p));
        }
        $pen->close();
        $this->out[$this->pen] = [...($this->out[$this->pen] ?? []), ...$pen->contours()];
    }

    /** @param  list<float>  $v  least and most in x, then in y */
    private function scale(array $v): void
    {
        if (count($v) < 4 || $v[0] === $v[1] || $v[2] === $v[3]) {
            $this->unit = [1 / PltWriter::STEPS, 1 / PltWriter::STEPS, 0.0, 0.0];

            return;
        }
        $sx = ($this->corners[2] - $this->corners[0]) / ($v[1] - $v[0]) / PltWriter::STEPS;
        $sy = ($this->corners[3] - $this->corners[1]) / ($v[3] - $v[2]) / PltWriter::STEPS;
        $this->unit = [$sx, $sy, $this->corners[0] / PltWriter::STEPS - $v[0] * $sx, $this->corners[1] / PltWriter::STEPS - $v[2] * $sy];
    }
}
