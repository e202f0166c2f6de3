<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Measure\ColourName;
use NeatEdge\Core\Recipe\Basic\ShapeKind;

/** What a piece is called in lists: by the name that somebody gave it, in the file or here; else by what it is and its colour. */
final class Called
{
    /** Names that programs give, by which nobody knows a piece: an element of SVG, a number, or both. */
    private const NOBODYS = '/^(?:(?:path|rect|circle|ellipse|line|polyline|polygon|text|tspan|textPath|image|use|g|svg|layer|group|shape|vector|xmlid|p)?'
        .'[-_ ]?[\d_.-]*)$/i';

    public static function name(Piece $piece): string
    {
        $base = $piece->recipe?->base;
        if ($piece->name !== '' && ! self::isShapeName($piece->name) && preg_match(self::NOBODYS, $piece->name) !== 1) {
            return $piece->name;
        }
        // A name that was given with a shape says nothing of what it became since.
        $what = $base?->label() ?? match (true) {
            $piece->fill?->picture !== null => 'Picture',
            $piece->fill === null && $piece->stroke !== null => 'Line',
            default => 'Shape',
        };
        $paint = $piece->fill ?? $piece->stroke?->paint;

        return $what.($paint === null || $paint->picture !== null ? '' : ', '.($paint->gradient !== null ? 'gradient' : ColourName::of($paint->colour)));
    }

    /** Names that pieces were given when they were drawn: what was cut from a circle is none any more. */
    private static function isShapeName(string $name): bool
    {
        foreach (ShapeKind::cases() as $kind) {
            if ($kind->label() === $name) {
                return true;
            }
        }

        return false;
    }
}
