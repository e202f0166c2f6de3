<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;

/** C9: blends are light on a screen; no knife and no single ink gives them, and the sheets leave them out. */
final readonly class Blended implements Rule
{
    public static function about(): array
    {
        return [new AboutFinding('blend', 'Blend', 'A blend is light on a screen; no knife and no single ink gives it.')];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $findings = [];
        foreach ($source->pieces as $piece) {
            if ($piece->blend !== Blend::Normal) {
                $findings[] = new Finding(
                    'blend',
                    Severity::Warning,
                    sprintf('The blend "%s" is not made by a knife or an ink; the piece is taken as it is painted.', $piece->blend->value),
                    $piece->box()?->middle(),
                    piece: $piece->id,
                );
            }
        }

        return $findings;
    }
}
