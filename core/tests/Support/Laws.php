<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\TopOwner;

/**
 * What must hold for any two outlines, however awkward, wherever they lie and however large they are.
 *
 * Errors are told as shares of what is allowed: areas that must add up may be off by a millionth of their sum, and an
 * operation on its own result may change it by 1e-6 mm² (of the size at which art is some centimetres across).
 */
final class Laws
{
    public const SHARE = 1e-6;

    /**
     * @return array<string, float> law => error, as a share of what is allowed
     */
    public static function errors(int $seed): array
    {
        $art = new RandomArt($seed);
        [$kind, $p, $q] = $art->pair();
        $place = ['here', 'here', 'here', 'far', 'tiny', 'huge'][$art->pick(6)];
        $scale = match ($place) {
            'tiny' => 5e-4,
            'huge' => 500.0,
            default => 1.0,
        };
        $move = $place === 'far' ? Matrix::translation(1e5, -1e5) : Matrix::scaling($scale, $scale);
        $p = $p->transformed($move);
        $q = $q->transformed($move);
        $a = Combine::weld([$p]);
        $b = Combine::weld([$q]);
        $areaA = $a->area();
        $areaB = $b->area();
        $sum = max($areaA + $areaB, 1e-3 * $scale ** 2);
        $map = PlanarMap::of([$a, $b]);
        $union = Combine::weld([$a, $b]);
        $overlap = Combine::keepOverlap([$a, $b]);
        $left = Combine::cutAway($a, [$b]);
        $either = Combine::keepDifference([$a, $b]);
        $seen = $map->regions(new TopOwner(2));
        $seenArea = array_sum(array_map(static fn (Shape $shape): float => $shape->area(), $seen));
        // What is as large as a speck of the grid cannot be known better.
        $small = 1e-6 * $scale ** 2 * ($place === 'far' ? 10 : 1);
        $share = static fn (float $error): float => abs($error) / (self::SHARE * $sum);
        $same = static fn (Shape $once): float => abs(Combine::weld([$once])->area() - $once->area()) / $small;
        $at = "{$kind} {$place}: ";

        return [
            $at.'union and overlap' => $share($areaA + $areaB - $union->area() - $overlap->area()),
            $at.'cut away and overlap' => $share($areaA - $left->area() - $overlap->area()),
            $at.'difference and overlap' => $share($union->area() - $either->area() - $overlap->area()),
            $at.'seen parts fill the union' => $share($seenArea - $union->area()),
            $at.'seen parts do not overlap' => $share(Combine::weld(array_values($seen))->area() - $seenArea),
            $at.'union again' => $same($union),
            $at.'overlap again' => $same($overlap),
            $at.'cut away again' => $same($left),
            $at.'difference again' => $same($either),
            $at.'short segments' => (float) self::shortSegments($union, 0.002 * min(1.0, $scale)),
        ];
    }

    /** How many segments are shorter than a length. */
    public static function shortSegments(Shape $shape, float $length): int
    {
        $short = 0;
        foreach ($shape->contours as $contour) {
            foreach ($contour->segments() as $s) {
                $short += Cubic::length($s) < $length ? 1 : 0;
            }
        }

        return $short;
    }
}
