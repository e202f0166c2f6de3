<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

/** A kind of machine as it says of itself. */
final readonly class AboutDevice
{
    /**
     * @param  string  $kind  such as cutter
     * @param  string  $format  key of the format that it takes
     * @param  float  $bedWidth  mm, along, that such a machine often has
     * @param  float  $bedHeight  mm
     */
    public function __construct(public string $kind, public string $label, public string $says, public string $format, public float $bedWidth, public float $bedHeight)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return get_object_vars($this);
    }
}
