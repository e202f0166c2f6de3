<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Geometry\Point;

/** C6: several colours that are all but black, each of which would become a sheet of its own. */
final readonly class NearBlack implements Rule
{
    public static function about(): array
    {
        return [new AboutFinding('near-black', 'Near-black', 'Several blacks that only a screen tells apart become sheets of their own.')];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $near = $seen = [];
        foreach ($merged->pieces as $piece) {
            if ($piece->fill !== null && $piece->fill->isFlatColour() && $piece->fill->colour->isNearBlack() && ! isset($seen[$piece->fill->colour->hex()])) {
                $seen[$piece->fill->colour->hex()] = true;
                $near[] = $piece;
            }
        }
        if (count($near) < 2) {
            return [];
        }
        usort($near, static fn ($a, $b): int => $b->shape->area() <=> $a->shape->area());
        $main = array_shift($near);
        $findings = [];
        foreach ($near as $piece) {
            $start = $piece->shape->contours[0]->coords ?? [0.0, 0.0];
            $findings[] = new Finding(
                'near-black',
                Severity::Warning,
                sprintf(
                    '%s is all but the same black as %s and becomes a sheet of its own; join them first.',
                    $piece->fill?->colour->hex(),
                    $main->fill?->colour->hex(),
                ),
                new Point($start[0], $start[1]),
                piece: $piece->id,
                sheet: $piece->fill?->colour->hex(),
                step: 'join-near-blacks',
            );
        }

        return $findings;
    }
}
