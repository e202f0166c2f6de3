<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Trace\Curves;

/** A border that mirrors itself: cut where it meets the axis, one half kept, the other its reflection. */
final class Halved
{
    /** Dots from the axis within which a node lies on it. */
    private const NEAR = 1.0;

    /** Sine of the angle up to which what meets the axis nearly squarely does so exactly, of curves and of lines. */
    private const SQUARE = 0.15;

    private const LEVEL = 0.04;

    /**
     * @param  list<list<float>>  $segments
     * @param  Matrix  $mirror  a reflection
     * @return list<list<list<float>>> as it is with either half kept; none where it cannot be drawn so
     */
    public static function of(array $segments, bool $closed, Matrix $mirror, float $within): array
    {
        // The axis is laid upright: a reflection changes one sign, and what lies on it has exactly 0.
        $lay = self::laid($mirror);
        $segments = Moved::segments($segments, $lay);
        if (! $closed && self::liesOn($segments)) {
            $last = $segments[count($segments) - 1];

            return [Moved::segments([Cubic::line(0.0, $segments[0][1], 0.0, $last[7])], $lay->inverse())];
        }
        $cuts = self::cuts($segments, $closed);
        if (count($cuts) !== ($closed ? 2 : 1)) {
            return [];
        }
        $total = (float) count($segments);
        if ($closed) {
            $before = $cuts[0] < 1e-3 ? [] : Curves::between($segments, 0.0, $cuts[0]);
            $rings = [
                self::ring(Curves::between($segments, $cuts[0], $cuts[1]), $within),
                self::ring([...Curves::between($segments, $cuts[1], $total), ...$before], $within),
            ];
        } else {
            $rings = [
                self::bow(Curves::between($segments, 0.0, $cuts[0]), $within),
                Curves::reversed(self::bow(Curves::reversed(Curves::between($segments, $cuts[0], $total)), $within)),
            ];
        }

        return array_map(static fn (array $ring): array => Moved::segments($ring, $lay->inverse()), array_values(array_filter($rings)));
    }

    /**
     * @param  list<list<float>>  $half  from the axis to the axis
     * @return list<list<float>>
     */
    private static function ring(array $half, float $within): array
    {
        $half = self::onAxis(Curves::reversed(self::onAxis(Curves::reversed($half))));
        $ring = self::joined([...$half, ...self::reflected($half)], count($half) - 1, $within);
        if ($ring === []) {
            return [];
        }
        // The other join lies between the last and the first.
        $ring = [...array_slice($ring, 1), $ring[0]];

        return self::joined($ring, count($ring) - 2, $within);
    }

    /**
     * @param  list<list<float>>  $half  to the axis
     * @return list<list<float>>
     */
    private static function bow(array $half, float $within): array
    {
        $half = self::onAxis($half);

        return self::joined([...$half, ...self::reflected($half)], count($half) - 1, $within);
    }

    /** To where the axis of a reflection is upright and runs through the middle. */
    private static function laid(Matrix $mirror): Matrix
    {
        $angle = 0.5 * rad2deg(atan2($mirror->b, $mirror->a));

        // What lies halfway between a place and its image lies on the axis.
        return Matrix::rotation(90 - $angle)->after(Matrix::translation(-$mirror->e / 2, -$mirror->f / 2));
    }

    /** @param  list<list<float>>  $segments */
    private static function liesOn(array $segments): bool
    {
        foreach (Lying::places($segments) as [$x]) {
            if (abs($x) > self::NEAR) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<list<float>>  $segments
     * @return list<float> where it goes over the axis: the number of a segment and the share of it, at a node where one is near
     */
    private static function cuts(array $segments, bool $closed): array
    {
        $cuts = [];
        foreach ($segments as $k => $s) {
            if (abs($s[0]) <= self::NEAR && ($closed || $k > 0)) {
                $cuts[] = (float) $k;
            }
            foreach (Cubic::crossings($s, 1.0, 0.0, 0.0) as $t) {
                $y = Cubic::placeOn($s, $t)[1];
                $starts = abs($s[0]) <= self::NEAR && abs($y - $s[1]) <= 4 * self::NEAR;
                $ends = abs($s[6]) <= self::NEAR && abs($y - $s[7]) <= 4 * self::NEAR;
                if (! $starts && ! $ends) {
                    $cuts[] = $k + $t;
                }
            }
        }

        return $cuts;
    }

    /**
     * @param  list<list<float>>  $half
     * @return list<list<float>> its end on the axis, squarely where it nearly is
     */
    private static function onAxis(array $half): array
    {
        $last = count($half) - 1;
        if ($last < 0) {
            return $half;
        }
        $s = $half[$last];
        if (Cubic::isLine($s)) {
            $level = abs($s[7] - $s[1]) <= self::LEVEL * abs($s[6] - $s[0]);
            $half[$last] = Cubic::line($s[0], $s[1], 0.0, $level ? $s[1] : $s[7]);

            return $half;
        }
        $long = hypot($s[4] - $s[6], $s[5] - $s[7]);
        $square = $long > 0 && abs($s[5] - $s[7]) <= self::SQUARE * $long;
        $half[$last] = [$s[0], $s[1], $s[2], $s[3], $s[4] - $s[6], $square ? $s[7] : $s[5], 0.0, $s[7]];

        return $half;
    }

    /**
     * @param  list<list<float>>  $half
     * @return list<list<float>> the other half, as it goes on from the axis
     */
    private static function reflected(array $half): array
    {
        return Curves::reversed(Moved::segments($half, Matrix::scaling(-1, 1)));
    }

    /**
     * Two halves of one line, or of one curve, are one again: no node stays on the axis.
     *
     * @param  list<list<float>>  $ring
     * @param  int  $at  number of the segment that ends on the axis
     * @return list<list<float>>
     */
    private static function joined(array $ring, int $at, float $within): array
    {
        if ($at < 0 || $at + 1 >= count($ring)) {
            return $ring;
        }
        $s = $ring[$at];
        if (Cubic::isLine($s) && $s[1] === $s[7]) {
            $one = Cubic::line($s[0], $s[1], -$s[0], $s[1]);
        } else {
            $one = self::whole($s, $within);
        }
        if ($one === null) {
            return $ring;
        }

        return [...array_slice($ring, 0, $at), $one, ...array_slice($ring, $at + 2)];
    }

    /**
     * @param  list<float>  $s  a half that meets the axis squarely
     * @return list<float>|null the curve of which it is a half, where that keeps within so many dots of it
     */
    private static function whole(array $s, float $within): ?array
    {
        if (Cubic::isLine($s) || $s[5] !== $s[7]) {
            return null;
        }
        [$ax, $ay] = [$s[2] - $s[0], $s[3] - $s[1]];
        $rise = $s[7] - $s[1];
        // The middle of a curve and its reflection lies three quarters of its handle's height above its ends.
        $scale = abs($ay) > 0.02 * hypot($ax, $ay) ? $rise / (0.75 * $ay) : 2.0;
        if ($scale < 1.0 || $scale > 4.0) {
            return null;
        }
        $one = [$s[0], $s[1], $s[0] + $scale * $ax, $s[1] + $scale * $ay, -$s[0] - $scale * $ax, $s[1] + $scale * $ay, -$s[0], $s[1]];
        for ($k = 1; $k <= 8; $k++) {
            [$x, $y] = Cubic::placeOn($s, $k / 8);
            $least = INF;
            for ($i = 0; $i <= 64; $i++) {
                [$u, $v] = Cubic::placeOn($one, $i / 128);
                $least = min($least, hypot($u - $x, $v - $y));
            }
            // The places that are compared are a little apart themselves.
            if ($least > $within + hypot($s[6] - $s[0], $rise) / 64) {
                return null;
            }
        }

        return $one;
    }
}
