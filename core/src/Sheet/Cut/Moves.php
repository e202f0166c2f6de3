<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Polyline;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;

/** A layout as its machine will go through it: each line with when it begins and ends, so that it can be looked at before it is sent. */
final class Moves
{
    /** mm that chords leave curves by, to be looked at. */
    private const FLAT = 0.08;

    /** mm that chords leave curves by in files for heads. */
    private const EXACT = 0.01;

    /** What a machine is taken for that nobody described. */
    private const USUAL = ['kind' => 'cutter', 'overcut' => 0.3];

    /**
     * @param  array<string, mixed>  $machine  as the shop describes it: kind, blade, overcut, travel, gather, lift
     * @return array{seconds: float, cut_mm: float, air_mm: float, moves: list<array{layer: int, from: float, to: float, points: list<float>}>} times in
     *     seconds, places packed in mm
     */
    public static function of(Layout $layout, array $machine = []): array
    {
        $machine = [...self::USUAL, ...$machine];
        $drags = Devices::of((string) $machine['kind'])::about()->drags;
        $at = [0.0, $layout->height];
        $now = $cut = $air = 0.0;
        $moves = [];
        foreach ($layout->layers as $number => $layer) {
            $speed = (float) ($layer->use['speed'] ?? 200.0);
            // Plotter language knows whole centimetres a second.
            $time = MachineTime::of($machine, $drags ? 10 * max(1.0, round($speed / 10)) : $speed);
            $lines = self::lines($layer);
            $ways = self::ways($lines, $layer, $layout, $machine);
            // A drag knife is turned in the waste before all lines.
            foreach (array_splice($ways, 0, count($ways) - count($lines)) as $turn) {
                $now += $time->through($turn, $at);
            }
            foreach ($ways as $i => $way) {
                $points = Polyline::of($lines[$i], self::FLAT);
                $cut += Polyline::length($points);
                $there = hypot($way[0][0] - $at[0], $way[0][1] - $at[1]);
                $flies = $time->fly($at, $way[0]);
                $took = $time->through($way, $at);
                $moves[] = [
                    'layer' => $number,
                    'from' => round($now + min($took, $flies), 3),
                    'to' => round($now + $took, 3),
                    'points' => array_map(static fn (float $v): float => round($v, 3), array_merge(...$points)),
                ];
                $now += $took;
                $air += $there;
            }
        }
        // And home again.
        $now += MachineTime::of($machine, 200.0)->fly($at, [0.0, $layout->height]);

        return ['seconds' => round($now, 2), 'cut_mm' => round($cut, 2), 'air_mm' => round($air, 2), 'moves' => $moves];
    }

    /**
     * Where the head goes for each line: past the start of a closed one and round its corners with a drag knife, with a run-up before a fill.
     *
     * @param  list<Contour>  $lines
     * @param  array<string, mixed>  $machine
     * @return list<non-empty-list<array{float, float}>>
     */
    private static function ways(array $lines, Layer $layer, Layout $layout, array $machine): array
    {
        if (Devices::of((string) $machine['kind'])::about()->drags) {
            return array_map(
                static fn (Steered $way): array => $way->points,
                Steered::all($lines, (float) ($machine['blade'] ?? 0.0), (float) $machine['overcut'], $layout->height),
            );
        }
        $over = (float) ($layer->use['overscan'] ?? 0.0);
        $fills = intdiv(count($layer->hatch), 4);
        $round = $fills + count($layer->lines);

        return array_map(static function (Contour $line, int $i) use ($over, $fills, $round): array {
            $points = Steered::along($line, self::EXACT)->points;
            if ($over <= 0 || $i % $round >= $fills) {
                return $points;
            }
            [[$ax, $ay], [$bx, $by]] = [$points[0], $points[count($points) - 1]];
            $length = max(1e-9, hypot($bx - $ax, $by - $ay));
            [$ux, $uy] = [$over * ($bx - $ax) / $length, $over * ($by - $ay) / $length];

            return [[$ax - $ux, $ay - $uy], ...$points, [$bx + $ux, $by + $uy]];
        }, $lines, array_keys($lines));
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
        $along = [];
        for ($pass = max(1, (int) ($layer->use['passes'] ?? 1)); $pass > 0; $pass--) {
            array_push($along, ...$lines, ...$layer->lines);
        }

        return $along;
    }
}
