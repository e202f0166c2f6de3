<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Trace\Curves;
use NeatEdge\Core\Trace\Model;

/** Segments and shapes with a name, moved. */
final class Moved
{
    /**
     * @param  list<list<float>>  $segments  see Cubic
     * @return list<list<float>>
     */
    public static function segments(array $segments, Matrix $matrix): array
    {
        return Contour::ofSegments($segments, false)->transformed($matrix)->segments();
    }

    /** Draws a border as the image of another. */
    public static function onto(Curves $curves, int $from, int $to, Matrix $matrix, bool $same): void
    {
        if (isset($curves->models[$from], $curves->models[$to])) {
            $curves->models[$to] = self::model($curves->models[$from], $matrix);

            return;
        }
        $segments = self::segments($curves->segments($from), $matrix);
        $segments = $same ? $segments : Curves::reversed($segments);
        if ($segments !== []) {
            $curves->redraw($to, $segments);
        }
    }

    public static function model(Model $model, Matrix $matrix): Model
    {
        $at = $matrix->apply($model->x, $model->y);
        $along = deg2rad($model->turn);
        [$x, $y] = [$matrix->a * cos($along) + $matrix->c * sin($along), $matrix->b * cos($along) + $matrix->d * sin($along)];
        $turn = rad2deg(atan2($y, $x));

        // An ellipse or a rectangle turned by half is itself.
        return $model->with(x: $at->x, y: $at->y, turn: $model->kind === 'circle' ? $model->turn : $turn - 180 * round($turn / 180));
    }
}
