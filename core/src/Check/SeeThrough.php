<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;

/** C5, C9: pieces that are see-through when all is prepared, which no material and no spot ink is. Where they lie over others, sheets would be laid over one another. */
final readonly class SeeThrough implements Rule
{
    /** mm² of overlap that count. */
    private const LEAST = 0.01;

    public function findings(Artwork $source, Artwork $merged): array
    {
        $out = [];
        $tolerance = $merged->tolerance();
        foreach ($merged->pieces as $i => $piece) {
            $box = $piece->box();
            if ($piece->isSolid() || $piece->fill === null || $piece->fill->picture !== null || $box === null) {
                continue;
            }
            $under = array_values(array_map(static fn (Piece $one): Shape => $one->shape, array_filter(
                $merged->pieces,
                static fn (Piece $one, int $k): bool => $k !== $i && ($one->isSolid() || $k < $i) && ($one->box()?->overlaps($box) ?? false),
                ARRAY_FILTER_USE_BOTH,
            )));
            $over = $under === [] ? null : Combine::keepOverlap([$piece->shape, Combine::weld($under, $tolerance)], $tolerance);
            $bare = $under === [] || $over === null || $over->area() < $piece->shape->area() - self::LEAST;
            if ($over !== null && $over->area() > self::LEAST) {
                $out[] = new Finding('overlapping-sheets', Severity::Serious, sprintf(
                    'A see-through piece in %s lies over other sheets on %.1f mm². Lay see-through colours on what is under them%s.',
                    $piece->fill->colour->hex(), $over->area(), $bare ? ' and on the ground' : '',
                ), ($over->box() ?? $box)->middle(), piece: $piece->id, step: 'solid-colours');
            } elseif ($bare) {
                $out[] = new Finding('see-through', Severity::Warning, sprintf(
                    'A see-through piece in %s lies on the bare ground: no material is see-through. Lay it on the colour of the ground.', $piece->fill->colour->hex(),
                ), $box->middle(), piece: $piece->id, step: 'solid-colours');
            }
        }

        return $out;
    }
}
