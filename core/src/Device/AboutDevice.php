<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

/** A kind of machine as it says of itself. */
final readonly class AboutDevice
{
    /**
     * @param  string  $kind  such as cutter
     * @param  string  $format  key of the format that it takes
     * @param  float  $bedWidth  mm, along, that such a machine often has; nought for a roll
     * @param  float  $bedHeight  mm
     * @param  bool  $drags  whether its tip trails behind its axis, so that it is steered past corners and starts
     * @param  array{bedWidth: float, bedHeight: float, blade?: float, lift?: float}  $standIn  what the stand-in that ships is like, mm and seconds
     */
    public function __construct(
        public string $kind,
        public string $label,
        public string $says,
        public string $format,
        public float $bedWidth,
        public float $bedHeight,
        public bool $drags,
        public array $standIn,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind,
            'label' => $this->label,
            'says' => $this->says,
            'format' => $this->format,
            'bedWidth' => $this->bedWidth,
            'bedHeight' => $this->bedHeight,
        ];
    }
}
