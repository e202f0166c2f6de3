<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Nest;

use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\EachCover;

/** The proof that nothing lies on anything: by the engine, on the true outlines. */
final class Overlap
{
    /** mm² that count. */
    private const LEAST = 1e-4;

    /**
     * @param  list<Shape>  $shapes  as they lie
     * @return list<array{int, int, float}> pairs that overlap, and on how many mm²
     */
    public static function pairs(array $shapes): array
    {
        $rule = new EachCover;
        $overlaps = [];
        foreach (PlanarMap::of($shapes)->regions($rule) as $label => $region) {
            Patience::ask(8);
            $owners = $rule->covers[$label];
            sort($owners);
            for ($i = 0, $n = count($owners); $i < $n && $region->area() > self::LEAST; $i++) {
                for ($k = $i + 1; $k < $n; $k++) {
                    $overlaps["{$owners[$i]} {$owners[$k]}"] = [
                        $owners[$i],
                        $owners[$k],
                        ($overlaps["{$owners[$i]} {$owners[$k]}"][2] ?? 0.0) + $region->area(),
                    ];
                }
            }
        }

        return array_values($overlaps);
    }
}
