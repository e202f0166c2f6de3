<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** Draws the markers of a line (SVG 2, 11.6). */
final readonly class Markers
{
    public const MOST = 20_000;

    public function __construct(private Walk $walk)
    {
    }

    /**
     * @param  list<Contour>  $contours  in user units
     * @param  list<list<int>>  $parted  nodes inside arcs
     */
    public function draw(Scope $scope, array $contours, array $parted): void
    {
        $markers = [];
        foreach (['marker-start', 'marker-mid', 'marker-end'] as $property) {
            $id = Definitions::reference($scope->style->get($property));
            $marker = $id === null ? null : $this->walk->definitions->get($id);
            $markers[] = $marker?->localName === 'marker' ? $marker : null;
        }
        if ($markers === [null, null, null]) {
            return;
        }
        $places = MarkerPlaces::of($contours, $parted);
        $last = count($places) - 1;
        if ($markers[1] !== null && $last > self::MOST) {
            throw SvgRefused::tooMany(self::MOST);
        }
        $width = $scope->viewport->length($scope->style->get('stroke-width'), 'o', $scope->fontSize()) ?? 1.0;
        foreach ($places as $i => [$x, $y, $degrees]) {
            $which = $i === 0 ? [0] : [1];
            if ($i === $last) {
                $which = $last === 0 ? [0, 2] : [2];
            }
            foreach ($which as $n) {
                if ($markers[$n] !== null) {
                    $this->one($markers[$n], $scope, $x, $y, $degrees, $n === 0, $width);
                }
            }
        }
    }

    private function one(DOMElement $marker, Scope $scope, float $x, float $y, float $degrees, bool $first, float $strokeWidth): void
    {
        $view = $scope->viewport;
        $width = $view->attribute($marker, 'markerWidth', 'x', 3.0);
        $height = $view->attribute($marker, 'markerHeight', 'y', 3.0);
        $orient = trim($marker->getAttribute('orient'));
        $turn = match ($orient) {
            'auto' => $degrees,
            'auto-start-reverse' => $first ? $degrees + 180.0 : $degrees,
            default => (float) $orient * match (true) {
                str_ends_with($orient, 'turn') => 360.0,
                str_ends_with($orient, 'grad') => 0.9,
                str_ends_with($orient, 'rad') => 180 / M_PI,
                default => 1.0,
            },
        };
        $size = $marker->getAttribute('markerUnits') === 'userSpaceOnUse' ? 1.0 : $strokeWidth;
        if ($width <= 0 || $height <= 0 || $size <= 0) {
            return;
        }
        $box = Viewport::viewBox($marker);
        $fit = $box === null ? Matrix::identity() : Viewport::fit($box, $marker->getAttribute('preserveAspectRatio'), 0.0, 0.0, $width, $height);
        $inner = $box === null ? new Viewport($width, $height) : new Viewport($box[2], $box[3]);
        $words = ['left' => 0.0, 'top' => 0.0, 'center' => 0.5, 'right' => 1.0, 'bottom' => 1.0];
        $at = static function (string $name, string $direction, float $start, float $long) use ($marker, $inner, $words): float {
            $text = $marker->getAttribute($name);

            return isset($words[$text]) ? $start + $words[$text] * $long : $inner->attribute($marker, $name, $direction, 0.0);
        };
        $ref = $fit->apply($at('refX', 'x', $box[0] ?? 0.0, $inner->width), $at('refY', 'y', $box[1] ?? 0.0, $inner->height));
        $place = Matrix::translation($x, $y)
            ->after(Matrix::rotation($turn))
            ->after(Matrix::scaling($size, $size))
            ->after(Matrix::translation(-$ref->x, -$ref->y));
        $style = $this->walk->definitions->styleOf($marker)
            ->with('context-fill', $scope->style->get('fill'))
            ->with('context-stroke', $scope->style->get('stroke'));
        $own = $scope->inside($style, $place);
        if ($style->get('overflow') !== 'visible' && $style->get('overflow') !== 'auto') {
            $own = $own->clippedBy(Shape::of(Contour::rectangle(0.0, 0.0, $width, $height)->transformed($own->matrix)));
        }
        $this->walk->within($marker, $own->showing($inner, $fit));
    }
}
