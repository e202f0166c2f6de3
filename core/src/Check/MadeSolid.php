<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Line\PrepResult;
use NeatEdge\Core\Measure\Limits;

/** C9: what one could see through lay on bare ground and went out as a solid colour that nobody drew: a shadow as a sheet of grey film. */
final readonly class MadeSolid implements ResultRule
{
    /** mm² of such a colour that count. */
    private const LEAST = 1.0;

    public function __construct(private Limits $limits)
    {
    }

    public static function about(): array
    {
        return [new AboutFinding('made-solid', 'See-through made solid', 'What one could see through goes out as a solid colour that nobody drew.')];
    }

    public function onResult(PrepResult $result): array
    {
        $paints = static fn (Piece $piece): array => array_values(array_filter([$piece->fill, $piece->stroke?->paint]));
        $before = array_merge(...array_map($paints, $result->source->pieces));
        $veils = array_filter($before, static fn (Paint $paint): bool => $paint->picture === null && ! $paint->isOpaque());
        if ($this->limits->opacity || $veils === []) {
            return [];
        }
        $drawn = array_fill_keys(
            array_map(static fn (Paint $paint): string => $paint->colour->hex(), array_filter($before, static fn (Paint $paint): bool => $paint->isOpaque())),
            true,
        );
        $areas = $at = [];
        foreach ($result->judged()->pieces as $piece) {
            $hex = $piece->fill?->colour->hex();
            if ($piece->isSolid() && $hex !== null && ! isset($drawn[$hex])) {
                $areas[$hex] = ($areas[$hex] ?? 0.0) + $piece->shape->area();
                $at[$hex] ??= $piece;
            }
        }
        $findings = [];
        foreach ($areas as $hex => $area) {
            $middle = $at[$hex]->box()?->middle();
            if ($area >= self::LEAST) {
                $findings[] = new Finding(
                    'made-solid',
                    Severity::Warning,
                    sprintf('What one could see through goes out as solid %s on %.1f mm², a colour that nobody drew.', $hex, $area),
                    $middle instanceof Point ? $middle : null,
                    piece: $at[$hex]->id,
                    sheet: (string) $hex,
                );
            }
        }

        return $findings;
    }
}
