<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Flat\Outlines;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\Prepare\SeenPaints;

/**
 * A mask of flat colours cuts: what it shows white stays, what it shows grey is as see-through as it is grey. One that is soft or of many tones is kept as a
 * drawing that what it is on is seen through.
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
     * @return bool false where the mask is of too many pieces; what was drawn is then left as it is
     */
    public function apply(DOMElement $mask, Scope $scope, int $mark, ?Box $box): bool
    {
        $canvas = $this->walk->canvas;
        $style = $this->walk->definitions->styleOf($mask);
        $region = $this->region($mask, $scope, $box);
        $drawn = $region === null ? [] : $this->content($mask, $style, $scope, $box);
        $levels = $region === null ? [] : $this->levels($drawn, $region, $style->get('mask-type') === 'alpha');
        $soft = array_filter($canvas->since($mark), static fn (Piece $piece): bool => $piece->soft !== null) !== [];
        if ($region !== null && ($levels === null || ($soft && $levels !== []))) {
            return $this->seenThrough($drawn, $region, $mark, $style->get('mask-type') === 'alpha');
        }
        $levels ??= [];
        $pieces = $canvas->takeSince($mark);
        foreach ($levels as [$value, $shape]) {
            $from = $canvas->mark();
            $canvas->put($pieces, [$shape]);
            $canvas->fade($from, $value);
        }

        return true;
    }

    /**
     * A mask that is soft or of many tones: what was drawn keeps its outlines and is seen through it.
     *
     * @param  list<Piece>  $drawn
     */
    private function seenThrough(array $drawn, Shape $region, int $mark, bool $byAlpha): bool
    {
        if (count($drawn) > SoftLook::MOST_PIECES) {
            return false;
        }
        $canvas = $this->walk->canvas;
        $canvas->severalTogether($mark);
        $white = new Colour(255, 255, 255);
        $drawn = ! $byAlpha ? $drawn : array_map(static fn (Piece $piece): Piece => $piece->with(
            fill: $piece->fill === null ? null : self::inWhite($piece->fill),
            stroke: $piece->stroke?->with(paint: self::inWhite($piece->stroke->paint)),
        ), $drawn);
        if ($drawn === []) {
            $canvas->takeSince($mark);

            return true;
        }
        $canvas->seenThrough($mark, $drawn);
        // Most masks are larger than what they are on.
        $box = Box::around(...array_values(array_filter(array_map(static fn (Piece $piece): ?Box => $piece->box()?->grown(
            3.5 * ($piece->soft->edge ?? 0.0) + ($piece->stroke?->widths()[1] ?? 0.0),
        ), $canvas->since($mark)))));
        if ($box !== null && (Within::touches($region, $box) || ! Within::covers($region, $box->left, $box->top))) {
            $canvas->seenThrough($mark, [new Piece('k', $region, new Paint($white))]);
        }

        return true;
    }

    /** What is covered as light as can be. */
    private static function inWhite(Paint $paint): Paint
    {
        $white = new Colour(255, 255, 255);

        return $paint->gradient === null ? new Paint($white, $paint->opacity) : Paint::gradient(new Gradient(
            $paint->gradient->kind,
            $paint->gradient->axis,
            array_map(static fn (array $stop): array => [$stop[0], $white, $stop[2]], $paint->gradient->stops),
            $paint->gradient->matrix,
            $paint->gradient->spread,
        ));
    }

    /** @return list<Piece> */
    private function content(DOMElement $mask, Style $style, Scope $scope, ?Box $box): array
    {
        $content = $scope->unclipped($style, Matrix::identity());
        if ($mask->getAttribute('maskContentUnits') === 'objectBoundingBox') {
            if ($box === null) {
                return [];
            }
            $content = $content->inside($style, new Matrix($box->width(), 0, 0, $box->height(), $box->left, $box->top));
        }

        return $this->walk->aside($mask, $content);
    }

    /**
     * @param  list<Piece>  $drawn
     * @return list<array{float, Shape}>|null what shows how much, 0 to 1, in mm; null where the mask is not of a few flat tones
     */
    private function levels(array $drawn, Shape $region, bool $byAlpha): ?array
    {
        if (array_filter($drawn, static fn (Piece $piece): bool => $piece->soft !== null) !== []) {
            return null;
        }
        $pieces = array_values(array_filter(
            Outlines::of(new Artwork(1.0, 1.0, $drawn))->pieces,
            static fn (Piece $piece): bool => $piece->fill !== null && ! $piece->shape->isEmpty(),
        ));
        $paints = array_map(static fn (Piece $piece): Paint => $piece->fill ?? throw new \LogicException, $pieces);
        if ($pieces === []) {
            return [];
        }
        $rule = new SeenPaints($paints);
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
