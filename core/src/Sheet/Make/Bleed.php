<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\LinePlace;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\Offset;
use NeatEdge\Core\Stroke\Outliner;
use NeatEdge\Core\Stroke\StrokeStyle;

/**
 * Print beyond the cut: along it goes on, straight out, what stands right inside it. The cut is followed point by point, not piece by piece, so that a dark rim
 * bleeds dark though the disc within it is green; where two colours meet at the cut each has its own side.
 */
final class Bleed
{
    /** mm inside the cut at which is looked what stands there. */
    private const INSIDE = 0.06;

    /** mm between places that are looked at. */
    private const STEP = 0.4;

    /** mm to which the place is found at which one colour ends. */
    private const CLOSE = 0.005;

    /** mm under which a stretch of another colour is no stretch of its own. */
    private const LEAST = 0.1;

    /**
     * Shares of the width, the whole first: what is nearer to the cut lies above, so that in a hollow, where two stretches face each other, each has the
     * side that it is
     * nearer to.
     */
    private const BANDS = [1.0, 0.7, 0.45, 0.25, 0.12];

    /** mm that the bleed lies under the print at the cut, so that no light shows between. */
    private const UNDER = 0.05;

    /** Opacity from which on a colour, and not what shines through it, is what stands at the cut. */
    private const SOLID = 0.5;

    /** @var list<array{Piece, Inside}> the uppermost first */
    private array $pieces = [];

    private Inside $border;

    /**
     * @param  list<Piece>  $pieces  as they are printed, the lowest first
     * @param  float  $deep  mm inside the cut up to which is looked
     */
    private function __construct(array $pieces, private readonly Shape $cut, private readonly float $deep)
    {
        foreach (array_reverse($pieces) as $piece) {
            if ($piece->fill !== null && ! $piece->shape->isEmpty()) {
                $this->pieces[] = [$piece, new Inside($piece->shape)];
            }
        }
        $this->border = new Inside($cut);
    }

    /**
     * @param  list<Piece>  $pieces
     * @param  Shape  $cut  the border
     * @param  float  $width  mm
     * @param  float  $hollow  mm that the cut may leave the art where it was rounded: there it goes on too; nought where a bare border is meant
     * @return list<Piece> what is printed under all that is there
     */
    public static function of(array $pieces, Shape $cut, float $width, Tolerance $tolerance, float $hollow = 0.0): array
    {
        if ($width <= 0 || $cut->isEmpty()) {
            return [];
        }
        $self = new self($pieces, $cut, max(self::INSIDE, $hollow));
        $outside = Combine::cutAway(
            Offset::outset($cut, $width, 'round', $tolerance),
            [Offset::inset($cut, max(self::UNDER, $hollow), 'round', $tolerance)],
            $tolerance,
        );
        $stretches = $self->stretches();
        $bled = [];
        foreach (count($stretches) > 1 ? self::BANDS : [1.0] as $band) {
            // Round ends fill the corners between two stretches; on them lies what goes straight out and ends where its stretch does.
            foreach (count($stretches) > 1 ? [Cap::Round, Cap::Butt] : [Cap::Butt] as $cap) {
                foreach ($stretches as [$line, $piece]) {
                    $strip = Combine::keepOverlap(
                        [Outliner::outline([$line], new StrokeStyle(2 * $width * $band, $cap, Join::Round), $tolerance), $outside],
                        $tolerance,
                    );
                    if (! $strip->isEmpty()) {
                        $bled[] = new Piece("{$piece->id}-bleed-".count($bled), $strip, self::solid($piece->fill), null, $piece->name);
                    }
                }
            }
        }

        return $bled;
    }

    private static function solid(?Paint $paint): ?Paint
    {
        return $paint?->gradient === null && $paint?->picture === null && $paint !== null ? new Paint($paint->colour) : $paint;
    }

    /** @return list<array{Contour, Piece}> stretches of the cut with what stands right inside them; where nothing does, none */
    private function stretches(): array
    {
        $stretches = [];
        foreach ($this->cut->contours as $contour) {
            $line = new Contour($contour->coords, true);
            foreach ($this->parts($line) as [$from, $to, $piece]) {
                $whole = $to - $from >= count($line->closedSegments()) - 1e-9;
                $stretch = $whole ? $line : LinePlace::between($line, self::round($from, $line), self::round($to, $line));
                if ($piece !== null && $stretch !== null) {
                    $stretches[] = [$stretch, $piece];
                }
            }
        }

        return $stretches;
    }

    private static function round(float $g, Contour $line): float
    {
        return fmod($g, (float) count($line->closedSegments()));
    }

    /** @return list<array{float, float, Piece|null}> from and to as segment + t, over the start where the second is larger than there are segments */
    private function parts(Contour $line): array
    {
        $segments = $line->closedSegments();
        $places = [];
        foreach ($segments as $i => $s) {
            $long = max(1e-9, Cubic::length($s));
            for ($k = 0, $n = max(2, (int) ceil($long / self::STEP)); $k < $n; $k++) {
                $g = $i + ($k + 0.5) / $n;
                $places[] = [$g, $this->at($segments, $g), $long / $n];
            }
        }
        $count = count($places);
        $ends = [];
        for ($k = 0; $k < $count; $k++) {
            [$g, $piece] = $places[$k];
            [$next, $other] = $places[($k + 1) % $count];
            if (! self::same($piece, $other)) {
                $ends[] = [$this->change($segments, $g, $k + 1 < $count ? $next : $next + count($segments), $piece), $other];
            }
        }
        if ($ends === []) {
            return $count === 0 ? [] : [[0.0, (float) count($segments), $places[0][1]]];
        }
        $stretches = [];
        foreach ($ends as $k => [$from, $piece]) {
            $to = $ends[$k + 1][0] ?? $ends[0][0] + count($segments);
            $stretches[] = [$from, $to, $piece];
        }

        return $this->joined($stretches, $segments);
    }

    /**
     * Stretches that are too short to be seen go to the one before.
     *
     * @param  non-empty-list<array{float, float, Piece|null}>  $parts
     * @param  list<list<float>>  $segments
     * @return list<array{float, float, Piece|null}>
     */
    private function joined(array $parts, array $segments): array
    {
        /** @var list<array{float, float, Piece|null}> $joined */
        $joined = [];
        foreach ($parts as $part) {
            $before = array_pop($joined);
            if ($before !== null && (self::same($before[2], $part[2]) || $this->length($segments, $part[0], $part[1]) < self::LEAST)) {
                $joined[] = [$before[0], $part[1], $before[2]];

                continue;
            }
            array_push($joined, ...($before === null ? [] : [$before]), ...[$part]);
        }
        $first = $joined[0];
        $last = $joined[count($joined) - 1];
        if (count($joined) > 1 && self::same($first[2], $last[2])) {
            $joined = [...array_slice($joined, 1, -1), [$last[0], $first[1] + count($segments), $last[2]]];
        }

        return count($joined) === 1 ? [[0.0, (float) count($segments), $joined[0][2]]] : $joined;
    }

    /** @param  list<list<float>>  $segments */
    private function length(array $segments, float $from, float $to): float
    {
        $sum = 0.0;
        for ($g = $from; $g < $to - 1e-9; $g = min($to, floor($g + 1e-9) + 1)) {
            $end = min($to, floor($g + 1e-9) + 1);
            $i = (int) floor($g + 1e-9) % count($segments);
            $sum += Cubic::length(Cubic::part($segments[$i], max(0.0, $g - floor($g + 1e-9)), min(1.0, $end - floor($g + 1e-9))));
        }

        return $sum;
    }

    private static function same(?Piece $a, ?Piece $b): bool
    {
        return $a === $b || $a?->fill?->key() === $b?->fill?->key();
    }

    /**
     * Where on the way from one place to another what stands inside the cut is another.
     *
     * @param  list<list<float>>  $segments
     */
    private function change(array $segments, float $from, float $to, ?Piece $piece): float
    {
        for ($k = 0; $k < 30 && ($to - $from) * self::STEP > self::CLOSE / 8; $k++) {
            $middle = ($from + $to) / 2;
            self::same($this->at($segments, $middle), $piece) ? $from = $middle : $to = $middle;
        }

        return ($from + $to) / 2;
    }

    /**
     * What stands right inside the cut at a place: the uppermost piece that one cannot see through.
     *
     * @param  list<list<float>>  $segments
     */
    private function at(array $segments, float $g): ?Piece
    {
        $i = (int) floor($g) % count($segments);
        [$x, $y] = Cubic::placeOn($segments[$i], $g - floor($g));
        [$dx, $dy] = Cubic::speedOn($segments[$i], $g - floor($g));
        $long = max(1e-12, hypot($dx, $dy));
        [$nx, $ny] = [-$dy / $long, $dx / $long];
        $side = $this->border->holds($x + self::INSIDE * $nx, $y + self::INSIDE * $ny) ? 1 : -1;
        for ($deep = self::INSIDE; ; $deep = min($this->deep, 2 * $deep)) {
            foreach ($this->pieces as [$piece, $inside]) {
                $paint = $piece->fill;
                if ($paint !== null && (! $paint->isFlatColour() || $paint->opacity > self::SOLID) && $inside->holds(
                    $x + $side * $deep * $nx,
                    $y + $side * $deep * $ny,
                )) {
                    return $piece;
                }
            }
            if ($deep >= $this->deep) {
                return null;
            }
        }
    }
}
