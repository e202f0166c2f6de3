<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** Borders that are shapes with a name, of one kind. */
final class Shapes
{
    /** @return list<array{float, float, float}> */
    public static function of(Curves $curves, string $kind): array
    {
        $found = [];
        foreach ($curves->models as $chain => $model) {
            if ($model->kind === $kind) {
                $found[] = [$model->x, $model->y, $curves->off[$chain] ?? 0.0];
            }
        }

        foreach ($curves->met as [$model, $off]) {
            if ($model->kind === $kind) {
                $found[] = [$model->x, $model->y, $off];
            }
        }

        return $found;
    }
}
