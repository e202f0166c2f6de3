<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

/** How much of a picture looks other than before. */
final readonly class LookDifference
{
    /**
     * @param  float  $area  mm² that changed colour
     * @param  float  $whole  mm² that show anything before or after
     */
    public function __construct(public float $area, public float $whole)
    {
    }

    public function percent(): float
    {
        return $this->whole > 0 ? 100 * $this->area / $this->whole : 0.0;
    }

    /** @return array{area_mm2: float, whole_mm2: float, percent: float} */
    public function toArray(): array
    {
        return ['area_mm2' => round($this->area, 5), 'whole_mm2' => round($this->whole, 5), 'percent' => round($this->percent(), 5)];
    }
}
