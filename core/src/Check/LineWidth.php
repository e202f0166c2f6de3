<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Measure\Thickness;

/** C1: lines thinner than the machine can hold. */
final readonly class LineWidth implements Rule
{
    /** @param  float  $limit mm */
    public function __construct(private float $limit)
    {
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $out = [];
        foreach ($merged->pieces as $piece) {
            foreach (Thickness::below($piece->shape, $this->limit) as $place) {
                $out[] = new Finding(
                    'thin-line',
                    $place->width < $this->limit / 2 ? Severity::Serious : Severity::Warning,
                    sprintf('A line is %.2f mm wide; at least %.2f mm is needed.', $place->width, $this->limit),
                    $place->at,
                    $place->width,
                    $this->limit,
                    $place->length,
                    $piece->id,
                );
            }
        }

        return $out;
    }
}
