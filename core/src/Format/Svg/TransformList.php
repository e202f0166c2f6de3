<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use LogicException;
use NeatEdge\Core\Geometry\Matrix;

/** The transform attribute (SVG 1.1, 7.6), and the same functions with CSS units. */
final class TransformList
{
    /** Nothing that cannot be read is guessed: the list then changes nothing, as the standard says. */
    public static function parse(string $text): Matrix
    {
        $matrix = Matrix::identity();
        if (preg_match_all('/([a-zA-Z]+)\s*\(([^()]*)\)[\s,]*/', $text, $found, PREG_SET_ORDER) === 0) {
            return $matrix;
        }
        if (trim(implode('', array_column($found, 0))) !== trim($text)) {
            return $matrix;
        }
        foreach ($found as [, $name, $list]) {
            $rest = preg_replace('/([+-]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][+-]?\\d+)?)(px|deg|rad|turn)?/', '', $list);
            preg_match_all('/([+-]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][+-]?\\d+)?)(px|deg|rad|turn)?/', $list, $parts, PREG_SET_ORDER);
            if (trim($rest ?? '', " \t\r\n,") !== '') {
                return Matrix::identity();
            }
            $numbers = [];
            foreach ($parts as $n) {
                $numbers[] = (float) $n[1] * match ($n[2] ?? '') {
                    'rad' => 180 / M_PI,
                    'turn' => 360.0,
                    default => 1.0,
                };
            }
            $one = self::one(strtolower($name), $numbers);
            if ($one === null) {
                return Matrix::identity();
            }
            $matrix = $matrix->after($one);
        }

        return $matrix;
    }

    /** An element's own transform, about its transform-origin. */
    public static function of(DOMElement $element, Style $style, Viewport $viewport): Matrix
    {
        $css = $style->get('transform');
        $text = $css !== '' && $css !== 'none' ? $css : $element->getAttribute('transform');
        if ($text === '') {
            return Matrix::identity();
        }
        $matrix = self::parse($text);
        $origin = preg_split('/\s+/', trim($style->get('transform-origin')), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if ($origin === []) {
            return $matrix;
        }
        $words = ['left' => '0%', 'top' => '0%', 'center' => '50%', 'right' => '100%', 'bottom' => '100%'];
        if (in_array($origin[0], ['top', 'bottom'], true) || in_array($origin[1] ?? '', ['left', 'right'], true)) {
            $origin = [$origin[1] ?? 'center', $origin[0]];
        }
        $x = $viewport->length($words[$origin[0]] ?? $origin[0], 'x') ?? 0.0;
        $y = $viewport->length($words[$origin[1] ?? 'center'] ?? $origin[1], 'y') ?? 0.0;

        return Matrix::translation($x, $y)->after($matrix)->after(Matrix::translation(-$x, -$y));
    }

    /** How many numbers each takes. */
    private const TAKES = [
        'matrix' => [6], 'translate' => [1, 2], 'translatex' => [1], 'translatey' => [1], 'scale' => [1, 2], 'rotate' => [1, 3], 'skewx' => [1], 'skewy' => [1],
    ];

    /** @param  list<float>  $n */
    private static function one(string $name, array $n): ?Matrix
    {
        return ! in_array(count($n), self::TAKES[$name] ?? [], true) ? null : match ($name) {
            'matrix' => new Matrix($n[0], $n[1], $n[2], $n[3], $n[4], $n[5]),
            'translate' => Matrix::translation($n[0], $n[1] ?? 0.0),
            'translatex' => Matrix::translation($n[0], 0.0),
            'translatey' => Matrix::translation(0.0, $n[0]),
            'scale' => Matrix::scaling($n[0], $n[1] ?? $n[0]),
            'rotate' => Matrix::rotation($n[0], $n[1] ?? 0.0, $n[2] ?? 0.0),
            'skewx' => new Matrix(1, 0, tan(deg2rad($n[0])), 1, 0, 0),
            'skewy' => new Matrix(1, tan(deg2rad($n[0])), 0, 1, 0, 0),
            default => throw new LogicException("{$name} is not turned into a matrix."),
        };
    }
}
