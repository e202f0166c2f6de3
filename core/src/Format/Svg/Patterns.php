<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Flat\Outlines;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Scanner;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;

/** Fills a shape with copies of a pattern's pieces, each cut to its tile and to the shape (SVG 2, 14.3). */
final readonly class Patterns
{
    public const MOST_TILES = 20_000;

    private const MOST_SEGMENTS = 400_000;

    public function __construct(private Walk $walk)
    {
    }

    /** Whether its tile has a width and a height. */
    public static function hasSize(Definitions $definitions, DOMElement $pattern, Scope $scope): bool
    {
        $chain = self::chain($definitions, $pattern);
        $view = Definitions::attribute($chain, 'patternUnits') !== 'userSpaceOnUse' ? new Viewport(1.0, 1.0) : $scope->viewport;

        return ($view->length(
            Definitions::attribute($chain, 'width'),
            'x',
        ) ?? 0.0) > 0 && ($view->length(Definitions::attribute($chain, 'height'), 'y') ?? 0.0) > 0;
    }

    /** @return list<DOMElement> */
    private static function chain(Definitions $definitions, DOMElement $pattern): array
    {
        return array_values(array_filter($definitions->chain($pattern), static fn (DOMElement $dOMElement): bool => $dOMElement->localName === 'pattern'));
    }

    /**
     * @param  Shape  $target  in mm
     * @param  Box|null  $box  of what is painted, in its user units
     * @return bool false where the tiles would be too many
     */
    public function fill(DOMElement $pattern, Scope $scope, Shape $target, ?Box $box, float $opacity, string $name): bool
    {
        $definitions = $this->walk->definitions;
        $chain = self::chain($definitions, $pattern);
        $byBox = Definitions::attribute($chain, 'patternUnits') !== 'userSpaceOnUse';
        $view = $byBox ? new Viewport(1.0, 1.0) : $scope->viewport;
        $get = static fn (string $name, string $direction): float => $view->length(Definitions::attribute($chain, $name), $direction) ?? 0.0;
        [$x, $y, $width, $height] = [$get('x', 'x'), $get('y', 'y'), $get('width', 'x'), $get('height', 'y')];
        if ($byBox) {
            if ($box === null) {
                return true;
            }
            [$x, $y, $width, $height] = [$box->left + $x * $box->width(), $box->top + $y * $box->height(), $width * $box->width(), $height * $box->height()];
        }
        $content = null;
        foreach ($chain as $one) {
            if ((new \DOMXPath($one->ownerDocument ?? throw SvgRefused::empty()))->evaluate('count(*)', $one) > 0) {
                $content = $one;
                break;
            }
        }
        $space = $scope->matrix->after(TransformList::parse(Definitions::attribute($chain, 'patternTransform')));
        $area = $target->transformed($space->isSingular() ? Matrix::identity() : $space->inverse())->box();
        if ($width <= 0 || $height <= 0 || $content === null || $area === null || $space->isSingular()) {
            return true;
        }
        [$left, $right] = [(int) floor(($area->left - $x) / $width + 1e-9), (int) ceil(($area->right - $x) / $width - 1e-9)];
        [$top, $bottom] = [(int) floor(($area->top - $y) / $height + 1e-9), (int) ceil(($area->bottom - $y) / $height - 1e-9)];
        $tiles = ($right - $left) * ($bottom - $top);
        if ($tiles > self::MOST_TILES) {
            return false;
        }
        $pieces = $this->tile($content, $chain, $scope, $space->after(Matrix::translation($x, $y)), $width, $height, $box);
        $segments = array_sum(array_map(static fn (Shape $shape): int => $shape->nodeCount(), array_column($pieces, 0)));
        if ($segments * $tiles > self::MOST_SEGMENTS) {
            return false;
        }
        $origin = $space->apply(0.0, 0.0);
        $mark = $this->walk->canvas->mark();
        foreach ($pieces as [$shape, $piece]) {
            $contours = [];
            for ($i = $left; $i < $right; $i++) {
                for ($j = $top; $j < $bottom; $j++) {
                    $to = $space->apply($i * $width, $j * $height);
                    array_push($contours, ...$shape->transformed(Matrix::translation($to->x - $origin->x, $to->y - $origin->y))->contours);
                }
            }
            $this->walk->canvas->count(count($contours));
            $all = new Shape($contours, $shape->rule);
            $this->walk->canvas->addWithin($scope->clips, Combine::keepOverlap([$all, $target]), $piece->fill, null, $name);
        }
        $this->walk->canvas->fade($mark, $opacity);

        return true;
    }

    /**
     * @param  list<DOMElement>  $chain
     * @return list<array{Shape, Piece}> what the first tile shows, strokes outlined
     */
    private function tile(DOMElement $content, array $chain, Scope $scope, Matrix $matrix, float $width, float $height, ?Box $box): array
    {
        $style = $this->walk->definitions->styleOf($content);
        $viewBox = (new Scanner(Definitions::attribute($chain, 'viewBox')))->numbers(4);
        $inner = $matrix;
        $view = $scope->viewport;
        if ($viewBox !== null && $viewBox[2] > 0 && $viewBox[3] > 0) {
            $inner = $matrix->after(Viewport::fit(
                [$viewBox[0], $viewBox[1], $viewBox[2], $viewBox[3]],
                Definitions::attribute($chain, 'preserveAspectRatio'),
                0,
                0,
                $width,
                $height,
            ));
            $view = new Viewport($viewBox[2], $viewBox[3]);
        } elseif (Definitions::attribute($chain, 'patternContentUnits') === 'objectBoundingBox' && $box !== null) {
            $inner = $matrix->after(Matrix::scaling($box->width(), $box->height()));
        }
        $drawn = $this->walk->aside($content, new Scope($style, $inner, $view, [], $scope->uses, $scope->depth + 1));
        $frame = Shape::of(Contour::rectangle(0.0, 0.0, $width, $height)->transformed($matrix));
        $open = $style->get('overflow') === 'visible';
        $pieces = [];
        foreach (Outlines::of(new \NeatEdge\Core\Artwork\Artwork(1.0, 1.0, $drawn))->pieces as $piece) {
            $shape = $open ? $piece->shape : Combine::keepOverlap([$piece->shape, $frame]);
            if (! $shape->isEmpty() && $piece->fill !== null) {
                $pieces[] = [$shape, $piece];
            }
        }

        return $pieces;
    }
}
