<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\BoxGrid;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\PlanarMap\MeasuredPart;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\Laid;
use NeatEdge\Core\Seen\PaintedMap;

/**
 * C5, C9: pieces that are see-through when all is prepared, which no material and no spot ink is. Where they lie over others, sheets would be laid over one
 * another.
 */
final readonly class SeeThrough implements Rule
{
    /** mm² of overlap that count. */
    private const LEAST = 0.01;

    public function __construct(private Limits $limits)
    {
    }

    public static function about(): array
    {
        return [
            new AboutFinding('overlapping-sheets', 'See-through over other sheets', 'A see-through piece lies over other sheets.', drawn: true),
            new AboutFinding('see-through', 'See-through on the ground', 'A see-through piece lies on the bare ground.', drawn: true),
        ];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $near = $this->limits->opacity ? [] : self::near($merged);
        if ($near === []) {
            return [];
        }
        $pieces = array_values($near);
        $rule = new Laid(array_map(static fn (Piece $piece): bool => $piece->isSolid(), $pieces));
        // Where the sheet is mapped for other checks anyway, that map is asked; else only what lies by them is mapped.
        $parts = $merged->apart
            ? PlanarMap::of(array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces), $merged->tolerance()->measuring())->parts($rule)
            : PaintedMap::of($merged)->ofFills(array_keys($near), $rule);
        $findings = [];
        foreach ($pieces as $i => $piece) {
            $box = $piece->box();
            if ($piece->isSolid() || $piece->fill === null || $piece->fill->picture !== null || $box === null) {
                continue;
            }
            [$over, $bare] = [$parts[Laid::over($i)] ?? [], self::area($parts[Laid::bare($i)] ?? []) > self::LEAST];
            if (self::area($over) > self::LEAST) {
                usort($over, static fn (MeasuredPart $a, MeasuredPart $b): int => $b->area <=> $a->area);
                $findings[] = new Finding('overlapping-sheets', Severity::Serious, sprintf(
                    'A see-through piece in %s lies over other sheets on %.1f mm². Lay see-through colours on what is under them%s.',
                    $piece->fill->colour->hex(), self::area($over), $bare ? ' and on the ground' : '',
                ), $over[0]->box->middle(), piece: $piece->id, sheet: $piece->fill->colour->hex(), step: 'solid-colours');
            } elseif ($bare) {
                $findings[] = new Finding('see-through', Severity::Warning, sprintf(
                    'A see-through piece in %s lies on the bare ground: no material is see-through. Lay it on the colour of the ground.',
                    $piece->fill->colour->hex(),
                ), $box->middle(), piece: $piece->id, sheet: $piece->fill->colour->hex(), step: 'solid-colours');
            }
        }

        return $findings;
    }

    /** @return array<int, Piece> by number: what is filled of the see-through pieces and those by them; what is elsewhere says nothing about them */
    private static function near(Artwork $merged): array
    {
        $seeThrough = array_filter(array_map(static fn (Piece $piece): ?Box => $piece->isSolid() ? null : $piece->box(), $merged->pieces));
        if ($seeThrough === []) {
            return [];
        }
        $boxes = new BoxGrid(array_map(static fn (Piece $piece): ?Box => $piece->box(), $merged->pieces));
        $near = [];
        foreach ($seeThrough as $box) {
            $near += array_flip($boxes->touching($box));
        }

        return array_filter(array_intersect_key($merged->pieces, $near), static fn (Piece $piece): bool => $piece->fill !== null && ! $piece->shape->isEmpty());
    }

    /**
     * @param  list<MeasuredPart>  $parts
     * @return float mm²
     */
    private static function area(array $parts): float
    {
        return array_sum(array_map(static fn (MeasuredPart $part): float => $part->area, $parts));
    }
}
