<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\Flattening;
use NeatEdge\Core\PlanarMap\Sources;
use NeatEdge\Core\PlanarMap\WeldPass;
use NeatEdge\Core\Tests\Support\RandomArt;

/** Time to weld N random overlapping circles, rounded rectangles and stars at constant density. */
final class WeldGrowth
{
    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $points = [];
        Combine::weld(self::scene(200));
        foreach ([250, 500, 1000, 2000, 4000] as $n) {
            $times = [];
            $scene = self::scene($n);
            $nodes = 0;
            for ($k = 0; $k < 3; $k++) {
                $start = hrtime(true);
                $nodes = Combine::weld($scene)->nodeCount();
                $times[] = (hrtime(true) - $start) / 1e6;
            }
            sort($times);
            $points[] = [log($n), log($times[1])];
            yield ["weld of {$n} shapes, {$nodes} nodes out", sprintf('%.0f ms', $times[1]), ''];
        }
        yield ['growth exponent, N = 250 to 4000', sprintf('%.3f', self::slope($points)), 'at most 1.2'];
        foreach ([4000, 16000] as $n) {
            $scene = self::scene($n);
            $edges = self::edges($scene);
            $before = memory_get_usage();
            memory_reset_peak_usage();
            Combine::weld($scene);
            $bytes = memory_get_peak_usage() - $before;
            yield [
                "peak memory at N = {$n}, {$edges} flattened edges",
                sprintf('%.0f MB, %.2f kB an edge', $bytes / 1e6, $bytes / 1e3 / $edges),
                'under 0.8 kB an edge',
            ];
        }
    }

    /** @param  list<Shape>  $scene */
    private static function edges(array $scene): int
    {
        $sources = new Sources($scene);
        $tolerance = Tolerance::forExtent($sources->extent);

        return count(Flattening::chords($sources, WeldPass::pieces($sources, $tolerance->weld), $tolerance->flatness)->a);
    }

    /** @return list<Shape> */
    private static function scene(int $n): array
    {
        $art = new RandomArt(4);
        $side = 10 * sqrt($n);
        $shapes = [];
        for ($i = 0; $i < $n; $i++) {
            [$x, $y, $r] = [$art->between(0, $side), $art->between(0, $side), $art->between(3, 8)];
            $shapes[] = Shape::of(match ($i % 3) {
                0 => Contour::circle($x, $y, $r),
                1 => $art->roundedRectangle($x, $y, 1.5 * $r, $r, 0.3 * $r)->transformed(Matrix::rotation($art->between(0, 360), $x, $y)),
                default => $art->star($x, $y, $r, 5),
            });
        }

        return $shapes;
    }

    /** @param  list<array{float, float}>  $points */
    private static function slope(array $points): float
    {
        $n = count($points);
        $mx = array_sum(array_column($points, 0)) / $n;
        $my = array_sum(array_column($points, 1)) / $n;
        $up = $down = 0.0;
        foreach ($points as [$x, $y]) {
            $up += ($x - $mx) * ($y - $my);
            $down += ($x - $mx) ** 2;
        }

        return $up / $down;
    }
}
