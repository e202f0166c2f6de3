<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

/**
 * How many of many like cases a run tries. bin/test takes a part, so that it is done while somebody waits; bin/test --whole takes all
 * (NEAT_EDGE_SHARE=1).
 */
final class Share
{
    /** Of bin/test. */
    private const USUAL = 0.4;

    public static function of(int $all): int
    {
        return max(1, (int) ceil($all * self::share()));
    }

    /** Whether all is tried. */
    public static function isWhole(): bool
    {
        return self::share() >= 1.0;
    }

    private static function share(): float
    {
        return (float) (getenv('NEAT_EDGE_SHARE') ?: self::USUAL);
    }
}
