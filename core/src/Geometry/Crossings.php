<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/**
 * Where lines cross one another and themselves: sought on chords in a grid of cells, then moved onto the true curves by
 * Newton's method. Lines that run along one another have no crossings there.
 */
final class Crossings
{
    /** Greatest distance between a curve and the chords that stand for it while crossings are sought, as a share of the extent. */
    private const FLATNESS = 2e-5;

    /** Places nearer than this are one, mm, on a page of a metre or less. */
    private const SAME = 1e-6;

    /** @var list<list<list<float>>> segments by line */
    private array $segments = [];

    /** @var list<array{float, float, float, float, int, float, float}> ends of each chord, its line, g at both ends */
    private array $chords = [];

    /** @param  array<Contour>  $lines */
    private function __construct(array $lines)
    {
        $boxes = array_map(static fn (Contour $line): Box => $line->box(), array_values($lines));
        $all = Box::around(...$boxes);
        $flatness = max(1e-9, self::FLATNESS * ($all === null ? 1.0 : max($all->width(), $all->height())));
        foreach (array_values($lines) as $k => $line) {
            $segments = $line->closedSegments();
            $this->segments[] = $segments;
            foreach ($segments as $i => $s) {
                $this->cut($s, $k, $i, $flatness);
            }
        }
    }

    /**
     * @param  array<Contour>  $lines  closed ones with the line that closes them
     * @return list<Crossing> in the order of the first line, then of the place on it; a touch at an end counts
     */
    public static function of(array $lines): array
    {
        return (new self($lines))->found(null);
    }

    /**
     * Only those of one line, with the others and with itself; it is a in each.
     *
     * @param  array<Contour>  $lines
     * @return list<Crossing>
     */
    public static function on(int $line, array $lines): array
    {
        $crossings = [];
        foreach ((new self($lines))->found($line) as $one) {
            if ($one->a === $line) {
                $crossings[] = $one;
            }
            if ($one->b === $line) {
                $crossings[] = new Crossing($one->b, $one->h, $one->a, $one->g, $one->x, $one->y);
            }
        }
        usort($crossings, static fn (Crossing $p, Crossing $q): int => $p->g <=> $q->g);

        return $crossings;
    }

    /** @param  list<float>  $s */
    private function cut(array $s, int $line, int $i, float $flatness): void
    {
        $n = 1;
        if (! Cubic::isLine($s)) {
            $m = max(hypot($s[0] - 2 * $s[2] + $s[4], $s[1] - 2 * $s[3] + $s[5]), hypot($s[2] - 2 * $s[4] + $s[6], $s[3] - 2 * $s[5] + $s[7]));
            $n = max(4, min(256, (int) ceil(sqrt(0.75 * $m / $flatness))));
        }
        [$px, $py] = [$s[0], $s[1]];
        for ($k = 1; $k <= $n; $k++) {
            [$qx, $qy] = Cubic::placeOn($s, $k / $n);
            if ($px !== $qx || $py !== $qy) {
                $this->chords[] = [$px, $py, $qx, $qy, $line, $i + ($k - 1) / $n, $i + $k / $n];
            }
            [$px, $py] = [$qx, $qy];
        }
    }

    /**
     * @param  int|null  $only  one of the two lines must be this one
     * @return list<Crossing>
     */
    private function found(?int $only): array
    {
        $long = 0.0;
        foreach ($this->chords as [$ax, $ay, $bx, $by]) {
            $long += hypot($bx - $ax, $by - $ay);
        }
        $cell = max(1e-6, 2 * $long / max(1, count($this->chords)));
        $grid = [];
        $crossings = [];
        foreach ($this->chords as $k => $chord) {
            [$ax, $ay, $bx, $by, $line] = $chord;
            $seen = [];
            // A touch lies on the border of two cells: each reaches a hair further.
            $tx = (int) floor((max($ax, $bx) + self::SAME) / $cell);
            $ty = (int) floor((max($ay, $by) + self::SAME) / $cell);
            for ($cx = (int) floor((min($ax, $bx) - self::SAME) / $cell); $cx <= $tx; $cx++) {
                for ($cy = (int) floor((min($ay, $by) - self::SAME) / $cell); $cy <= $ty; $cy++) {
                    foreach ($grid[$cx][$cy] ?? [] as $other) {
                        if (isset($seen[$other]) || ($only !== null && $line !== $only && $this->chords[$other][4] !== $only)) {
                            continue;
                        }
                        $seen[$other] = true;
                        $this->meet($this->chords[$other], $chord, $crossings);
                    }
                    $grid[$cx][$cy][] = $k;
                }
            }
        }
        usort($crossings, static fn (Crossing $p, Crossing $q): int => [$p->a, $p->g] <=> [$q->a, $q->g]);

        return $crossings;
    }

    /**
     * @param  array{float, float, float, float, int, float, float}  $a
     * @param  array{float, float, float, float, int, float, float}  $b
     * @param  array<string, Crossing>  $out
     */
    private function meet(array $a, array $b, array &$out): void
    {
        [$px, $py] = [$a[2] - $a[0], $a[3] - $a[1]];
        [$qx, $qy] = [$b[2] - $b[0], $b[3] - $b[1]];
        $det = $px * $qy - $py * $qx;
        $sizes = hypot($px, $py) * hypot($qx, $qy);
        if (abs($det) < 1e-9 * $sizes) {
            return;
        }
        $t = (($b[0] - $a[0]) * $qy - ($b[1] - $a[1]) * $qx) / $det;
        $u = (($b[0] - $a[0]) * $py - ($b[1] - $a[1]) * $px) / $det;
        $roomT = self::SAME / hypot($px, $py);
        $roomU = self::SAME / hypot($qx, $qy);
        if ($t < -$roomT || $t > 1 + $roomT || $u < -$roomU || $u > 1 + $roomU) {
            return;
        }
        $g = $a[5] + $t * ($a[6] - $a[5]);
        $h = $b[5] + $u * ($b[6] - $b[5]);
        if ($a[4] === $b[4] && $this->follows($a[4], $g, $h)) {
            return;
        }
        [$g, $h] = $this->refined($a[4], $g, $b[4], $h);
        if ($a[4] === $b[4] && $this->follows($a[4], $g, $h)) {
            return;
        }
        [$x, $y] = $this->place($a[4], $g);
        if ($b[4] < $a[4] || ($b[4] === $a[4] && $h < $g)) {
            [$a, $b, $g, $h] = [$b, $a, $h, $g];
        }
        // The next chord may find the same place.
        $key = sprintf('%d %d %.5f %.5f', $a[4], $b[4], $x, $y);
        foreach ($out as $one) {
            if ($one->a === $a[4] && $one->b === $b[4]
                && abs($one->x - $x) < 1e-5
                && abs($one->y - $y) < 1e-5
                && abs($one->g - $g) < 1e-3
                && abs($one->h - $h) < 1e-3) {
                return;
            }
        }
        $out[$key.count($out)] = new Crossing($a[4], $g, $b[4], $h, $x, $y);
    }

    /** Whether two places on one line are the same, or as good as that: one leads on into the other. */
    private function follows(int $line, float $g, float $h): bool
    {
        $n = count($this->segments[$line]);
        [$gx, $gy] = $this->place($line, 0.0);
        [$hx, $hy] = $this->place($line, (float) $n);
        $apart = abs($g - $h);
        if (hypot($gx - $hx, $gy - $hy) < 1e-9) {
            $apart = min($apart, $n - $apart);
        }

        return $apart < 1e-4;
    }

    /** @return array{float, float} */
    private function place(int $line, float $g): array
    {
        [$s, $t] = $this->segmentAt($line, $g);

        return Cubic::placeOn($s, $t);
    }

    /** @return array{list<float>, float} the segment and t on it */
    private function segmentAt(int $line, float $g): array
    {
        $i = max(0, min(count($this->segments[$line]) - 1, (int) floor($g)));

        return [$this->segments[$line][$i], max(0.0, min(1.0, $g - $i))];
    }

    /** @return array{float, float} g and h where the true curves cross */
    private function refined(int $a, float $g, int $b, float $h): array
    {
        [$g0, $h0] = [$g, $h];
        for ($k = 0; $k < 20; $k++) {
            [$s, $t] = $this->segmentAt($a, $g);
            [$r, $u] = $this->segmentAt($b, $h);
            [$ax, $ay] = Cubic::placeOn($s, $t);
            [$bx, $by] = Cubic::placeOn($r, $u);
            [$ex, $ey] = [$bx - $ax, $by - $ay];
            if ($ex * $ex + $ey * $ey < 1e-24) {
                break;
            }
            [$adx, $ady] = Cubic::speedOn($s, $t);
            [$bdx, $bdy] = Cubic::speedOn($r, $u);
            $det = $adx * $bdy - $ady * $bdx;
            if (abs($det) < 1e-9 * hypot($adx, $ady) * hypot($bdx, $bdy) || $det === 0.0) {
                break;
            }
            $g += max(-0.2, min(0.2, ($ex * $bdy - $ey * $bdx) / $det));
            $h += max(-0.2, min(0.2, ($ex * $ady - $ey * $adx) / $det));
            $g = max(0.0, min((float) count($this->segments[$a]), $g));
            $h = max(0.0, min((float) count($this->segments[$b]), $h));
        }
        [$ax, $ay] = $this->place($a, $g);
        [$bx, $by] = $this->place($b, $h);
        [$cx, $cy] = $this->place($a, $g0);
        [$dx, $dy] = $this->place($b, $h0);

        return hypot($ax - $bx, $ay - $by) <= hypot($cx - $dx, $cy - $dy) ? [$g, $h] : [$g0, $h0];
    }
}
