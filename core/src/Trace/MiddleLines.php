<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Stroke\Cap;

/**
 * A region that is thin and of one width as what it was drawn with: a line along its middle, so wide.
 *
 * @source H. Blum, "A transformation for extracting new descriptors of shape", 1967: middles of the largest balls within; those by J. Ma, S. W. Bae and
 *         S. Choi, "3D medial axis point approximation using nearest neighbors and the normal field", 2012
 *
 * @phpstan-type Ball array{float, float, float}
 */
final class MiddleLines
{
    /** Share of the width that a ball may differ from it and be of the line. */
    private const EVEN = 0.12;

    /** Share of the balls that are. */
    private const MOST = 0.72;

    /** A line is so many times as long as it is wide. */
    private const LONG = 2.5;

    /** Dots between places of an outline. */
    private const STEP = 0.7;

    /** How far middles lie beside the middle by chance, in that space. */
    private const NOISE = 0.06;

    /** Share of the width by which the outline may lie otherwise than half of it beside a line, and of the places that may lie farther. */
    private const BESIDE = 0.05;

    private const LOST = 0.03;

    /** Radians that a line turns by at most where it goes on beyond a crossing. */
    private const TURN = 0.45;

    /** Widths beside a crossing whose balls touch more than one line. */
    private const DRAWN = 0.65;

    /** Share of the width to a dot of the space in which lines are fitted: corners are as round there as those of outlines are. */
    private const UNIT = 0.3;

    /**
     * @param  Part  $part  as its outline was traced
     * @param  list<array{int, int}>  $dots  of the picture in it
     */
    public static function of(Part $part, array $dots): ?Part
    {
        [$places, $total] = self::outline($part);
        // As wide as its area is for half of its outline.
        $rough = 2 * $part->dots / max(1.0, $total);
        if (count($places) < 12 || $total < 2 * self::LONG * $rough) {
            return null;
        }
        $balls = self::balls($places, 2 * $rough);
        $radii = array_column($balls, 2);
        sort($radii);
        $n = count($radii);
        $width = $n === 0 ? 0.0 : 2 * $radii[intdiv($n, 2)];
        $even = array_values(array_filter($balls, static fn (array $ball): bool => abs(2 * $ball[2] - $width) <= self::EVEN * $width));
        if ($width < 1.2 || count($even) < self::MOST * count($places) || $total < 2 * self::LONG * $width) {
            return null;
        }
        $width = 2 * array_sum(array_column($even, 2)) / count($even);
        $lines = Skeleton::of($dots, $width);
        [$contours, $cap] = self::lines($lines, $even, $places, $width);

        return $contours === [] || ! self::covers($contours, $places, $width) ? null : new Part($part->ink, $contours, null, $part->dots, $width, $cap);
    }

    /** @return array{list<array{float, float, float, float}>, float} places with the direction inwards, and how long the outline is */
    private static function outline(Part $part): array
    {
        $places = [];
        $total = 0.0;
        foreach ($part->contours as $i => $contour) {
            // The outer one is told first; inwards is to the right of who goes clockwise round it, and the other way round a hole.
            $side = ($contour->area() > 0) === ($i === 0) ? 1.0 : -1.0;
            foreach ($contour->closedSegments() as $segment) {
                $long = Cubic::length($segment);
                $total += $long;
                for ($k = 0, $steps = max(1, (int) ceil($long / self::STEP)); $k < $steps; $k++) {
                    $t = ($k + 0.5) / $steps;
                    [$x, $y] = Cubic::placeOn($segment, $t);
                    [$dx, $dy] = Cubic::isLine($segment) ? [$segment[6] - $segment[0], $segment[7] - $segment[1]] : Cubic::derivative($segment, $t);
                    $way = max(1e-9, hypot($dx, $dy));
                    $places[] = [$x, $y, -$side * $dy / $way, $side * $dx / $way];
                }
            }
        }

        return [$places, $total];
    }

    /**
     * The largest ball within that touches each place.
     *
     * @param  list<array{float, float, float, float}>  $places
     * @return list<Ball> middle and radius
     */
    private static function balls(array $places, float $reach): array
    {
        $cell = max(2.0, $reach);
        $cells = [];
        foreach ($places as [$x, $y]) {
            $cells[(int) floor($x / $cell) * 65536 + (int) floor($y / $cell)][] = [$x, $y];
        }
        $balls = [];
        foreach ($places as [$x, $y, $nx, $ny]) {
            Patience::ask(8);
            $radius = INF;
            $u = (int) floor($x / $cell);
            $v = (int) floor($y / $cell);
            for ($i = $u - 1; $i <= $u + 1; $i++) {
                for ($k = $v - 1; $k <= $v + 1; $k++) {
                    foreach ($cells[$i * 65536 + $k] ?? [] as [$qx, $qy]) {
                        [$dx, $dy] = [$qx - $x, $qy - $y];
                        $in = $dx * $nx + $dy * $ny;
                        // What lies next to a place on its own side says nothing of the width.
                        if ($in > 0.25 * sqrt($dx * $dx + $dy * $dy)) {
                            $radius = min($radius, ($dx * $dx + $dy * $dy) / (2 * $in));
                        }
                    }
                }
            }
            if ($radius < INF) {
                $balls[] = [$x + $radius * $nx, $y + $radius * $ny, $radius];
            }
        }

        return $balls;
    }

    /**
     * @param  list<array{places: list<array{float, float}>, from: int|null, to: int|null, closed: bool}>  $lines
     * @param  list<Ball>  $balls  of the width
     * @param  list<array{float, float, float, float}>  $outline
     * @return array{list<Contour>, Cap}
     */
    private static function lines(array $lines, array $balls, array $outline, float $width): array
    {
        $near = [];
        foreach ($balls as [$x, $y]) {
            $near[(int) floor($x) * 65536 + (int) floor($y)][] = [$x, $y];
        }
        $ways = $meeting = [];
        foreach ($lines as $i => $line) {
            $places = self::middled($line['places'], $near);
            if (count($places) < 3) {
                continue;
            }
            $ways[$i] = [$places, $line['closed'] || ($line['from'] !== null && $line['from'] === $line['to'] && self::isRound($places, $width))];
            foreach (['from' => $places, 'to' => array_reverse($places)] as $end => $own) {
                if ($line[$end] !== null) {
                    $meeting[$line[$end]][] = [$i, $end === 'from', self::entering($own, $width)];
                }
            }
        }
        $next = $crossings = [];
        foreach ($meeting as $crossing => $entering) {
            $crossings[$crossing] = Ends::crossing(array_column($entering, 2));
            $pair = self::through($entering);
            if ($pair !== null) {
                [[$a, $aOut], [$b, $bOut]] = $pair;
                $next[2 * $a + (int) ! $aOut] = [$b, $bOut];
                $next[2 * $b + (int) ! $bOut] = [$a, $aOut];
            }
        }

        return self::drawn(Strands::joined(array_map(static fn (array $way): bool => $way[1], $ways), $next), $ways, $lines, $crossings, $outline, $width);
    }

    /**
     * Whether a line that comes back to where it began is a circle, but for where the crossing has drawn it to itself.
     *
     * @param  list<array{float, float}>  $places
     */
    private static function isRound(array $places, float $width): bool
    {
        $way = new Way($places, false);
        $clear = $way->around(0, self::DRAWN * $width, $way->length - self::DRAWN * $width);
        $unit = max(1.0, self::UNIT * $width);
        $scaled = array_map(static fn (array $place): array => [$place[0] / $unit, $place[1] / $unit], $clear);

        return Models::of(new Way($scaled, true), self::NOISE, ['circle', 'ellipse']) !== null;
    }

    /**
     * Which two lines of a crossing are one that goes on.
     *
     * @param  list<array{int, bool, array{float, float, float, float}}>  $entering
     * @return array{array{int, bool}, array{int, bool}}|null
     */
    private static function through(array $entering): ?array
    {
        $best = null;
        $least = self::TURN;
        foreach ($entering as $k => [$a, $aOut, [, , $ax, $ay]]) {
            foreach (array_slice($entering, $k + 1) as [$b, $bOut, [, , $bx, $by]]) {
                $turn = abs(atan2($ay * $bx - $ax * $by, -$ax * $bx - $ay * $by));
                if ($turn < $least) {
                    [$least, $best] = [$turn, [[$a, $aOut], [$b, $bOut]]];
                }
            }
        }

        return $best;
    }

    /**
     * @param  list<array{chains: list<array{int, bool}>, closed: bool}>  $strands
     * @param  array<int, array{list<array{float, float}>, bool}>  $ways
     * @param  list<array{places: list<array{float, float}>, from: int|null, to: int|null, closed: bool}>  $lines
     * @param  array<int, array{float, float}>  $crossings
     * @param  list<array{float, float, float, float}>  $outline
     * @return array{list<Contour>, Cap}
     */
    private static function drawn(array $strands, array $ways, array $lines, array $crossings, array $outline, float $width): array
    {
        // Longer ones first: what ends on them ends where they were drawn.
        usort($strands, static fn (array $a, array $b): int => [$b['closed'], count($b['chains'])] <=> [$a['closed'], count($a['chains'])]);
        $contours = [];
        $round = 0;
        foreach ($strands as $strand) {
            $places = [];
            foreach ($strand['chains'] as [$i, $forward]) {
                array_push($places, ...self::clear($forward ? $ways[$i][0] : array_reverse($ways[$i][0]), $crossings, $width));
            }
            [$first, $forward] = $strand['chains'][0];
            [$last, $on] = $strand['chains'][count($strand['chains']) - 1];
            $ends = $strand['closed'] ? [] : [$lines[$first][$forward ? 'from' : 'to'], $lines[$last][$on ? 'to' : 'from']];
            foreach ($ends as $end) {
                if ($end !== null) {
                    array_unshift($places, self::onto($contours, $crossings[$end], $width));
                } elseif (count($places) > 1) {
                    [$at, $isRound] = self::end($places, $outline, $width);
                    array_unshift($places, $at);
                    $round += $isRound ? 1 : -1;
                }
                $places = array_reverse($places);
            }
            $contours[] = self::fitted($places, $strand['closed'], $width);
        }

        return [array_values(array_filter($contours)), $round > 0 ? Cap::Round : Cap::Butt];
    }

    /**
     * Places that no crossing has drawn to itself.
     *
     * @param  list<array{float, float}>  $places
     * @param  array<int, array{float, float}>  $crossings
     * @return list<array{float, float}>
     */
    private static function clear(array $places, array $crossings, float $width): array
    {
        return array_values(array_filter($places, static function (array $place) use ($crossings, $width): bool {
            foreach ($crossings as [$x, $y]) {
                if (hypot($place[0] - $x, $place[1] - $y) < self::DRAWN * $width) {
                    return false;
                }
            }

            return true;
        }));
    }

    /**
     * The place on what was drawn that is next to a crossing; the crossing itself where nothing was drawn through it.
     *
     * @param  list<Contour|null>  $contours
     * @param  array{float, float}  $crossing
     * @return array{float, float}
     */
    private static function onto(array $contours, array $crossing, float $width): array
    {
        $least = 0.6 * $width;
        $best = $crossing;
        foreach (array_filter($contours) as $contour) {
            foreach ($contour->closedSegments() as $segment) {
                for ($k = 0; $k <= 64; $k++) {
                    $place = Cubic::placeOn($segment, $k / 64);
                    $far = hypot($place[0] - $crossing[0], $place[1] - $crossing[1]);
                    if ($far < $least) {
                        [$least, $best] = [$far, $place];
                    }
                }
            }
        }

        return $best;
    }

    /**
     * @param  list<array{float, float}>  $places
     * @return array{float, float, float, float} where a line comes in, and how
     */
    private static function entering(array $places, float $width): array
    {
        $way = new Way($places, false);
        $told = $way->around(0, 0.3 * $width, 2.5 * $width + 3);
        [$x, $y, $dx, $dy] = Local::at(count($told) > 2 ? $told : $way->around(0, 0.0, INF));

        return [$x, $y, $dx, $dy];
    }

    /**
     * Dots of a thinned line moved to the mean of the balls' middles beside them; those without are left out.
     *
     * @param  list<array{float, float}>  $places
     * @param  array<int, list<array{float, float}>>  $near
     * @return list<array{float, float}>
     */
    private static function middled(array $places, array $near): array
    {
        $middled = [];
        foreach ($places as [$x, $y]) {
            $sx = $sy = 0.0;
            $count = 0;
            for ($u = (int) floor($x) - 2; $u <= (int) floor($x) + 2; $u++) {
                for ($v = (int) floor($y) - 2; $v <= (int) floor($y) + 2; $v++) {
                    foreach ($near[$u * 65536 + $v] ?? [] as [$px, $py]) {
                        if (($px - $x) ** 2 + ($py - $y) ** 2 < 4.0) {
                            $sx += $px;
                            $sy += $py;
                            $count++;
                        }
                    }
                }
            }
            if ($count > 0) {
                $middled[] = [$sx / $count, $sy / $count];
            }
        }

        return $middled;
    }

    /**
     * Where a line ends freely: the outline before it tells how far, and whether it ends round.
     *
     * @param  list<array{float, float}>  $places  from the end on
     * @param  list<array{float, float, float, float}>  $outline
     * @return array{array{float, float}, bool}
     */
    private static function end(array $places, array $outline, float $width): array
    {
        $way = new Way($places, false);
        $told = $way->around(0, 0.1 * $width, $width + 1);
        [$x, $y, $dx, $dy] = Local::at(count($told) > 2 ? $told : $way->around(0, 0.0, INF));
        [$dx, $dy] = [-$dx, -$dy];
        $middle = $side = 0.0;
        foreach ($outline as [$px, $py]) {
            [$u, $v] = [$px - $x, $py - $y];
            $ahead = $u * $dx + $v * $dy;
            $beside = abs($v * $dx - $u * $dy);
            if ($ahead < 0 || $ahead > 2.5 * $width) {
                continue;
            }
            if ($beside < 0.12 * $width + self::STEP) {
                $middle = $middle === 0.0 ? $ahead : min($middle, $ahead);
            } elseif ($beside > 0.3 * $width && $beside < 0.42 * $width) {
                $side = max($side, $ahead);
            }
        }
        $isRound = $middle - $side > 0.07 * $width;
        $by = $isRound ? max(0.0, $middle - $width / 2) : $middle;

        return [[$x + $by * $dx, $y + $by * $dy], $isRound];
    }

    /**
     * Whether the outline lies half of the width beside the lines, all along: else something of the region is in none of them, and it stays an outline.
     *
     * @param  list<Contour>  $contours
     * @param  list<array{float, float, float, float}>  $outline
     */
    private static function covers(array $contours, array $outline, float $width): bool
    {
        $cell = $width;
        $cells = [];
        $ends = [];
        foreach ($contours as $contour) {
            if (! $contour->closed) {
                $last = count($contour->coords);
                array_push($ends, [$contour->coords[0], $contour->coords[1]], [$contour->coords[$last - 2], $contour->coords[$last - 1]]);
            }
            foreach ($contour->closedSegments() as $segment) {
                for ($k = 0, $steps = max(2, (int) ceil(6 * Cubic::length($segment) / $width)); $k <= $steps; $k++) {
                    [$x, $y] = Cubic::placeOn($segment, $k / $steps);
                    $cells[(int) floor($x / $cell) * 65536 + (int) floor($y / $cell)][] = [$x, $y];
                }
            }
        }
        $off = 0;
        foreach ($outline as [$x, $y]) {
            $least = INF;
            for ($u = (int) floor($x / $cell) - 1; $u <= (int) floor($x / $cell) + 1; $u++) {
                for ($v = (int) floor($y / $cell) - 1; $v <= (int) floor($y / $cell) + 1; $v++) {
                    foreach ($cells[$u * 65536 + $v] ?? [] as [$px, $py]) {
                        $least = min($least, ($px - $x) ** 2 + ($py - $y) ** 2);
                    }
                }
            }
            if (abs(sqrt($least) - $width / 2) <= self::BESIDE * $width) {
                continue;
            }
            // A blunt end lies across, its corners farther off by the root of two.
            $atEnd = array_filter($ends, static fn (array $end): bool => hypot($end[0] - $x, $end[1] - $y) < 0.75 * $width);
            $off += $atEnd === [] ? 1 : 0;
        }

        return $off <= self::LOST * count($outline);
    }

    /** @param  list<array{float, float}>  $places */
    private static function fitted(array $places, bool $closed, float $width): ?Contour
    {
        if (count($places) < 2) {
            return null;
        }
        $unit = max(1.0, self::UNIT * $width);
        $scaled = array_map(static fn (array $place): array => [$place[0] / $unit, $place[1] / $unit], $places);
        $border = new Border(new Way($scaled, $closed), self::NOISE, max(1.0, min(2.5, $unit / 2)), $closed ? ['circle', 'ellipse', 'rectangle'] : []);
        $segments = array_map(static fn (array $s): array => array_map(static fn (float $one): float => $one * $unit, $s), $border->segments);

        return $segments === [] ? null : Contour::ofSegments($segments, $closed);
    }
}
