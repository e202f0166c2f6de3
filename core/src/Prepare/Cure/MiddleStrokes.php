<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\CurveThrough;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Measure\Cells;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Measure\ThinPlace;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\Outliner;
use NeatEdge\Core\Stroke\StrokeStyle;

/**
 * A stroke along the middle line of a narrow stretch. United with what is narrow, it makes it as wide as the stroke and leaves all else alone; taken from
 * what lies on both sides of a gap, it makes the gap as wide. Where the stretch ends, the stroke ends flush with it.
 */
final readonly class MiddleStrokes
{
    /** How far the fitted middle line may lie off the measured one, in widths. */
    private const FIT = 0.012;

    /** Places of the middle line are at least so far apart, in widths: nearer ones tell of the measure, not of the line. */
    private const APART = 0.15;

    /** What lies on beyond an end for less than this, in widths, is the end of the line. */
    private const FREE = 0.7;

    /** Two places of a middle line that are farther apart, in widths, are not on one stretch. */
    private const JUMP = 0.7;

    /** Places that are nearer, in widths, are one. */
    private const SAME = 0.25;

    /** An end is square when its corners lie as far out as its middle, within this share of the width. */
    private const SQUARE = 0.06;

    /** What is narrower at its end than twice this share of the width ends in a point. */
    private const BLUNT = 0.05;

    private float $grain;

    /**
     * @param  Inside  $inside  of the shape that is narrow, or beside which the gap lies
     * @param  bool  $gap  whether it is the space beside the shape that is narrow
     * @param  float  $width  mm of the strokes
     * @param  float|null  $measured  mm of the limit that the place was measured against: its middle places lie as far apart as that tells, however thin
     *     the strokes are
     */
    public function __construct(private Inside $inside, private bool $gap, private float $width, private Tolerance $tolerance, ?float $measured = null)
    {
        $this->grain = max($width, $measured ?? $width);
    }

    /** The strokes of a place, united; empty where its middle line cannot be told. */
    public function of(ThinPlace $place): Shape
    {
        $parts = [];
        foreach ($this->stretches($place->rows) as $points) {
            array_push($parts, ...$this->along($points));
        }

        return $parts === [] ? new Shape([]) : Combine::weld($parts, $this->tolerance);
    }

    /**
     * The longest first; what of the others lies on it already is left out, and where a row jumps it is two.
     *
     * @param  list<list<array{float, float, float}>>  $rows
     * @return list<non-empty-list<array{float, float}>>
     */
    private function stretches(array $rows): array
    {
        $stretches = $seen = [];
        foreach ($rows as $row) {
            $cells = $seen === [] ? [] : Cells::of(array_column($seen, 0), array_column($seen, 1), $this->grain);
            $stretch = [];
            foreach ([...$row, null] as $place) {
                $known = $place !== null && $this->isKnown($place, $seen, $cells);
                $last = $stretch[count($stretch) - 1] ?? null;
                if ($stretch !== [] && ($place === null
                    || $known
                    || ($last !== null && hypot($place[0] - $last[0], $place[1] - $last[1]) > self::JUMP * $this->grain))) {
                    $spaced = $this->spaced($stretch);
                    if ($spaced !== []) {
                        $stretches[] = $spaced;
                    }
                    $stretch = [];
                }
                if ($place !== null && ! $known) {
                    $stretch[] = $place;
                }
            }
            array_push($seen, ...$row);
        }

        return $stretches;
    }

    /**
     * @param  array{float, float, float}  $place
     * @param  list<array{float, float, float}>  $seen
     * @param  array<int, list<int>>  $cells
     */
    private function isKnown(array $place, array $seen, array $cells): bool
    {
        foreach ($cells === [] ? [] : Cells::at($cells, $place[0], $place[1], $this->grain) as $k) {
            if (hypot($seen[$k][0] - $place[0], $seen[$k][1] - $place[1]) < self::SAME * $this->grain) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  non-empty-list<array{float, float}>  $points
     * @return list<Shape>
     */
    private function along(array $points): array
    {
        if (count($points) === 1) {
            return [Shape::of(Contour::circle($points[0][0], $points[0][1], $this->width / 2))];
        }
        $last = count($points) - 1;
        $long = 0.0;
        for ($i = 1; $i <= $last; $i++) {
            $long += hypot($points[$i][0] - $points[$i - 1][0], $points[$i][1] - $points[$i - 1][1]);
        }
        if ($long > 3 * $this->grain && hypot($points[0][0] - $points[$last][0], $points[0][1] - $points[$last][1]) < 0.7 * $this->grain) {
            // The way round a ring, smooth where it began.
            $way = CurveThrough::through([$points[$last], $points[0], $points[1]], 1);

            return [Outliner::outline(
                [Contour::ofSegments(CurveThrough::fit([...$points, $points[0]], self::FIT * $this->width, $way, $way), true)],
                $this->style(),
                $this->tolerance,
            )];
        }
        [$points, $end] = $this->ended($points);
        [$points, $start] = $points === [] ? [[], null] : $this->ended(array_reverse($points));
        $parts = array_values(array_filter([$start, $end]));
        if (count($points) > 1) {
            $parts[] = Outliner::outline([Contour::ofSegments(CurveThrough::fit($points, self::FIT * $this->width), false)], $this->style(), $this->tolerance);
        }

        return $parts;
    }

    private function style(): StrokeStyle
    {
        return new StrokeStyle($this->width, Cap::Butt, Join::Round);
    }

    /**
     * @param  list<array{float, float, float}>  $row
     * @return list<array{float, float}>
     */
    private function spaced(array $row): array
    {
        $spaced = [];
        $least = self::APART * $this->grain;
        foreach ($row as $i => [$x, $y]) {
            $n = count($spaced);
            if ($n === 0 || hypot($x - $spaced[$n - 1][0], $y - $spaced[$n - 1][1]) >= $least) {
                $spaced[] = [$x, $y];
            } elseif ($i === count($row) - 1 && $n > 1) {
                $spaced[$n - 1] = [$x, $y];
            }
        }
        // Each lies on the mean of itself and its neighbours, but for the ends.
        $even = $spaced;
        for ($i = 1; $i < count($spaced) - 1; $i++) {
            $even[$i] = [
                ($spaced[$i - 1][0] + 2 * $spaced[$i][0] + $spaced[$i + 1][0]) / 4,
                ($spaced[$i - 1][1] + 2 * $spaced[$i][1] + $spaced[$i + 1][1]) / 4,
            ];
        }

        return $even;
    }

    /**
     * Where a line ends at the last of its places it is led to its end, square or round as that is; where it runs on into what is wide enough, it ends in
     * a circle that lies within.
     *
     * @param  non-empty-list<array{float, float}>  $points
     * @return array{list<array{float, float}>, Shape|null} the places, and a circle round the last
     */
    private function ended(array $points): array
    {
        $n = count($points);
        [$x, $y] = $points[$n - 1];
        $from = $points[max(0, $n - 3)];
        $long = hypot($x - $from[0], $y - $from[1]);
        if ($long < 1e-9) {
            return [$points, Shape::of(Contour::circle($x, $y, $this->width / 2))];
        }
        [$dx, $dy] = [($x - $from[0]) / $long, ($y - $from[1]) / $long];
        $far = $this->exit($x, $y, $dx, $dy);
        if ($far >= self::FREE * $this->width) {
            return [$points, Shape::of(Contour::circle($x, $y, $this->width / 2))];
        }
        $side = 0.4 * $this->across($x, $y, $dx, $dy);
        $left = $this->exit($x - $side * $dy, $y + $side * $dx, $dx, $dy);
        $right = $this->exit($x + $side * $dy, $y - $side * $dx, $dx, $dy);
        if ($side > self::BLUNT * $this->width && max(abs($left - $far), abs($right - $far)) < self::SQUARE * $this->width) {
            $points[] = [$x + $far * $dx, $y + $far * $dy];

            return [$far < 1e-6 ? array_slice($points, 0, -1) : $points, null];
        }
        // Half a width before the end, so that the circle ends where the line did.
        $to = $far - $this->width / 2;
        if ($to < 0) {
            while (count($points) > 1) {
                $k = count($points) - 1;
                if (($points[$k][0] - $x) * $dx + ($points[$k][1] - $y) * $dy <= $to) {
                    break;
                }
                array_pop($points);
            }
        }
        $middle = [$x + $to * $dx, $y + $to * $dy];
        $k = count($points) - 1;
        if (hypot(
            $points[$k][0] - $middle[0],
            $points[$k][1] - $middle[1],
        ) > 1e-6 && ($middle[0] - $points[$k][0]) * $dx + ($middle[1] - $points[$k][1]) * $dy > 0) {
            $points[] = $middle;
        }
        $k = count($points) - 1;

        return [$points, Shape::of(Contour::circle($points[$k][0], $points[$k][1], $this->width / 2))];
    }

    /** How far what is narrow goes on from a place, mm; at most two widths. */
    private function exit(float $x, float $y, float $dx, float $dy): float
    {
        $step = $this->width / 10;
        for ($d = 0.0; $d < 2 * $this->width; $d += $step) {
            if ($this->inside->holds($x + $d * $dx, $y + $d * $dy) === $this->gap) {
                [$in, $farthest] = [max(0.0, $d - $step), $d];
                for ($k = 0; $k < 26; $k++) {
                    $half = ($in + $farthest) / 2;
                    $this->inside->holds($x + $half * $dx, $y + $half * $dy) === $this->gap ? $farthest = $half : $in = $half;
                }

                return $in;
            }
        }

        return 2 * $this->width;
    }

    /** mm from wall to wall across a place. */
    private function across(float $x, float $y, float $dx, float $dy): float
    {
        return 2 * min($this->exit($x, $y, -$dy, $dx), $this->exit($x, $y, $dy, -$dx));
    }
}
