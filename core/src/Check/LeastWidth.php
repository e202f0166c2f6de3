<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Measure\Thickness;

/** C1 and C2: lines thinner than the machine can hold, gaps within one colour narrower than can be weeded or printed. */
final readonly class LeastWidth implements Rule
{
    private function __construct(private float $limit, private bool $gaps)
    {
    }

    /** @param  float  $limit mm */
    public static function ofLines(float $limit): self
    {
        return new self($limit, false);
    }

    /** @param  float  $limit mm */
    public static function ofGaps(float $limit): self
    {
        return new self($limit, true);
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $out = [];
        foreach ($merged->pieces as $piece) {
            foreach (Thickness::below($piece->shape, $this->limit, $this->gaps) as $place) {
                $out[] = new Finding(
                    $this->gaps ? 'narrow-gap' : 'thin-line',
                    $place->width < $this->limit / 2 ? Severity::Serious : Severity::Warning,
                    sprintf('A %s is %.2f mm wide; at least %.2f mm is needed.', $this->gaps ? 'gap' : 'line', $place->width, $this->limit),
                    $place->at,
                    $place->width,
                    $this->limit,
                    $place->length,
                    $piece->id,
                    $place->ribbon,
                );
            }
        }

        return $out;
    }
}
