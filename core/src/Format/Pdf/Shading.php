<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Pdf;

use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Measure\Colour;

/** A gradient as a shading pattern (ISO 32000-1, 8.7.4.5): axial or radial, its stops as functions stitched together. */
final class Shading
{
    /**
     * The pattern's dictionary.
     *
     * @param  array{float, float, float, float, float, float}  $page  from mm to points
     */
    public static function pattern(Gradient $gradient, array $page): string
    {
        $m = $gradient->matrix;
        [$a, $b, $c, $d, $e, $f] = $page;
        $matrix = [
            $a * $m->a + $c * $m->b,
            $b * $m->a + $d * $m->b,
            $a * $m->c + $c * $m->d,
            $b * $m->c + $d * $m->d,
            $a * $m->e + $c * $m->f + $e,
            $b * $m->e + $d * $m->f + $f,
        ];
        $x = $gradient->axis;
        [$type, $coords] = $gradient->kind === GradientKind::Linear
            ? [2, [$x[0], $x[1], $x[2], $x[3]]]
            : [3, [$x[3] ?? $x[0], $x[4] ?? $x[1], $x[5] ?? 0.0, $x[0], $x[1], $x[2]]];
        $numbers = static fn (array $list): string => implode(' ', array_map(static fn (float $v): string => PdfFile::real($v, 7), $list));

        return '<< /PatternType 2 /Matrix ['.$numbers($matrix)."] /Shading << /ShadingType {$type} /ColorSpace /DeviceRGB /Coords [".$numbers($coords)
            .'] /Extend [true true] /Function '.self::stops($gradient).' >> >>';
    }

    private static function stops(Gradient $gradient): string
    {
        $stops = $gradient->stops;
        if ($stops[0][0] > 0) {
            array_unshift($stops, [0.0, $stops[0][1], 1.0]);
        }
        $last = $stops[count($stops) - 1];
        if ($last[0] < 1 || count($stops) === 1) {
            $stops[] = [1.0, $last[1], 1.0];
        }
        $head = '<< /FunctionType 2 /Domain [0 1] /N 1';
        $between = static fn (Colour $from, Colour $to): string => "{$head} /C0 [".self::rgb($from).'] /C1 ['.self::rgb($to).'] >>';
        $functions = $bounds = [];
        for ($i = 0; $i + 1 < count($stops); $i++) {
            $functions[] = $between($stops[$i][1], $stops[$i + 1][1]);
            if ($i > 0) {
                $bounds[] = PdfFile::real($stops[$i][0]);
            }
        }
        if (count($functions) === 1) {
            return $functions[0];
        }

        return '<< /FunctionType 3 /Domain [0 1] /Functions ['.implode(' ', $functions).'] /Bounds ['.implode(' ', $bounds).'] /Encode ['
            .trim(str_repeat('0 1 ', count($functions))).'] >>';
    }

    public static function rgb(Colour $colour): string
    {
        return PdfFile::real($colour->red / 255, 4).' '.PdfFile::real($colour->green / 255, 4).' '.PdfFile::real($colour->blue / 255, 4);
    }
}
