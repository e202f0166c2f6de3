<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** Closed borders of one radius. They are told when borders become curves (see Models); here they are counted. */
final class Circles implements Rule
{
    public static function key(): string
    {
        return 'circles';
    }

    public static function label(int $count): string
    {
        return $count === 1 ? '1 circle' : "{$count} circles";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        return Shapes::of($curves, 'circle');
    }
}
