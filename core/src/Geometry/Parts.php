<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** The parts of a shape that do not hang together: each outline with the holes right inside it. */
final class Parts
{
    /** @return list<Shape> in the order of their outlines */
    public static function of(Shape $shape): array
    {
        $boxes = array_map(static fn (Contour $contour): Box => $contour->box(), $shape->contours);
        $rings = array_map(self::ring(...), $shape->contours);
        $depth = $parent = [];
        foreach ($shape->contours as $i => $contour) {
            $depth[$i] = 0;
            $parent[$i] = null;
            if (! $contour->closed) {
                continue;
            }
            foreach ($shape->contours as $k => $other) {
                if ($k !== $i && $other->closed && $boxes[$k]->contains($boxes[$i]) && self::inside($rings[$i][0], $rings[$k])) {
                    $depth[$i]++;
                    if ($parent[$i] === null || $boxes[$parent[$i]]->contains($boxes[$k])) {
                        $parent[$i] = $k;
                    }
                }
            }
        }
        $out = [];
        foreach ($shape->contours as $i => $contour) {
            if ($depth[$i] % 2 === 0) {
                $own = [$contour];
                foreach ($shape->contours as $k => $hole) {
                    if ($depth[$k] === $depth[$i] + 1 && $parent[$k] === $i) {
                        $own[] = $hole;
                    }
                }
                $out[] = new Shape($own, $shape->rule);
            }
        }

        return $out;
    }

    /** @return non-empty-list<array{float, float}> */
    private static function ring(Contour $contour): array
    {
        $out = [];
        foreach ($contour->segments() as $s) {
            for ($i = 0, $n = Cubic::isLine($s) ? 1 : 8; $i < $n; $i++) {
                $out[] = Cubic::placeOn($s, $i / $n);
            }
        }

        return $out === [] ? [[$contour->coords[0], $contour->coords[1]]] : $out;
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
