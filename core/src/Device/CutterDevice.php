<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

use Closure;

/**
 * A cutter on a serial-to-network box: plotter language in small parts, after each of which it is asked where it stands. After a break its place tells how
 * much of
 * the part that was under way is done; the cut goes on from there, and no place is cut twice.
 */
final class CutterDevice implements Device
{
    /** Places of a part at most. */
    private const PLACES = 16;

    /** Steps of the machine a mm. */
    private const STEPS = 40.0;

    public static function about(): AboutDevice
    {
        return new AboutDevice(
            'cutter',
            'Vinyl cutter',
            'Takes plotter language over the network.',
            'plt',
            0.0,
            610.0,
            true,
            ['bedWidth' => 5000.0, 'bedHeight' => 610.0, 'blade' => 0.25],
        );
    }

    public static function takes(string $bytes): bool
    {
        return preg_match('/^\s*(IN|DF|PU|SP)[\s;]/', $bytes) === 1;
    }

    public static function parts(string $bytes): int
    {
        return count(self::parted($bytes));
    }

    public static function traced(string $bytes, int $done): array
    {
        $ways = [];
        $at = [0.0, 0.0];
        $down = false;
        foreach (array_slice(self::parted($bytes), 0, $done) as $part) {
            foreach ($part as $instruction) {
                $was = $down;
                $down = match (substr($instruction, 0, 2)) {
                    'PD' => true,
                    'PU', 'IN' => false,
                    default => $down,
                };
                $place = self::ends($instruction);
                if ($down && ! $was) {
                    $ways[] = $at;
                }
                if ($place !== null) {
                    $at = [$place[0] / self::STEPS, $place[1] / self::STEPS];
                    if ($down && $ways !== []) {
                        array_push($ways[count($ways) - 1], ...$at);
                    }
                }
            }
        }

        return $ways;
    }

    public static function send(string $bytes, string $name, Line $line, int $done, Closure $kept): void
    {
        $parts = self::parted($bytes);
        if ($done > 0 && $done < count($parts)) {
            $line->say('OA;');
            $done = self::goOn($parts, $done, self::place($line->answer()), $line);
            $kept($done);
        }
        for ($i = $done, $n = count($parts); $i < $n; $i++) {
            self::do($parts[$i], $line);
            $kept($i + 1);
        }
    }

    /**
     * Sends instructions and asks what was wrong, then where it stands: one question at a time, for two short answers in a row are held up on their way (by
     * 40 ms a
     * part, for want of something to confirm the first with).
     *
     * @param  list<string>  $instructions
     */
    private static function do(array $instructions, Line $line): void
    {
        $line->say(($instructions === [] ? '' : implode(';', $instructions).';').'OE;');
        self::mind($line->answer());
        $line->say('OA;');
        self::place($line->answer());
    }

    /**
     * Sends what is left of the part that was under way.
     *
     * @param  list<list<string>>  $parts
     * @param  array{int, int, int}  $at
     * @return int parts that are done
     */
    private static function goOn(array $parts, int $done, array $at, Line $line): int
    {
        $before = null;
        foreach (array_slice($parts, 0, $done) as $part) {
            foreach ($part as $instruction) {
                $before = self::ends($instruction) ?? $before;
            }
        }
        // No place stands twice in a part, nor the one at which the part before ended: where it stands tells what it did last. Whether its pen is down does not
        // matter: the next instruction says.
        $part = $parts[$done];
        for ($i = count($part) - 1; $i >= -1; $i--) {
            if (($i < 0 ? $before : self::ends($part[$i])) === [$at[0], $at[1]]) {
                $rest = array_slice($part, $i + 1);
                self::do($rest, $line);

                return $done + 1;
            }
        }
        throw MachineRefused::elsewhere();
    }

    /**
     * The instructions in parts, one place an instruction, none of whose places stands twice in a part or is the one before it.
     *
     * @return list<list<string>>
     */
    private static function parted(string $bytes): array
    {
        $runs = [];
        $now = [];
        $seen = [];
        $last = '';
        foreach (preg_split('/;/', $bytes) ?: [] as $text) {
            foreach (self::single(trim($text)) as $instruction) {
                $place = self::ends($instruction);
                $key = $place === null ? '' : implode(',', $place);
                if ($now !== [] && (count($now) >= self::PLACES || ($key !== '' && isset($seen[$key])))) {
                    $runs[] = $now;
                    $now = [];
                    $seen = $last === '' ? [] : [$last => true];
                }
                $now[] = $instruction;
                if ($place === null) {
                    // What moves nothing ends a part: said twice it does no harm.
                    $runs[] = $now;
                    $now = [];
                    $seen = $last === '' ? [] : [$last => true];
                } else {
                    $seen[$key] = true;
                    $last = $key;
                }
            }
        }
        if ($now !== []) {
            $runs[] = $now;
        }

        return $runs;
    }

    /** @return list<string> an instruction of many places as many of one */
    private static function single(string $text): array
    {
        if ($text === '' || preg_match('/^(PU|PD|PA)\s*([-\d].*)$/D', $text, $m) !== 1) {
            return $text === '' ? [] : [$text];
        }
        $numbers = preg_split('/[\s,]+/', trim($m[2])) ?: [];
        $single = [];
        for ($i = 0; $i + 1 < count($numbers); $i += 2) {
            $single[] = "{$m[1]}{$numbers[$i]},{$numbers[$i + 1]}";
        }

        return $single;
    }

    /** @return array{int, int}|null where an instruction leaves the head */
    private static function ends(string $instruction): ?array
    {
        return preg_match('/^P[UDA](-?\d+),(-?\d+)$/D', $instruction, $m) === 1 ? [(int) $m[1], (int) $m[2]] : ($instruction === 'IN' ? [0, 0] : null);
    }

    /** @return array{int, int, int} where the machine says that it stands, and whether its pen is down */
    private static function place(string $answer): array
    {
        if (trim($answer) === 'busy') {
            throw MachineRefused::busy();
        }

        return preg_match(
            '/^(-?\d+),(-?\d+),([01])$/D',
            trim($answer),
            $m,
        ) === 1 ? [(int) $m[1], (int) $m[2], (int) $m[3]] : throw MachineRefused::rubbish($answer);
    }

    private static function mind(string $answer): void
    {
        $answer = trim($answer);
        if ($answer === 'busy') {
            throw MachineRefused::busy();
        }
        match (true) {
            $answer === '0' => null,
            $answer === '6' => throw MachineRefused::because('The cutter refused a place: it lies beyond its bed.'),
            $answer === '7' => throw MachineRefused::because('The cutter is out of material. Put new material in and go on: what was cut is known.'),
            preg_match('/^\d+$/D', $answer) === 1 => throw MachineRefused::because("The cutter tells fault {$answer}."),
            default => throw MachineRefused::rubbish($answer),
        };
    }
}
