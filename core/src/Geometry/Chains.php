<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** Open lines whose ends meet become one; a chain that comes back to its start is closed. */
final class Chains
{
    /** Ends that are looked at where many meet. */
    private const MOST = 16;

    /**
     * @param  list<Contour>  $lines  open ones are joined, closed ones stay
     * @param  float  $near  mm within which ends meet
     * @return list<Contour>
     */
    public static function joined(array $lines, float $near): array
    {
        $joined = $open = [];
        foreach ($lines as $line) {
            $c = $line->coords;
            $n = count($c);
            if ($line->closed || $n < 8) {
                $joined[] = $line;
            } elseif ($n > 8 && hypot($c[$n - 2] - $c[0], $c[$n - 1] - $c[1]) <= $near) {
                $joined[] = self::closed($line->segments());
            } else {
                $open[] = $line;
            }
        }
        $ends = [];
        foreach ($open as $i => $line) {
            $c = $line->coords;
            $ends[self::key($c[0], $c[1], $near)][] = [$i, true];
            $ends[self::key($c[count($c) - 2], $c[count($c) - 1], $near)][] = [$i, false];
        }
        // Rings first: what only leads away from one, or to nowhere, is joined when they are closed.
        $away = self::leadingNowhere($open, $ends, $near);
        $used = $away;
        foreach ([...array_keys(array_diff_key($open, $away)), ...array_keys($away)] as $turn => $i) {
            if ($turn === count($open) - count($away)) {
                $used = array_diff_key($used, $away);
            }
            $line = $open[$i];
            if (isset($used[$i])) {
                continue;
            }
            $used[$i] = true;
            $chain = $line->segments();
            $chain = self::grown($chain, $open, $ends, $used, $near);
            $back = self::grown(self::reversed($chain), $open, $ends, $used, $near);
            $chain = count($back) > count($chain) ? self::reversed($back) : $chain;
            $last = $chain[count($chain) - 1];
            $joined[] = count($chain) > 1 && hypot(
                $last[6] - $chain[0][0],
                $last[7] - $chain[0][1],
            ) <= $near ? self::closed($chain) : Contour::ofSegments($chain, false);
        }

        return $joined;
    }

    /**
     * Lines that cannot be part of a ring: one of their ends meets no other, or only such that cannot.
     *
     * @param  list<Contour>  $open
     * @param  array<string, list<array{int, bool}>>  $ends
     * @return array<int, true>
     */
    private static function leadingNowhere(array $open, array $ends, float $near): array
    {
        /** @var array<int, array{list<array{int, bool, float}>, list<array{int, bool, float}>}> $meets by the end, the start second */
        $meets = [];
        /** @var array<int, array{int, int}> $count */
        $count = [];
        foreach ($open as $i => $line) {
            $c = $line->coords;
            $other = static fn (array $list): array => array_values(array_filter($list, static fn (array $one): bool => $one[0] !== $i));
            $end = $other(self::at($c[count($c) - 2], $c[count($c) - 1], $open, $ends, $near, self::MOST));
            $start = $other(self::at($c[0], $c[1], $open, $ends, $near, self::MOST));
            $meets[$i] = [$end, $start];
            $count[$i] = [count($end), count($start)];
        }
        $nowhere = [];
        $queue = array_keys(array_filter($count, static fn (array $own): bool => min($own) === 0));
        while ($queue !== []) {
            $i = array_pop($queue);
            if (isset($nowhere[$i])) {
                continue;
            }
            $nowhere[$i] = true;
            foreach ([...$meets[$i][0], ...$meets[$i][1]] as [$other, $fromStart]) {
                [$end, $start] = $count[$other];
                $count[$other] = [$end - ($fromStart ? 0 : 1), $start - ($fromStart ? 1 : 0)];
                if (! isset($nowhere[$other]) && $count[$other][$fromStart ? 1 : 0] === 0) {
                    $queue[] = $other;
                }
            }
        }

        return $nowhere;
    }

    /**
     * @param  list<Contour>  $open
     * @param  array<string, list<array{int, bool}>>  $ends
     * @param  int  $most  of them; where thousands meet, any few tell that some do
     * @return list<array{int, bool, float}> lines that begin or end there, by which end, and how far off
     */
    private static function at(float $x, float $y, array $open, array $ends, float $near, int $most = PHP_INT_MAX): array
    {
        $meeting = [];
        foreach ([-1, 0, 1] as $u) {
            foreach ([-1, 0, 1] as $v) {
                foreach ($ends[self::key($x + $u * $near, $y + $v * $near, $near)] ?? [] as [$i, $fromStart]) {
                    $c = $open[$i]->coords;
                    $d = $fromStart ? hypot($c[0] - $x, $c[1] - $y) : hypot($c[count($c) - 2] - $x, $c[count($c) - 1] - $y);
                    if ($d <= $near) {
                        $meeting[] = [$i, $fromStart, $d];
                        if (count($meeting) >= $most) {
                            return $meeting;
                        }
                    }
                }
            }
        }

        return $meeting;
    }

    private static function key(float $x, float $y, float $near): string
    {
        return (int) floor($x / $near).' '.(int) floor($y / $near);
    }

    /**
     * @param  list<list<float>>  $chain
     * @param  list<Contour>  $open
     * @param  array<string, list<array{int, bool}>>  $ends
     * @param  array<int, true>  $used  brought up to date
     * @return list<list<float>> with all that follows its end
     */
    private static function grown(array $chain, array $open, array $ends, array &$used, float $near): array
    {
        for (; ;) {
            $last = $chain[count($chain) - 1];
            $next = self::next($last[6], $last[7], $open, $ends, $used, $near);
            if ($next === null) {
                return $chain;
            }
            [$i, $fromStart] = $next;
            $used[$i] = true;
            $more = $fromStart ? $open[$i]->segments() : self::reversed($open[$i]->segments());
            $more[0] = [$last[6], $last[7], ...array_slice($more[0], 2)];
            array_push($chain, ...$more);
        }
    }

    /**
     * @param  list<Contour>  $open
     * @param  array<string, list<array{int, bool}>>  $ends
     * @param  array<int, true>  $used
     * @return array{int, bool}|null the nearest line that begins or ends there
     */
    private static function next(float $x, float $y, array $open, array $ends, array $used, float $near): ?array
    {
        $best = null;
        $least = $near;
        foreach (self::at($x, $y, $open, $ends, $near) as [$i, $fromStart, $d]) {
            if (! isset($used[$i]) && $d <= $least) {
                $least = $d;
                $best = [$i, $fromStart];
            }
        }

        return $best;
    }

    /**
     * @param  list<list<float>>  $segments
     * @return list<list<float>>
     */
    private static function reversed(array $segments): array
    {
        return array_map(Cubic::reversed(...), array_reverse($segments));
    }

    /** @param  list<list<float>>  $segments */
    private static function closed(array $segments): Contour
    {
        $last = count($segments) - 1;
        $segments[$last] = [...array_slice($segments[$last], 0, 6), $segments[0][0], $segments[0][1]];
        if (Cubic::isLine(Cubic::line(...array_slice($segments[$last], 0, 2), ...array_slice($segments[$last], 4, 2))) && hypot(
            $segments[$last][4] - $segments[$last][6],
            $segments[$last][5] - $segments[$last][7],
        ) < 1e-2 && $segments[$last][2] === $segments[$last][0]) {
            // A straight end stays straight when its last place is settled.
            $segments[$last] = Cubic::line($segments[$last][0], $segments[$last][1], $segments[0][0], $segments[0][1]);
        }

        return Contour::ofSegments($segments, true);
    }
}
