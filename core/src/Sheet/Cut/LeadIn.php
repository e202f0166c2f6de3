<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inside;

/** A closed cut begins in the waste and comes in along its own direction: the blade is down and turned before it reaches the piece. */
final class LeadIn
{
    /** Degrees from straight behind the start; the first that lies in waste is taken. */
    private const ANGLES = [0.0, 15.0, -15.0, 30.0, -30.0, 50.0, -50.0, 75.0, -75.0];

    /** mm under which a way in is of no use. */
    private const LEAST = 0.3;

    /** mm between places that are looked at. */
    private const STEP = 0.1;

    private readonly Inside $kept;

    /**
     * @param  list<Shape>  $pieces  what is kept, as it lies
     * @param  float  $by  mm; none when nought
     */
    public function __construct(array $pieces, private readonly float $by)
    {
        $this->kept = new Inside(new Shape($by > 0 ? array_merge(...array_map(static fn (Shape $piece): array => $piece->contours, $pieces)) : []));
    }

    /**
     * @param  list<Contour>  $lines  in order
     * @return list<Contour> the same; those that could be led in are open, with one straight way before their start
     */
    public function before(array $lines): array
    {
        return $this->by <= 0 ? $lines : array_map($this->led(...), $lines);
    }

    private function led(Contour $line): Contour
    {
        if (! $line->closed) {
            return $line;
        }
        $segments = $line->closedSegments();
        [$x, $y] = [$segments[0][0], $segments[0][1]];
        [$hx, $hy] = StartPoints::heading($segments[0]);
        $heading = atan2(-$hy, -$hx);
        for ($by = $this->by; $by >= min($this->by, self::LEAST); $by /= 2) {
            foreach (self::ANGLES as $angle) {
                $to = $heading + deg2rad($angle);
                [$ax, $ay] = [$x + $by * cos($to), $y + $by * sin($to)];
                if ($this->isWaste($x, $y, $ax, $ay, $by)) {
                    return Contour::ofSegments(
                        [[$ax, $ay, $ax + ($x - $ax) / 3, $ay + ($y - $ay) / 3, $x - ($x - $ax) / 3, $y - ($y - $ay) / 3, $x, $y], ...$segments],
                        false,
                    );
                }
            }
        }

        return $line;
    }

    private function isWaste(float $x, float $y, float $ax, float $ay, float $by): bool
    {
        for ($k = 1, $n = max(3, (int) ceil($by / self::STEP)); $k <= $n; $k++) {
            if ($this->kept->holds($x + ($ax - $x) * $k / $n, $y + ($ay - $y) * $k / $n)) {
                return false;
            }
        }

        return true;
    }
}
