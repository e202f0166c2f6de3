<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Flat\Outlines;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\Prepare\SeenPaints;

/**
 * A mask of flat colours cuts: what it shows white stays, what it shows grey is as see-through as it is grey.
 *
 * @source CSS Masking 1, 7: luminance and alpha masks
 */
final readonly class Masks
{
    public const MOST_LEVELS = 40;

    public function __construct(private Walk $walk)
    {
    }

    /**
     * Masks what was drawn since a mark.
     *
     * @param  Box|null  $box  of it, in its user units
     * @return bool false where the mask is none of flat colours; what was drawn is then left as it is
     */
    public function apply(DOMElement $mask, Scope $scope, int $mark, ?Box $box): bool
    {
        $levels = $this->levels($mask, $scope, $box);
        if ($levels === null) {
            return false;
        }
        $canvas = $this->walk->canvas;
        $pieces = $canvas->takeSince($mark);
        foreach ($levels as [$value, $shape]) {
            $from = $canvas->mark();
            $canvas->put($pieces, [$shape]);
            $canvas->fade($from, $value);
        }

        return true;
    }

    /** @return list<array{float, Shape}>|null what shows how much, 0 to 1; in mm */
    private function levels(DOMElement $mask, Scope $scope, ?Box $box): ?array
    {
        $style = $this->walk->definitions->styleOf($mask);
        $region = $this->region($mask, $scope, $box);
        $content = $scope->unclipped($style, Matrix::identity());
        if ($mask->getAttribute('maskContentUnits') === 'objectBoundingBox') {
            if ($box === null) {
                return [];
            }
            $content = $content->inside($style, new Matrix($box->width(), 0, 0, $box->height(), $box->left, $box->top));
        }
        if ($region === null) {
            return [];
        }
        $drawn = $this->walk->aside($mask, $content);
        $pieces = array_values(array_filter(
            Outlines::of(new Artwork(1.0, 1.0, $drawn))->pieces,
            static fn (Piece $piece): bool => $piece->fill !== null && ! $piece->shape->isEmpty(),
        ));
        $paints = array_map(static fn (Piece $piece): Paint => $piece->fill ?? throw new \LogicException, $pieces);
        if ($pieces === []) {
            return [];
        }
        $rule = new SeenPaints($paints);
        $byAlpha = $style->get('mask-type') === 'alpha';
        $byValue = [];
        foreach (PlanarMap::of(array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces))->regions($rule) as $label => $shape) {
            $value = self::value($rule->seen[$label], $byAlpha);
            if ($value === null) {
                return null;
            }
            if ($value > 0.002) {
                $byValue[(int) round($value * 255)][] = $shape;
            }
        }
        if (count($byValue) > self::MOST_LEVELS) {
            return null;
        }
        $levels = [];
        foreach ($byValue as $value => $shapes) {
            $levels[] = [$value / 255, Combine::keepOverlap([count($shapes) === 1 ? $shapes[0] : Combine::weld($shapes), $region])];
        }

        return $levels;
    }

    /**
     * @param  list<array{int, Paint}>  $seen
     * @return float|null 0 to 1; null where no one value stands for it
     */
    private static function value(array $seen, bool $byAlpha): ?float
    {
        if (count($seen) !== 1) {
            return null;
        }
        $paint = $seen[0][1];
        if (! $paint->isFlatColour()) {
            return $byAlpha && $paint->isOpaque() ? 1.0 : null;
        }
        $colour = $paint->colour;

        return $byAlpha ? $paint->opacity : $paint->opacity * (0.2125 * $colour->red + 0.7154 * $colour->green + 0.0721 * $colour->blue) / 255;
    }

    private function region(DOMElement $mask, Scope $scope, ?Box $box): ?Shape
    {
        $byBox = $mask->getAttribute('maskUnits') !== 'userSpaceOnUse';
        $view = $byBox ? new Viewport(1.0, 1.0) : $scope->viewport;
        $get = static fn (string $name, string $direction, string $default): float => $view->length($mask->getAttribute($name), $direction)
            ?? $view->length($default, $direction)
            ?? 0.0;
        [$x, $y, $width, $height] = [$get('x', 'x', '-10%'), $get('y', 'y', '-10%'), $get('width', 'x', '120%'), $get('height', 'y', '120%')];
        if ($byBox) {
            if ($box === null) {
                return null;
            }
            [$x, $y, $width, $height] = [$box->left + $x * $box->width(), $box->top + $y * $box->height(), $width * $box->width(), $height * $box->height()];
        }

        return $width <= 0 || $height <= 0 ? null : Shape::of(Contour::rectangle($x, $y, $width, $height)->transformed($scope->matrix));
    }
}
