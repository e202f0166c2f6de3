<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

use NeatEdge\Core\Patience\Patience;

/** The parts of a shape that do not hang together: each outline with the holes right inside it. */
final class Parts
{
    /** @return list<Shape> in the order of their outlines */
    public static function of(Shape $shape): array
    {
        $boxes = array_map(static fn (Contour $contour): Box => $contour->box(), $shape->contours);
        $rings = array_map(self::ring(...), $shape->contours);
        $depth = array_fill(0, count($boxes), 0);
        /** @var array<int, int> $parent */
        $parent = [];
        foreach (self::within($boxes) as [$i, $k]) {
            if ($shape->contours[$i]->closed && $shape->contours[$k]->closed && self::inside($rings[$i][0], $rings[$k])) {
                $depth[$i]++;
                if (! isset($parent[$i]) || $boxes[$parent[$i]]->contains($boxes[$k])) {
                    $parent[$i] = $k;
                }
            }
        }
        $holes = [];
        foreach ($parent as $i => $k) {
            if ($depth[$i] === $depth[$k] + 1) {
                $holes[$k][] = $i;
            }
        }
        $shapes = [];
        foreach ($shape->contours as $i => $contour) {
            if ($depth[$i] % 2 === 0) {
                $own = $holes[$i] ?? [];
                sort($own);
                $shapes[] = new Shape([$contour, ...array_map(static fn (int $k): Contour => $shape->contours[$k], $own)], $shape->rule);
            }
        }

        return $shapes;
    }

    /**
     * Pairs of boxes of which the first lies in the second: found along a sweep from left to right, so that only those are compared which share a place across.
     *
     * @param  array<int, Box>  $boxes
     * @return list<array{int, int}>
     */
    private static function within(array $boxes): array
    {
        $order = array_keys($boxes);
        // What begins at one place lies in the wider one.
        usort($order, static fn (int $a, int $b): int => [$boxes[$a]->left, -$boxes[$a]->right] <=> [$boxes[$b]->left, -$boxes[$b]->right]);
        $stretches = $open = [];
        foreach ($order as $i) {
            Patience::ask(2);
            $box = $boxes[$i];
            foreach ($open as $k => $right) {
                if ($right < $box->left) {
                    unset($open[$k]);
                } elseif ($boxes[$k]->contains($box)) {
                    $stretches[] = [$i, $k];
                    if ($box->contains($boxes[$k])) {
                        $stretches[] = [$k, $i];
                    }
                }
            }
            $open[$i] = $box->right;
        }

        return $stretches;
    }

    /** @return non-empty-list<array{float, float}> */
    private static function ring(Contour $contour): array
    {
        $points = [];
        foreach ($contour->segments() as $s) {
            Patience::ask();
            for ($i = 0, $n = Cubic::isLine($s) ? 1 : 8; $i < $n; $i++) {
                $points[] = Cubic::placeOn($s, $i / $n);
            }
        }

        return $points === [] ? [[$contour->coords[0], $contour->coords[1]]] : $points;
    }

    /**
     * @param  array{float, float}  $p
     * @param  list<array{float, float}>  $ring
     */
    private static function inside(array $p, array $ring): bool
    {
        $in = false;
        for ($i = 0, $k = count($ring) - 1, $n = count($ring); $i < $n; $k = $i++) {
            [[$ax, $ay], [$bx, $by]] = [$ring[$i], $ring[$k]];
            if (($ay > $p[1]) !== ($by > $p[1]) && $p[0] < ($bx - $ax) * ($p[1] - $ay) / ($by - $ay) + $ax) {
                $in = ! $in;
            }
        }

        return $in;
    }
}
