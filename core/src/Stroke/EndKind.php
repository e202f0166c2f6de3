<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

/** What stands at an end of an open line, as part of its stroke. */
enum EndKind: string
{
    case Plain = 'plain';
    case Point = 'point';
    case Barb = 'barb';
    case Disc = 'disc';
    case Bar = 'bar';
    case Tail = 'tail';

    /** @return array<string, string> labels by value */
    public static function labels(): array
    {
        return ['plain' => 'Nothing', 'point' => 'Arrow point', 'barb' => 'Barbed point', 'disc' => 'Disc', 'bar' => 'Cross bar', 'tail' => 'Arrow tail'];
    }

    /**
     * How far from the end the line itself stops, so that neither it nor its cap is seen beyond.
     *
     * @param  float  $size  mm, of the end
     * @param  float  $width  mm, of the line
     */
    public function under(float $size, float $width): float
    {
        return match ($this) {
            self::Plain => 0.0,
            self::Point => 0.7 * $size,
            self::Barb => 0.55 * $size,
            self::Disc => 0.5 * $size,
            self::Bar => 0.75 * $width,
            self::Tail => 0.75 * $size,
        };
    }
}
