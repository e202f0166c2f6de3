<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Trace\Curves;

/** How well curves that were drawn after others keep to what the dots say of them. */
final class Seen
{
    /** Places that are asked of one border, at most. */
    private const MOST = 400;

    /** Dots that a place counts as off where nothing is near it. */
    private const FAR = 4.0;

    /**
     * @param  list<list<float>>  $segments  see Cubic
     * @return float the sum of the squares of what its places are off from them, dots²
     */
    public static function off(Curves $curves, int $chain, array $segments): float
    {
        $lying = new Lying([$chain => $segments]);
        $places = $curves->places[$chain] ?? [];
        $every = max(1, intdiv(count($places), self::MOST));
        $sum = 0.0;
        for ($i = 0, $n = count($places); $i < $n; $i += $every) {
            $sum += min(self::FAR, $lying->near($places[$i][0], $places[$i][1])[0]) ** 2 * $every;
        }

        return $sum;
    }

    /**
     * Of borders that are drawn as images of others.
     *
     * @param  array<int, array{int, bool}>  $chains  see Images
     */
    public static function image(Curves $curves, array $chains, Matrix $matrix): float
    {
        $sum = 0.0;
        foreach ($chains as $chain => [$other]) {
            $sum += self::off($curves, $other, Moved::segments($curves->segments($chain), $matrix));
        }

        return $sum;
    }
}
