<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Measure\Limits;

/** D13: soft edges, fades and soft clips in work that is cut or engraved. What prints tones prints them as they are. */
final readonly class SoftEdge implements Rule
{
    public function __construct(private Limits $limits)
    {
    }

    public static function about(): array
    {
        return [new AboutFinding('soft-edge', 'Soft edge', 'No knife and no single ink gives an edge that fades.', drawn: true)];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        // Where a step has made them hard none goes out.
        if ($this->limits->gradients || array_filter($merged->pieces, static fn (Piece $piece): bool => $piece->fill?->soft !== null) === []) {
            return [];
        }
        $findings = [];
        foreach ($source->pieces as $piece) {
            if ($piece->fill?->soft !== null) {
                $findings[] = new Finding(
                    'soft-edge',
                    Severity::Serious,
                    'It is seen softly, and no knife gives that: as it is, it would be made as far as anything of it is seen.',
                    $piece->box()?->middle(),
                    piece: $piece->id,
                );
            }
        }

        return $findings;
    }
}
