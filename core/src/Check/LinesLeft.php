<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Geometry\Point;

/** C4: strokes that no step has outlined, and outlines that are not closed. */
final readonly class LinesLeft implements Rule
{
    public static function about(): array
    {
        return [
            new AboutFinding('stroke-left', 'Stroke left', 'A stroke has not been outlined: a cutter follows its middle.'),
            new AboutFinding('open-line', 'Open line', 'An outline is not closed.'),
        ];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $findings = [];
        foreach ($merged->pieces as $piece) {
            $sheet = $piece->fill?->colour->hex() ?? $piece->stroke?->paint->colour->hex();
            if ($piece->isSingleCut()) {
                continue;
            }
            if ($piece->stroke !== null) {
                $findings[] = new Finding(
                    'stroke-left',
                    Severity::Serious,
                    'A stroke has not been outlined: a cutter follows its middle, and its width is lost.',
                    $piece->box()?->middle(),
                    piece: $piece->id,
                    sheet: $sheet,
                );
            }
            foreach ($piece->stroke === null ? $piece->shape->contours : [] as $contour) {
                $c = $contour->coords;
                $n = count($c);
                $gap = hypot($c[$n - 2] - $c[0], $c[$n - 1] - $c[1]);
                if (! $contour->closed && $contour->segmentCount() > 0 && $gap > 1e-6) {
                    $findings[] = new Finding(
                        'open-line',
                        Severity::Serious,
                        sprintf('An outline is open by %.2f mm.', $gap),
                        new Point(($c[0] + $c[$n - 2]) / 2, ($c[1] + $c[$n - 1]) / 2),
                        $gap,
                        0.0,
                        piece: $piece->id,
                        sheet: $sheet,
                    );
                }
            }
        }

        return $findings;
    }
}
