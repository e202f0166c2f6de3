<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

/**
 * Borders that go on smoothly where another one ends on them are one: a disc that lies over two grounds has one round border, whatever meets it.
 *
 * A strand is the numbers of its chains, and whether each is travelled as it is told.
 *
 * @phpstan-type Strand array{chains: list<array{int, bool}>, closed: bool}
 */
final class Strands
{
    /** Radians that a border turns by at most where it goes on. */
    private const TURN = 0.3;

    /** Dots of a border, from where it has left the meeting, that tell how it comes in. */
    private const TOLD = [1.2, 9.0];

    /** Dots that two which go on lie beside each other at most. */
    private const OFF = 0.6;

    /**
     * @param  list<Chain>  $chains
     * @param  array<int, list<array{float, float}>>  $places
     * @param  array<string, array{float, float}>  $ends  see Ends
     * @return list<Strand>
     */
    public static function of(array $chains, array $places, array $ends): array
    {
        $meeting = [];
        foreach ($chains as $i => $chain) {
            if ($chain->closed || $chain->isFrame()) {
                continue;
            }
            [$ex, $ey] = $chain->end();
            // As they leave: the first place is the nearest.
            $meeting["{$chain->x} {$chain->y}"][] = [$i, true, $places[$i], $chain->left, $chain->right];
            $meeting["{$ex} {$ey}"][] = [$i, false, array_reverse($places[$i]), $chain->right, $chain->left];
        }
        $next = [];
        foreach ($meeting as $corner => $leaving) {
            $pair = self::through($leaving, $ends[$corner]);
            if ($pair !== null) {
                [[$a, $aOut], [$b, $bOut]] = $pair;
                // Who comes in on one goes out on the other.
                $next[2 * $a + (int) ! $aOut] = [$b, $bOut];
                $next[2 * $b + (int) ! $bOut] = [$a, $aOut];
            }
        }

        return self::joined(array_map(static fn (Chain $chain): bool => $chain->closed, $chains), $next);
    }

    /**
     * @param  list<array{int, bool, list<array{float, float}>, int, int}>  $leaving
     * @param  array{float, float}  $end
     * @return array{array{int, bool}, array{int, bool}}|null
     */
    private static function through(array $leaving, array $end): ?array
    {
        $best = null;
        $least = self::TURN;
        $told = [];
        foreach ($leaving as $k => [, , $places]) {
            $way = new Way([$end, ...$places], false);
            $near = array_slice($way->around(0, self::TOLD[0], self::TOLD[1]), 0, 14);
            $told[$k] = count($near) < 4 ? null : Local::at($near);
        }
        foreach ($leaving as $k => [$a, $aOut, , $aLeft, $aRight]) {
            foreach ($leaving as $m => [$b, $bOut, , $bLeft, $bRight]) {
                // Seen from the meeting, the same region is on the left of one and on the right of the other.
                if ($m <= $k || $a === $b || $told[$k] === null || $told[$m] === null || ($aLeft !== $bRight && $aRight !== $bLeft)) {
                    continue;
                }
                [$ax, $ay, $adx, $ady] = $told[$k];
                [$bx, $by, $bdx, $bdy] = $told[$m];
                $turn = abs(atan2($adx * -$bdy - $ady * -$bdx, -$adx * $bdx - $ady * $bdy));
                $off = abs(($bx - $ax) * ($ady - $bdy) - ($by - $ay) * ($adx - $bdx)) / max(1e-9, hypot($adx - $bdx, $ady - $bdy));
                if ($turn < $least && $off < self::OFF) {
                    [$least, $best] = [$turn, [[$a, $aOut], [$b, $bOut]]];
                }
            }
        }

        return $best;
    }

    /**
     * @param  array<int, bool>  $chains  whether each is closed by itself
     * @param  array<int, array{int, bool}>  $next  what goes on after a chain, travelled as told (odd) or back (even)
     * @return list<Strand>
     */
    public static function joined(array $chains, array $next): array
    {
        $strands = [];
        $used = [];
        foreach ($chains as $i => $closed) {
            if (isset($used[$i])) {
                continue;
            }
            // Back to where it begins, or round.
            $first = [$i, true];
            for ($seen = [$i => true]; isset($next[2 * $first[0] + (int) ! $first[1]]); $seen[$first[0]] = true) {
                [$k, $out] = $next[2 * $first[0] + (int) ! $first[1]];
                if (isset($seen[$k])) {
                    $closed = true;
                    break;
                }
                $first = [$k, ! $out];
            }
            $strand = [];
            for ($one = $first; $one !== null && ! isset($used[$one[0]]); $one = $next[2 * $one[0] + (int) $one[1]] ?? null) {
                $used[$one[0]] = true;
                $strand[] = $one;
            }
            $strands[] = ['chains' => $strand, 'closed' => $closed];
        }

        return $strands;
    }
}
