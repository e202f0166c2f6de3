<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Measure\Thickness;

/** C2: gaps within one colour that are narrower than can be weeded or printed. */
final readonly class GapWidth implements Rule
{
    /** @param  float  $limit mm */
    public function __construct(private float $limit)
    {
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $out = [];
        foreach ($merged->pieces as $piece) {
            foreach (Thickness::below($piece->shape, $this->limit, true) as $place) {
                $out[] = new Finding(
                    'narrow-gap',
                    $place->width < $this->limit / 2 ? Severity::Serious : Severity::Warning,
                    sprintf('A gap is %.2f mm wide; at least %.2f mm is needed.', $place->width, $this->limit),
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
