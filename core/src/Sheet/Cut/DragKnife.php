<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Polyline;

/**
 * The way of the axis of a drag knife. The tip follows the axis by an offset: along a run the axis goes ahead of the tip by it, at a corner it swivels round
 * the corner until the tip looks the new way.
 */
final class DragKnife
{
    /** mm that chords leave curves by. */
    private const FLAT = 0.01;

    /** Degrees between two chords of a swivel. */
    private const STEP = 12.0;

    /** mm of the first stroke, beyond the offset, that turns the blade. */
    private const TURNING = 2.0;

    /** Radians in which the blade looks; along x after the first stroke. */
    private float $heading = 0.0;

    /**
     * @param  float  $offset  mm from the axis to the tip
     * @param  float  $corner  degrees of turn from which on the blade is swivelled
     * @param  bool  $lightly  whether it swivels with little force, so that corners are not torn, instead of at depth
     */
    public function __construct(private readonly float $offset, private readonly float $corner = 15.0, private readonly bool $lightly = false)
    {
    }

    /**
     * @param  list<Contour>  $lines  in the order of cutting, overcut already
     * @param  array{float, float}  $waste  where the blade may be turned first, mm: a short stroke along x is cut there
     * @return list<Steered> one for each line, and the first stroke before them
     */
    public function steer(array $lines, array $waste = [0.0, 0.0]): array
    {
        if ($this->offset <= 0 || $lines === []) {
            return array_map(static fn (Contour $line): Steered => Steered::along($line, self::FLAT), $lines);
        }
        $this->heading = 0.0;
        $steered = [new Steered([$waste, [$waste[0] + $this->offset + self::TURNING, $waste[1]]])];
        foreach ($lines as $line) {
            $steered[] = $this->along($line);
        }

        return $steered;
    }

    private function along(Contour $line): Steered
    {
        $points = Polyline::distinct(Polyline::of($line, self::FLAT), 1e-6);
        $n = count($points);
        if ($n < 2) {
            return Steered::along($line, self::FLAT);
        }
        [$x, $y] = $points[0];
        // The blade is let down so that its tip stands on the start, looking as it did last; then it is turned.
        $light = [];
        $way = [[$x + $this->offset * cos($this->heading), $y + $this->offset * sin($this->heading)]];
        for ($i = 0; $i + 1 < $n; $i++) {
            [$x, $y] = $points[$i];
            $to = atan2($points[$i + 1][1] - $y, $points[$i + 1][0] - $x);
            $before = count($way);
            $this->swivel($way, $x, $y, $to);
            if ($this->lightly) {
                for ($k = $before, $m = count($way); $k < $m; $k++) {
                    $light[$k] = true;
                }
            }
            $way[] = [$points[$i + 1][0] + $this->offset * cos($to), $points[$i + 1][1] + $this->offset * sin($to)];
        }

        return new Steered($way, $light);
    }

    /**
     * Turns the blade about its tip.
     *
     * @param  list<array{float, float}>  $way  of the axis, brought up to date
     */
    private function swivel(array &$way, float $x, float $y, float $to): void
    {
        $turn = $to - $this->heading;
        $turn -= 2 * M_PI * round($turn / (2 * M_PI));
        if (abs(rad2deg($turn)) > $this->corner) {
            $steps = (int) ceil(abs(rad2deg($turn)) / self::STEP);
            for ($k = 1; $k <= $steps; $k++) {
                $angle = $this->heading + $turn * $k / $steps;
                $way[] = [$x + $this->offset * cos($angle), $y + $this->offset * sin($angle)];
            }
        }
        $this->heading = $to;
    }
}
