<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Nest;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Polyline;
use NeatEdge\Core\Geometry\ScanLines;
use NeatEdge\Core\Geometry\Shape;

/**
 * A shape as bands across: in each the stretches that any of it reaches into, never less. Two shapes whose bands are apart are apart; between the bands
 * nothing is rounded.
 */
final readonly class Bands
{
    /** mm by which the line along a curve may lie inside it: a tenth of what a gap is held to. */
    private const EXACT = 0.0001;

    /**
     * @param  list<list<float>>  $rows  packed from, to, in mm from the left of the box, rising
     * @param  int  $widest  number of the band that reaches furthest
     */
    private function __construct(public array $rows, public float $width, public float $height, public int $widest)
    {
    }

    /**
     * @param  float  $turn  degrees
     * @param  float  $high  mm of a band
     */
    public static function of(Shape $shape, float $turn, float $high): self
    {
        $box = $shape->box() ?? new Box(0.0, 0.0, 0.0, 0.0);
        $turned = $turn === 0.0 ? $shape : $shape->transformed(Matrix::rotation($turn, $box->middle()->x, $box->middle()->y));
        $box = $turned->box() ?? $box;
        $count = max(1, (int) ceil($box->height() / $high - 1e-9));
        $hits = array_fill(0, $count, []);
        foreach ($turned->contours as $contour) {
            $points = Polyline::of(new Contour($contour->coords, true), self::EXACT);
            for ($i = 1, $n = count($points); $i < $n; $i++) {
                self::edge(
                    $points[$i - 1][0] - $box->left,
                    $points[$i - 1][1] - $box->top,
                    $points[$i][0] - $box->left,
                    $points[$i][1] - $box->top,
                    $high,
                    $hits,
                );
            }
        }
        // Where a band begins and ends inside, what lies between two edges is told by the line along its border.
        $lines = array_map(static fn (int $k): float => $box->top + $k * $high, range(1, max(1, $count - 1)));
        foreach ((new ScanLines([$turned], 0.0, self::EXACT))->along($lines) as $k => $stretches) {
            foreach ($stretches as [$from, $to]) {
                foreach ([$k, $k + 1] as $band) {
                    if (isset($hits[$band])) {
                        $hits[$band][] = [$from - $box->left, $to - $box->left];
                    }
                }
            }
        }

        $rows = array_map(self::joined(...), $hits);
        $wide = array_map(static fn (array $runs): float => $runs === [] ? 0.0 : $runs[count($runs) - 1] - $runs[0], $rows);

        return new self($rows, $box->width(), $box->height(), (int) array_search(max([0.0, ...$wide]), $wide, true));
    }

    /** @param  list<list<array{float, float}>>  $hits  brought up to date */
    private static function edge(float $ax, float $ay, float $bx, float $by, float $high, array &$hits): void
    {
        if ($ay > $by) {
            [$ax, $ay, $bx, $by] = [$bx, $by, $ax, $ay];
        }
        $last = min(count($hits) - 1, (int) floor($by / $high));
        for ($k = max(0, min(count($hits) - 1, (int) floor($ay / $high))); $k <= $last; $k++) {
            $t0 = $by - $ay < 1e-12 ? 0.0 : max(0.0, min(1.0, ($k * $high - $ay) / ($by - $ay)));
            $t1 = $by - $ay < 1e-12 ? 1.0 : max(0.0, min(1.0, (($k + 1) * $high - $ay) / ($by - $ay)));
            [$x0, $x1] = [$ax + ($bx - $ax) * $t0, $ax + ($bx - $ax) * $t1];
            $hits[$k][] = [min($x0, $x1), max($x0, $x1)];
        }
    }

    /**
     * @param  list<array{float, float}>  $stretches
     * @return list<float>
     */
    private static function joined(array $stretches): array
    {
        sort($stretches);
        $bands = [];
        foreach ($stretches as [$from, $to]) {
            $end = $bands === [] ? -INF : $bands[count($bands) - 1];
            if ($from <= $end + 1e-6) {
                array_pop($bands);
                $bands[] = max($end, $to);
            } else {
                $bands[] = $from;
                $bands[] = $to;
            }
        }

        return $bands;
    }
}
