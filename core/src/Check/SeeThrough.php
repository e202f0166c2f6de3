<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Geometry\Point;

/** C9: pieces one can see through, which no material and no spot ink gives. */
final readonly class SeeThrough implements Rule
{
    public function findings(Artwork $source, Artwork $merged): array
    {
        $out = [];
        foreach ($source->pieces as $piece) {
            $opacity = min($piece->fill->opacity ?? 1.0, $piece->stroke->paint->opacity ?? 1.0);
            if ($opacity > 0.9999 || ($piece->fill->picture ?? null) !== null) {
                continue;
            }
            $box = $piece->box();
            $out[] = new Finding(
                'see-through',
                Severity::Warning,
                sprintf('A piece is %d %% solid; it is kept as it is and gets a sheet of its own.', (int) round(100 * $opacity)),
                $box === null ? null : new Point(($box->left + $box->right) / 2, ($box->top + $box->bottom) / 2),
                piece: $piece->id,
            );
        }

        return $out;
    }
}
