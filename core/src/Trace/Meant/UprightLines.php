<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** Lines that are nearly upright are. */
final class UprightLines implements Rule
{
    public static function key(): string
    {
        return 'upright';
    }

    public static function label(int $count): string
    {
        return $count === 1 ? '1 upright line' : "{$count} upright lines";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        return Lines::along($curves, $noise, 0);
    }
}
