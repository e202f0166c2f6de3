<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** Lines that are nearly level are. */
final class LevelLines implements Rule
{
    public static function key(): string
    {
        return 'level';
    }

    public static function label(int $count): string
    {
        return $count === 1 ? '1 level line' : "{$count} level lines";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        return Lines::along($curves, $noise, 1);
    }
}
