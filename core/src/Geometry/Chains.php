<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** Open lines whose ends meet become one; a chain that comes back to its start is closed. */
final class Chains
{
    /**
     * @param  list<Contour>  $lines  open ones are joined, closed ones stay
     * @param  float  $near  mm within which ends meet
     * @return list<Contour>
     */
    public static function joined(array $lines, float $near): array
    {
        $out = $open = [];
        foreach ($lines as $line) {
            $c = $line->coords;
            $n = count($c);
            if ($line->closed || $n < 8) {
                $out[] = $line;
            } elseif ($n > 8 && hypot($c[$n - 2] - $c[0], $c[$n - 1] - $c[1]) <= $near) {
                $out[] = self::closed($line->segments());
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
        $used = [];
        foreach ($open as $i => $line) {
            if (isset($used[$i])) {
                continue;
            }
            $used[$i] = true;
            $chain = $line->segments();
            $chain = self::grown($chain, $open, $ends, $used, $near);
            $back = self::grown(self::reversed($chain), $open, $ends, $used, $near);
            $chain = count($back) > count($chain) ? self::reversed($back) : $chain;
            $last = $chain[count($chain) - 1];
            $out[] = count($chain) > 1 && hypot($last[6] - $chain[0][0], $last[7] - $chain[0][1]) <= $near ? self::closed($chain) : Contour::ofSegments($chain, false);
        }

        return $out;
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
        foreach ([-1, 0, 1] as $u) {
            foreach ([-1, 0, 1] as $v) {
                foreach ($ends[self::key($x + $u * $near, $y + $v * $near, $near)] ?? [] as [$i, $fromStart]) {
                    $c = $open[$i]->coords;
                    $d = $fromStart ? hypot($c[0] - $x, $c[1] - $y) : hypot($c[count($c) - 2] - $x, $c[count($c) - 1] - $y);
                    if (! isset($used[$i]) && $d <= $least) {
                        $least = $d;
                        $best = [$i, $fromStart];
                    }
                }
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
        if (Cubic::isLine(Cubic::line(...array_slice($segments[$last], 0, 2), ...array_slice($segments[$last], 4, 2))) && hypot($segments[$last][4] - $segments[$last][6], $segments[$last][5] - $segments[$last][7]) < 1e-2 && $segments[$last][2] === $segments[$last][0]) {
            // A straight end stays straight when its last place is settled.
            $segments[$last] = Cubic::line($segments[$last][0], $segments[$last][1], $segments[0][0], $segments[0][1]);
        }

        return Contour::ofSegments($segments, true);
    }
}
