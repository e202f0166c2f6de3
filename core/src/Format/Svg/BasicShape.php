<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Geometry\Scanner;

/** The basic shapes as paths (SVG 2, chapter 10), in user units. */
final class BasicShape
{
    public const NAMES = ['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon'];

    /** @return array{list<Contour>, bool, list<list<int>>} contours, whether all of the element could be read, and the nodes inside arcs */
    public static function contours(DOMElement $e, Viewport $viewport, float $fontSize, int $most = PHP_INT_MAX): array
    {
        $get = static fn (string $name, string $direction, float $default = 0.0): float => $viewport->attribute($e, $name, $direction, $default, $fontSize);
        switch ($e->localName) {
            case 'path':
                [$contours, $error, $parted] = PathAttribute::parse($e->getAttribute('d'), $most);

                return [$contours, $error === null, $parted];
            case 'rect':
                return [
                    self::rectangle($get('x', 'x'), $get('y', 'y'), $get('width', 'x'), $get('height', 'y'), $get('rx', 'x', -1.0), $get('ry', 'y', -1.0)),
                    true,
                    [],
                ];
            case 'circle':
                $r = $get('r', 'o');

                return [$r > 0 ? [Contour::circle($get('cx', 'x'), $get('cy', 'y'), $r)] : [], true, []];
            case 'ellipse':
                $rx = $get('rx', 'x', -1.0);
                $ry = $get('ry', 'y', -1.0);
                $rx = $rx < 0 ? $ry : $rx;
                $ry = $ry < 0 ? $rx : $ry;

                return [$rx > 0 && $ry > 0 ? [Contour::ellipse($get('cx', 'x'), $get('cy', 'y'), $rx, $ry)] : [], true, []];
            case 'line':
                return [[Contour::polygon([[$get('x1', 'x'), $get('y1', 'y')], [$get('x2', 'x'), $get('y2', 'y')]], false)], true, []];
            default:
                return self::points($e->getAttribute('points'), $e->localName === 'polygon');
        }
    }

    /** @return list<Contour> */
    private static function rectangle(float $x, float $y, float $w, float $h, float $rx, float $ry): array
    {
        if ($w <= 0 || $h <= 0) {
            return [];
        }
        $rx = $rx < 0 ? $ry : $rx;
        $ry = $ry < 0 ? $rx : $ry;
        $rx = min($rx, $w / 2);
        $ry = min($ry, $h / 2);
        if ($rx <= 0 || $ry <= 0) {
            return [Contour::rectangle($x, $y, $w, $h)];
        }
        $pen = new Pen;
        $pen->moveTo($x + $rx, $y);
        if ($w > 2 * $rx) {
            $pen->lineTo($x + $w - $rx, $y);
        }
        $pen->arcTo($rx, $ry, 0, false, true, $x + $w, $y + $ry);
        if ($h > 2 * $ry) {
            $pen->lineTo($x + $w, $y + $h - $ry);
        }
        $pen->arcTo($rx, $ry, 0, false, true, $x + $w - $rx, $y + $h);
        if ($w > 2 * $rx) {
            $pen->lineTo($x + $rx, $y + $h);
        }
        $pen->arcTo($rx, $ry, 0, false, true, $x, $y + $h - $ry);
        if ($h > 2 * $ry) {
            $pen->lineTo($x, $y + $ry);
        }
        $pen->arcTo($rx, $ry, 0, false, true, $x + $rx, $y);
        $pen->close();

        return $pen->contours();
    }

    /** @return array{list<Contour>, bool, list<list<int>>} */
    private static function points(string $text, bool $closed): array
    {
        $in = new Scanner($text);
        $points = [];
        while (($pair = $in->numbers(2)) !== null) {
            $points[] = [$pair[0], $pair[1]];
        }
        if (count($points) < 2) {
            return [[], $in->isAtEnd(), []];
        }

        return [[Contour::polygon($points, $closed)], $in->isAtEnd(), []];
    }
}
