<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;

/**
 * Asks at places along each stroke, a little inside both its sides, whether its region covers them: what the outliner lost is found without the
 * outliner. Only even strokes are asked; each place stands for the stretch about it.
 */
final class StrokeProbe
{
    /** Places along one piece, on each side. */
    private const PLACES = 12;

    /** How far off the line, of the width: inside by more than what fitting an outline may move it. */
    private const OFF = 0.42;

    /** How far a chord may lie off the region's outline, of the width: less than what is left outside the places that are asked. */
    private const FLAT = 0.02;

    private const MOST_CHORDS = 400;

    /** mm; thinner lines are not asked. */
    private const THINNEST = 0.01;

    /** @return float mm² that strokes should cover and their regions do not */
    public static function missed(Artwork $artwork): float
    {
        $sum = 0.0;
        foreach ($artwork->pieces as $piece) {
            if ($piece->stroke !== null && ! $piece->stroke->cut) {
                $sum += self::missedBy($piece, Painted::region($piece, $artwork->tolerance()));
            }
        }

        return $sum;
    }

    /** @return float mm² that the stroke of a piece should cover and a region does not */
    public static function missedBy(Piece $piece, Shape $region): float
    {
        $stroke = $piece->stroke;
        if ($stroke === null || $stroke->isOwnKind() || $stroke->style->width * ($stroke->pen?->meanScale() ?? 1.0) <= self::THINNEST) {
            return 0.0;
        }
        $pen = $stroke->pen;
        $line = $pen === null ? $piece->shape : $piece->shape->transformed($pen->inverse());
        $scale = $pen === null ? 1.0 : abs($pen->determinant());
        $places = self::places($line, $stroke);
        if ($places === []) {
            return 0.0;
        }
        $ring = self::flattened(
            $region,
            self::FLAT * $stroke->style->width * ($pen === null ? 1.0 : abs($pen->determinant()) / max(1e-12, $pen->greatestScale())),
        );
        $missed = 0.0;
        foreach ($places as [$x, $y, $area]) {
            if ($pen !== null) {
                $at = $pen->apply($x, $y);
                [$x, $y] = [$at->x, $at->y];
            }
            if (self::winding($ring, $x, $y) === 0) {
                $missed += $area * $scale;
            }
        }

        return $missed;
    }

    /** @return list<array{float, float, float}> x, y and the area that the place stands for, in the space of the pen */
    private static function places(Shape $line, Stroke $stroke): array
    {
        $width = $stroke->style->width;
        $count = 0;
        foreach ($line->contours as $contour) {
            $count += $contour->segmentCount();
        }
        // Every how manyth segment is asked, and at how many places.
        $step = max(1, (int) ceil($count / self::PLACES));
        $each = max(1, intdiv(self::PLACES, max(1, $count)));
        $places = [];
        foreach ($line->contours as $contour) {
            $along = 0.0;
            foreach ($contour->segments() as $i => $s) {
                $length = Cubic::length($s);
                if ($i % $step === 0 && $length > 0.02 * $width) {
                    for ($k = 0; $k < $each; $k++) {
                        $t = ($k + 0.5) / $each;
                        [$dx, $dy] = Cubic::speedOn($s, $t);
                        $speed = hypot($dx, $dy);
                        if ($speed < 1e-9 || ! self::isOn($stroke, $along + Cubic::length($s, 0.0, $t))) {
                            continue;
                        }
                        [$x, $y] = Cubic::placeOn($s, $t);
                        $off = self::OFF * $width / $speed;
                        $area = $length * $step / $each * $width / 2;
                        array_push($places, [$x - $dy * $off, $y + $dx * $off, $area], [$x + $dy * $off, $y - $dx * $off, $area]);
                    }
                }
                $along += $length;
            }
        }

        return $places;
    }

    /** Whether a dash lies there for certain; a line without dashes is one. */
    private static function isOn(Stroke $stroke, float $along): bool
    {
        $dashes = $stroke->style->dashes;
        $period = array_sum($dashes);
        if ($dashes === [] || $period <= 0) {
            return true;
        }
        if (count($dashes) % 2 === 1) {
            $dashes = [...$dashes, ...$dashes];
            $period *= 2;
        }
        $at = fmod($along + $stroke->style->dashOffset, $period);
        $at = $at < 0 ? $at + $period : $at;
        foreach ($dashes as $i => $length) {
            if ($at < $length) {
                return $i % 2 === 0 && $at > 0.1 * $length && $at < 0.9 * $length;
            }
            $at -= $length;
        }

        return false;
    }

    /**
     * @param  float  $tolerance  mm by which a chord may lie off its curve
     * @return list<array{float, float, float, float}> edges
     */
    private static function flattened(Shape $shape, float $tolerance): array
    {
        $edges = [];
        foreach ($shape->contours as $contour) {
            $c = $contour->coords;
            [$x, $y] = [$c[0], $c[1]];
            foreach ($contour->segments() as $s) {
                $bend = max(hypot($s[0] - 2 * $s[2] + $s[4], $s[1] - 2 * $s[3] + $s[5]), hypot($s[2] - 2 * $s[4] + $s[6], $s[3] - 2 * $s[5] + $s[7]));
                for ($k = 1, $n = Cubic::isLine($s) ? 1 : min(self::MOST_CHORDS, 1 + (int) sqrt(0.75 * $bend / $tolerance)); $k <= $n; $k++) {
                    [$to, $down] = Cubic::placeOn($s, $k / $n);
                    $edges[] = [$x, $y, $to, $down];
                    [$x, $y] = [$to, $down];
                }
            }
            $edges[] = [$x, $y, $c[0], $c[1]];
        }

        return $edges;
    }

    /** @param  list<array{float, float, float, float}>  $edges */
    private static function winding(array $edges, float $x, float $y): int
    {
        $winding = 0;
        foreach ($edges as [$ax, $ay, $bx, $by]) {
            if (($ay <= $y) !== ($by <= $y) && ($bx - $ax) * ($y - $ay) / ($by - $ay) + $ax > $x) {
                $winding += $by > $ay ? 1 : -1;
            }
        }

        return $winding;
    }
}
