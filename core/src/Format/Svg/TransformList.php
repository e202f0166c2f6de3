<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

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
            $numbers = [];
            foreach (preg_split('/[\s,]+/', trim(preg_replace('/(?<=[\d.])([+-])(?![\d.]*[eE])/', ' $1', $list) ?? ''), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
                if (preg_match('/^([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)(px|deg|rad|turn)?$/', $part, $n) !== 1) {
                    return Matrix::identity();
                }
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

    /** @param  list<float>  $n */
    private static function one(string $name, array $n): ?Matrix
    {
        $count = count($n);

        return match (true) {
            $name === 'matrix' && $count === 6 => new Matrix($n[0], $n[1], $n[2], $n[3], $n[4], $n[5]),
            $name === 'translate' && ($count === 1 || $count === 2) => Matrix::translation($n[0], $n[1] ?? 0.0),
            $name === 'translatex' && $count === 1 => Matrix::translation($n[0], 0.0),
            $name === 'translatey' && $count === 1 => Matrix::translation(0.0, $n[0]),
            $name === 'scale' && ($count === 1 || $count === 2) => Matrix::scaling($n[0], $n[1] ?? $n[0]),
            $name === 'rotate' && $count === 1 => Matrix::rotation($n[0]),
            $name === 'rotate' && $count === 3 => Matrix::rotation($n[0], $n[1], $n[2]),
            $name === 'skewx' && $count === 1 => new Matrix(1, 0, tan(deg2rad($n[0])), 1, 0, 0),
            $name === 'skewy' && $count === 1 => new Matrix(1, tan(deg2rad($n[0])), 0, 1, 0, 0),
            default => null,
        };
    }
}
