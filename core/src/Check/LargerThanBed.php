<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Seen\Extent;

/** C7: what is made is larger than the bed of the machine, turned or not. */
final readonly class LargerThanBed implements SeesCuts
{
    public function __construct(private Limits $limits)
    {
    }

    public static function about(): array
    {
        return [new AboutFinding('larger-than-bed', 'Larger than the bed', 'What is made does not fit the bed of the machine.', 'bed')];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $box = $this->limits->bedWidth > 0 ? Extent::of($merged) : null;
        if ($box === null) {
            return [];
        }
        $more = 2 * $this->limits->around;
        [$short, $long] = [min($box->width(), $box->height()) + $more, max($box->width(), $box->height()) + $more];
        $bedLong = $this->limits->bedHeight > 0 ? max($this->limits->bedWidth, $this->limits->bedHeight) : INF;
        $bedShort = $this->limits->bedHeight > 0 ? min($this->limits->bedWidth, $this->limits->bedHeight) : $this->limits->bedWidth;
        if ($short <= $bedShort + 1e-6 && $long <= $bedLong + 1e-6) {
            return [];
        }
        $bed = $this->limits->bedHeight > 0 ? sprintf(
            '%.0f × %.0f mm',
            $this->limits->bedWidth,
            $this->limits->bedHeight,
        ) : sprintf('a roll of %.0f mm', $this->limits->bedWidth);

        return [new Finding(
            'larger-than-bed',
            Severity::Serious,
            sprintf(
                'What is made is %.1f × %.1f mm%s; the bed takes %s.',
                $box->width(),
                $box->height(),
                $more > 0 ? sprintf(', and %.0f mm on each side for what is laid round it', $this->limits->around) : '',
                $bed,
            ),
            $box->middle(),
            $short > $bedShort ? $short : $long,
            $short > $bedShort ? $bedShort : $bedLong,
        )];
    }
}
