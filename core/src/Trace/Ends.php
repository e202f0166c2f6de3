<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

/** Where three borders or more meet: the place that lies nearest to what each of them, told from its places nearby, comes in along. */
final class Ends
{
    /** Dots of a border, from where it has left its end's dots, from which it is told how it comes in. */
    private const TOLD = [1.3, 7.0];

    /** Dots that a meeting lies beside the corner of dots at most. */
    private const OFF = 1.4;

    /** What the corner of dots counts itself, and what the frame of a picture does, beside one border. */
    private const CORNER = 0.04;

    private const FRAME = 1e6;

    /**
     * @param  list<Chain>  $chains
     * @param  array<int, list<array{float, float}>>  $places  of each chain
     * @return array<string, array{float, float}> by the corner of dots, "x y"
     */
    public static function of(array $chains, array $places): array
    {
        $meeting = [];
        foreach ($chains as $i => $chain) {
            if ($chain->closed) {
                continue;
            }
            [$ex, $ey] = $chain->end();
            $meeting["{$chain->x} {$chain->y}"][] = self::line($places[$i], $chain, $chain->steps[0]);
            $meeting["{$ex} {$ey}"][] = self::line(array_reverse($places[$i]), $chain, $chain->steps[count($chain->steps) - 1]);
        }
        $found = [];
        foreach ($meeting as $corner => $lines) {
            [$x, $y] = array_map(floatval(...), explode(' ', $corner));
            $found[$corner] = self::nearest($x, $y, $lines);
        }

        return $found;
    }

    /**
     * @param  list<array{float, float}>  $places  from the end on
     * @param  int  $way  of the step at that end
     * @return array{float, float, float, float, float}|null a place and a direction of what comes in, and what it counts
     */
    private static function line(array $places, Chain $chain, int $way): ?array
    {
        if ($chain->isFrame()) {
            return [...$places[0], ($way & 1) === 0 ? 1.0 : 0.0, ($way & 1) === 0 ? 0.0 : 1.0, self::FRAME];
        }
        $way = new Way($places, false);
        $told = array_slice($way->around(0, self::TOLD[0] - 0.5, self::TOLD[1] - 0.5), 0, 12);
        if (count($told) < 3) {
            return null;
        }
        [$x, $y, $dx, $dy] = Local::at($told);

        return $dx === 0.0 && $dy === 0.0 ? null : [$x, $y, $dx, $dy, 1.0];
    }

    /**
     * Where lines cross that were told by a place and a direction each.
     *
     * @param  non-empty-list<array{float, float, float, float}>  $lines
     * @return array{float, float}
     */
    public static function crossing(array $lines): array
    {
        $x = array_sum(array_column($lines, 0)) / count($lines);
        $y = array_sum(array_column($lines, 1)) / count($lines);

        return self::nearest($x, $y, array_map(static fn (array $line): array => [...$line, 1.0], $lines), INF);
    }

    /**
     * Least squares of the distances to lines.
     *
     * @param  list<array{float, float, float, float, float}|null>  $lines
     * @param  float  $most  dots that it may lie off the place that it is sought from
     * @return array{float, float}
     */
    private static function nearest(float $x, float $y, array $lines, float $most = self::OFF): array
    {
        [$a, $b, $c, $u, $v] = [self::CORNER, 0.0, self::CORNER, 0.0, 0.0];
        foreach (array_filter($lines) as [$px, $py, $dx, $dy, $weight]) {
            [$nx, $ny] = [-$dy, $dx];
            $off = $nx * ($px - $x) + $ny * ($py - $y);
            $a += $weight * $nx * $nx;
            $b += $weight * $nx * $ny;
            $c += $weight * $ny * $ny;
            $u += $weight * $nx * $off;
            $v += $weight * $ny * $off;
        }
        $det = $a * $c - $b * $b;
        if (abs($det) < 1e-12) {
            return [$x, $y];
        }
        $mx = ($u * $c - $v * $b) / $det;
        $my = ($a * $v - $b * $u) / $det;
        $off = hypot($mx, $my);
        $share = $off > $most ? $most / $off : 1.0;

        return [$x + $share * $mx, $y + $share * $my];
    }
}
