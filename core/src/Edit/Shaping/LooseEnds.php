<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Crossing;
use NeatEdge\Core\Geometry\Crossings;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\LinePlace;
use NeatEdge\Core\Stroke\OffsetCurve;

/** Open ends among lines: where they would meet, how a line is led on, and how it is cut. */
final class LooseEnds
{
    /** An end nearer than this to a line lies on it, mm. */
    private const MEETS = 1e-4;

    /** A curve goes on by itself as long as it turns by less than this, in radians. */
    private const MOST_TURN = M_PI / 6;

    /**
     * First the ends that meet another line when they are led on along their own way; then, with those led on, what is still short or sticks out: an end
     * that only waits for another to reach it is not loose itself.
     *
     * @param  list<Contour>  $lines
     * @param  float  $within  mm
     * @return list<LooseEnd> each end once, in the order in which they are mended
     */
    public static function among(array $lines, float $within): array
    {
        if (array_filter($lines, static fn (Contour $line): bool => ! $line->closed) === []) {
            return [];
        }
        $ends = $done = [];
        foreach ([true, false] as $onward) {
            $found = [];
            $all = self::crossings($lines);
            foreach ($lines as $k => $line) {
                $on = $all[$k] ?? [];
                foreach ($line->closed || $line->segmentCount() === 0 ? [] : [false, true] as $atEnd) {
                    if (isset($done["{$k} {$atEnd}"])) {
                        continue;
                    }
                    $end = self::end($line, $atEnd);
                    if (array_filter(
                        $on,
                        static fn (Crossing $c): bool => hypot($c->x - $end[0], $c->y - $end[1]) < self::MEETS,
                    ) !== [] || self::isOn($end, $k, $lines)) {
                        continue;
                    }
                    $loose = $onward ? self::onTheWay($lines, $k, $atEnd, $on, $within)
                        : self::long($line, $k, $atEnd, $on, $within) ?? self::beside($lines, $k, $atEnd, $within);
                    if ($loose !== null) {
                        $found[] = $loose;
                        $done["{$k} {$atEnd}"] = true;
                    }
                }
            }
            foreach ($found as $loose) {
                $lines[$loose->line] = self::mended($lines[$loose->line], $loose);
            }
            $lines = array_values($lines);
            array_push($ends, ...$found);
        }

        return $ends;
    }

    /**
     * @param  list<Contour>  $lines
     * @return array<int, list<Crossing>> by line, in the order of the place on it
     */
    private static function crossings(array $lines): array
    {
        $crossings = [];
        foreach (Crossings::of($lines) as $one) {
            $crossings[$one->a][] = $one;
            $crossings[$one->b][] = new Crossing($one->b, $one->h, $one->a, $one->g, $one->x, $one->y);
        }
        foreach ($crossings as $k => $row) {
            usort($row, static fn (Crossing $p, Crossing $q): int => $p->g <=> $q->g);
            $crossings[$k] = $row;
        }

        return $crossings;
    }

    /** @return array{float, float} */
    public static function end(Contour $line, bool $atEnd): array
    {
        $c = $line->coords;
        $n = count($c);

        return $atEnd ? [$c[$n - 2], $c[$n - 1]] : [$c[0], $c[1]];
    }

    /**
     * @param  array{float, float}  $end
     * @param  list<Contour>  $lines
     */
    private static function isOn(array $end, int $own, array $lines): bool
    {
        foreach ($lines as $k => $line) {
            if ($k !== $own && hypot(...self::away($line, $end)) < self::MEETS) {
                return true;
            }
        }

        return false;
    }

    /**
     * From a place to the nearest place on a line.
     *
     * @param  array{float, float}  $at
     * @return array{float, float} mm
     */
    private static function away(Contour $line, array $at): array
    {
        [, $x, $y] = LinePlace::nearest($line, ...$at);

        return [$x - $at[0], $y - $at[1]];
    }

    /**
     * Led on along its own way it meets another within the distance, and nothing that it crosses lies as near behind it.
     *
     * @param  list<Contour>  $lines
     * @param  list<Crossing>  $on
     */
    private static function onTheWay(array $lines, int $k, bool $atEnd, array $on, float $within): ?LooseEnd
    {
        $met = self::ahead($lines, $k, $atEnd, $within);
        $long = $met === null ? null : self::long($lines[$k], $k, $atEnd, $on, $met[2]);
        if ($met === null || $long !== null) {
            return null;
        }
        $end = self::end($lines[$k], $atEnd);

        return new LooseEnd($k, $atEnd, true, $met[2], $end[0], $end[1], [$met[0], $met[1]]);
    }

    /**
     * Another line lies within the distance, though not ahead.
     *
     * @param  list<Contour>  $lines
     */
    private static function beside(array $lines, int $k, bool $atEnd, float $within): ?LooseEnd
    {
        $end = self::end($lines[$k], $atEnd);
        $best = null;
        foreach ($lines as $i => $line) {
            $way = $i === $k ? [INF, 0.0] : self::away($line, $end);
            $far = hypot(...$way);
            if ($far <= $within && $far > self::MEETS && ($best === null || $far < $best->by)) {
                $best = new LooseEnd($k, $atEnd, true, $far, $end[0], $end[1], [$end[0] + $way[0], $end[1] + $way[1]]);
            }
        }

        return $best;
    }

    /**
     * Where a line that is led on first meets another, or itself.
     *
     * @param  list<Contour>  $lines
     * @return array{float, float, float}|null x, y and how far, mm
     */
    public static function ahead(array $lines, int $k, bool $atEnd, float $within): ?array
    {
        $on = self::onward($lines[$k], $atEnd, $within);
        $best = null;
        $count = count($lines);
        foreach (Crossings::on($count, [...$lines, $on]) as $c) {
            if ($c->b === $count || $c->g < 1e-6) {
                continue;
            }
            $far = self::lengthTo($on, $c->g);
            if ($far > self::MEETS && $far <= $within * (1 + 1e-9) && ($best === null || $far < $best[2])) {
                $best = [$c->x, $c->y, $far];
            }
        }

        return $best;
    }

    /** The way on from an end: the curve's own beyond it, as long as it does not turn far, then straight. */
    public static function onward(Contour $line, bool $atEnd, float $within): Contour
    {
        $s = $line->segment($atEnd ? $line->segmentCount() - 1 : 0);
        if (! $atEnd) {
            $s = Cubic::reversed($s);
        }
        [$tx, $ty] = OffsetCurve::tangent($s, 1.0);
        $onward = [];
        if (! Cubic::isLine($s)) {
            $t = 1.0;
            $length = 0.0;
            while ($length < $within && $t < 3.0) {
                $next = Cubic::part($s, 1.0, $t + 0.1);
                [$ux, $uy] = OffsetCurve::tangent($next, 1.0);
                if (abs(atan2($tx * $uy - $ty * $ux, $tx * $ux + $ty * $uy)) > self::MOST_TURN) {
                    break;
                }
                $t += 0.1;
                $length = Cubic::length($next);
            }
            if ($t > 1.0) {
                $part = Cubic::part($s, 1.0, $t);
                $onward[] = [$s[6], $s[7], ...array_slice($part, 2)];
                [$tx, $ty] = OffsetCurve::tangent($part, 1.0);
            }
        }
        $last = $onward === [] ? $s : $onward[0];
        $onward[] = Cubic::line($last[6], $last[7], $last[6] + $within * $tx, $last[7] + $within * $ty);

        return Contour::ofSegments($onward, false);
    }

    private static function lengthTo(Contour $line, float $g): float
    {
        $sum = 0.0;
        foreach ($line->segments() as $i => $s) {
            if ($g <= $i) {
                break;
            }
            $sum += Cubic::length($s, 0.0, min(1.0, $g - $i));
        }

        return $sum;
    }

    /** @param  list<Crossing>  $on  in the order of g */
    private static function long(Contour $line, int $k, bool $atEnd, array $on, float $within): ?LooseEnd
    {
        if ($on === []) {
            return null;
        }
        $last = $on[$atEnd ? count($on) - 1 : 0];
        $rest = LinePlace::between($line, $atEnd ? $last->g : 0.0, $atEnd ? (float) $line->segmentCount() : $last->g);
        $by = $rest?->length() ?? 0.0;
        if ($by < self::MEETS || $by > $within) {
            return null;
        }
        $end = self::end($line, $atEnd);

        return new LooseEnd($k, $atEnd, false, $by, $end[0], $end[1], [$last->x, $last->y]);
    }

    /**
     * @param  list<float>  $line
     * @param  array{float, float}  $to
     */
    private static function straightOn(array $line, array $to): bool
    {
        [$dx, $dy, $ex, $ey] = [$line[6] - $line[0], $line[7] - $line[1], $to[0] - $line[0], $to[1] - $line[1]];

        return abs($dx * $ey - $dy * $ex) < 1e-7 * hypot($dx, $dy) * hypot($ex, $ey);
    }

    /** A line led on to where it meets, or cut back to its last crossing. */
    public static function mended(Contour $line, LooseEnd $end): Contour
    {
        if (! $end->short) {
            [$g] = LinePlace::nearest($line, ...$end->to);

            return LinePlace::between($line, $end->atEnd ? 0.0 : $g, $end->atEnd ? $g : (float) $line->segmentCount()) ?? $line;
        }
        $on = self::onward($line, $end->atEnd, 2 * $end->by + 1e-3);
        [$g, $x, $y] = LinePlace::nearest($on, ...$end->to);
        // What it meets may lie beside its way: then it goes there straight.
        $more = hypot($x - $end->to[0], $y - $end->to[1]) < 1e-3 ? LinePlace::between($on, 0.0, $g) : Contour::ofSegments(
            [Cubic::line($end->x, $end->y, ...$end->to)],
            false,
        );
        if ($more === null) {
            return $line;
        }
        $segments = $more->segments();
        $last = count($segments) - 1;
        $segments[$last] = [...array_slice($segments[$last], 0, 6), ...$end->to];
        if (Cubic::isLine($on->segment(min($on->segmentCount() - 1, (int) floor($g))))) {
            $segments[$last] = Cubic::line($segments[$last][0], $segments[$last][1], ...$end->to);
        }
        $own = $end->atEnd ? $line->segments() : $line->reversed()->segments();
        $joint = $own[count($own) - 1];
        // A line that goes on straight has no node where it ended.
        if (Cubic::isLine($joint) && Cubic::isLine($segments[0]) && count($segments) === 1 && self::straightOn($joint, $end->to)) {
            array_pop($own);
            $segments = [Cubic::line($joint[0], $joint[1], ...$end->to)];
        }
        $whole = Contour::ofSegments([...$own, ...$segments], false);

        return $end->atEnd ? $whole : $whole->reversed();
    }
}
