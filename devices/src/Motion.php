<?php

declare(strict_types=1);

namespace NeatEdge\Devices;

/** How a head moves that has a weight: it gathers speed, brakes before corners as they are sharp, and stands still where a stroke begins and ends. */
final class Motion
{
    /** @var list<array{float, float, float, float}> length in mm, direction, and mm/s that is set */
    private array $stroke = [];

    /**
     * @param  float  $gather  mm/s² in which speed is gathered and lost
     */
    public function __construct(private readonly float $gather)
    {
    }

    public function push(float $dx, float $dy, float $speed): void
    {
        $mm = hypot($dx, $dy);
        if ($mm > 1e-6) {
            $this->stroke[] = [$mm, $dx / $mm, $dy / $mm, $speed];
        }
    }

    /** Comes to rest. @return float seconds that the stroke took */
    public function rest(): float
    {
        $n = count($this->stroke);
        // Squares of the speeds at the joints: first what corners allow, then what can be gathered on the way there, then what can be lost on the way on.
        $square = array_fill(0, $n + 1, 0.0);
        for ($i = 1; $i < $n; $i++) {
            [, $ax, $ay, $av] = $this->stroke[$i - 1];
            [, $bx, $by, $bv] = $this->stroke[$i];
            $square[$i] = (min($av, $bv) * max(0.0, $ax * $bx + $ay * $by) ** 2) ** 2;
        }
        for ($i = 0; $i < $n; $i++) {
            $square[$i + 1] = min($square[$i + 1], $square[$i] + 2 * $this->gather * $this->stroke[$i][0]);
        }
        $seconds = 0.0;
        for ($i = $n - 1; $i >= 0; $i--) {
            [$mm, , , $set] = $this->stroke[$i];
            $square[$i] = min($square[$i], $square[$i + 1] + 2 * $this->gather * $mm);
            [$in, $out] = [sqrt($square[$i]), sqrt($square[$i + 1])];
            $peak = min($set, sqrt($this->gather * $mm + ($square[$i] + $square[$i + 1]) / 2));
            $even = $mm - (2 * $peak ** 2 - $square[$i] - $square[$i + 1]) / (2 * $this->gather);
            $seconds += (2 * $peak - $in - $out) / $this->gather + max(0.0, $even) / $peak;
        }
        $this->stroke = [];

        return $seconds;
    }
}
