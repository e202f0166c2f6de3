<?php

declare(strict_types=1);

namespace NeatEdge\Core\Described;

/** So many of something, as one says it: 1 piece, 2 pieces. */
final class Counted
{
    public static function of(int $count, string $one): string
    {
        return $count === 1 ? "1 {$one}" : "{$count} {$one}s";
    }
}
