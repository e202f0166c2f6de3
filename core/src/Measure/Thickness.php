<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;

/**
 * Finds where a shape, or the space beside it, is narrower than a limit.
 *
 * @source the shrinking ball of Ma, Bae and Choi, "3D medial axis point approximation using nearest neighbors and the
 *         normal field", 2012, without iteration: the largest ball that touches the outline at p from inside has
 *         radius r = min |q-p|² / (2 n·(q-p)) over the outline's points q; the shape is 2r wide there
 */
final class Thickness
{
    /** Walls that a ball touches face each other when seen from its centre they are at least this far apart (cosine of 110°). */
    private const FACING = -0.34;

    /** Two places on one outline are a line's two walls when the way round is this many widths; at a corner it is shorter. */
    private const WAY_ROUND = 7.0;

    /** What is narrower by less than the measure is exact is not narrower. */
    private const AS_GOOD_AS = 0.985;

    private const MOST_SAMPLES = 300_000;

    /** About so many points show one wall of a thin stretch. */
    private const RIBBON = 24;

    /** @var list<float> */
    private array $x = [];

    /** @var list<float> */
    private array $y = [];

    /** @var list<float> unit normal, into the material (or out of it, for gaps) */
    private array $nx = [];

    /** @var list<float> */
    private array $ny = [];

    /** @var list<int> */
    private array $contour = [];

    /** @var list<float> way along its contour, mm */
    private array $way = [];

    /** @var array<int, float> length of each contour */
    private array $round = [];

    /** @var list<array{list<float>, float}> segment and parameter of each sample */
    private array $source = [];

    private float $step;

    private function __construct(private readonly float $limit)
    {
        $this->step = $limit / 6;
    }

    /**
     * @param  Shape  $shape  as the planar map traces it: holes run against outer contours
     * @param  float  $limit  mm
     * @return list<ThinPlace> thinnest first
     */
    public static function below(Shape $shape, float $limit, bool $gaps = false): array
    {
        if ($limit <= 0 || $shape->isEmpty()) {
            return [];
        }
        $self = new self($limit);
        $self->sample($shape, $gaps);

        return $self->places();
    }

    private function sample(Shape $shape, bool $gaps): void
    {
        $this->step = max($this->step, $shape->length() / self::MOST_SAMPLES);
        $signed = 0.0;
        foreach ($shape->contours as $contour) {
            $signed += $contour->area();
        }
        // Clockwise outer contours (positive area) have the material on their right on the bench.
        $side = ($signed >= 0 ? 1.0 : -1.0) * ($gaps ? -1.0 : 1.0);
        foreach ($shape->contours as $c => $contour) {
            $way = 0.0;
            $segments = $contour->segments();
            $last = count($contour->coords) - 2;
            if ($contour->coords[$last] !== $contour->coords[0] || $contour->coords[$last + 1] !== $contour->coords[1]) {
                [$ax, $ay, $bx, $by] = [$contour->coords[$last], $contour->coords[$last + 1], $contour->coords[0], $contour->coords[1]];
                $segments[] = [$ax, $ay, $ax, $ay, $bx, $by, $bx, $by];
            }
            foreach ($segments as $s) {
                $length = Cubic::length($s);
                if ($length < 1e-9) {
                    continue;
                }
                $n = max(1, (int) ceil($length / $this->step));
                $line = Cubic::isLine($s);
                [$lastX, $lastY] = [INF, INF];
                for ($k = 0; $k < $n; $k++) {
                    $t = ($k + 0.5) / $n;
                    if ($line) {
                        [$x, $y] = [$s[0] + ($s[6] - $s[0]) * $t, $s[1] + ($s[7] - $s[1]) * $t];
                        [$dx, $dy] = [$s[6] - $s[0], $s[7] - $s[1]];
                    } else {
                        [$x, $y] = Cubic::at($s, $t);
                        [$dx, $dy] = Cubic::derivative($s, $t);
                    }
                    $speed = sqrt($dx * $dx + $dy * $dy);
                    // A curve that all but stops would crowd its samples where it is slow.
                    if ($speed < 1e-12 || ($k > 0 && abs($x - $lastX) + abs($y - $lastY) < 0.3 * $this->step)) {
                        continue;
                    }
                    [$lastX, $lastY] = [$x, $y];
                    $this->x[] = $x;
                    $this->y[] = $y;
                    $this->nx[] = -$side * $dy / $speed;
                    $this->ny[] = $side * $dx / $speed;
                    $this->contour[] = $c;
                    $this->way[] = $way + $t * $length;
                    $this->source[] = [$s, $t];
                }
                $way += $length;
            }
            $this->round[$c] = $way;
        }
    }

    /** @return list<ThinPlace> */
    private function places(): array
    {
        $thin = $this->thin();
        if ($thin === []) {
            return [];
        }
        $group = [];
        foreach ($thin as $i => $_) {
            $group[$i] = $i;
        }
        $find = static function (int $i) use (&$group): int {
            while ($group[$i] !== $i) {
                $group[$i] = $group[$group[$i]];
                $i = $group[$i];
            }

            return $i;
        };
        foreach ($thin as $i => [$width, $q]) {
            // Along the wall, and across to the other wall.
            for ($k = 1; $k <= 3; $k++) {
                if (isset($thin[$i + $k]) && $this->contour[$i] === $this->contour[$i + $k] && 4 * $this->step > $this->way[$i + $k] - $this->way[$i]) {
                    $group[$find($i)] = $find($i + $k);
                    break;
                }
            }
            for ($k = -2; $k <= 2; $k++) {
                if (isset($thin[$q + $k]) && $this->contour[$q] === $this->contour[$q + $k]) {
                    $group[$find($i)] = $find($q + $k);
                    break;
                }
            }
        }
        $this->joinOverStarts($thin, $group, $find);
        $members = [];
        foreach ($thin as $i => $_) {
            $members[$find($i)][] = $i;
        }
        $places = [];
        foreach ($members as $samples) {
            $place = $this->place($samples, $thin);
            if ($place !== null) {
                $places[] = $place;
            }
        }
        usort($places, static fn (ThinPlace $a, ThinPlace $b): int => $a->width <=> $b->width);

        return $places;
    }

    /**
     * A thin stretch may run over the place where its contour begins.
     *
     * @param  array<int, array{float, int, bool}>  $thin
     * @param  array<int, int>  $group
     * @param  callable(int): int  $find
     */
    private function joinOverStarts(array $thin, array &$group, callable $find): void
    {
        $first = [];
        $last = [];
        foreach ($this->contour as $i => $c) {
            $first[$c] ??= $i;
            $last[$c] = $i;
        }
        foreach ($first as $c => $i) {
            for ($a = 0; $a < 3; $a++) {
                for ($b = 0; $b < 3; $b++) {
                    if (isset($thin[$i + $a], $thin[$last[$c] - $b])) {
                        $group[$find($i + $a)] = $find($last[$c] - $b);
                    }
                }
            }
        }
    }

    /** @return array<int, array{float, int, bool}> sample => width, the sample on the other wall, whether it is a line there */
    private function thin(): array
    {
        $x = $this->x;
        $y = $this->y;
        $nx = $this->nx;
        $ny = $this->ny;
        $limit = $this->limit;
        $cells = [];
        foreach ($x as $i => $px) {
            $gx = (int) floor($px / $limit) + 1_000_000;
            $gy = (int) floor($y[$i] / $limit) + 1_000_000;
            // The column is mixed into the low bits, which are all that PHP hashes an integer by.
            $cells[$gx << 30 | ($gy ^ $gx * 40503 & 0x3FFFFFFF)][] = $i;
        }
        $out = [];
        foreach ($x as $i => $px) {
            $py = $y[$i];
            $ux = $nx[$i];
            $uy = $ny[$i];
            $cx = (int) floor($px / $limit) + 1_000_000;
            $cy = (int) floor($py / $limit) + 1_000_000;
            $least = $limit / 2;
            $at = -1;
            for ($gx = $cx - 1; $gx <= $cx + 1; $gx++) {
                for ($gy = $cy - 1; $gy <= $cy + 1; $gy++) {
                    foreach ($cells[$gx << 30 | ($gy ^ $gx * 40503 & 0x3FFFFFFF)] ?? [] as $j) {
                        $dx = $x[$j] - $px;
                        $dy = $y[$j] - $py;
                        $toward = $ux * $dx + $uy * $dy;
                        if ($toward <= 0.0) {
                            continue;
                        }
                        $r = ($dx * $dx + $dy * $dy) / (2 * $toward);
                        if ($r < $least) {
                            $least = $r;
                            $at = $j;
                        }
                    }
                }
            }
            if ($at >= 0 && $this->isFacing($i, $at, $least)) {
                $out[$i] = [2 * $least, $at, $this->isLine($i, $at, $least)];
            }
        }

        return $out;
    }

    private function isFacing(int $i, int $j, float $r): bool
    {
        $cx = $this->x[$i] + $r * $this->nx[$i];
        $cy = $this->y[$i] + $r * $this->ny[$i];
        $facing = (($this->x[$i] - $cx) * ($this->x[$j] - $cx) + ($this->y[$i] - $cy) * ($this->y[$j] - $cy)) / ($r * $r);

        return $facing <= self::FACING;
    }

    /** Whether the two walls are those of a line, not of a pointed corner. */
    private function isLine(int $i, int $j, float $r): bool
    {
        if ($this->contour[$i] !== $this->contour[$j]) {
            return true;
        }
        $way = abs($this->way[$i] - $this->way[$j]);
        $way = min($way, $this->round[$this->contour[$i]] - $way);

        if ($way <= self::WAY_ROUND * 2 * $r) {
            return false;
        }
        // At a pointed corner the walls lean towards each other, and the way round is just that to the point and back.
        $lean = acos(max(-1.0, min(1.0, -($this->nx[$i] * $this->nx[$j] + $this->ny[$i] * $this->ny[$j]))));
        $toThePoint = $lean < 1e-6 ? INF : 2 * $r / sin($lean / 2);

        return $way > 1.5 * $toThePoint || $way < 0.5 * $toThePoint;
    }

    /**
     * @param  list<int>  $samples
     * @param  array<int, array{float, int, bool}>  $thin
     */
    private function place(array $samples, array $thin): ?ThinPlace
    {
        // A stretch that is mostly pointed corner is no line; one that is a line may look like a corner here and there.
        $all = $samples;
        $count = count($samples);
        $samples = array_values(array_filter($samples, static fn (int $i): bool => $thin[$i][2]));
        if (count($samples) < max(2, 0.25 * $count)) {
            return null;
        }
        // The middle of the stretch that is as thin as its thinnest sample, so that a long line is marked in its middle.
        $least = INF;
        foreach ($samples as $i) {
            $least = min($least, $thin[$i][0]);
        }
        $as = array_values(array_filter($samples, static fn (int $i): bool => $thin[$i][0] <= 1.03 * $least));
        $i = $as[intdiv(count($as), 2)];
        [$width, $x, $y] = $this->across($i, $thin[$i][1]);
        foreach (array_slice($as, 0, 40) as $k) {
            [$w, $px, $py] = $this->across($k, $thin[$k][1]);
            if ($w < $width * 0.999) {
                [$width, $x, $y] = [$w, $px, $py];
            }
        }
        if ($width >= $this->limit * self::AS_GOOD_AS) {
            return null;
        }

        return new ThinPlace(new Point($x, $y), $width, $count * $this->step / 2, $this->ribbon($all, $thin));
    }

    /**
     * @param  list<int>  $samples
     * @param  array<int, array{float, int, bool}>  $thin
     * @return list<Point>
     */
    private function ribbon(array $samples, array $thin): array
    {
        // Samples are numbered along the contours: one wall is the longest row of them without a gap.
        sort($samples);
        $wall = [];
        $row = [];
        foreach ($samples as $k => $i) {
            $row[] = $i;
            $next = $samples[$k + 1] ?? null;
            // Round an end, the row would go on down the other wall.
            if ($next === null || $this->contour[$next] !== $this->contour[$i] || 4 * $this->step < $this->way[$next] - $this->way[$i]
                || $this->nx[$next] * $this->nx[$i] + $this->ny[$next] * $this->ny[$i] < 0.5) {
                $wall = count($row) > count($wall) ? $row : $wall;
                $row = [];
            }
        }
        $every = max(1, intdiv(count($wall), self::RIBBON));
        $here = [];
        $there = [];
        foreach ($wall as $k => $i) {
            if ($k % $every === 0 || $k === count($wall) - 1) {
                $here[] = new Point($this->x[$i], $this->y[$i]);
                $there[] = new Point($this->x[$i] + $thin[$i][0] * $this->nx[$i], $this->y[$i] + $thin[$i][0] * $this->ny[$i]);
            }
        }

        return [...$here, ...array_reverse($there)];
    }

    /**
     * The exact distance from a sample to the curve of the other wall, and the middle between.
     *
     * @return array{float, float, float}
     */
    private function across(int $i, int $j): array
    {
        [$s, $t] = $this->source[$j];
        $px = $this->x[$i];
        $py = $this->y[$i];
        for ($k = 0; $k < 6; $k++) {
            [$x, $y] = Cubic::placeOn($s, $t);
            [$dx, $dy] = Cubic::speedOn($s, $t);
            $speed = $dx * $dx + $dy * $dy;
            if ($speed < 1e-24) {
                break;
            }
            $t = max(0.0, min(1.0, $t + (($px - $x) * $dx + ($py - $y) * $dy) / $speed));
        }
        [$x, $y] = Cubic::placeOn($s, $t);

        return [hypot($x - $px, $y - $py), ($x + $px) / 2, ($y + $py) / 2];
    }
}
