<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Scanner;

/** A coordinate system's size, against which percentages are taken, and the lengths written in it. */
final readonly class Viewport
{
    public function __construct(public float $width, public float $height)
    {
    }

    /** @return float|null user units; null when the text is no length */
    public function length(string $text, string $direction, float $fontSize = 16.0): ?float
    {
        if (preg_match('/^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*(px|mm|cm|in|pt|pc|q|em|rem|ex|ch|%)?\s*$/i', $text, $found) !== 1) {
            return null;
        }
        $number = (float) $found[1];
        $unit = strtolower($found[2] ?? '');

        return match ($unit) {
            '', 'px' => $number,
            '%' => $number / 100 * match ($direction) {
                'x' => $this->width,
                'y' => $this->height,
                default => sqrt(($this->width ** 2 + $this->height ** 2) / 2),
            },
            'em' => $number * $fontSize,
            'rem' => $number * 16.0,
            'ex', 'ch' => $number * $fontSize / 2,
            default => $number * Length::MM_PER[$unit] / Length::MM_PER['px'],
        };
    }

    /** An attribute's length, or the default when it is missing or unreadable. */
    public function attribute(DOMElement $element, string $name, string $direction, float $default, float $fontSize = 16.0): float
    {
        return $this->length($element->getAttribute($name), $direction, $fontSize) ?? $default;
    }

    /** @return array{float, float, float, float}|null */
    public static function viewBox(DOMElement $element): ?array
    {
        $numbers = (new Scanner($element->getAttribute('viewBox')))->numbers(4);
        if ($numbers === null || $numbers[2] <= 0 || $numbers[3] <= 0) {
            return null;
        }

        return [$numbers[0], $numbers[1], $numbers[2], $numbers[3]];
    }

    /**
     * From a viewBox to the viewport that shows it.
     *
     * @source SVG 2, 8.2 (the equivalent transform of an SVG viewport)
     *
     * @param  array{float, float, float, float}  $box
     */
    public static function fit(array $box, string $preserve, float $x, float $y, float $width, float $height): Matrix
    {
        [$left, $top, $w, $h] = $box;
        $sx = $width / $w;
        $sy = $height / $h;
        $found = preg_match('/^\s*(?:defer\s+)?(none|x(Min|Mid|Max)Y(Min|Mid|Max))(?:\s+(meet|slice))?\s*$/', $preserve, $match) === 1
            ? $match : ['', 'xMidYMid', 'Mid', 'Mid', 'meet'];
        if ($found[1] !== 'none') {
            $sx = $sy = ($found[4] ?? '') === 'slice' ? max($sx, $sy) : min($sx, $sy);
        }
        $share = ['Min' => 0.0, 'Mid' => 0.5, 'Max' => 1.0];
        $freeX = $found[1] === 'none' ? 0.0 : ($width - $w * $sx) * ($share[$found[2] ?? ''] ?? 0.5);
        $freeY = $found[1] === 'none' ? 0.0 : ($height - $h * $sy) * ($share[$found[3] ?? ''] ?? 0.5);

        return new Matrix($sx, 0, 0, $sy, $x - $left * $sx + $freeX, $y - $top * $sy + $freeY);
    }
}
