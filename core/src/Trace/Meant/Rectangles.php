<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/**
 * Closed borders of four sides square to each other, their corners sharp or of one radius. They are told when borders become curves (see Models); here
 * they are counted.
 */
final class Rectangles implements Rule
{
    public static function key(): string
    {
        return 'rectangles';
    }

    public static function label(int $count): string
    {
        return $count === 1 ? '1 rectangle' : "{$count} rectangles";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        return Shapes::of($curves, 'rectangle');
    }
}
