<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;

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

    /** A point that is under the limit over more than this many limits is a line that runs out: it tears first. */
    private const LONG_POINT = 10.0;

    /** Places nearer than this share of the limit are one. */
    private const TOUCH = 5e-3;

    /** Radians between walls from which on they bound a wedge, not a neck: at a neck they run alongside. */
    private const WEDGE = 0.21;

    /** What is narrower by less than the measure is exact is not narrower. */
    private const AS_GOOD_AS = 0.985;

    /** Places in a limit. */
    private const FINE = 6.0;

    /** About so many points show one wall of a part of a stretch. */
    private const RIBBON = 24;

    /** Parts of a stretch that are shown at most. */
    private const PARTS = 40;

    /** @var list<float> */
    private readonly array $x;

    /** @var list<float> */
    private readonly array $y;

    /** @var list<float> unit normal, into the material (or out of it, for gaps) */
    private readonly array $nx;

    /** @var list<float> */
    private readonly array $ny;

    /** @var list<int> */
    private readonly array $contour;

    /** @var list<float> way along its contour, mm */
    private readonly array $way;

    /** @var list<float> mm of wall that each stands for; nothing where several stand on one corner */
    private readonly array $share;

    /** @var list<array{int, float}> segment and parameter of each */
    private readonly array $source;

    private readonly float $step;

    private function __construct(private readonly Walls $walls, private readonly float $limit, bool $gaps)
    {
        $this->step = $limit / self::FINE;
        $samples = new WallSamples($walls, $this->step, $gaps);
        [$this->x, $this->y, $this->nx, $this->ny] = [$samples->x, $samples->y, $samples->nx, $samples->ny];
        [$this->contour, $this->way, $this->share, $this->source] = [$samples->contour, $samples->way, $samples->share, $samples->source];
    }

    /**
     * @param  Shape  $shape  as the planar map traces it: holes run against outer contours
     * @param  float  $limit  mm
     * @return list<ThinPlace> thinnest first
     */
    public static function below(Shape $shape, float $limit, bool $gaps = false): array
    {
        return $limit <= 0 || $shape->isEmpty() ? [] : self::along(Walls::of($shape, $limit), $limit, $gaps);
    }

    /**
     * @param  Walls  $walls  made for at least this limit
     * @return list<ThinPlace> thinnest first
     */
    public static function along(Walls $walls, float $limit, bool $gaps): array
    {
        return (new self($walls, $limit, $gaps))->places();
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
                if (isset($thin[$q + $k]) && $this->contour[$q] === $this->contour[$q + $k] && abs($this->way[$q + $k] - $this->way[$q]) < 4 * $this->step) {
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

        return $this->eachOnce($places);
    }

    /**
     * @param  list<ThinPlace>  $places  thinnest first
     * @return list<ThinPlace> without short ones right beside a thinner one: the two corners of a blunt tip
     */
    private function eachOnce(array $places): array
    {
        $x = array_map(static fn (ThinPlace $place): float => $place->at->x, $places);
        $y = array_map(static fn (ThinPlace $place): float => $place->at->y, $places);
        $cells = Cells::of($x, $y, $this->limit);
        $gone = [];
        foreach ($places as $k => $place) {
            foreach ($place->length < 2 * $this->limit ? Cells::at($cells, $x[$k], $y[$k], $this->limit) : [] as $m) {
                if ($m < $k && ! isset($gone[$m]) && hypot($x[$m] - $x[$k], $y[$m] - $y[$k]) < $this->limit / 2) {
                    $gone[$k] = true;
                    break;
                }
            }
        }

        return array_values(array_diff_key($places, $gone));
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
            if (4 * $this->step < $this->way[$i] + $this->walls->round[$c] - $this->way[$last[$c]]) {
                continue;
            }
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
        $cells = Cells::of($x, $y, $this->limit);
        $touch = (self::TOUCH * $this->limit) ** 2;
        $thin = [];
        foreach ($cells as $key => $own) {
            Patience::ask(8 * count($own));
            $around = Cells::around($cells, $key);
            foreach ($own as $i) {
                $px = $x[$i];
                $py = $y[$i];
                $ux = $nx[$i];
                $uy = $ny[$i];
                $width = $this->limit;
                $at = -1;
                foreach ($around as $j) {
                    $dx = $x[$j] - $px;
                    $dy = $y[$j] - $py;
                    $d = $dx * $dx + $dy * $dy;
                    if ($d < $touch && ($this->contour[$i] !== $this->contour[$j] || $this->wayRound($i, $j) > $this->limit)) {
                        // Where a corner touches another wall there is nothing between them.
                        $at = -1;
                        break;
                    }
                    $toward = $ux * $dx + $uy * $dy;
                    // What lies behind the wall is on no ball: nothing is less than less than nothing.
                    if ($d < $width * $toward) {
                        $width = $d / $toward;
                        $at = $j;
                    }
                }
                if ($at >= 0 && $this->isFacing($i, $at, $width / 2)) {
                    $thin[$i] = [$width, $at, $this->isLine($i, $at, $width / 2)];
                }
            }
        }
        ksort($thin);

        return $thin;
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
        $way = $this->wayRound($i, $j);
        if ($way <= self::WAY_ROUND * 2 * $r) {
            return false;
        }
        // At a pointed corner the walls lean towards each other, and the way round is just that to the point and back, or less where the point is blunt.
        $lean = $this->lean($i, $j);
        $toThePoint = $lean < 1e-6 ? INF : 2 * $r / sin($lean / 2);

        return $way > 1.5 * $toThePoint || 2 * tan($lean / 2) * self::LONG_POINT < 1;
    }

    /** mm along the outline from one sample to another, the shorter way. */
    private function wayRound(int $i, int $j): float
    {
        $way = abs($this->way[$i] - $this->way[$j]);

        return min($way, $this->walls->round[$this->contour[$i]] - $way);
    }

    /** Angle between the walls at two samples, radians; nought where they run alongside. */
    private function lean(int $i, int $j): float
    {
        return acos(max(-1.0, min(1.0, -($this->nx[$i] * $this->nx[$j] + $this->ny[$i] * $this->ny[$j]))));
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
        if ($samples === [] || count($samples) < max(2, 0.25 * $count)) {
            return null;
        }
        // The middle of the stretch that is as thin as its thinnest sample, so that a long line is marked in its middle.
        $widths = array_map(static fn (int $i): float => $thin[$i][0], $samples);
        $least = min($widths);
        $as = array_values(array_filter($samples, static fn (int $i): bool => $thin[$i][0] <= 1.03 * $least));
        $i = $as[intdiv(count($as), 2)];
        [$width, $x, $y] = $this->across($i, $thin[$i][1]);
        foreach (array_slice($as, 0, 40) as $k) {
            [$w, $px, $py] = $this->across($k, $thin[$k][1]);
            if ($w < $width * 0.999) {
                [$width, $x, $y, $i] = [$w, $px, $py, $k];
            }
        }
        if ($width >= $this->limit * self::AS_GOOD_AS || $this->isWedge($as, $thin)) {
            return null;
        }
        sort($widths);
        $typical = max($width, $widths[intdiv(count($widths), 2)]);
        $length = 0.0;
        foreach ($all as $k) {
            $length += $this->share[$k];
        }
        [$ribbon, $middle, $rows] = $this->ribbon($all, $thin);

        return new ThinPlace(new Point($x, $y), $width, $typical, $length / 2, $this->isPoint($i, $thin[$i][1], $width, $typical), $ribbon, $middle, $rows);
    }

    /**
     * Whether walls that do not hang together lean towards each other where they come nearest: two corners that touch, with a wedge between them.
     *
     * @param  list<int>  $narrowest
     * @param  array<int, array{float, int, bool}>  $thin
     */
    private function isWedge(array $narrowest, array $thin): bool
    {
        foreach ($narrowest as $i) {
            if ($this->lean($i, $thin[$i][1]) < self::WEDGE || $this->share[$i] === 0.0 || $this->share[$thin[$i][1]] === 0.0) {
                return false;
            }
        }

        return true;
    }

    /** Whether the narrowest place of a stretch is where it runs out. */
    private function isPoint(int $i, int $j, float $width, float $typical): bool
    {
        return $width < 0.6 * $typical
            && $this->contour[$i] === $this->contour[$j]
            && $this->wayRound($i, $j) < 3 * $this->limit + 2 * self::LONG_POINT * $width
            && $this->lean($i, $j) < 2 * atan(0.5 / self::LONG_POINT);
    }

    /**
     * @param  list<int>  $samples
     * @param  array<int, array{float, int, bool}>  $thin
     * @return array{list<list<Point>>, list<Point>, list<list<array{float, float, float}>>} the parts of the stretch, places along their middle lines, and
     *     those lines with the width at each place
     */
    private function ribbon(array $samples, array $thin): array
    {
        // Samples are numbered along the contours: a wall is a row of them without a gap.
        sort($samples);
        $walls = [];
        $row = [];
        foreach ($samples as $k => $i) {
            $row[] = $i;
            $next = $samples[$k + 1] ?? null;
            // Round an end, the row would go on down the other wall.
            if ($next === null || $this->contour[$next] !== $this->contour[$i] || 4 * $this->step < $this->way[$next] - $this->way[$i]
                || $this->nx[$next] * $this->nx[$i] + $this->ny[$next] * $this->ny[$i] < 0.5) {
                $walls[] = $row;
                $row = [];
            }
        }
        usort($walls, static fn (array $a, array $b): int => count($b) <=> count($a));
        $shown = [];
        $parts = [];
        $middle = $rows = [];
        foreach ($walls as $wall) {
            // The other wall shows the same stretch.
            $wall = array_values(array_filter($wall, static fn (int $i): bool => ! isset($shown[$i])));
            if ($wall === [] || count($parts) >= self::PARTS) {
                continue;
            }
            $every = max(1, intdiv(count($wall), self::RIBBON));
            $here = $there = $row = [];
            foreach ($wall as $k => $i) {
                for ($j = $thin[$i][1] - 2; $j <= $thin[$i][1] + 2; $j++) {
                    $shown[$j] = true;
                }
                $middle[] = new Point($this->x[$i] + $thin[$i][0] / 2 * $this->nx[$i], $this->y[$i] + $thin[$i][0] / 2 * $this->ny[$i]);
                [$wide, $mx, $my] = $this->across($i, $thin[$i][1]);
                $row[] = [$mx, $my, $wide];
                if ($k % $every === 0 || $k === count($wall) - 1) {
                    $here[] = new Point($this->x[$i], $this->y[$i]);
                    $there[] = new Point($this->x[$i] + $thin[$i][0] * $this->nx[$i], $this->y[$i] + $thin[$i][0] * $this->ny[$i]);
                }
            }
            $parts[] = [...$here, ...array_reverse($there)];
            $rows[] = $row;
        }

        return [$parts, $middle, $rows];
    }

    /**
     * The exact distance from a sample to the curve of the other wall, and the middle between.
     *
     * @return array{float, float, float}
     */
    private function across(int $i, int $j): array
    {
        [$segment, $t] = $this->source[$j];
        $s = $this->walls->segments[$this->contour[$j]][$segment];
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
