<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Patience\Patience;

/**
 * Where two smooth stretches of a border, each told from a few places, meet at an angle that chance does not explain. The corner is where they cross, not the
 * rounded place that a dot shows there.
 *
 * A corner is told by the dots along the way, its place and the radians that it turns by.
 *
 * @phpstan-type Corner array{at: float, x: float, y: float, turn: float}
 */
final class Corners
{
    /** Dots beside a corner whose places it has spoiled. */
    public const SPOILED = 1.7;

    /** Where stretches are short: nearer to each other corners would not be seen. */
    private const SPOILED_SHORT = 1.1;

    /**
     * Dots of a stretch, radians that a corner then has at least, dots beside it that are left out: short ones see corners near each other, long ones
     * blunt ones.
     */
    private const SCALES = [[5.0, 0.6, self::SPOILED_SHORT], [6.5, 0.55, self::SPOILED], [9.0, 0.36, self::SPOILED], [13.0, 0.24, self::SPOILED]];

    /** Dots between two corners. */
    private const APART = 2.2;

    /** Dots that a corner may stand off from the place nearest to it, times the sine of half of its angle. */
    private const OFF = 0.9;

    /** Dots that a place beside a corner may lie off both of its sides: more is a rounding. */
    private const ROUND = 0.36;

    /** Mean square of what a stretch may leave over, in squares of the noise. */
    private const LEFT_OVER = 14.0;

    /** What a smooth bend leaves over at most, in shares of the noise. */
    private const BENT = 1.5;

    /**
     * @param  float  $keen  1 as chance asks for; at more, blunter ones are corners, too
     * @return list<Corner> along the way
     */
    public static function of(Way $way, float $noise, float $keen = 1.0): array
    {
        $found = [];
        foreach (self::SCALES as [$long, $least, $spoiled]) {
            $long *= 1 + 2.5 * max(0.0, $noise - 0.03);
            $least *= (1 + 5.0 * max(0.0, $noise - 0.03)) / $keen;
            if ($way->length < ($way->closed ? 2 : 1) * 4.0) {
                continue;
            }
            $long = $way->closed ? min($long, $way->length / 4) : $long;
            $found = self::with($way, $found, $long, $least, $spoiled, $noise);
        }
        usort($found, static fn (array $a, array $b): int => $a['at'] <=> $b['at']);

        return $found;
    }

    /**
     * @param  list<Corner>  $found  at shorter stretches: none reaches beyond one of them
     * @return list<Corner>
     */
    private static function with(Way $way, array $found, float $long, float $least, float $spoiled, float $noise): array
    {
        $candidates = [];
        $n = count($way->places);
        for ($i = 0; $i < $n; $i++) {
            Patience::ask(2);
            $at = $way->at[$i];
            [$before, $after] = [$long, $long];
            foreach ($found as $corner) {
                $to = $corner['at'] - $at;
                if ($way->closed) {
                    $to -= $way->length * round($to / $way->length);
                }
                $before = $to <= 0 ? min($before, -$to - $spoiled) : $before;
                $after = $to >= 0 ? min($after, $to - $spoiled) : $after;
            }
            if ($before < $spoiled + 2.0 || $after < $spoiled + 2.0) {
                continue;
            }
            $corner = self::corner($way, $i, $before, $after, $least, $spoiled, $noise);
            if ($corner !== null) {
                $candidates[] = $corner;
            }
        }
        usort($candidates, static fn (array $a, array $b): int => $b['score'] <=> $a['score']);
        foreach ($candidates as $corner) {
            $free = true;
            foreach ($found as $other) {
                $between = abs($corner['at'] - $other['at']);
                $between = $way->closed ? min($between, $way->length - $between) : $between;
                $free = $free && $between >= self::APART;
            }
            if ($free) {
                $found[] = $corner;
            }
        }

        return $found;
    }

    /** @return array{at: float, x: float, y: float, turn: float, score: float}|null */
    private static function corner(Way $way, int $i, float $before, float $after, float $least, float $spoiled, float $noise): ?array
    {
        $left = $way->around($i, -$before, -$spoiled);
        $right = $way->around($i, $spoiled, $after);
        if (count($left) < 3 || count($right) < 3) {
            return null;
        }
        [$ax, $ay, $adx, $ady, $aLeft] = Local::at($left);
        [$bx, $by, $bdx, $bdy, $bLeft] = Local::at($right);
        $cross = $adx * $bdy - $ady * $bdx;
        $dot = $adx * $bdx + $ady * $bdy;
        $turn = abs(atan2($cross, $dot));
        if ($turn < $least) {
            return null;
        }
        $limit = self::LEFT_OVER * $noise * $noise;
        if ($aLeft > $limit || $bLeft > $limit) {
            return null;
        }
        $middle = 0.6 * min($before, $after);
        if (Local::leftOver($way->around($i, -$middle, $middle)) < (self::BENT * $noise) ** 2) {
            return null;
        }
        [$px, $py] = $way->places[$i];
        [$x, $y] = [($ax + $bx) / 2, ($ay + $by) / 2];
        if (abs($cross) > 0.15) {
            $t = (($bx - $ax) * $bdy - ($by - $ay) * $bdx) / $cross;
            [$x, $y] = [$ax + $t * $adx, $ay + $t * $ady];
        }
        $off = hypot($x - $px, $y - $py);
        // Half of the angle that the sides enclose: blunt ones lie close to their border.
        $half = sin(max(0.15, (M_PI - $turn) / 2));
        if ($off > self::OFF / $half + 2 * $noise) {
            return null;
        }
        // The dots of a corner mix its sides, but lie beside one of them; those of a rounding lie beside none.
        foreach ($way->around($i, -$spoiled, $spoiled) as [$qx, $qy]) {
            $beside = min(abs(($qx - $ax) * $ady - ($qy - $ay) * $adx), abs(($qx - $bx) * $bdy - ($qy - $by) * $bdx));
            if ($beside > self::ROUND + 2 * $noise) {
                return null;
            }
        }

        return ['at' => $way->at[$i], 'x' => $x, 'y' => $y, 'turn' => $turn, 'score' => $turn - 0.35 * $off - 4 * sqrt($aLeft + $bLeft)];
    }
}
