<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;

/** Writes artwork as SVG in real millimetres: one user unit is one mm. */
final class Writer
{
    /** Digits after the point: 10 nanometres, so that what is rounded never shows and neighbours round alike. */
    private const DIGITS = 5;

    public static function write(Artwork $artwork, string $title = ''): string
    {
        $width = self::number($artwork->width, 8);
        $height = self::number($artwork->height, 8);
        $out = '<?xml version="1.0" encoding="UTF-8"?>'."\n";
        $out .= "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$width}mm\" height=\"{$height}mm\" viewBox=\"0 0 {$width} {$height}\">\n";
        if ($title !== '') {
            $out .= '<title>'.self::text($title)."</title>\n";
        }
        foreach ($artwork->pieces as $piece) {
            $out .= self::piece($piece);
        }

        return $out."</svg>\n";
    }

    public static function path(Shape $shape): string
    {
        $out = '';
        foreach ($shape->contours as $contour) {
            $c = $contour->coords;
            [$x, $y] = [self::number($c[0]), self::number($c[1])];
            $out .= "M{$x} {$y}";
            $last = count($c) - 2;
            [$startX, $startY] = [$x, $y];
            for ($i = 0; $i < $last; $i += 6) {
                $ex = self::number($c[$i + 6]);
                $ey = self::number($c[$i + 7]);
                if ($c[$i + 2] === $c[$i] && $c[$i + 3] === $c[$i + 1] && $c[$i + 4] === $c[$i + 6] && $c[$i + 5] === $c[$i + 7]) {
                    $closes = $contour->closed && $i + 6 === $last && $ex === $startX && $ey === $startY;
                    // Closing draws the last line; a lone point keeps its line of no length for the caps.
                    $out .= $closes && $last > 6 ? '' : ($ey === $y && $ex !== $x ? "H{$ex}" : ($ex === $x && $ey !== $y ? "V{$ey}" : "L{$ex} {$ey}"));
                } else {
                    $out .= 'C'.self::number($c[$i + 2]).' '.self::number($c[$i + 3]).' '.self::number($c[$i + 4]).' '.self::number($c[$i + 5])." {$ex} {$ey}";
                }
                [$x, $y] = [$ex, $ey];
            }
            if ($contour->closed) {
                $out .= 'Z';
            }
        }

        return $out;
    }

    private static function piece(Piece $piece): string
    {
        $shape = $piece->shape;
        $stroke = $piece->stroke;
        $transform = '';
        if ($stroke?->pen !== null) {
            $m = $stroke->pen;
            $shape = $shape->transformed($m->inverse());
            $transform = sprintf(' transform="matrix(%s)"', implode(' ', array_map(static fn (float $v): string => self::number($v, 9), [$m->a, $m->b, $m->c, $m->d, $m->e, $m->f])));
        }
        $out = '<path id="'.self::text($piece->id).'" d="'.self::path($shape).'"';
        $out .= $piece->fill === null ? ' fill="none"' : self::paint('fill', $piece->fill);
        if ($piece->fill !== null && $shape->rule === FillRule::Evenodd) {
            $out .= ' fill-rule="evenodd"';
        }
        if ($stroke !== null) {
            $style = $stroke->style;
            $out .= self::paint('stroke', $stroke->paint).' stroke-width="'.self::number($style->width, 8).'"';
            $out .= $style->cap === Cap::Butt ? '' : " stroke-linecap=\"{$style->cap->value}\"";
            $out .= $style->join === Join::Miter ? '' : " stroke-linejoin=\"{$style->join->value}\"";
            $out .= $style->miterLimit === 4.0 ? '' : ' stroke-miterlimit="'.self::number($style->miterLimit).'"';
            if ($style->dashes !== []) {
                $out .= ' stroke-dasharray="'.implode(' ', array_map(self::number(...), $style->dashes)).'"';
                $out .= $style->dashOffset === 0.0 ? '' : ' stroke-dashoffset="'.self::number($style->dashOffset).'"';
            }
        }

        return $out.$transform."/>\n";
    }

    private static function paint(string $attribute, Paint $paint): string
    {
        return " {$attribute}=\"{$paint->colour->hex()}\"".($paint->isOpaque() ? '' : " {$attribute}-opacity=\"".self::number($paint->opacity).'"');
    }

    public static function number(float $value, int $digits = self::DIGITS): string
    {
        $text = number_format($value, $digits, '.', '');
        if (str_contains($text, '.')) {
            $text = rtrim(rtrim($text, '0'), '.');
        }

        return $text === '-0' ? '0' : $text;
    }

    private static function text(string $text): string
    {
        // Control characters have no place in XML, not even escaped.
        return htmlspecialchars(preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', '', mb_scrub($text)) ?? '', ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE, 'UTF-8');
    }
}
