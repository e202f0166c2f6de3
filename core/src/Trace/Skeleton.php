<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Patience\Patience;

/**
 * A region thinned to a line of dots, as lines from end to end and from crossing to crossing.
 *
 * @source T. Y. Zhang and C. Y. Suen, "A fast parallel algorithm for thinning digital patterns", 1984
 */
final class Skeleton
{
    /** Neighbours of a dot, round from the one above. */
    private const ROUND = [[0, -1], [1, -1], [1, 0], [1, 1], [0, 1], [-1, 1], [-1, 0], [-1, -1]];

    /** @var array<int, true> */
    private array $dots = [];

    private function __construct(private readonly int $wide)
    {
    }

    /**
     * @param  list<array{int, int}>  $dots  of the region
     * @param  float  $width  dots that it is wide: a line that ends after less than about so much is none, but the corner of one
     * @return list<array{places: list<array{float, float}>, from: int|null, to: int|null, closed: bool}> with the numbers of the crossings at its ends;
     *                                                                                                 null where it ends freely
     */
    public static function of(array $dots, float $width): array
    {
        $skeleton = new self(1 << 16);
        foreach ($dots as [$x, $y]) {
            $skeleton->dots[($y + 1) * $skeleton->wide + $x + 1] = true;
        }
        $skeleton->thin();
        for ($round = 0; $round < 4; $round++) {
            $lines = $skeleton->lines();
            $spurs = array_filter($lines, static fn (array $line): bool => ! $line['closed'] && ($line['from'] === null) !== ($line['to'] === null)
                && count($line['dots']) < 0.9 * $width);
            if ($spurs === []) {
                break;
            }
            foreach ($spurs as $line) {
                foreach ($line['dots'] as $dot) {
                    unset($skeleton->dots[$dot]);
                }
            }
        }
        $wide = $skeleton->wide;

        return array_map(static fn (array $line): array => [
            'places' => array_map(static fn (int $dot): array => [$dot % $wide - 0.5, intdiv($dot, $wide) - 0.5], $line['dots']),
            'from' => $line['from'],
            'to' => $line['to'],
            'closed' => $line['closed'],
        ], $lines);
    }

    private function thin(): void
    {
        $edge = array_keys($this->dots);
        do {
            $gone = 0;
            foreach ([0, 1] as $pass) {
                $off = [];
                foreach ($edge as $dot) {
                    Patience::ask();
                    if ($this->isOff($dot, $pass)) {
                        $off[] = $dot;
                    }
                }
                foreach ($off as $dot) {
                    unset($this->dots[$dot]);
                }
                $gone += count($off);
                // Only what lies next to what went can go next.
                $next = [];
                foreach ($off as $dot) {
                    foreach (self::ROUND as [$dx, $dy]) {
                        $near = $dot + $dy * $this->wide + $dx;
                        if (isset($this->dots[$near])) {
                            $next[$near] = true;
                        }
                    }
                }
                foreach ($edge as $dot) {
                    if (isset($this->dots[$dot]) && $this->isEdge($dot)) {
                        $next[$dot] = true;
                    }
                }
                $edge = array_keys($next);
            }
        } while ($gone > 0);
    }

    private function isEdge(int $dot): bool
    {
        return ! isset($this->dots[$dot - 1], $this->dots[$dot + 1], $this->dots[$dot - $this->wide], $this->dots[$dot + $this->wide]);
    }

    private function isOff(int $dot, int $pass): bool
    {
        $round = [];
        foreach (self::ROUND as [$dx, $dy]) {
            $round[] = isset($this->dots[$dot + $dy * $this->wide + $dx]);
        }
        $count = count(array_filter($round));
        if ($count < 2 || $count > 6) {
            return false;
        }
        $turns = 0;
        foreach ($round as $i => $is) {
            $turns += ! $is && $round[($i + 1) & 7] ? 1 : 0;
        }
        if ($turns !== 1) {
            return false;
        }
        [$up, , $right, , $down, , $left] = $round;

        return $pass === 0 ? ! ($up && $right && $down) && ! ($right && $down && $left) : ! ($up && $right && $left) && ! ($up && $down && $left);
    }

    /** @return list<int> */
    private function around(int $dot): array
    {
        $found = [];
        foreach (self::ROUND as $i => [$dx, $dy]) {
            $near = $dot + $dy * $this->wide + $dx;
            // Across only where that is no way round a side.
            if (isset($this->dots[$near]) && ($i % 2 === 0 || (! isset($this->dots[$dot + $dx]) && ! isset($this->dots[$dot + $dy * $this->wide])))) {
                $found[] = $near;
            }
        }

        return $found;
    }

    /** @return list<array{dots: non-empty-list<int>, from: int|null, to: int|null, closed: bool}> */
    private function lines(): array
    {
        $around = $crossing = [];
        foreach (array_keys($this->dots) as $dot) {
            $around[$dot] = $this->around($dot);
        }
        // Dots with three neighbours that lie next to each other are one crossing.
        $number = 0;
        foreach ($around as $dot => $near) {
            if (count($near) > 2 && ! isset($crossing[$dot])) {
                $number++;
                for ($open = [$dot]; $open !== [];) {
                    $one = array_pop($open);
                    $crossing[$one] = $number;
                    foreach ($around[$one] as $next) {
                        if (count($around[$next]) > 2 && ! isset($crossing[$next])) {
                            $open[] = $next;
                        }
                    }
                }
            }
        }
        $lines = $used = [];
        foreach ($around as $dot => $near) {
            if (isset($crossing[$dot])) {
                foreach ($near as $next) {
                    if (! isset($crossing[$next]) && ! isset($used[$next])) {
                        $lines[] = $this->line($next, $crossing[$dot], $dot, $around, $crossing, $used);
                    }
                }
            }
        }
        foreach ([1, 2] as $ends) {
            foreach ($around as $dot => $near) {
                if (! isset($crossing[$dot]) && ! isset($used[$dot]) && count($near) <= $ends) {
                    $lines[] = $this->line($dot, null, null, $around, $crossing, $used);
                }
            }
        }

        return $lines;
    }

    /**
     * @param  array<int, list<int>>  $around
     * @param  array<int, int>  $crossing
     * @param  array<int, true>  $used
     * @return array{dots: non-empty-list<int>, from: int|null, to: int|null, closed: bool}
     */
    private function line(int $dot, ?int $from, ?int $before, array $around, array $crossing, array &$used): array
    {
        $dots = [$dot];
        $used[$dot] = true;
        for (; ;) {
            Patience::ask();
            $next = null;
            foreach ($around[$dot] as $near) {
                if ($near === $before) {
                    continue;
                }
                if (isset($crossing[$near])) {
                    return ['dots' => $dots, 'from' => $from, 'to' => $crossing[$near], 'closed' => false];
                }
                if (! isset($used[$near])) {
                    $next = $near;
                }
            }
            if ($next === null) {
                $closed = $from === null && count($dots) > 3 && in_array($dots[0], $around[$dot], true);

                return ['dots' => $dots, 'from' => $from, 'to' => null, 'closed' => $closed];
            }
            [$before, $dot] = [$dot, $next];
            $dots[] = $dot;
            $used[$dot] = true;
        }
    }
}
