<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use Closure;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;

/** Maps that several ask about within one piece of work: each is made once, and none outlives the work. */
final class SharedMap
{
    /** @var list<array{list<Shape>, Tolerance, PlanarMap}>|null null where nothing is shared */
    private static ?array $made = null;

    /**
     * @template T
     *
     * @param  Closure(): T  $work
     * @return T
     */
    public static function during(Closure $work): mixed
    {
        $before = self::$made;
        self::$made = [];
        try {
            return $work();
        } finally {
            self::$made = $before;
        }
    }

    /** @param  list<Shape>  $shapes  see PlanarMap */
    public static function of(array $shapes, Tolerance $tolerance): PlanarMap
    {
        foreach (self::$made ?? [] as [$known, $as, $map]) {
            if ($known === $shapes && $as == $tolerance) {
                return $map;
            }
        }
        $map = PlanarMap::of($shapes, $tolerance);
        if (self::$made !== null) {
            self::$made[] = [$shapes, $tolerance, $map];
        }

        return $map;
    }
}
