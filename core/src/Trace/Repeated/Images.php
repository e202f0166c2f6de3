<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Trace\Curves;

/** Where the borders of a cluster come to lie when it is moved: on which others, and which way those run. */
final readonly class Images
{
    /** Of how many times what chance does to a place one of them may be off, and all of them in the mean. */
    private const MOST = 3.0;

    private const MEAN = 1.0;

    /** Dots that chance moves a place at least. */
    private const WITHIN = 0.25;

    /** An end that three borders share is told less well. */
    private const ENDS = 4.0;

    /**
     * @param  array<int, array{int, bool}>  $chains  by each chain: that on which it comes to lie, and whether that runs the same way
     * @param  array<int, int>  $nodes  by each node where some meet: the other
     * @param  float  $off  dots by which they differ, at most
     */
    private function __construct(public array $chains, public array $nodes, public float $off)
    {
    }

    /** @return float dots that chance moves a place of a picture of so much noise */
    public static function within(float $noise): float
    {
        return max(self::WITHIN, 2 * $noise);
    }

    /** @param  float  $within  see within() */
    public static function of(Curves $curves, Lying $lying, Cluster $from, Matrix $matrix, Cluster $to, float $within): ?self
    {
        $target = array_flip($to->chains);
        // The few first: most moves are wrong, and are told at once.
        foreach ([16, 1] as $every) {
            $all = self::lie($lying, $from, $matrix, $target, $within, $every);
            if ($all === null) {
                return null;
            }
        }
        [$onto, $off] = $all;
        $nodes = self::meetings($curves, $from, $matrix, $to, self::ENDS * $within);
        if ($nodes === null || count(array_unique($onto)) !== count($to->chains)) {
            return null;
        }
        $chains = [];
        foreach ($onto as $chain => $other) {
            $same = self::runsAlike($curves, $chain, $other, $nodes, $matrix->determinant() < 0);
            if ($same === null) {
                return null;
            }
            $chains[$chain] = [$other, $same];
        }

        return new self($chains, $nodes, $off);
    }

    /**
     * @param  array<int, int>  $target  chains on which it may come to lie, as keys
     * @return array{array<int, int>, float}|null by each chain that on which it lies, and how far off it is at most
     */
    private static function lie(Lying $lying, Cluster $from, Matrix $matrix, array $target, float $within, int $every): ?array
    {
        $onto = [];
        $most = 0.0;
        foreach ($from->chains as $chain) {
            $votes = [];
            [$sum, $count] = [0.0, 0];
            $places = $lying->places[$chain];
            for ($i = 0, $n = count($places); $i < $n; $i += $every) {
                [$x, $y] = $places[$i];
                [$off, $other] = $lying->near($matrix->a * $x + $matrix->c * $y + $matrix->e, $matrix->b * $x + $matrix->d * $y + $matrix->f);
                if ($off > self::MOST * $within || ! isset($target[$other])) {
                    return null;
                }
                $votes[$other] = ($votes[$other] ?? 0) + 1;
                $sum += $off;
                $count++;
                $most = max($most, $off);
            }
            if ($count === 0 || ($every === 1 && $sum / $count > self::MEAN * $within)) {
                return null;
            }
            arsort($votes);
            $onto[$chain] = (int) array_key_first($votes);
        }

        return [$onto, $most];
    }

    /** @return array<int, int>|null */
    private static function meetings(Curves $curves, Cluster $from, Matrix $matrix, Cluster $to, float $within): ?array
    {
        $nodes = [];
        foreach ($from->meeting as $node) {
            $at = $matrix->apply(...$curves->nodes[$node]);
            $least = $within;
            foreach ($to->meeting as $other) {
                $far = hypot($curves->nodes[$other][0] - $at->x, $curves->nodes[$other][1] - $at->y);
                if ($far <= $least) {
                    [$least, $nodes[$node]] = [$far, $other];
                }
            }
            if (! isset($nodes[$node])) {
                return null;
            }
        }

        return count(array_unique($nodes)) === count($to->meeting) ? $nodes : null;
    }

    /** @param  array<int, int>  $nodes */
    private static function runsAlike(Curves $curves, int $chain, int $other, array $nodes, bool $turnsOver): ?bool
    {
        [$a, $b] = $curves->ends($chain);
        [$c, $d] = $curves->ends($other);
        if (! isset($nodes[$a])) {
            return $c === $d && $a === $b ? ($curves->turnsRight($chain) === $curves->turnsRight($other)) !== $turnsOver : null;
        }
        if ($a === $b || $c === $d) {
            return $a === $b && $c === $d && $nodes[$a] === $c ? ($curves->turnsRight($chain) === $curves->turnsRight($other)) !== $turnsOver : null;
        }

        return match (true) {
            $nodes[$a] === $c && $nodes[$b] === $d => true,
            $nodes[$a] === $d && $nodes[$b] === $c => false,
            default => null,
        };
    }
}
