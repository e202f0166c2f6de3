<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

use Closure;

/**
 * An engraver that takes numerical control line by line and counts the lines (docs/machines.md). No more lines are on their way than it can hold. After a
 * break it is
 * asked how many it did, and what held when it stopped is said again before the next.
 */
final class EngraverDevice implements Device
{
    /** Lines on their way at most; the machine holds eight. */
    private const WINDOW = 6;

    public static function about(): AboutDevice
    {
        return new AboutDevice(
            'engraver', 'Engraver', 'Takes G-code line by line.', 'gcode', 600.0, 400.0, false,
            ['bedWidth' => 600.0, 'bedHeight' => 400.0, 'lift' => 0.0],
        );
    }

    public static function takes(string $bytes): bool
    {
        return preg_match('/^\s*(\(|;|G\d|M\d|%)/', $bytes) === 1 && ! str_starts_with($bytes, '%PDF-');
    }

    public static function parts(string $bytes): int
    {
        return count(self::lines($bytes));
    }

    public static function traced(string $bytes, int $done): array
    {
        $ways = [];
        [$x, $y, $on, $turns, $low] = [0.0, 0.0, false, false, true];
        foreach (array_slice(self::lines($bytes), 0, $done) as $text) {
            $was = $on;
            // A laser is on or off; a spindle that turns marks only when it is let down.
            $turns = preg_match('/\bM([345])\b/', $text, $m) === 1 ? $m[1] !== '5' : $turns;
            $low = preg_match('/Z(-?[\d.]+)/', $text, $m) === 1 ? (float) $m[1] < 0.0 : $low;
            $on = $turns && $low;
            if ($on && ! $was) {
                $ways[] = [$x, $y];
            }
            if (preg_match('/X(-?[\d.]+) Y(-?[\d.]+)/', $text, $m) !== 1) {
                continue;
            }
            [$ax, $ay, $x, $y] = [$x, $y, (float) $m[1], (float) $m[2]];
            if ($on && $ways !== [] && ! str_starts_with($text, 'G0')) {
                array_push($ways[count($ways) - 1], ...self::round($text, $ax, $ay, $x, $y), ...[$x, $y]);
            }
        }

        return $ways;
    }

    /** @return list<float> places along an arc before its end, packed; nothing for a straight way */
    private static function round(string $text, float $ax, float $ay, float $x, float $y): array
    {
        if (preg_match('/^G([23]) .*I(-?[\d.]+) J(-?[\d.]+)/', $text, $m) !== 1) {
            return [];
        }
        [$cx, $cy] = [$ax + (float) $m[2], $ay + (float) $m[3]];
        $from = atan2($ay - $cy, $ax - $cx);
        $sweep = atan2($y - $cy, $x - $cx) - $from;
        // 2 goes clockwise where y grows upwards.
        $sweep += $m[1] === '2' ? ($sweep >= 0 ? -2 * M_PI : 0.0) : ($sweep <= 0 ? 2 * M_PI : 0.0);
        $steps = max(1, (int) ceil(abs($sweep) / 0.2));
        $radius = hypot($ax - $cx, $ay - $cy);
        $places = [];
        for ($k = 1; $k < $steps; $k++) {
            $places[] = $cx + $radius * cos($from + $sweep * $k / $steps);
            $places[] = $cy + $radius * sin($from + $sweep * $k / $steps);
        }

        return $places;
    }

    public static function send(string $bytes, string $name, Line $line, int $done, Closure $kept): void
    {
        $lines = self::lines($bytes);
        if ($done === 0) {
            $line->say('begin '.self::word($name)."\n");
            self::mind($line->answer());
        } else {
            $done = self::goOn($lines, $done, $name, $line);
            $kept($done);
        }
        $sent = $done;
        try {
            for ($n = count($lines); $done < $n;) {
                while ($sent < $n && $sent - $done < self::WINDOW) {
                    $line->say($lines[$sent++]."\n");
                }
                self::mind($line->answer());
                $done++;
                // The machine counts, too, and is asked after a break: what is kept may lag behind.
                $kept($done, $done === $n);
            }
        } catch (LineLost|MachineRefused $broke) {
            $kept($done, true);
            throw $broke;
        }
    }

    /** @param  list<string>  $lines */
    private static function goOn(array $lines, int $done, string $name, Line $line): int
    {
        $line->say("where\n");
        $answer = $line->answer();
        if (preg_match('/^at (-?[\d.]+) (-?[\d.]+) (on|off) line (\d+) (\w+) (.*)$/D', $answer, $m) !== 1) {
            self::mind($answer);
            throw MachineRefused::rubbish($answer);
        }
        if ($m[6] !== self::word($name) || (int) $m[4] < $done || (int) $m[4] > count($lines)) {
            throw MachineRefused::elsewhere();
        }
        $done = (int) $m[4];
        foreach (self::held(array_slice($lines, 0, $done), (float) $m[1], (float) $m[2]) as $said) {
            $line->say("also {$said}\n");
            self::mind($line->answer());
        }

        return $done;
    }

    /**
     * What held after some lines: the place first, with the head off, then power, speed and whether it is on.
     *
     * @param  list<string>  $lines
     * @return list<string>
     */
    private static function held(array $lines, float $x, float $y): array
    {
        $power = $feed = $depth = null;
        $on = false;
        foreach ($lines as $text) {
            $power = preg_match('/S(\d+(?:\.\d+)?)/', $text, $m) === 1 ? $m[1] : $power;
            $feed = preg_match('/F(\d+(?:\.\d+)?)/', $text, $m) === 1 ? $m[1] : $feed;
            $depth = preg_match('/Z(-?\d+(?:\.\d+)?)/', $text, $m) === 1 ? $m[1] : $depth;
            $on = preg_match('/\bM([345])\b/', $text, $m) === 1 ? $m[1] !== '5' : $on;
        }

        return array_values(array_filter([
            'G21 G90 G17',
            'M5',
            sprintf('G0 X%.4F Y%.4F', $x, $y),
            $feed === null ? null : "G1 F{$feed}",
            $depth === null ? null : "G0 Z{$depth}",
            $on ? 'M3 S'.($power ?? '0') : null,
        ]));
    }

    private static function mind(string $answer): void
    {
        $answer = trim($answer);
        match (true) {
            str_starts_with($answer, 'done') => null,
            $answer === 'busy' => throw MachineRefused::busy(),
            str_starts_with($answer, 'fault 5') => throw MachineRefused::because('The engraver has no plate on its bed. Lay one on and go on: what was'
                .' done is known.'),
            str_starts_with($answer, 'fault 6') => throw MachineRefused::because('The engraver refused a place: it lies beyond its bed.'),
            str_starts_with($answer, 'fault') => throw MachineRefused::because('The engraver tells a fault: '.mb_substr(
                preg_replace('/[^\x20-\x7E]/', '?', substr($answer, 6)) ?? '',
                0,
                80,
            ).'.'),
            default => throw MachineRefused::rubbish($answer),
        };
    }

    /** @return list<string> without what is only said for people */
    private static function lines(string $bytes): array
    {
        return array_values(array_filter(
            array_map(static fn (string $line): string => trim(preg_replace('/\(.*?\)/', '', $line) ?? ''), preg_split('/\R/', $bytes) ?: []),
            static fn (string $line): bool => $line !== '',
        ));
    }

    private static function word(string $name): string
    {
        return substr(trim(preg_replace('/[^\w.-]+/', '-', $name) ?? '', '-'), 0, 80) ?: 'job';
    }
}
