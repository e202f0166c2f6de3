<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Polyline;

/** How long a head takes along lines: it gathers speed, brakes before corners as they are sharp, and lifts between lines. */
final readonly class MachineTime
{
    /** mm that chords leave curves by, as files for machines have them: a head brakes at each. */
    private const FLAT = 0.0125;

    /**
     * @param  float  $speed  mm/s along lines
     * @param  float  $travel  mm/s in the air
     * @param  float  $gather  mm/s² in which speed is gathered and lost
     * @param  float  $lift  seconds for going up or down
     */
    public function __construct(private float $speed = 200.0, private float $travel = 400.0, private float $gather = 2000.0, private float $lift = 0.05)
    {
    }

    /**
     * @param  array<string, mixed>  $machine  as the shop describes it: travel, gather, lift
     * @param  float  $speed  mm/s along lines
     */
    public static function of(array $machine, float $speed): self
    {
        return new self($speed, (float) ($machine['travel'] ?? 400.0), (float) ($machine['gather'] ?? 2000.0), (float) ($machine['lift'] ?? 0.05));
    }

    /**
     * @param  list<Contour>  $lines  in order
     * @param  array{float, float}  $from  where the head stands, mm; where it stands then
     * @return float seconds
     */
    public function along(array $lines, array &$from = [0.0, 0.0]): float
    {
        $seconds = 0.0;
        foreach ($lines as $line) {
            $seconds += $this->through(Polyline::of($line, self::FLAT), $from);
        }

        return $seconds;
    }

    /**
     * There in the air, then along chords.
     *
     * @param  list<array{float, float}>  $points
     * @param  array{float, float}  $from  where the head stands, mm; where it stands then
     * @return float seconds
     */
    public function through(array $points, array &$from): float
    {
        $points = Polyline::distinct($points, 1e-6);
        if ($points === []) {
            return 0.0;
        }
        $seconds = $this->fly($from, $points[0]) + 2 * $this->lift + $this->run($points);
        $from = $points[count($points) - 1];

        return $seconds;
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @return float seconds in the air, from rest to rest
     */
    public function fly(array $from, array $to): float
    {
        return $this->straight(hypot($to[0] - $from[0], $to[1] - $from[1]), $this->travel);
    }

    /** Seconds for a way from rest to rest. */
    private function straight(float $mm, float $speed): float
    {
        $ramp = $speed * $speed / $this->gather;

        return $mm >= $ramp ? $mm / $speed + $speed / $this->gather : 2 * sqrt($mm / $this->gather);
    }

    /**
     * Seconds along chords: speeds at their joints by the angle, then held to what can be gathered and lost between them.
     *
     * @param  non-empty-list<array{float, float}>  $points
     */
    private function run(array $points): float
    {
        $n = count($points);
        $length = [];
        $speed = array_fill(0, $n, 0.0);
        for ($i = 0; $i + 1 < $n; $i++) {
            $length[$i] = hypot($points[$i + 1][0] - $points[$i][0], $points[$i + 1][1] - $points[$i][1]);
            if ($i > 0) {
                $cos = (($points[$i][0] - $points[$i - 1][0]) * ($points[$i + 1][0] - $points[$i][0])
                    + ($points[$i][1] - $points[$i - 1][1]) * ($points[$i + 1][1] - $points[$i][1])) / max(1e-12, $length[$i] * $length[$i - 1]);
                $speed[$i] = $this->speed * max(0.0, min(1.0, $cos)) ** 2;
            }
        }
        for ($i = 1; $i < $n; $i++) {
            $speed[$i] = min($speed[$i], sqrt($speed[$i - 1] ** 2 + 2 * $this->gather * $length[$i - 1]));
        }
        $seconds = 0.0;
        for ($i = $n - 2; $i >= 0; $i--) {
            $speed[$i] = min($speed[$i], sqrt($speed[$i + 1] ** 2 + 2 * $this->gather * $length[$i]));
            // Up from one speed, along at the set one where it is reached, down to the other.
            $top = min($this->speed, sqrt(($speed[$i] ** 2 + $speed[$i + 1] ** 2) / 2 + $this->gather * $length[$i]));
            $ramps = (2 * $top ** 2 - $speed[$i] ** 2 - $speed[$i + 1] ** 2) / (2 * $this->gather);
            $seconds += (2 * $top - $speed[$i] - $speed[$i + 1]) / $this->gather + max(0.0, $length[$i] - $ramps) / max(1e-9, $top);
        }

        return $seconds;
    }
}
