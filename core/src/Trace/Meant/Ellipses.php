<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** Closed borders of two radii. They are told when borders become curves (see Models); here they are counted. */
final class Ellipses implements Rule
{
    public static function key(): string
    {
        return 'ellipses';
    }

    public static function label(int $count): string
    {
        return $count === 1 ? '1 ellipse' : "{$count} ellipses";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        return Shapes::of($curves, 'ellipse');
    }
}
