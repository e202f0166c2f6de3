<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** Circles of nearly one radius have one. */
final class EqualRadii implements Rule
{
    /** Dots by which chance makes them differ at least: some places are many, their mean is off by little. */
    private const WITHIN = 0.12;

    public static function key(): string
    {
        return 'radii';
    }

    public static function label(int $count): string
    {
        return "{$count} circles of equal radii";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        $radii = [];
        foreach ($curves->models as $chain => $model) {
            if ($model->kind === 'circle') {
                $radii[$chain] = $model->width / 2;
            }
        }
        $found = [];
        foreach (Alike::groups($radii, max(self::WITHIN, 1.2 * $noise)) as $group) {
            $mean = array_sum($group) / count($group);
            foreach ($group as $chain => $radius) {
                $model = $curves->models[$chain];
                $curves->models[$chain] = $model->with(width: 2 * $mean, height: 2 * $mean);
                $found[] = [$model->x, $model->y, abs($mean - $radius)];
            }
        }

        return $found;
    }
}
