<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Shape;
use SplPriorityQueue;

/**
 * The largest circle that fits into a shape: its middle is a place well inside, and its width tells a sliver from a
 * piece that can be weeded.
 *
 * @source V. Agafonkin, "A new algorithm for finding a visual center of a polygon", 2016: cells of a quadtree, the most promising first
 */
final class Inscribed
{
    /** Chords that stand for one curve. */
    private const CHORDS = 12;

    /** The same where a place is asked for within a twentieth: a quarter of a circle is off by a hundredth of its width then. */
    private const FEW = 4;

    private const COARSE = 0.05;

    /** Cells that a shape is parted into at first, along its longer side at most: a gap of a hair's width over a metre would ask for millions. */
    private const FIRST = 64;

    /** Borders across which is looked for a place inside, where no cell's middle lies there. */
    private const ACROSS = 48;

    /**
     * @param  float  $precision  as a share of the smaller side
     * @return array{float, float, float} its middle and its radius, mm; a radius of 0 where nothing is enclosed
     */
    public static function in(Shape $shape, float $precision = 0.01): array
    {
        $box = $shape->box();
        if ($box === null) {
            return [0.0, 0.0, 0.0];
        }
        $edges = self::edges($shape, $precision < self::COARSE ? self::CHORDS : self::FEW);
        $least = min($box->width(), $box->height());
        if ($least <= 0.0) {
            return [$box->left, $box->top, 0.0];
        }
        $evenodd = $shape->rule === FillRule::Evenodd;
        $half = max($least, max($box->width(), $box->height()) / self::FIRST) / 2;
        $queue = new SplPriorityQueue;
        $best = [$box->left, $box->top, 0.0];
        $put = static function (float $x, float $y, float $half) use ($edges, $evenodd, $queue, &$best, $least, $precision): void {
            $d = self::distance($edges, $x, $y, $evenodd);
            if ($d > $best[2]) {
                $best = [$x, $y, $d];
            }
            if ($d + $half * M_SQRT2 > $best[2] + $precision * $least) {
                $queue->insert([$x, $y, $half, $d + $half * M_SQRT2], $d + $half * M_SQRT2);
            }
        };
        $middle = $box->middle();
        $columns = max(1, (int) ceil($box->width() / (2 * $half) - 1e-9));
        $rows = max(1, (int) ceil($box->height() / (2 * $half) - 1e-9));
        for ($i = 0; $i < $columns; $i++) {
            for ($k = 0; $k < $rows; $k++) {
                $put($middle->x + (2 * $i + 1 - $columns) * $half, $middle->y + (2 * $k + 1 - $rows) * $half, $half);
            }
        }
        if ($best[2] <= 0.0 || 2 * $half > $least) {
            foreach (self::across($edges) as [$x, $y]) {
                $put($x, $y, 0.0);
            }
        }
        for ($k = 0; $k < 4000 && ! $queue->isEmpty(); $k++) {
            /** @var array{float, float, float, float} $cell */
            $cell = $queue->extract();
            [$x, $y, $h, $reach] = $cell;
            if ($reach <= $best[2] + $precision * $least) {
                break;
            }
            $h /= 2;
            foreach ([[-1, -1], [1, -1], [-1, 1], [1, 1]] as [$dx, $dy]) {
                $put($x + $dx * $h, $y + $dy * $h, $h);
            }
        }

        return $best;
    }

    /**
     * Places half way from a border to what lies across from it, on both its sides: one of both lies inside, however thin the shape is.
     *
     * @param  list<array{float, float, float, float}>  $edges
     * @return list<array{float, float}>
     */
    private static function across(array $edges): array
    {
        $across = [];
        $step = max(1, intdiv(count($edges), self::ACROSS));
        for ($i = 0, $n = count($edges); $i < $n; $i += $step) {
            [$ax, $ay, $bx, $by] = $edges[$i];
            $long = hypot($bx - $ax, $by - $ay);
            [$x, $y, $ux, $uy] = [($ax + $bx) / 2, ($ay + $by) / 2, ($by - $ay) / $long, ($ax - $bx) / $long];
            foreach ([1, -1] as $side) {
                $near = INF;
                foreach ($edges as $k => [$px, $py, $qx, $qy]) {
                    $det = $side * ($ux * ($qy - $py) - $uy * ($qx - $px));
                    if ($k === $i || abs($det) < 1e-15) {
                        continue;
                    }
                    $t = (($px - $x) * ($qy - $py) - ($py - $y) * ($qx - $px)) / $det;
                    $s = (($px - $x) * $side * $uy - ($py - $y) * $side * $ux) / $det;
                    $near = $t > 0 && $t < $near && $s >= 0 && $s <= 1 ? $t : $near;
                }
                if (is_finite($near)) {
                    $across[] = [$x + $side * $ux * $near / 2, $y + $side * $uy * $near / 2];
                }
            }
        }

        return $across;
    }

    /** @return list<array{float, float, float, float}> */
    private static function edges(Shape $shape, int $chords): array
    {
        $edges = [];
        foreach ($shape->contours as $contour) {
            // What is filled is closed, drawn so or not.
            foreach ((new Contour($contour->coords, true))->closedSegments() as $s) {
                $n = Cubic::isLine($s) ? 1 : $chords;
                [$px, $py] = [$s[0], $s[1]];
                for ($k = 1; $k <= $n; $k++) {
                    [$qx, $qy] = Cubic::placeOn($s, $k / $n);
                    if ($px !== $qx || $py !== $qy) {
                        $edges[] = [$px, $py, $qx, $qy];
                    }
                    [$px, $py] = [$qx, $qy];
                }
            }
        }

        return $edges;
    }

    /**
     * @param  list<array{float, float, float, float}>  $edges
     * @return float to the nearest edge, negative outside
     */
    private static function distance(array $edges, float $x, float $y, bool $evenodd): float
    {
        $winding = 0;
        $least = INF;
        foreach ($edges as [$ax, $ay, $bx, $by]) {
            $dx = $bx - $ax;
            $dy = $by - $ay;
            $px = $x - $ax;
            $py = $y - $ay;
            $t = ($px * $dx + $py * $dy) / ($dx * $dx + $dy * $dy);
            $t = $t < 0 ? 0.0 : ($t > 1 ? 1.0 : $t);
            $ex = $px - $t * $dx;
            $ey = $py - $t * $dy;
            $d = $ex * $ex + $ey * $ey;
            $least = $d < $least ? $d : $least;
            if (($ay > $y) !== ($by > $y) && $px < $dx * $py / $dy) {
                $winding += $evenodd ? 1 : ($by > $ay ? 1 : -1);
            }
        }
        $in = $evenodd ? ($winding & 1) === 1 : $winding !== 0;

        return $in ? sqrt($least) : -sqrt($least);
    }

    /** Whether a place lies inside. */
    public static function holds(Shape $shape, float $x, float $y): bool
    {
        return self::distance(self::edges($shape, self::CHORDS), $x, $y, $shape->rule === FillRule::Evenodd) > 0;
    }
}
