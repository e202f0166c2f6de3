<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Crossings;
use NeatEdge\Core\Geometry\LinePlace;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\AnyOwner;
use NeatEdge\Core\Seen\StrokeRegion;
use NeatEdge\Core\Stroke\OffsetCurve;

/** The strands of some pieces, their crossings in order along each, and which goes over which. */
final readonly class Weaving
{
    /**
     * @param  list<Strand>  $strands
     * @param  list<StrandCrossing>  $crossings
     */
    private function __construct(public array $strands, public array $crossings)
    {
    }

    /** @param  list<Piece>  $pieces  the lowest first */
    public static function of(array $pieces, Artwork $artwork): self
    {
        $strands = [];
        $whole = 0;
        foreach ($pieces as $piece) {
            if ($piece->fill !== null || $piece->stroke === null) {
                $area = PlanarMap::of([Outlined::whole($piece, $artwork)], $artwork->tolerance())->region(new AnyOwner);
                foreach ($area->isEmpty() ? [] : Parts::of($area) as $part) {
                    $strands[] = new Strand($piece, $whole++, 0, $part->contours[0], $part, false);
                }

                continue;
            }
            foreach ($piece->shape->contours as $line) {
                foreach (self::stretches($line) as $k => $stretch) {
                    $strands[] = new Strand($piece, $whole, $k, $stretch, StrokeRegion::of(Shape::of($stretch), $piece->stroke, $artwork->tolerance()), true);
                }
                $whole++;
            }
        }

        return new self($strands, self::found($strands, $artwork));
    }

    /**
     * A line that crosses itself in stretches, each about one of its crossings: from half way to the one before to half way to the one after.
     *
     * @return list<Contour>
     */
    private static function stretches(Contour $line): array
    {
        $places = [];
        foreach (Crossings::on(0, [$line]) as $crossing) {
            $places[] = $crossing->g;
        }
        $n = count($line->closedSegments());
        if (count($places) < 2) {
            return [$line];
        }
        sort($places);
        $cuts = [];
        foreach ($places as $i => $g) {
            if (isset($places[$i + 1])) {
                $cuts[] = ($g + $places[$i + 1]) / 2;
            }
        }
        if ($line->closed) {
            $over = ($places[count($places) - 1] + $places[0] + $n) / 2;
            $cuts[] = $over > $n ? $over - $n : $over;
            sort($cuts);
        }
        $stretches = [];
        foreach ($line->closed ? $cuts : [0.0, ...$cuts] as $i => $from) {
            $stretch = LinePlace::between($line, $from, $line->closed ? $cuts[($i + 1) % count($cuts)] : $cuts[$i] ?? (float) $n);
            if ($stretch !== null) {
                $stretches[] = $stretch;
            }
        }

        return $stretches;
    }

    /**
     * @param  list<Strand>  $strands
     * @return list<StrandCrossing>
     */
    private static function found(array $strands, Artwork $artwork): array
    {
        $boxes = array_map(static fn (Strand $strand) => $strand->area->box(), $strands);
        $counts = array_count_values(array_map(static fn (Strand $strand): int => $strand->whole, $strands));
        $strandCrossings = [];
        foreach ($strands as $a => $one) {
            for ($b = $a + 1, $n = count($strands); $b < $n; $b++) {
                $other = $strands[$b];
                if ($boxes[$a] === null || $boxes[$b] === null || ! $boxes[$a]->overlaps($boxes[$b])) {
                    continue;
                }
                // Stretches that follow one another only share their ends.
                $apart = abs($one->place - $other->place);
                if ($one->whole === $other->whole && min($apart, $counts[$one->whole] - $apart) < 2 && ! self::cross($one->line, $other->line)) {
                    continue;
                }
                foreach (Parts::of(Combine::keepOverlap([$one->area, $other->area], $artwork->tolerance())) as $part) {
                    [$x, $y, $radius] = Inscribed::in($part, 0.05);
                    if ($radius > 0.0 && ($one->whole !== $other->whole || ! self::isJoint($one, $other, $x, $y))) {
                        $strandCrossings[] = new StrandCrossing($a, $b, $x, $y, $part);
                    }
                }
            }
        }

        return $strandCrossings;
    }

    private static function cross(Contour $a, Contour $b): bool
    {
        foreach (Crossings::of([$a, $b]) as $crossing) {
            $n = (float) $a->segmentCount();
            $m = (float) $b->segmentCount();
            if ($crossing->a !== $crossing->b && $crossing->g > 1e-6 && $crossing->g < $n - 1e-6 && $crossing->h > 1e-6 && $crossing->h < $m - 1e-6) {
                return true;
            }
        }

        return false;
    }

    /** Whether stretches of one line meet there only because one begins where the other ends. */
    private static function isJoint(Strand $a, Strand $b, float $x, float $y): bool
    {
        $near = static function (Contour $line) use ($x, $y): bool {
            foreach ([false, true] as $atEnd) {
                [$ex, $ey] = LooseEnds::end($line, $atEnd);
                if (hypot($ex - $x, $ey - $y) < 1e-3) {
                    return true;
                }
            }

            return false;
        };

        return $near($a->line) && $near($b->line);
    }

    /**
     * Whether the lower-numbered strand goes over, by crossing: alternating along each line, or as the pieces lie.
     *
     * @param  bool  $over  whether the first strand goes over at its first crossing
     * @return list<bool>
     */
    public function states(string $pattern, bool $over): array
    {
        if ($pattern !== 'alternate') {
            return array_fill(0, count($this->crossings), $pattern === 'lower');
        }
        /** @var array<int, list<array{int, bool}>> $next other crossing, and whether the states are alike */
        $next = [];
        foreach ($this->visits() as $row) {
            $n = count($row['at']);
            for ($i = 0; $i < ($row['closed'] && $n > 2 ? $n : $n - 1); $i++) {
                [$c, $first] = $row['at'][$i];
                [$d, $second] = $row['at'][($i + 1) % $n];
                // Over at the one and under at the next: alike where the strand is first in one and second in the other.
                $alike = $first !== $second;
                $next[$c][] = [$d, $alike];
                $next[$d][] = [$c, $alike];
            }
        }
        $states = [];
        foreach (array_keys($this->crossings) as $start) {
            if (isset($states[$start])) {
                continue;
            }
            $states[$start] = $over;
            $row = [$start];
            while ($row !== []) {
                $c = array_shift($row);
                foreach ($next[$c] ?? [] as [$d, $alike]) {
                    if (! isset($states[$d])) {
                        $states[$d] = $alike ? $states[$c] : ! $states[$c];
                        $row[] = $d;
                    }
                }
            }
        }
        ksort($states);

        return array_values($states);
    }

    /**
     * @return array<int, array{closed: bool, at: list<array{int, bool}>}> by whole line: its crossings in order, each with whether it is the first strand
     *     there
     */
    private function visits(): array
    {
        $at = $closed = [];
        foreach ($this->crossings as $c => $crossing) {
            foreach ([[$crossing->a, true], [$crossing->b, false]] as [$k, $first]) {
                $strand = $this->strands[$k];
                [$g] = LinePlace::nearest($strand->line, $crossing->x, $crossing->y);
                $at[$strand->whole][] = [$strand->place, $g, $c, $first];
                $closed[$strand->whole] = ($closed[$strand->whole] ?? false) || $strand->line->closed;
            }
        }
        $visits = [];
        foreach ($at as $whole => $row) {
            sort($row);
            $visits[$whole] = ['closed' => $closed[$whole], 'at' => array_map(static fn (array $one): array => [$one[2], $one[3]], $row)];
        }

        return $visits;
    }

    /** The crossing nearest to a place. */
    public function nearest(float $x, float $y): ?int
    {
        $best = null;
        $least = INF;
        foreach ($this->crossings as $c => $crossing) {
            $far = hypot($crossing->x - $x, $crossing->y - $y);
            if ($far < $least) {
                [$best, $least] = [$c, $far];
            }
        }

        return $best;
    }

    /** What is wrong at a crossing, in a sentence; null where nothing is. */
    public function fault(int $c): ?string
    {
        $crossing = $this->crossings[$c];
        foreach ($this->strands as $k => $strand) {
            if ($k !== $crossing->a && $k !== $crossing->b
                && $strand->whole !== $this->strands[$crossing->a]->whole
                && $strand->whole !== $this->strands[$crossing->b]->whole
                && Inscribed::holds($strand->area, $crossing->x, $crossing->y)) {
                return 'Three strands pass through one place; move one aside.';
            }
        }
        $a = $this->strands[$crossing->a];
        $b = $this->strands[$crossing->b];
        if ($a->stroked && $b->stroked) {
            foreach (Crossings::of([$a->line, $b->line]) as $meet) {
                if ($meet->a !== $meet->b && hypot(
                    $meet->x - $crossing->x,
                    $meet->y - $crossing->y,
                ) < sqrt(abs($crossing->part->area()) + 1e-9) * 2 && self::angle($a->line, $meet->g, $b->line, $meet->h) < 10.0) {
                    return 'The strands run along one another at less than 10 degrees; a gap would be cut far along.';
                }
            }
        }

        return null;
    }

    private static function angle(Contour $a, float $g, Contour $b, float $h): float
    {
        $way = static function (Contour $line, float $g): array {
            $segments = $line->closedSegments();
            $i = min(count($segments) - 1, (int) floor($g));

            return OffsetCurve::tangent($segments[$i], $g - $i);
        };
        [$px, $py] = $way($a, $g);
        [$qx, $qy] = $way($b, $h);

        return rad2deg(asin(min(1.0, abs($px * $qy - $py * $qx))));
    }
}
