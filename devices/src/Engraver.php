<?php

declare(strict_types=1);

namespace NeatEdge\Devices;

/**
 * An engraver that takes numerical control line by line (docs/machines.md). Each line is answered, done or at fault; no more than a few may wait. Words of
 * its own:
 * begin NAME, also LINE (done but not counted), where, hold, go.
 */
final class Engraver extends Machine
{
    /** Lines that may wait. */
    private const WINDOW = 8;

    protected const HOLDS = 4096;

    private float $x = 0.0;

    private float $y = 0.0;

    private bool $on = false;

    /** Height of a spindle; null for a head that has none. */
    private ?float $z = null;

    private float $power = 0.0;

    private float $feed = 1800.0;

    private int $lines = 0;

    private bool $held = false;

    private bool $empty = false;

    /** It was told to end; what it did is not left yet. */
    private bool $ended = false;

    private string $name = '';

    /** @var list<array{float, float, float, float, float}> from, to and power of what was engraved */
    private array $burnt = [];

    private float $length = 0.0;

    protected function work(): bool
    {
        $end = strpos($this->buffer, "\n");
        if ($end === false) {
            return false;
        }
        if (substr_count($this->buffer, "\n") > self::WINDOW + 2) {
            $this->answer("fault 7 more lines than can wait\n");
            $this->buffer = '';

            return false;
        }
        $line = trim(substr($this->buffer, 0, $end));
        $word = strtolower((string) strtok($line, ' '));
        if ($this->held && ! in_array($word, ['go', 'where'], true)) {
            // What was sent waits; questions behind it are answered all the same.
            return $this->pluck();
        }
        $this->buffer = substr($this->buffer, $end + 1);
        $this->line($word, $line);

        return true;
    }

    /** Takes a word to the machine itself out of what waits. */
    private function pluck(): bool
    {
        if (preg_match('/^(go|where)\s*\n/mi', $this->buffer, $found, PREG_OFFSET_CAPTURE) !== 1) {
            usleep(5000);

            return false;
        }
        $this->buffer = substr_replace($this->buffer, '', $found[0][1], strlen($found[0][0]));
        $this->line(strtolower($found[1][0]), $found[1][0]);

        return true;
    }

    private function line(string $word, string $line): void
    {
        match ($word) {
            'begin' => $this->beginJob(trim(substr($line, 5))),
            'where' => $this->answer(sprintf(
                "at %.4F %.4F %s line %d %s %s\n",
                $this->x,
                $this->y,
                $this->on ? 'on' : 'off',
                $this->lines,
                $this->held ? 'held' : ($this->empty ? 'empty' : 'ready'),
                $this->name,
            )),
            'hold' => $this->held = true,
            'go' => $this->held = false,
            'also' => $this->say($this->control(substr($line, 5)), 'also'),
            'bed' => $this->answer(sprintf("bed %.2F %.2F\n", $this->width, $this->height)),
            default => $this->counted($line),
        };
    }

    private function beginJob(string $name): void
    {
        $this->begin("begin {$name}");
        $this->name = $name;
        $this->lines = 0;
        $this->burnt = [];
        $this->length = 0.0;
        $this->on = false;
        $this->answer("done begin\n");
    }

    private function counted(string $line): void
    {
        if ($this->empty) {
            $this->answer("fault 5 no plate on the bed\n");

            return;
        }
        $fault = $this->control($line);
        if ($fault === '') {
            $this->lines++;
        }
        if ($this->ended) {
            // What is left is whole before the last line is answered.
            $this->ended = false;
            $this->leave();
        }
        $this->say($fault, (string) $this->lines);
        if ($this->fail === 'empty' && ! $this->failed && $this->deeds >= $this->after) {
            $this->failed = $this->empty = true;
            $this->on = false;
            $this->note('no plate on the bed');
        }
    }

    private function say(string $fault, string $done): void
    {
        $this->answer($fault === '' ? "done {$done}\n" : "fault {$fault}\n");
    }

    protected function forget(): void
    {
        $this->buffer = '';
        $this->on = false;
        $this->empty = false;
        $this->held = false;
    }

    /** @return string what was wrong; nothing when it was done */
    private function control(string $line): string
    {
        $line = strtoupper(trim(preg_replace('/\(.*?\)|;.*$/', '', $line) ?? ''));
        if ($line === '') {
            return '';
        }
        if (preg_match_all('/([A-Z])\s*([-+]?\d*\.?\d+)/', $line, $found, PREG_SET_ORDER) === 0) {
            return "2 not understood: {$line}";
        }
        $words = [];
        $moves = null;
        foreach ($found as [, $letter, $number]) {
            if ($letter === 'G' && in_array((int) $number, [0, 1, 2, 3], true)) {
                $moves = (int) $number;
            } elseif ($letter === 'G' && ! in_array((int) $number, [17, 21, 90], true)) {
                return "3 not known: G{$number}";
            } elseif ($letter === 'M') {
                $this->switch((int) $number);
            } else {
                $words[$letter] = (float) $number;
            }
        }
        $this->power = $words['S'] ?? $this->power;
        $this->feed = $words['F'] ?? $this->feed;
        if (isset($words['Z'])) {
            $this->z = $words['Z'];
            $this->rest();
            $this->spend($this->lift);
        }

        return $moves === null || (! isset($words['X']) && ! isset($words['Y'])) ? '' : $this->move($moves, $words);
    }

    private function switch(int $code): void
    {
        if ($code === 3 || $code === 4) {
            $this->on = true;
        } elseif ($code === 5) {
            $this->on = false;
        } elseif ($code === 2) {
            $this->rest();
            $this->note('done');
            $this->ended = true;
        }
    }

    /** @param  array<string, float>  $words */
    private function move(int $kind, array $words): string
    {
        $x = $words['X'] ?? $this->x;
        $y = $words['Y'] ?? $this->y;
        if ($x < -0.05 || $y < -0.05 || $x > $this->width + 0.05 || $y > $this->height + 0.05) {
            $this->note(sprintf('refused %.2f, %.2f mm: beyond the bed', $x, $y));

            return '6 beyond the bed';
        }
        $places = $kind >= 2 ? $this->arc($kind, $x, $y, $words['I'] ?? 0.0, $words['J'] ?? 0.0) : [[$x, $y]];
        foreach ($places as [$px, $py]) {
            $mm = hypot($px - $this->x, $py - $this->y);
            if ($kind > 0 && $this->on && $this->power > 0 && ($this->z === null || $this->z <= 0.0)) {
                $this->burnt[] = [$this->x, $this->y, $px, $py, $this->power];
                $this->length += $mm;
            }
            $kind === 0 ? $this->fly($px - $this->x, $py - $this->y) : $this->along($px - $this->x, $py - $this->y, max(0.1, $this->feed / 60));
            [$this->x, $this->y] = [$px, $py];
        }

        return '';
    }

    /** @return list<array{float, float}> */
    private function arc(int $kind, float $x, float $y, float $i, float $j): array
    {
        [$cx, $cy] = [$this->x + $i, $this->y + $j];
        $r = hypot($i, $j);
        $from = atan2($this->y - $cy, $this->x - $cx);
        $sweep = atan2($y - $cy, $x - $cx) - $from;
        $sweep = $kind === 3 ? ($sweep <= 1e-9 ? $sweep + 2 * M_PI : $sweep) : ($sweep >= -1e-9 ? $sweep - 2 * M_PI : $sweep);
        $places = [];
        for ($k = 1, $n = max(2, (int) ceil(abs($sweep) / 0.05)); $k < $n; $k++) {
            $places[] = [$cx + $r * cos($from + $sweep * $k / $n), $cy + $r * sin($from + $sweep * $k / $n)];
        }

        return [...$places, [$x, $y]];
    }

    protected function drawing(): string
    {
        $drawing = self::head($this->width, $this->height).sprintf(
            "<g transform=\"matrix(1 0 0 -1 0 %.2F)\" fill=\"none\" stroke=\"#3a2c1a\" stroke-width=\".1\" stroke-linecap=\"round\">\n",
            $this->height,
        );
        $d = '';
        $last = [INF, INF];
        foreach ($this->burnt as [$ax, $ay, $bx, $by]) {
            $d .= ($last === [$ax, $ay] ? '' : sprintf('M%.4F %.4F', $ax, $ay)).sprintf('L%.4F %.4F', $bx, $by);
            $last = [$bx, $by];
        }

        return $drawing."<path d=\"{$d}\"/></g></svg>\n";
    }

    protected function numbers(): array
    {
        return [
            'machine' => 'engraver',
            'name' => $this->name,
            'lines' => $this->lines,
            'engraved_mm' => round($this->length, 3),
            'strokes' => count($this->burnt),
        ];
    }
}
