<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** Something that an artist may have meant, where the dots allow it: one class each, and a line of Rules. */
interface Rule
{
    /** By which it is switched off. */
    public static function key(): string;

    /** What it is called where it was found so often. */
    public static function label(int $count): string;

    /**
     * Draws it as it was meant.
     *
     * @param  float  $noise  dots
     * @return list<array{float, float, float}> each that was found: a place of it, dots, and how far it moved
     */
    public static function apply(Curves $curves, float $noise): array;
}
