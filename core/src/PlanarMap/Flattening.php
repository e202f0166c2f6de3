<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Patience\Patience;

/** Curves as chords on the grid: equal curves, and equal lines however their ends were rounded, give the same chords. */
final class Flattening
{
    /** Flatness as a share of the way along a curve's handles, where that is less than the flatness. */
    private const FINER = 0.01;

    /**
     * @param  list<array{0: int, 1: float, 2: float, 3: list<float>}>  $pieces  from the weld pass
     * @param  float  $flatness  mm
     */
    public static function chords(Sources $sources, array $pieces, float $flatness): Chords
    {
        $chords = new Chords($sources->owner);
        $scale = $sources->scale;
        $ox = $sources->originX - 0.5 / $scale;
        $oy = $sources->originY - 0.5 / $scale;
        $borders = $sources->border;
        /** @var array<int, list<array{list<float>, int, int}>> $curves by end vertices: coordinates, first chord, one past the last */
        $curves = [];
        foreach ($pieces as [$c, $g0, $g1, $p]) {
            Patience::ask(4);
            $sign = 1;
            if (self::isBackwards($p)) {
                $sign = -1;
                $p = [$p[6], $p[7], $p[4], $p[5], $p[2], $p[3], $p[0], $p[1]];
                [$g0, $g1] = [$g1, $g0];
            }
            $n = self::count($p, $flatness);
            $from = $chords->vertexAt((int) (($p[0] - $ox) * $scale), (int) (($p[1] - $oy) * $scale));
            $to = $chords->vertexAt((int) (($p[6] - $ox) * $scale), (int) (($p[7] - $oy) * $scale));
            if ($from === $to && $n === 1) {
                continue;
            }
            if (isset($borders[$c])) {
                // Each segment its own weight: a line that runs back over itself must not cancel out.
                $sign *= 2 * (int) min($g0, $g1) + 1;
            }
            $ends = $from << 31 | $to;
            if (isset($curves[$ends])) {
                $same = self::same($curves[$ends], $p, $n, $flatness);
                if ($same !== null) {
                    $chords->addAlong($same[1], $same[2], $c, $sign, $from);

                    continue;
                }
                if ($n < 4 && ! self::isFlat($p, $flatness)) {
                    // One chord would not be told from the other's.
                    $n = 4;
                }
            }
            $begin = count($chords->a);
            if ($n === 1) {
                $chords->add($from, $to, $g0, $g1, $c, $sign);
            } else {
                self::addCurve($chords, $p, $n, $g0, $g1, $c, $sign, $from, $to, $sources);
            }
            $curves[$ends][] = [$p, $begin, count($chords->a)];
        }

        return $chords;
    }

    /**
     * One direction for a curve and its reverse, so that both give the same chords bit for bit.
     *
     * @param  list<float>  $p
     */
    private static function isBackwards(array $p): bool
    {
        return $p[0] > $p[6] || ($p[0] === $p[6]
            && ($p[1] > $p[7] || ($p[1] === $p[7]
                && ($p[2] > $p[4] || ($p[2] === $p[4] && $p[3] > $p[5])))));
    }

    /**
     * How many chords a curve comes to.
     *
     * @param  list<float>  $p
     */
    private static function count(array $p, float $flatness): int
    {
        [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $p;
        if ($x1 === $x0 && $y1 === $y0 && $x2 === $x3 && $y2 === $y3) {
            return 1;
        }
        $m = max(
            ($x0 - 2 * $x1 + $x2) ** 2 + ($y0 - 2 * $y1 + $y2) ** 2,
            ($x1 - 2 * $x2 + $x3) ** 2 + ($y1 - 2 * $y2 + $y3) ** 2,
        );
        // A small curve is as round for its size as a large one.
        $finer = self::FINER * (abs($x1 - $x0) + abs($y1 - $y0) + abs($x2 - $x1) + abs($y2 - $y1) + abs($x3 - $x2) + abs($y3 - $y2));

        return max(1, (int) ceil(sqrt(0.75 * sqrt($m) / ($finer < $flatness ? $finer : $flatness))));
    }

    /**
     * The chords of an equal curve between the same vertices, where there is one.
     *
     * @param  list<array{list<float>, int, int}>  $curves
     * @param  list<float>  $p
     * @return array{list<float>, int, int}|null
     */
    private static function same(array $curves, array $p, int $n, float $flatness): ?array
    {
        foreach ($curves as $curve) {
            [$other, $begin, $end] = $curve;
            // Two lines between the same vertices are the same chord, however their ends were rounded.
            if ($other === $p || ($n === 1 && $end === $begin + 1 && self::isFlat($p, $flatness) && self::isFlat($other, $flatness))) {
                return $curve;
            }
        }

        return null;
    }

    /**
     * @param  list<float>  $p
     * @param  int  $from  vertex where it begins
     * @param  int  $last  vertex where it ends
     */
    private static function addCurve(
        Chords $chords,
        array $p,
        int $n,
        float $g0,
        float $g1,
        int $contour,
        int $delta,
        int $from,
        int $last,
        Sources $sources,
    ): void {
        [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $p;
        $scale = $sources->scale;
        $ax = $x3 - 3 * $x2 + 3 * $x1 - $x0;
        $ay = $y3 - 3 * $y2 + 3 * $y1 - $y0;
        $bx = 3 * ($x2 - 2 * $x1 + $x0);
        $by = 3 * ($y2 - 2 * $y1 + $y0);
        $cx = 3 * ($x1 - $x0);
        $cy = 3 * ($y1 - $y0);
        $ox = ($x0 - ($sources->originX - 0.5 / $scale)) * $scale;
        $oy = ($y0 - ($sources->originY - 0.5 / $scale)) * $scale;
        $fromG = $g0;
        for ($k = 1; $k < $n; $k++) {
            $t = $k / $n;
            $to = $chords->vertexAt((int) ((($ax * $t + $bx) * $t + $cx) * $t * $scale + $ox), (int) ((($ay * $t + $by) * $t + $cy) * $t * $scale + $oy));
            if ($to !== $from) {
                $g = $g0 + ($g1 - $g0) * $t;
                $chords->add($from, $to, $fromG, $g, $contour, $delta);
                $from = $to;
                $fromG = $g;
            }
        }
        if ($from !== $last) {
            $chords->add($from, $last, $fromG, $g1, $contour, $delta);
        }
    }

    /**
     * Whether a segment is a line, or as good as one.
     *
     * @param  list<float>  $p
     */
    private static function isFlat(array $p, float $flatness): bool
    {
        $dx = $p[6] - $p[0];
        $dy = $p[7] - $p[1];
        $most = 1e-3 * $flatness * sqrt($dx * $dx + $dy * $dy);

        return abs($dx * ($p[3] - $p[1]) - $dy * ($p[2] - $p[0])) <= $most && abs($dx * ($p[5] - $p[1]) - $dy * ($p[4] - $p[0])) <= $most;
    }
}
