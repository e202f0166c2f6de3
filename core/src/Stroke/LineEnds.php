<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** Points and tails at the ends of open lines: how they are shaped, and the line that is left between them. */
final readonly class LineEnds
{
    /** Least and greatest size, in widths of the line: smaller, a point would not cover the line that ends in it. */
    public const LEAST = 2.0;

    public const MOST = 20.0;

    /** Of the length of a line, what one end takes at most. */
    private const SHARE = 0.45;

    /** @param  float  $size  length and breadth, in widths of the line */
    public function __construct(public EndKind $start, public EndKind $finish, public float $size = 4.0)
    {
    }

    public function isNone(): bool
    {
        return $this->start === EndKind::Plain && $this->finish === EndKind::Plain;
    }

    /**
     * @param  list<Contour>  $contours  of which the closed ones stay as they are: they have no ends
     * @param  float  $width  mm, of the line
     * @return array{list<Contour>, list<Shape>} the lines between the ends, and the ends
     */
    public function laid(array $contours, float $width): array
    {
        $lines = $ends = [];
        foreach ($contours as $contour) {
            $segments = $contour->closed ? [] : $contour->segments();
            $long = array_sum(array_map(Cubic::length(...), $segments));
            if ($segments === [] || $long <= 1e-9) {
                $lines[] = $contour;

                continue;
            }
            $size = min($this->size * $width, self::SHARE * $long);
            // Of a line that is too short for its ends they are as small as it asks, and what they are shaped after as thin.
            $thick = min($width, $size / self::LEAST);
            $from = $this->start->under($size, $thick);
            $to = $this->finish->under($size, $thick);
            foreach ([[$this->start, true, $from], [$this->finish, false, $to]] as [$kind, $first, $back]) {
                if ($kind !== EndKind::Plain) {
                    [$x, $y, $dx, $dy] = self::end($segments, $first, $back);
                    $ends[] = self::shape($kind, $size, $thick)->transformed(new Matrix($dx, $dy, -$dy, $dx, $x, $y));
                }
            }
            $lines[] = Contour::ofSegments(self::between($segments, $from, $long - $to), false);
        }

        return [$lines, $ends];
    }

    /**
     * @param  non-empty-list<list<float>>  $segments
     * @param  float  $back  mm along the line from its end: the end points from there, so that it does not turn with the last hair of a curve
     * @return array{float, float, float, float} where the line ends, and which way is outwards
     */
    private static function end(array $segments, bool $first, float $back): array
    {
        $way = $first ? array_map(Cubic::reversed(...), array_reverse($segments)) : $segments;
        $last = $way[count($way) - 1];
        [$x, $y] = [$last[6], $last[7]];
        $long = array_sum(array_map(Cubic::length(...), $way));
        $rest = self::between($way, 0.0, max(0.0, $long - max($back, 1e-6 * $long)));
        $from = $rest === [] ? [$way[0][0], $way[0][1]] : [$rest[count($rest) - 1][6], $rest[count($rest) - 1][7]];
        $far = hypot($x - $from[0], $y - $from[1]);

        return $far < 1e-12 ? [$x, $y, 1.0, 0.0] : [$x, $y, ($x - $from[0]) / $far, ($y - $from[1]) / $far];
    }

    /**
     * @param  list<list<float>>  $segments
     * @return list<list<float>> what lies between two lengths along the line, mm
     */
    private static function between(array $segments, float $from, float $to): array
    {
        $kept = [];
        $walked = 0.0;
        foreach ($segments as $s) {
            $length = Cubic::length($s);
            $a = Cubic::parameterAt($s, $length, $from - $walked);
            $b = Cubic::parameterAt($s, $length, $to - $walked);
            if ($b > $a) {
                $kept[] = $a <= 0.0 && $b >= 1.0 ? $s : Cubic::part($s, $a, $b);
            }
            $walked += $length;
        }

        return $kept;
    }

    /**
     * An end that lies along the x axis, its outermost place at the origin, outwards to the right.
     *
     * @param  float  $size  mm, its length and breadth
     * @param  float  $width  mm, of the line
     */
    private static function shape(EndKind $kind, float $size, float $width): Shape
    {
        $half = $size / 2;

        return Shape::of(match ($kind) {
            EndKind::Plain, EndKind::Point => Contour::polygon([[0.0, 0.0], [-$size, $half], [-$size, -$half]]),
            EndKind::Barb => Contour::polygon([[0.0, 0.0], [-$size, $half], [-0.7 * $size, 0.0], [-$size, -$half]]),
            EndKind::Disc => Contour::circle(-$half, 0.0, $half),
            EndKind::Bar => Contour::polygon([[0.0, -$half], [0.0, $half], [-$width, $half], [-$width, -$half]]),
            EndKind::Tail => Contour::polygon([
                [-$size, $width / 2], [-0.55 * $size, $half], [0.0, $half], [-0.45 * $size, 0.0], [0.0, -$half], [-0.55 * $size, -$half], [-$size, -$width / 2],
            ]),
        });
    }
}
