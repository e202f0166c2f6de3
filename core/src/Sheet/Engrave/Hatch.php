<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Engrave;

use NeatEdge\Core\Geometry\ScanLines;
use NeatEdge\Core\Geometry\Shape;

/** Areas as lines that a head goes along, there and back, so that it never goes far in the air. */
final class Hatch
{
    /**
     * @param  list<Shape>  $areas
     * @param  float  $pitch  mm between lines
     * @return list<float> packed stretches x0, y0, x1, y1, mm
     */
    public static function of(array $areas, float $degrees, float $pitch): array
    {
        $scan = new ScanLines($areas, $degrees);
        if ($pitch <= 0 || ! is_finite($scan->top)) {
            return [];
        }
        $lines = [];
        for ($y = $scan->top + $pitch / 2; $y < $scan->bottom; $y += $pitch) {
            $lines[] = $y;
        }
        $rows = array_fill(0, count($lines), []);
        foreach ($scan->along($lines) as $k => $stretches) {
            $rows[$k] = $stretches;
        }
        $packed = [];
        foreach (HatchOrder::of(array_values($rows), $pitch) as [$k, $from, $to]) {
            [$ax, $ay] = $scan->onBench($from, $lines[$k]);
            [$bx, $by] = $scan->onBench($to, $lines[$k]);
            array_push($packed, $ax, $ay, $bx, $by);
        }

        return $packed;
    }
}
