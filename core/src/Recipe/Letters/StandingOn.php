<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Letters;

use LogicException;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\LinePlace;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Type\LineAlong;
use NeatEdge\Core\Type\Setting;

/** Letters keep their place and their way when another line takes that of theirs. */
final class StandingOn
{
    /** @param  Shape  $lines  in the space of the letters */
    public static function same(Setting $setting, Shape $lines): Setting
    {
        $along = $setting->along;
        if ($along === null || $lines->isEmpty()) {
            return $setting;
        }
        $old = new LineAlong([$setting->inside ? $along->reversed() : $along]);
        $place = $old->at($setting->slide * $old->length);
        if ($place === null) {
            return $setting->with(along: $lines->contours[0]);
        }
        [$x, $y, $dx, $dy] = $place;
        $best = self::nearest($lines, $x, $y);
        if ($best === null) {
            return $setting;
        }
        [$contour, $g, $px, $py] = $best;
        // A closed line is walked with the line that closes it.
        $walked = $contour->closed ? Contour::ofSegments($contour->closedSegments(), true) : $contour;
        [$tx, $ty] = self::way($walked, $g);
        $inside = $tx * $dx + $ty * $dy < 0;
        $share = self::share($walked, $g);
        // Above the line is on the left of its way, with y downwards.
        $above = ($x - $px) * $dy - ($y - $py) * $dx;

        return $setting->with(
            along: $walked,
            inside: $inside,
            slide: $inside ? 1 - $share : $share,
            distance: $setting->distance + (abs($above) < 1e-6 ? 0.0 : $above),
        );
    }

    /**
     * Letters where a line was pressed: on its nearest contour, about the place nearest to the press, the right way up, on the side of the line that the
     * press lies on.
     *
     * @param  Shape  $lines  in the space of the letters, not empty
     */
    public static function pressed(Setting $setting, Shape $lines, float $x, float $y): Setting
    {
        [$contour, $g, $px, $py] = self::nearest($lines, $x, $y) ?? throw new LogicException('A shape to stand on has a contour.');
        $walked = $contour->closed ? Contour::ofSegments($contour->closedSegments(), true) : $contour;
        [$dx, $dy] = self::way($walked, $g);
        $share = self::share($walked, $g);
        // Letters are upright where their line runs to the right; where it runs straight up or down, upwards is read more easily.
        $inside = $dx < -1e-9 || (abs($dx) <= 1e-9 && $dy > 0);
        [$dx, $dy] = $inside ? [-$dx, -$dy] : [$dx, $dy];
        $above = ($x - $px) * $dy - ($y - $py) * $dx;

        return $setting->with(along: $walked, inside: $inside, slide: $inside ? 1 - $share : $share, stand: $above < -1e-9 ? 'below' : 'above', distance: 0.0);
    }

    /** @return array{Contour, float, float, float}|null the contour, the place on it and where that is */
    private static function nearest(Shape $lines, float $x, float $y): ?array
    {
        $best = null;
        $least = INF;
        foreach ($lines->contours as $contour) {
            [$g, $px, $py] = LinePlace::nearest($contour, $x, $y);
            $far = hypot($px - $x, $py - $y);
            if ($far < $least) {
                [$best, $least] = [[$contour, $g, $px, $py], $far];
            }
        }

        return $best;
    }

    /** Whether a line is the same line, moved or bent. */
    public static function isBent(Shape $before, Shape $after): bool
    {
        $nodes = static function (Shape $shape): array {
            $places = [];
            foreach ($shape->contours as $contour) {
                foreach ($contour->segments() as $s) {
                    $places[] = sprintf('%.4F %.4F', $s[0], $s[1]);
                    $places[] = sprintf('%.4F %.4F', $s[6], $s[7]);
                }
            }
            $places = array_values(array_unique($places));
            sort($places);

            return $places;
        };
        if (count($before->contours) !== count($after->contours) || $before->nodeCount() !== $after->nodeCount()) {
            return false;
        }

        return $nodes($before) !== $nodes($after);
    }

    /** @return array{float, float} */
    private static function way(Contour $line, float $g): array
    {
        $segments = $line->segments();
        $i = max(0, min(count($segments) - 1, (int) floor($g)));
        [$dx, $dy] = Cubic::speedOn($segments[$i], max(0.001, min(0.999, $g - $i)));
        $long = max(1e-12, hypot($dx, $dy));

        return [$dx / $long, $dy / $long];
    }

    /** How far along a line a place lies, as a share of its length. */
    private static function share(Contour $line, float $g): float
    {
        $before = $all = 0.0;
        foreach ($line->segments() as $i => $s) {
            $length = Cubic::length($s);
            $all += $length;
            $before += $g >= $i + 1 ? $length : ($g > $i ? Cubic::length(Cubic::part($s, 0.0, $g - $i)) : 0.0);
        }

        return $all > 0 ? max(0.0, min(1.0, $before / $all)) : 0.0;
    }
}
