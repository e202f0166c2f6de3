<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Recipe\Basic\ShapeKind;

/** What a piece is called in lists: by the name that somebody gave it, in the file or here; else by what it is and its colour. */
final class Called
{
    private const COLOURS = [
        'black' => [0x1A, 0x1A, 0x1A],
        'white' => [0xFF, 0xFF, 0xFF],
        'grey' => [0x80, 0x80, 0x80],
        'light grey' => [0xCC, 0xCC, 0xCC],
        'red' => [0xC8, 0x28, 0x28],
        'coral' => [0xE8, 0x70, 0x5A],
        'orange' => [0xF0, 0x8A, 0x24],
        'yellow' => [0xF5, 0xD0, 0x3C],
        'cream' => [0xF6, 0xEC, 0xD6],
        'beige' => [0xE8, 0xDA, 0xB8],
        'sand' => [0xCF, 0xBC, 0x88],
        'gold' => [0xDC, 0xA6, 0x40],
        'brown' => [0x7A, 0x4B, 0x28],
        'green' => [0x2E, 0x8B, 0x47],
        'dark green' => [0x1D, 0x4A, 0x36],
        'light green' => [0x9C, 0xD0, 0x8A],
        'teal' => [0x1F, 0x8A, 0x8B],
        'blue' => [0x2A, 0x66, 0xB8],
        'dark blue' => [0x16, 0x2A, 0x55],
        'light blue' => [0x9A, 0xC8, 0xEA],
        'purple' => [0x78, 0x3C, 0x9E],
        'pink' => [0xEE, 0x9A, 0xBC],
    ];

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

        return $what.($paint === null || $paint->picture !== null ? '' : ', '.($paint->gradient !== null ? 'gradient' : self::colour($paint->colour)));
    }

    /** The nearest of some colours that have names. */
    public static function colour(Colour $colour): string
    {
        $best = ['', INF];
        foreach (self::COLOURS as $name => [$red, $green, $blue]) {
            // The eye tells green apart best, and blue worst.
            $far = 2 * ($colour->red - $red) ** 2 + 4 * ($colour->green - $green) ** 2 + 3 * ($colour->blue - $blue) ** 2;
            if ($far < $best[1]) {
                $best = [$name, $far];
            }
        }

        return $best[0];
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
