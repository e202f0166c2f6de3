<?php

declare(strict_types=1);

namespace NeatEdge\Core\Separate;

use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Offset;

/** White under inks on dark cloth, a little smaller than they are, so that none of it peeps out. */
final class Underbase
{
    /**
     * @param  list<Shape>  $inks  those that need white beneath
     * @param  float  $choke  mm
     */
    public static function under(array $inks, float $choke, Tolerance $tolerance): Shape
    {
        $whole = $inks === [] ? new Shape([]) : Combine::weld($inks, $tolerance);
        // A hole that would all but close is no hole.
        $kept = [];
        foreach ($whole->isEmpty() ? [] : Parts::of($whole) as $part) {
            foreach ($part->contours as $i => $contour) {
                if ($i === 0 || 2 * Inscribed::in(new Shape([$contour], FillRule::Evenodd), 0.02)[2] >= 2 * $choke) {
                    $kept[] = $contour;
                }
            }
        }
        $shape = new Shape($kept, $whole->rule);

        return $choke <= 0 || $shape->isEmpty() ? $shape : Offset::inset($shape, $choke, 'miter', $tolerance);
    }
}
