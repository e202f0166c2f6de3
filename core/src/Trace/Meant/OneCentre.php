<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** Circles and ellipses that lie nearly about one centre do. */
final class OneCentre implements Rule
{
    private const WITHIN = 0.2;

    public static function key(): string
    {
        return 'centres';
    }

    public static function label(int $count): string
    {
        return "{$count} about a centre that they share";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        $left = array_filter($curves->models, static fn ($model): bool => $model->kind !== 'rectangle');
        $found = [];
        while ($left !== []) {
            $first = array_shift($left);
            $group = array_filter($left, static fn ($model): bool => hypot($model->x - $first->x, $model->y - $first->y) <= max(self::WITHIN, 1.5 * $noise));
            if ($group === []) {
                continue;
            }
            $chains = array_keys(array_filter($curves->models, static fn ($model): bool => $model === $first || in_array($model, $group, true)));
            // The larger one is told from more places.
            $weights = array_map(static fn (int $chain): float => $curves->models[$chain]->width, $chains);
            $x = $y = 0.0;
            foreach ($chains as $k => $chain) {
                $x += $weights[$k] * $curves->models[$chain]->x / array_sum($weights);
                $y += $weights[$k] * $curves->models[$chain]->y / array_sum($weights);
            }
            foreach ($chains as $chain) {
                $model = $curves->models[$chain];
                $found[] = [$x, $y, hypot($x - $model->x, $y - $model->y)];
                $curves->models[$chain] = $model->with(x: $x, y: $y);
            }
            $left = array_filter($left, static fn ($model): bool => ! in_array($model, $group, true));
        }

        return $found;
    }
}
