<?php

declare(strict_types=1);

namespace NeatEdge\Core\Separate;

use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Type\FontShelf;
use NeatEdge\Core\Type\Setting;
use NeatEdge\Core\Type\Typesetter;

/**
 * O5: what hands and cameras find plates and sheets by: register crosses, centre marks, a wedge of tints, the plate's name. All are filled areas, with no
 * fonts.
 */
final class PlateMarks
{
    /** mm of a hair. */
    private const HAIR = 0.2;

    private const TINTS = [0.05, 0.1, 0.25, 0.5, 0.75, 0.9, 0.95];

    /** mm of a patch of the wedge. */
    private const PATCH = 5.0;

    /** mm from the art to the middle of a mark. */
    public const AWAY = 8.0;

    /** @return list<Piece> crosses at the four corners and strokes at the middle of the sides, the same on every plate */
    public static function register(Box $art): array
    {
        $marks = [];
        foreach ([
            [$art->left - self::AWAY, $art->top - self::AWAY],
            [$art->right + self::AWAY, $art->top - self::AWAY],
            [$art->left - self::AWAY, $art->bottom + self::AWAY],
            [$art->right + self::AWAY, $art->bottom + self::AWAY],
        ] as [$x, $y]) {
            $marks[] = self::ring($x, $y, 2.5);
            $marks[] = self::bar($x, $y, 9.0, self::HAIR);
            $marks[] = self::bar($x, $y, self::HAIR, 9.0);
        }
        $middle = $art->middle();
        foreach ([$art->top - self::AWAY, $art->bottom + self::AWAY] as $y) {
            $marks[] = self::bar($middle->x, $y, self::HAIR, 6.0);
        }
        foreach ([$art->left - self::AWAY, $art->right + self::AWAY] as $x) {
            $marks[] = self::bar($x, $middle->y, 6.0, self::HAIR);
        }

        return self::pieces($marks);
    }

    /** @return list<Piece> dots that a camera looks for, at three corners and one beside the fourth: a sheet that lies wrong is known */
    public static function camera(Box $box, float $size = 5.0): array
    {
        $away = $size;
        $places = [
            [$box->left - $away, $box->top - $away],
            [$box->right + $away, $box->top - $away],
            [$box->left - $away, $box->bottom + $away],
            [$box->right + $away, $box->bottom + $away],
            [$box->left + 4 * $size, $box->top - $away],
        ];

        return self::pieces(array_map(static fn (array $p): Shape => Shape::of(Contour::circle($p[0], $p[1], $size / 2)), $places));
    }

    /** @return list<Piece> patches of five to ninety-five hundredths, by the plate's own dots */
    public static function wedge(Box $art, Halftone $halftone): array
    {
        $patches = [];
        foreach (self::TINTS as $k => $tint) {
            $patch = Shape::of(Contour::rectangle(
                $art->left + $k * (self::PATCH + 1.0),
                $art->bottom + self::AWAY - self::PATCH / 2 + 0.5,
                self::PATCH,
                self::PATCH,
            ));
            $patches[] = $halftone->dots($patch, static fn (): float => $tint);
        }

        return self::pieces(array_values(array_filter($patches, static fn (Shape $dots): bool => ! $dots->isEmpty())));
    }

    /** @return list<Piece> a line of letters, from a place on */
    public static function name(string $text, float $x, float $y, float $size = 3.2): array
    {
        $shape = Typesetter::shape(new Setting(mb_substr($text, 0, 120), FontShelf::shippedFamilies()[0], false, false, $size), FontShelf::shipped());

        return $shape->isEmpty() ? [] : self::pieces([$shape->transformed(Matrix::translation($x, $y))]);
    }

    private static function bar(float $x, float $y, float $width, float $height): Shape
    {
        return Shape::of(Contour::rectangle($x - $width / 2, $y - $height / 2, $width, $height));
    }

    private static function ring(float $x, float $y, float $r): Shape
    {
        return new Shape([Contour::circle($x, $y, $r), Contour::circle($x, $y, $r - self::HAIR)->reversed()], FillRule::Nonzero);
    }

    /**
     * @param  list<Shape>  $shapes
     * @return list<Piece>
     */
    private static function pieces(array $shapes): array
    {
        $paint = new Paint(new Colour(0, 0, 0));

        return array_map(static fn (Shape $shape, int $i): Piece => new Piece("mark-{$i}", $shape, $paint), $shapes, array_keys($shapes));
    }
}
