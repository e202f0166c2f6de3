<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Tests\Support\RandomArt;
use NeatEdge\Core\Tests\Support\RealArt;

/** The five kinds of work on which whole processes are compared, as SVG of plain paths that any reader takes. */
final class Works
{
    /** 200 colour emoji on one sheet. */
    public static function emoji(int $count = 200): string
    {
        return self::sheet(RealArt::of('emoji', $count), 20);
    }

    /** 400 stroked icons on one sheet. */
    public static function icons(): string
    {
        return self::sheet([...RealArt::of('icons', 200), ...RealArt::of('strokes', 200)], 20);
    }

    /** Random overlapping circles, rounded rectangles and stars at constant density: each overlaps about three others. */
    public static function scene(int $n): string
    {
        return self::written(self::shapes($n), 10 * sqrt($n));
    }

    /** @return list<Shape> */
    public static function shapes(int $n): array
    {
        $art = new RandomArt(4);
        $side = 10 * sqrt($n);
        $shapes = [];
        for ($i = 0; $i < $n; $i++) {
            [$x, $y, $r] = [$art->between(0, $side), $art->between(0, $side), $art->between(3, 8)];
            $shapes[] = Shape::of(match ($i % 3) {
                0 => Contour::circle($x, $y, $r),
                1 => $art->roundedRectangle($x, $y, 1.5 * $r, $r, 0.3 * $r)->transformed(Matrix::rotation($art->between(0, 360), $x, $y)),
                default => $art->star($x, $y, $r, 5),
            });
        }

        return $shapes;
    }

    /** 3000 lands of a made-up map: every border is wavy and belongs to two of them. */
    public static function map(): string
    {
        $art = new RandomArt(11);
        [$columns, $rows, $size] = [60, 50, 8.0];
        $corner = [];
        for ($i = 0; $i <= $columns; $i++) {
            for ($j = 0; $j <= $rows; $j++) {
                $corner[$i][$j] = [$size * $i + $art->between(-2.5, 2.5), $size * $j + $art->between(-2.5, 2.5)];
            }
        }
        $borders = [];
        $border = static function (array $p, array $q) use ($art, &$borders): array {
            $key = implode(' ', [...$p, ...$q]);
            if (! isset($borders[$key])) {
                $points = [$p];
                for ($k = 1; $k < 8; $k++) {
                    $points[] = [
                        $p[0] + ($q[0] - $p[0]) * $k / 8 + $art->between(-0.5, 0.5),
                        $p[1] + ($q[1] - $p[1]) * $k / 8 + $art->between(-0.5, 0.5),
                    ];
                }
                $borders[$key] = $points;
            }

            return $borders[$key];
        };
        $back = static fn (array $p, array $q): array => array_reverse([...array_slice($border($p, $q), 1), $q]);
        $shapes = [];
        for ($i = 0; $i < $columns; $i++) {
            for ($j = 0; $j < $rows; $j++) {
                [$a, $b, $c, $d] = [$corner[$i][$j], $corner[$i + 1][$j], $corner[$i + 1][$j + 1], $corner[$i][$j + 1]];
                /** @var list<array{float, float}> $points */
                $points = [...$border($a, $b), ...$border($b, $c), ...$back($d, $c), ...$back($a, $d)];
                $shapes[] = Shape::of(Contour::polygon($points));
            }
        }

        return self::written($shapes, $size * $columns);
    }

    /** 60 x 60 squares side by side, with a circle on each of their corners. */
    public static function tiles(): string
    {
        $shapes = [];
        for ($i = 0; $i < 60; $i++) {
            for ($j = 0; $j < 60; $j++) {
                $shapes[] = Shape::of(Contour::rectangle(5.0 * $i + 2, 5.0 * $j + 2, 5.0, 5.0));
            }
        }
        for ($i = 0; $i <= 60; $i++) {
            for ($j = 0; $j <= 60; $j++) {
                $shapes[] = Shape::of(Contour::circle(5.0 * $i + 2, 5.0 * $j + 2, 1.0));
            }
        }

        return self::written($shapes, 304.0);
    }

    /** @param  list<Shape>  $shapes */
    private static function written(array $shapes, float $side): string
    {
        $paint = new Paint(new Colour(36, 81, 107));
        $pieces = [];
        foreach ($shapes as $i => $shape) {
            $pieces[] = new Piece("p{$i}", $shape, $paint);
        }

        return Writer::write(new Artwork($side, $side, $pieces));
    }

    /** @param  array<string, string>  $files */
    private static function sheet(array $files, int $columns): string
    {
        $pieces = [];
        $place = 0;
        foreach ($files as $svg) {
            $artwork = Reader::read($svg)->artwork->atWidth(20.0);
            $move = Matrix::translation(22.0 * ($place % $columns) + 1, 22.0 * intdiv($place, $columns) + 1);
            foreach ($artwork->pieces as $piece) {
                // Pens that are no circle are rare in these sets; the libraries compared have none.
                $stroke = $piece->stroke === null ? null : new Stroke($piece->stroke->paint, $piece->stroke->style);
                $pieces[] = new Piece('p'.count($pieces), $piece->shape->transformed($move), $piece->fill, $stroke);
            }
            $place++;
        }

        return Writer::write(new Artwork(22.0 * $columns, 22.0 * ceil($place / $columns), $pieces));
    }
}
