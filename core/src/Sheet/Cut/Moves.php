<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Polyline;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;

/** A layout as its machine will go through it: each line with when it begins and ends, so that it can be looked at before it is sent. */
final class Moves
{
    /** mm that chords leave curves by, to be looked at. */
    private const FLAT = 0.08;

    /**
     * @param  float  $travel  mm/s in the air
     * @return array{seconds: float, cut_mm: float, air_mm: float, moves: list<array{layer: int, from: float, to: float, points: list<float>}>} times in seconds, places packed in mm
     */
    public static function of(Layout $layout, float $travel = 400.0): array
    {
        $at = [0.0, $layout->height];
        $now = $cut = $air = 0.0;
        $moves = [];
        foreach ($layout->layers as $number => $layer) {
            $time = new MachineTime((float) ($layer->use['speed'] ?? 200.0), $travel);
            foreach (self::lines($layer) as $line) {
                $points = Polyline::of($line, self::FLAT);
                $length = Polyline::length($points);
                $way = hypot($points[0][0] - $at[0], $points[0][1] - $at[1]);
                $before = $at;
                $took = $time->along([$line], $before);
                $began = $now + min($took, $way / max(1.0, $travel));
                $now += $took;
                $cut += $length;
                $air += $way;
                $at = $points[count($points) - 1];
                $moves[] = ['layer' => $number, 'from' => round($began, 3), 'to' => round($now, 3), 'points' => array_map(static fn (float $v): float => round($v, 3), array_merge(...$points))];
            }
        }

        return ['seconds' => round($now, 2), 'cut_mm' => round($cut, 2), 'air_mm' => round($air, 2), 'moves' => $moves];
    }

    /** @return list<Contour> each as often as it is gone along */
    private static function lines(Layer $layer): array
    {
        if (! $layer->role->isPath()) {
            return [];
        }
        $lines = [];
        for ($i = 0, $n = count($layer->hatch); $i < $n; $i += 4) {
            $lines[] = Contour::polygon([[$layer->hatch[$i], $layer->hatch[$i + 1]], [$layer->hatch[$i + 2], $layer->hatch[$i + 3]]], false);
        }
        $out = [];
        for ($pass = max(1, (int) ($layer->use['passes'] ?? 1)); $pass > 0; $pass--) {
            array_push($out, ...$lines, ...$layer->lines);
        }

        return $out;
    }
}
