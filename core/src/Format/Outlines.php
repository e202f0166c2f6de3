<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;

/** What formats that know only lines tell of a layer: its lines, or the outlines of its areas. */
final class Outlines
{
    /** @return list<Contour> */
    public static function of(Layer $layer): array
    {
        if ($layer->role->isPath()) {
            $out = [];
            for ($i = 0, $n = count($layer->hatch); $i < $n; $i += 4) {
                $out[] = Contour::polygon([[$layer->hatch[$i], $layer->hatch[$i + 1]], [$layer->hatch[$i + 2], $layer->hatch[$i + 3]]], false);
            }

            return [...$out, ...$layer->lines];
        }
        $out = [];
        foreach ($layer->areas as $piece) {
            array_push($out, ...array_map(static fn (Contour $contour): Contour => new Contour($contour->coords, true), $piece->shape->contours));
        }

        return $out;
    }

    /** @return list<string> what is lost where areas are told as outlines */
    public static function lost(Layout $layout, string $format): array
    {
        $fills = $gradients = false;
        foreach ($layout->layers as $layer) {
            foreach ($layer->role->isPath() ? [] : $layer->areas as $piece) {
                $fills = true;
                $gradients = $gradients || $piece->fill?->gradient !== null || $piece->fill?->picture !== null || ! ($piece->fill?->isOpaque() ?? true);
            }
        }

        return array_values(array_filter([
            $fills ? "{$format} holds lines only: areas leave as their outlines." : null,
            $gradients ? "{$format} holds no gradients, pictures or opacity." : null,
        ]));
    }
}
