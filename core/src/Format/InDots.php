<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Picture;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;

/** D13: what is soft on a sheet as pictures of dots with a soft mask, for formats that have no soft edges; all else stays lines. */
final class InDots
{
    /** Dots an inch of the finished size. */
    public const RESOLUTION = 300.0;

    /** Dots a side. A larger one has fewer an inch. */
    private const MOST = 6000;

    /** @throws Refused */
    public static function layout(Layout $layout, MakesDots $dots): Layout
    {
        if (! self::isSoft($layout)) {
            return $layout;
        }

        return $layout->with(layers: array_map(static fn (Layer $layer): Layer => $layer->role !== Role::Print ? $layer : new Layer(
            $layer->role,
            $layer->name,
            $layer->colour,
            array_map(static fn (Piece $piece): Piece => self::piece($piece, $dots), $layer->areas),
            $layer->lines,
            $layer->hatch,
            $layer->use,
            $layer->overprints,
        ), $layout->layers));
    }

    public static function isSoft(Layout $layout): bool
    {
        foreach ($layout->layers as $layer) {
            foreach ($layer->areas as $piece) {
                if ($piece->fill?->soft !== null) {
                    return true;
                }
            }
        }

        return false;
    }

    private static function piece(Piece $piece, MakesDots $dots): Piece
    {
        $box = $piece->box();
        if ($piece->fill?->soft === null || $box === null || $box->width() <= 0 || $box->height() <= 0) {
            return $piece;
        }
        Patience::ask(4096);
        $alone = $piece->transformed(Matrix::translation(-$box->left, -$box->top));
        $wide = (int) max(2, min(self::MOST, ceil($box->width() / 25.4 * self::RESOLUTION), ceil(self::MOST * $box->width() / $box->height())));
        $png = $dots->png(Writer::write(new Artwork($box->width(), $box->height(), [$alone])), $wide);
        $picture = new Picture(
            'data:image/png;base64,'.base64_encode($png),
            $box->width(),
            $box->height(),
            Matrix::translation($box->left, $box->top),
            'none',
        );

        // It is cut in its dots already.
        return $piece->with(shape: Shape::of(Contour::rectangle($box->left, $box->top, $box->width(), $box->height())), fill: Paint::picture($picture));
    }
}
