<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Colours;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\MeasuredPart;
use NeatEdge\Core\PlanarMap\Rule\SeenOwners;
use NeatEdge\Core\Seen\Painted;
use NeatEdge\Core\Seen\PaintedMap;

/** Flat colours of some art: how much of each is seen, and what becomes of them where some become others. */
final class ColourAreas
{
    /** @return array<string, float> mm² that are seen, by hex, the largest first; see-through and unflat paints are left out */
    public static function seen(Artwork $artwork): array
    {
        $map = PaintedMap::of($artwork);
        $areas = $map->areas;
        $sorted = [];
        if ($artwork->apart) {
            foreach ($areas as $area) {
                $sorted = self::counted($sorted, $area->paint, $area->shape->area());
            }
        } else {
            $rule = new SeenOwners(array_map(static fn (Painted $area): bool => $area->isSolid(), $areas));
            foreach ($map->parts($rule) as $label => $parts) {
                $area = array_sum(array_map(static fn (MeasuredPart $part): float => $part->area, $parts));
                foreach ($rule->groups()[$label] as $i) {
                    $sorted = self::counted($sorted, $areas[$i]->paint, $area);
                }
            }
        }
        arsort($sorted);

        return $sorted;
    }

    /**
     * Colours that are there, but flat nowhere: of gradients by their stops, and what one sees through. Steps make them flat, and only then are they sheets.
     *
     * @param  array<string, float>  $flat  as seen() gives them
     * @return array<string, array{of: string, area: float}> by hex: "gradient" or "see-through", and mm² of the areas that it has a part in, covered ones
     *     too; the largest first
     */
    public static function blended(Artwork $artwork, array $flat): array
    {
        $blended = [];
        foreach (Painted::areas($artwork) as $area) {
            $paint = $area->paint;
            $colours = match (true) {
                $paint->gradient !== null => array_map(static fn (array $stop): Colour => $stop[1], $paint->gradient->stops),
                $paint->isFlatColour() && ! $paint->isOpaque() => [$paint->colour],
                default => [],
            };
            foreach (array_unique(array_map(static fn (Colour $colour): string => $colour->hex(), $colours)) as $hex) {
                if (! isset($flat[$hex])) {
                    $blended[$hex] = [
                        'of' => $blended[$hex]['of'] ?? ($paint->gradient !== null ? 'gradient' : 'see-through'),
                        'area' => ($blended[$hex]['area'] ?? 0.0) + $area->shape->area(),
                    ];
                }
            }
        }
        uasort($blended, static fn (array $a, array $b): int => $b['area'] <=> $a['area']);

        return $blended;
    }

    /**
     * @param  array<string, float>  $areas
     * @return array<string, float>
     */
    private static function counted(array $areas, Paint $paint, float $area): array
    {
        if ($paint->isFlatColour() && $paint->isOpaque() && $area > 0) {
            $areas[$paint->colour->hex()] = ($areas[$paint->colour->hex()] ?? 0.0) + $area;
        }

        return $areas;
    }

    /** @param  array<string, string>  $to  hex by hex */
    public static function mapped(Artwork $artwork, array $to): Artwork
    {
        $changed = static fn (?Paint $paint): ?Paint => $paint !== null && $paint->isFlatColour() && isset($to[$paint->colour->hex()]) ? new Paint(
            Colour::fromHex($to[$paint->colour->hex()]),
            $paint->opacity,
        ) : $paint;

        return $artwork->withPieces(array_map(static function (Piece $piece) use ($changed): Piece {
            $fill = $changed($piece->fill);
            $line = $changed($piece->stroke?->paint);

            return $fill === $piece->fill && $line === $piece->stroke?->paint ? $piece : $piece->with(
                fill: $fill,
                stroke: $line === null ? null : $piece->stroke?->with(paint: $line),
            );
        }, $artwork->pieces));
    }
}
