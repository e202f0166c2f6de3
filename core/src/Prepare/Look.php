<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\LookDifference;
use NeatEdge\Core\PlanarMap\MeasuredPart;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\Seen\Painted;
use NeatEdge\Core\Seen\StrokeProbe;

/**
 * Measures the look difference between two states of an artwork by geometry, not by pixels. What each state paints is taken from its pieces as they
 * stand, never by a step of preparation; what a stroke covers is probed along its line, so that a part lost in outlining counts.
 */
final class Look
{
    /** mm of mean width, or a share of the art where that is less: a hair's, which is also what a sliver may have that goes to its neighbour. */
    private const HAIR = 0.05;

    private const HAIR_SHARE = 5e-4;

    /** Most places that are told of. */
    private const MOST = 200;

    /** @param  Colour|null  $ground  what shows through see-through colours, where a job has said so */
    public static function between(Artwork $before, Artwork $after, ?Colour $ground = null): LookDifference
    {
        [$parts, $distance] = self::parts($before, $after, $ground);
        if ($parts === []) {
            return new LookDifference(0.0, 0.0);
        }
        $hair = min(self::HAIR, self::HAIR_SHARE * max($before->width, $before->height));
        $changed = $seen = StrokeProbe::missed($before);
        $whole = $recoloured = 0.0;
        foreach ($parts as $label => $list) {
            foreach ($list as $part) {
                $whole += $part->area;
                if ($label === LookChange::CHANGED) {
                    $changed += $part->area;
                    $seen += 2 * $part->area >= $hair * $part->border ? $part->area : 0.0;
                } elseif ($label === LookChange::RECOLOURED) {
                    $recoloured += 2 * $part->area >= $hair * $part->border ? $part->area : 0.0;
                }
            }
        }

        return new LookDifference($changed, $whole, $seen, $recoloured, $distance);
    }

    /**
     * Where two states look otherwise.
     *
     * @return list<array{x: float, y: float, width: float, height: float, area: float}> boxes in mm, the largest area first
     */
    public static function places(Artwork $before, Artwork $after, ?Colour $ground = null): array
    {
        $hair = min(self::HAIR, self::HAIR_SHARE * max($before->width, $before->height));
        $places = [];
        [$parts] = self::parts($before, $after, $ground);
        foreach ([...$parts[LookChange::CHANGED] ?? [], ...$parts[LookChange::RECOLOURED] ?? []] as $part) {
            if (2 * $part->area >= $hair * $part->border) {
                $places[] = [
                    'x' => $part->box->left,
                    'y' => $part->box->top,
                    'width' => $part->box->width(),
                    'height' => $part->box->height(),
                    'area' => $part->area,
                ];
            }
        }
        usort($places, static fn (array $a, array $b): int => $b['area'] <=> $a['area']);

        return array_slice($places, 0, self::MOST);
    }

    /**
     * @return array{array<int, list<MeasuredPart>>, float} by label of LookChange, empty where neither paints anything; and how far recoloured places lie
     *     apart at most
     */
    private static function parts(Artwork $before, Artwork $after, ?Colour $ground): array
    {
        $areas = Painted::areas($before);
        $split = count($areas);
        array_push($areas, ...Painted::areas($after));
        if ($areas === []) {
            return [[], 0.0];
        }
        $shapes = array_map(static fn (Painted $area): Shape => $area->shape, $areas);
        $rule = new LookChange($areas, $split, $ground);
        $parts = PlanarMap::of($shapes, $before->tolerance()->measuring())->parts($rule);

        return [$parts, $rule->farthest];
    }
}
