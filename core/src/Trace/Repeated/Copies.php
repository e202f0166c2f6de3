<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Trace\Curves;

/** Clusters that are one, moved: drawn as one, at exact places. */
final class Copies
{
    /**
     * @param  list<Images>  $images  of the first on each, itself among them
     * @param  list<Matrix>  $matrices  of each of them
     */
    public static function draw(Curves $curves, array $images, array $matrices): void
    {
        foreach (array_keys($images[0]->nodes) as $node) {
            [$x, $y] = [0.0, 0.0];
            foreach ($images as $i => $image) {
                $back = $matrices[$i]->inverse()->apply(...$curves->nodes[$image->nodes[$node]]);
                $x += $back->x / count($images);
                $y += $back->y / count($images);
            }
            foreach ($images as $i => $image) {
                $at = $matrices[$i]->apply($x, $y);
                $curves->nodes[$image->nodes[$node]] = [$at->x, $at->y];
            }
        }
        foreach (array_keys($images[0]->chains) as $chain) {
            self::model($curves, $chain, $images, $matrices);
            foreach ($images as $i => $image) {
                [$other, $same] = $image->chains[$chain];
                if ($other !== $chain) {
                    Moved::onto($curves, $chain, $other, $matrices[$i], $same);
                }
            }
        }
    }

    /**
     * A shape with a name is told from all of its copies.
     *
     * @param  list<Images>  $images
     * @param  list<Matrix>  $matrices
     */
    private static function model(Curves $curves, int $chain, array $images, array $matrices): void
    {
        $model = $curves->models[$chain] ?? null;
        if ($model === null) {
            return;
        }
        [$x, $y, $width, $height, $count] = [0.0, 0.0, 0.0, 0.0, 0];
        foreach ($images as $i => $image) {
            $other = $curves->models[$image->chains[$chain][0]] ?? null;
            if ($other === null || $other->kind !== $model->kind) {
                continue;
            }
            $back = $matrices[$i]->inverse()->apply($other->x, $other->y);
            [$x, $y, $width, $height, $count] = [$x + $back->x, $y + $back->y, $width + $other->width, $height + $other->height, $count + 1];
        }
        if ($count > 0) {
            $size = $model->kind === 'circle' ? ['width' => $width / $count, 'height' => $width / $count] : [];
            $curves->models[$chain] = $model->with(...['x' => $x / $count, 'y' => $y / $count, ...$size]);
        }
    }
}
