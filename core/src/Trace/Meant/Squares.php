<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** Rectangles nearly as high as they are wide are. */
final class Squares implements Rule
{
    private const WITHIN = 0.2;

    public static function key(): string
    {
        return 'squares';
    }

    public static function label(int $count): string
    {
        return $count === 1 ? '1 square' : "{$count} squares";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        $found = [];
        foreach ($curves->models as $chain => $model) {
            if ($model->kind === 'rectangle' && abs($model->width - $model->height) <= max(self::WITHIN, 1.5 * $noise)) {
                $mean = ($model->width + $model->height) / 2;
                $curves->models[$chain] = $model->with(width: $mean, height: $mean);
                $found[] = [$model->x, $model->y, abs($mean - $model->width) / 2];
            }
        }

        return $found;
    }
}
