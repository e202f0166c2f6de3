<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

/** How much of a picture looks other than before. */
final readonly class LookDifference
{
    /** mm² under which a change is a speck that no print and no cut shows. */
    public const LEAST = 0.005;

    /**
     * @param  float  $area  mm² that changed colour
     * @param  float  $whole  mm² that show anything before or after
     * @param  float  $recoloured  mm² that are painted as before, in a colour that is hardly told from the one before; not part of the area that changed
     * @param  float  $distance  how far those colours lie apart at most, CIEDE2000
     * @param  float  $seen  mm² of what changed in places that are wide enough to be seen: outlines that moved by less than a hair are not
     */
    public function __construct(public float $area, public float $whole, public float $seen = 0.0, public float $recoloured = 0.0, public float $distance = 0.0)
    {
    }

    /** Whether nobody sees a difference. */
    public function isNone(): bool
    {
        return $this->seen < self::LEAST;
    }

    /** Whether any colour is another than before, however little that is seen. */
    public function isRecoloured(): bool
    {
        return $this->recoloured >= self::LEAST;
    }

    /** Percent of what is seen that looks otherwise in places wide enough to be seen. */
    public function seenPercent(): float
    {
        return $this->whole > 0 ? 100 * $this->seen / $this->whole : 0.0;
    }

    public function percent(): float
    {
        return $this->whole > 0 ? 100 * $this->area / $this->whole : 0.0;
    }

    /** @param  array<string, mixed>  $data  as toArray() gives it */
    public static function fromArray(array $data): self
    {
        return new self(
            (float) $data['area_mm2'],
            (float) $data['whole_mm2'],
            (float) ($data['seen_mm2'] ?? $data['area_mm2']),
            (float) ($data['recoloured_mm2'] ?? 0.0),
            (float) ($data['colour_distance'] ?? 0.0),
        );
    }

    /** @return array{area_mm2: float, whole_mm2: float, seen_mm2: float, percent: float, recoloured_mm2: float, colour_distance: float} */
    public function toArray(): array
    {
        return [
            'area_mm2' => round($this->area, 5),
            'whole_mm2' => round($this->whole, 5),
            'seen_mm2' => round($this->seen, 5),
            'percent' => round($this->percent(), 5),
            'recoloured_mm2' => round($this->recoloured, 5),
            'colour_distance' => round($this->distance, 3),
        ];
    }
}
