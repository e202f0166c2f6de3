<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Measure\Limits;

/** C9: gradients, which no material and no single ink gives. Pictures are named when they are read. */
final readonly class NoFlatColour implements Rule
{
    public function __construct(private Limits $limits)
    {
    }

    public static function about(): array
    {
        return [new AboutFinding('gradient', 'Gradient', 'No knife and no single ink gives a gradient.', drawn: true)];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        // Where a step has made them one colour none goes out.
        $findings = [];
        if ($this->limits->gradients || array_filter(
            $merged->pieces,
            static fn (Piece $piece): bool => ($piece->fill->gradient ?? $piece->stroke->paint->gradient ?? null) !== null,
        ) === []) {
            return [];
        }
        foreach ($source->pieces as $piece) {
            if (($piece->fill->gradient ?? $piece->stroke->paint->gradient ?? null) === null) {
                continue;
            }
            $box = $piece->box();
            $findings[] = new Finding(
                'gradient',
                Severity::Warning,
                'A gradient is kept as it is and gets a sheet of its own: no knife and no single ink gives it.',
                $box === null ? null : new Point(($box->left + $box->right) / 2, ($box->top + $box->bottom) / 2),
                piece: $piece->id,
            );
        }

        return $findings;
    }
}
