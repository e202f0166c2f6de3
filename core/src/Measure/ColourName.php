<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

/** What people call a colour. */
final class ColourName
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

    /** The nearest of some colours that have names. */
    public static function of(Colour $colour): string
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
}
