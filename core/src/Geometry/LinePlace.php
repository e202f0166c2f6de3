<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** Places on a line, told as segment + t, and stretches between them. */
final class LinePlace
{
    /** Chords that stand for a curve while the nearest is sought. */
    private const CHORDS = 16;

    /** @return array{float, float, float} g, x and y of the place on a line nearest to a point */
    public static function nearest(Contour $line, float $x, float $y): array
    {
        $best = [0.0, $line->coords[0] ?? 0.0, $line->coords[1] ?? 0.0];
        $least = INF;
        foreach ($line->closedSegments() as $i => $s) {
            $n = Cubic::isLine($s) ? 1 : self::CHORDS;
            for ($k = 0; $k < $n; $k++) {
                [$ax, $ay] = Cubic::placeOn($s, $k / $n);
                [$bx, $by] = Cubic::placeOn($s, ($k + 1) / $n);
                $square = ($bx - $ax) ** 2 + ($by - $ay) ** 2;
                $u = $square > 0 ? max(0.0, min(1.0, (($x - $ax) * ($bx - $ax) + ($y - $ay) * ($by - $ay)) / $square)) : 0.0;
                $d = hypot($ax + $u * ($bx - $ax) - $x, $ay + $u * ($by - $ay) - $y);
                if ($d < $least) {
                    $least = $d;
                    $best = [$i + ($k + $u) / $n, 0.0, 0.0];
                }
            }
        }
        $segments = $line->closedSegments();
        $i = min(count($segments) - 1, (int) floor($best[0]));
        if ($i < 0) {
            return [0.0, $best[1], $best[2]];
        }
        $t = self::closer($segments[$i], $best[0] - $i, $x, $y);
        [$px, $py] = Cubic::placeOn($segments[$i], $t);

        return [$i + $t, $px, $py];
    }

    /** @param  list<float>  $s */
    private static function closer(array $s, float $t, float $x, float $y): float
    {
        for ($k = 0; $k < 12; $k++) {
            [$px, $py] = Cubic::placeOn($s, $t);
            [$dx, $dy] = Cubic::speedOn($s, $t);
            $speed = $dx * $dx + $dy * $dy;
            if ($speed < 1e-18) {
                break;
            }
            $t = max(0.0, min(1.0, $t + max(-0.2, min(0.2, (($x - $px) * $dx + ($y - $py) * $dy) / $speed))));
        }

        return $t;
    }

    /**
     * The stretch from one place to another, open; over the start of a closed line where the second lies before the first.
     *
     * @return Contour|null null where it has no length
     */
    public static function between(Contour $line, float $from, float $to): ?Contour
    {
        $segments = $line->closedSegments();
        $n = count($segments);
        if ($line->closed && $to <= $from) {
            $to += $n;
        }
        $stretch = [];
        for ($i = (int) floor($from); $i < $to - 1e-9; $i++) {
            $t0 = max(0.0, $from - $i);
            $t1 = min(1.0, $to - $i);
            if ($t1 - $t0 > 1e-7 && $n > 0) {
                $s = $segments[$i % $n];
                $stretch[] = $t0 === 0.0 && $t1 === 1.0 ? $s : (Cubic::isLine($s) ? Cubic::line(
                    ...Cubic::placeOn($s, $t0),
                    ...Cubic::placeOn($s, $t1),
                ) : Cubic::part($s, $t0, $t1));
            }
        }

        return $stretch === [] ? null : Contour::ofSegments($stretch, false);
    }
}
