<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Trace\Curves;

/** A border that comes to lie on itself: a part of it, and the images of that part, one after the other. */
final readonly class Tiles
{
    /** Dots along the border within which a node counts as the place that is sought. */
    private const NEAR = 1.2;

    /** Cosine of the turn up to which two parts go on smoothly into each other. */
    private const SMOOTH = 0.985;

    /** Dots by which its places may be farther off, in the mean, than from what was drawn after each of them. */
    private const ALLOWED = 0.12;

    /** So many times the nodes that it had are still few. */
    private const MORE = 1.15;

    /** Nodes from which it is tried. */
    private const STARTS = 12;

    /** Parts of a border may differ in length by so much of it. */
    private const UNEVEN = 0.04;

    /**
     * @param  int  $order  of the move: 2 of a mirror
     * @return list<list<float>>|null as the border runs; none where it cannot be drawn so
     */
    public static function of(Curves $curves, int $chain, Matrix $matrix, int $order, float $within): ?array
    {
        $segments = $curves->segments($chain);
        [$first, $last] = $curves->ends($chain);
        if ($segments === []) {
            return null;
        }
        if ($matrix->determinant() < 0) {
            $drawn = Halved::of($segments, $first === $last, $matrix, $within);
        } else {
            $drawn = $first === $last && $order > 2 ? self::rounds($segments, $curves->turnsRight($chain), $matrix, $order) : [];
        }
        // Which half, or whether at all: what the dots of all of it say.
        $off = Seen::off($curves, $chain, $segments) + self::ALLOWED ** 2 * count($curves->places[$chain] ?? []);
        $best = null;
        foreach ($drawn as $one) {
            $own = Seen::off($curves, $chain, $one);
            if ($own < $off) {
                [$off, $best] = [$own, $one];
            }
        }

        return $best;
    }

    /**
     * @param  non-empty-list<list<float>>  $segments
     * @return list<list<list<float>>> as it is drawn from each of its nodes on: from where it turns the most, else from some
     */
    private static function rounds(array $segments, bool $right, Matrix $matrix, int $order): array
    {
        // Forwards along it: the move turns clockwise where its sine is more than none.
        $matrix = ($matrix->b > 0) === $right ? $matrix : $matrix->inverse();
        $count = count($segments);
        $corner = self::corner($segments);
        $drawn = [];
        for ($k = 0; $k < min($count, self::STARTS); $k++) {
            $first = ($corner + $k) % $count;
            $drawn[] = self::round([...array_slice($segments, $first), ...array_slice($segments, 0, $first)], $matrix, $order);
        }

        return array_values(array_filter($drawn));
    }

    /**
     * @param  list<list<float>>  $segments  from the node on at which its part begins
     * @return list<list<float>>|null
     */
    private static function round(array $segments, Matrix $matrix, int $order): ?array
    {
        $count = count($segments);
        $lengths = [0.0];
        foreach ($segments as $s) {
            $lengths[] = end($lengths) + Cubic::length($s);
        }
        $total = $lengths[$count];
        $goal = $matrix->apply($segments[0][0], $segments[0][1]);
        $about = $total / $order;
        [$best, $least] = [0.0, INF];
        foreach ($segments as $k => $s) {
            for ($step = 0; $step < 32; $step++) {
                $along = $lengths[$k] + ($lengths[$k + 1] - $lengths[$k]) * $step / 32;
                [$x, $y] = Cubic::placeOn($s, $step / 32);
                $far = hypot($x - $goal->x, $y - $goal->y);
                if (abs($along - $about) < self::UNEVEN * $total + self::NEAR && $far < $least) {
                    [$best, $least] = [$k + $step / 32, $far];
                }
            }
        }
        $near = (int) round($best);
        if ($near > 0 && $near < $count && hypot($segments[$near][0] - $goal->x, $segments[$near][1] - $goal->y) < self::NEAR) {
            $best = (float) $near;
        }
        if ($best <= 0 || $least > 2 * self::NEAR) {
            return null;
        }

        $part = Curves::between($segments, 0.0, $best);

        // What is round comes again so often as one likes: drawn so it would only have more nodes.
        return $order * count($part) > self::MORE * $count + 1 ? null : self::laid($part, $matrix, $order);
    }

    /**
     * @param  list<list<float>>  $part
     * @return list<list<float>>|null
     */
    private static function laid(array $part, Matrix $matrix, int $order): ?array
    {
        $last = count($part) - 1;
        if ($last < 0) {
            return null;
        }
        $end = $matrix->apply($part[0][0], $part[0][1]);
        $part[$last] = self::endingAt($part[$last], $end->x, $end->y);
        $part = self::smoothed($part, $matrix);
        $all = [];
        $power = Matrix::identity();
        for ($k = 0; $k < $order; $k++) {
            array_push($all, ...Moved::segments($part, $power));
            $power = $matrix->after($power);
        }

        return [...array_slice($all, 0, -1), self::endingAt($all[count($all) - 1], $all[0][0], $all[0][1])];
    }

    /**
     * Where the end goes on into the image of the beginning, it does so exactly.
     *
     * @param  non-empty-list<list<float>>  $part
     * @return non-empty-list<list<float>>
     */
    private static function smoothed(array $part, Matrix $matrix): array
    {
        $last = count($part) - 1;
        if (Cubic::isLine($part[0]) || Cubic::isLine($part[$last])) {
            return $part;
        }
        [$ux, $uy] = [$part[0][2] - $part[0][0], $part[0][3] - $part[0][1]];
        [$ux, $uy] = [$matrix->a * $ux + $matrix->c * $uy, $matrix->b * $ux + $matrix->d * $uy];
        [$vx, $vy] = [$part[$last][6] - $part[$last][4], $part[$last][7] - $part[$last][5]];
        [$u, $v] = [hypot($ux, $uy), hypot($vx, $vy)];
        if ($u < 1e-9 || $v < 1e-9 || ($ux * $vx + $uy * $vy) / ($u * $v) < self::SMOOTH) {
            return $part;
        }
        $part[$last][4] = $part[$last][6] - $ux / $u * $v;
        $part[$last][5] = $part[$last][7] - $uy / $u * $v;

        return $part;
    }

    /**
     * @param  list<float>  $s
     * @return list<float> its last handle goes along
     */
    private static function endingAt(array $s, float $x, float $y): array
    {
        return Cubic::isLine($s) ? Cubic::line($s[0], $s[1], $x, $y)
            : [$s[0], $s[1], $s[2], $s[3], $s[4] + $x - $s[6], $s[5] + $y - $s[7], $x, $y];
    }

    /**
     * @param  non-empty-list<list<float>>  $segments
     * @return int where it turns the most: a place that is told well
     */
    private static function corner(array $segments): int
    {
        [$best, $least] = [0, 2.0];
        $count = count($segments);
        foreach ($segments as $k => $s) {
            [$ux, $uy] = Cubic::speedOn($segments[($k + $count - 1) % $count], 1.0);
            [$vx, $vy] = Cubic::speedOn($s, 0.0);
            $long = hypot($ux, $uy) * hypot($vx, $vy);
            $cosine = $long > 0 ? ($ux * $vx + $uy * $vy) / $long : 1.0;
            if ($cosine < $least - 1e-6) {
                [$best, $least] = [$k, $cosine];
            }
        }

        return $best;
    }
}
