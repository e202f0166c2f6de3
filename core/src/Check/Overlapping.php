<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\PlanarMap\MeasuredPart;
use NeatEdge\Core\PlanarMap\Rule\EachCover;
use NeatEdge\Core\Prepare\Finish\DropDoubled;
use NeatEdge\Core\Seen\PaintedMap;

/** C5: what is cut twice or lies hidden: pieces of what goes out that overlap, and lines that lie exactly on each other. */
final readonly class Overlapping implements SeesCuts
{
    /** mm² of overlap that count. */
    private const LEAST = 0.01;

    /** mm of mean width under which an overlap is the inexactness of two borders, not a piece on another. */
    private const HAIR = 0.05;

    /** mm within which two lines are one. */
    private const SAME = 0.05;

    public static function about(): array
    {
        return [
            new AboutFinding('overlap', 'Overlap', 'Pieces lie over each other and would be cut through one another.'),
            new AboutFinding('doubled-line', 'Doubled line', 'A line lies exactly on another and would be cut twice.'),
            new AboutFinding('hidden-piece', 'Hidden piece', 'A piece lies wholly under others: nobody sees it, and it is cut all the same.'),
        ];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $findings = [];
        foreach (DropDoubled::doubled($merged, self::SAME) as $id) {
            $piece = $merged->piece($id);
            $findings[] = new Finding(
                'doubled-line',
                Severity::Warning,
                'A line lies exactly on another of its colour and would be cut twice.',
                $piece?->box()?->middle(),
                piece: $id,
                sheet: $piece?->fill?->colour->hex() ?? $piece?->stroke?->paint->colour->hex(),
            );
        }
        $filled = array_filter($merged->pieces, static fn (Piece $piece): bool => $piece->isSolid() && ! $piece->shape->isEmpty());
        $solid = array_values($filled);
        if ($merged->apart || count($solid) < 2) {
            return $findings;
        }
        $rule = new EachCover;
        $seen = $over = [];
        foreach (PaintedMap::of($merged)->ofFills(array_keys($filled), $rule) as $label => $parts) {
            $owners = $rule->covers[$label];
            $area = array_sum(array_map(static fn (MeasuredPart $part): float => $part->area, $parts));
            $border = array_sum(array_map(static fn (MeasuredPart $part): float => $part->border, $parts));
            if ($owners === [] || $parts === [] || $area < self::LEAST || 2 * $area < self::HAIR * $border) {
                continue;
            }
            $top = max($owners);
            $seen[$top] = true;
            foreach ($owners as $owner) {
                if ($owner !== $top && ($over[$owner][0] ?? 0.0) < $area) {
                    $over[$owner] = [$area, self::largest($parts)->box->middle(), $top];
                }
            }
        }
        foreach ($over as $owner => [$area, $at, $top]) {
            $hex = $solid[$owner]->fill?->colour->hex();
            $findings[] = isset($seen[$owner])
                ? new Finding(
                    'overlap',
                    Severity::Warning,
                    sprintf('A piece in %s lies under one in %s on %.2f mm².', $hex, $solid[$top]->fill?->colour->hex(), $area),
                    $at,
                    piece: $solid[$owner]->id,
                    sheet: $hex,
                )
                : new Finding(
                    'hidden-piece',
                    Severity::Warning,
                    sprintf('A piece in %s lies wholly under others.', $hex),
                    $at,
                    piece: $solid[$owner]->id,
                    sheet: $hex,
                );
        }

        return $findings;
    }

    /** @param  non-empty-list<MeasuredPart>  $parts */
    private static function largest(array $parts): MeasuredPart
    {
        $largest = $parts[0];
        foreach ($parts as $part) {
            $largest = $part->area > $largest->area ? $part : $largest;
        }

        return $largest;
    }
}
