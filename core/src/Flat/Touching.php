<?php

declare(strict_types=1);

namespace NeatEdge\Core\Flat;

use NeatEdge\Core\Geometry\Groups;
use NeatEdge\Core\Geometry\Shape;

/** Shapes in clusters that do not reach each other, by their boxes. */
final class Touching
{
    /** mm by which boxes may be apart and still touch. */
    private const NEAR = 0.001;

    /**
     * @param  list<Shape>  $shapes
     * @return list<non-empty-list<Shape>> each in the order of the shapes
     */
    public static function clusters(array $shapes): array
    {
        $boxes = [];
        foreach ($shapes as $i => $shape) {
            $box = $shape->box();
            if ($box !== null) {
                $boxes[$i] = $box;
            }
        }
        uasort($boxes, static fn ($a, $b): int => $a->left <=> $b->left);
        $groups = new Groups(array_keys($boxes));
        $open = [];
        foreach ($boxes as $i => $box) {
            foreach ($open as $k => $other) {
                if ($other->right < $box->left - self::NEAR) {
                    unset($open[$k]);
                } elseif ($other->top <= $box->bottom + self::NEAR && $other->bottom >= $box->top - self::NEAR) {
                    $groups->join($k, $i);
                }
            }
            $open[$i] = $box;
        }
        $clusters = [];
        foreach ($shapes as $i => $shape) {
            if (isset($boxes[$i])) {
                $clusters[$groups->of($i)][] = $shape;
            }
        }

        return array_values($clusters);
    }
}
