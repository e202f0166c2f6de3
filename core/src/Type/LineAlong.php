<?php

declare(strict_types=1);

namespace NeatEdge\Core\Type;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;

/** A line that type stands on: places and directions by the length walked along it. */
final class LineAlong
{
    private const PARTS = 48;

    /** @var list<array{float, float, float, float, float}> length walked, x, y, direction x and y */
    private array $stops = [];

    public readonly float $length;

    public readonly bool $closed;

    /** @param  list<Contour>  $contours  walked one after the other */
    public function __construct(array $contours)
    {
        $walked = 0.0;
        foreach ($contours as $contour) {
            foreach ($contour->segments() as $s) {
                $parts = Cubic::isLine($s) ? 1 : self::PARTS;
                [$x, $y] = [$s[0], $s[1]];
                for ($i = 0; $i <= $parts; $i++) {
                    $t = $i / $parts;
                    $u = 1 - $t;
                    $px = $u * $u * $u * $s[0] + 3 * $u * $u * $t * $s[2] + 3 * $u * $t * $t * $s[4] + $t * $t * $t * $s[6];
                    $py = $u * $u * $u * $s[1] + 3 * $u * $u * $t * $s[3] + 3 * $u * $t * $t * $s[5] + $t * $t * $t * $s[7];
                    $dx = $u * $u * ($s[2] - $s[0]) + 2 * $u * $t * ($s[4] - $s[2]) + $t * $t * ($s[6] - $s[4]);
                    $dy = $u * $u * ($s[3] - $s[1]) + 2 * $u * $t * ($s[5] - $s[3]) + $t * $t * ($s[7] - $s[5]);
                    $walked += hypot($px - $x, $py - $y);
                    $long = hypot($dx, $dy);
                    if ($long < 1e-12) {
                        [$dx, $dy] = [$s[6] - $s[0], $s[7] - $s[1]];
                        $long = hypot($dx, $dy);
                    }
                    if ($long > 1e-12) {
                        $this->stops[] = [$walked, $px, $py, $dx / $long, $dy / $long];
                    }
                    [$x, $y] = [$px, $py];
                }
            }
        }
        $this->length = $walked;
        $this->closed = count($contours) === 1 && $contours[0]->closed;
    }

    /** @return array{float, float, float, float}|null x, y and the direction as a unit vector; null beyond its ends */
    public function at(float $length): ?array
    {
        if ($this->stops === [] || $length < 0 || $length > $this->length) {
            return null;
        }
        $low = 0;
        $high = count($this->stops) - 1;
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            $this->stops[$middle][0] < $length ? $low = $middle + 1 : $high = $middle;
        }
        $b = $this->stops[$low];
        $a = $this->stops[max(0, $low - 1)];
        $span = $b[0] - $a[0];
        $share = $span > 1e-12 ? ($length - $a[0]) / $span : 1.0;
        $dx = $a[3] + $share * ($b[3] - $a[3]);
        $dy = $a[4] + $share * ($b[4] - $a[4]);
        $long = hypot($dx, $dy);
        if ($long < 1e-9) {
            [$dx, $dy, $long] = [$b[3], $b[4], 1.0];
        }

        return [$a[1] + $share * ($b[1] - $a[1]), $a[2] + $share * ($b[2] - $a[2]), $dx / $long, $dy / $long];
    }
}
