<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Outliner;
use NeatEdge\Core\Stroke\StrokeStyle;

/** What is laid copy by copy: an outline, how often, and what lies in it. */
final readonly class Design
{
    /**
     * @param  Shape  $outline  as it was drawn, mm
     * @param  int  $copies  of it, at least 1
     * @param  list<Piece>  $pieces  as they were drawn
     * @param  list<Contour>  $cuts  lines that are cut once, as they were drawn
     * @param  string  $of  name of another job that it is laid for; empty for the job's own
     */
    public function __construct(public Shape $outline, public int $copies, public array $pieces = [], public string $of = '', public array $cuts = [])
    {
    }

    /** mm on each side of a line that is cut once, where it is laid like an area. */
    private const HAIR = 0.05;

    /**
     * What is laid where lines are cut beside areas: the areas, and a hair along each line.
     *
     * @param  list<Shape>  $areas
     * @param  list<Contour>  $cuts
     */
    public static function outlineOf(array $areas, array $cuts, Tolerance $tolerance): Shape
    {
        $hairs = $cuts === [] ? [] : [Outliner::outline($cuts, new StrokeStyle(2 * self::HAIR), $tolerance)];
        $all = array_values(array_filter([...$areas, ...$hairs], static fn (Shape $shape): bool => ! $shape->isEmpty()));

        return match (count($all)) {
            0 => new Shape([]),
            1 => $all[0],
            default => Combine::weld($all, $tolerance),
        };
    }

    /**
     * @param  list<self>  $designs
     * @return list<string> how much of which other jobs lies on a sheet
     */
    public static function saysOfOthers(array $designs): array
    {
        $others = [];
        foreach ($designs as $design) {
            $others[$design->of] = $design->copies;
        }
        unset($others['']);

        return $others === [] ? [] : ['Laid with it: '.implode(
            ', ',
            array_map(static fn (string $of, int $copies): string => "{$copies} × {$of}", array_map(strval(...), array_keys($others)), $others),
        ).'.'];
    }
}
