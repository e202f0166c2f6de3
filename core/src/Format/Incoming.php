<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Colour;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Format\Dxf\DxfReader;
use NeatEdge\Core\Format\Plt\PltReader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Chains;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Stroke\StrokeStyle;

/** Files that are no SVG: drawings in lines become SVG in true millimetres, on which all else works; what cannot be read is refused by name. */
final class Incoming
{
    /** mm within which ends of lines meet. */
    private const MEET = 0.01;

    /** mm of a line that was only a line. */
    private const HAIR = 0.25;

    /** Colours of layers or pens, in their order. */
    private const COLOURS = ['#1f3a4d', '#a8452f', '#1d5c46', '#b5862b', '#5b4a8a', '#3b6ea5', '#7a4a2b', '#2b2b2b'];

    /**
     * The file as SVG: as it is where it is that already, or is for the reader of SVG to refuse.
     *
     * @throws FileRefused
     */
    public static function svg(string $bytes): string
    {
        $head = substr($bytes, 0, 1024);
        $text = ltrim($head, "\xEF\xBB\xBF \t\r\n");
        if (str_starts_with($head, '%PDF-')) {
            throw FileRefused::because('PDF files are not taken: nothing at hand reads the vectors in them. Save the drawing as SVG or DXF.');
        }
        if (str_starts_with($head, 'AutoCAD Binary DXF')) {
            throw FileRefused::because('This is a binary DXF; save it as a text DXF of release 12 or 2000.');
        }
        if (str_starts_with($head, '%!')) {
            throw FileRefused::because('PostScript files are not taken: a program would have to be run to know what they draw. Save the drawing as SVG or DXF.');
        }
        if (preg_match('/^(999\s*\R.*\R\s*)*0\s*\R\s*SECTION\b/', $text) === 1) {
            return self::drawn(DxfReader::lines($bytes));
        }
        if (preg_match('/^(?:\x1B\.[^;:]*[;:]?|\s)*(?:IN|DF|PU|PD|PA|SP|IP|SC|VS|PR)\s*[-\d.,\s]*;?/', $text) === 1 && ! str_contains($text, '<')) {
            return self::drawn(PltReader::lines($bytes));
        }

        return $bytes;
    }

    /**
     * @param  array<string, list<Contour>>  $lines  by layer or pen, mm, y upwards
     */
    private static function drawn(array $lines): string
    {
        $all = array_merge(...array_values($lines));
        $box = Box::around(...array_map(static fn (Contour $line): Box => $line->box(), $all));
        if ($box === null || max($box->width(), $box->height()) <= 0) {
            throw FileRefused::because('The file draws no lines.');
        }
        if (max($box->width(), $box->height()) > 1e5) {
            throw FileRefused::because(sprintf('The drawing is %.0f m large, where at most 100 m are taken.', max($box->width(), $box->height()) / 1000));
        }
        $over = new Matrix(1.0, 0.0, 0.0, -1.0, -$box->left, $box->bottom);
        $pieces = [];
        $number = 0;
        foreach ($lines as $name => $own) {
            $colour = Colour::fromHex(self::COLOURS[$number++ % count(self::COLOURS)]);
            $joined = array_map(static fn (Contour $line): Contour => $line->transformed($over), Chains::joined($own, self::MEET));
            $closed = array_values(array_filter($joined, static fn (Contour $line): bool => $line->closed));
            if ($closed !== []) {
                $pieces[] = new Piece((string) $name, new Shape($closed, FillRule::Evenodd), new Paint($colour));
            }
            foreach (array_values(array_filter($joined, static fn (Contour $line): bool => ! $line->closed)) as $k => $line) {
                $pieces[] = new Piece("{$name} line ".($k + 1), Shape::of($line), null, new Stroke(new Paint($colour), new StrokeStyle(self::HAIR)));
            }
        }

        return Writer::write(new Artwork(max(0.01, $box->width()), max(0.01, $box->height()), $pieces));
    }
}
