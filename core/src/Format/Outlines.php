<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;

/**
 * What leaves in formats that know only lines, which machines cut or follow: lines, and the outlines of plates. What is printed, and what a camera looks
 * for, is never
 * among them where there is something to be cut: a knife would cut the picture.
 */
final class Outlines
{
    /** @return list<Layer> of a layout that leave */
    public static function layers(Layout $layout): array
    {
        $paths = $layout->paths() !== [];

        return array_values(array_filter(
            $layout->layers,
            static fn (Layer $layer): bool => $layer->role->isPath() || ($layer->role !== Role::Print && ! $paths),
        ));
    }

    /** @return list<Contour> */
    public static function of(Layer $layer): array
    {
        if ($layer->role->isPath()) {
            $contours = [];
            for ($i = 0, $n = count($layer->hatch); $i < $n; $i += 4) {
                $contours[] = Contour::polygon([[$layer->hatch[$i], $layer->hatch[$i + 1]], [$layer->hatch[$i + 2], $layer->hatch[$i + 3]]], false);
            }

            return [...$contours, ...$layer->lines];
        }
        $contours = [];
        foreach ($layer->areas as $piece) {
            array_push($contours, ...array_map(static fn (Contour $contour): Contour => new Contour($contour->coords, true), $piece->shape->contours));
        }

        return $contours;
    }

    /** @return list<string> what is lost where areas are told as outlines */
    public static function lost(Layout $layout, string $format): array
    {
        $leave = self::layers($layout);
        $left = array_values(array_filter($layout->layers, static fn (Layer $layer): bool => ! in_array($layer, $leave, true)));
        $fills = $gradients = false;
        foreach ($leave as $layer) {
            foreach ($layer->role->isPath() ? [] : $layer->areas as $piece) {
                $fills = true;
                $gradients = $gradients || $piece->fill?->gradient !== null || $piece->fill?->picture !== null || ! ($piece->fill?->isOpaque() ?? true);
            }
        }

        return array_values(array_filter([
            $left === [] ? null : sprintf(
                '%s is for what is cut or followed: %s left out.',
                $format,
                implode(' and ', array_map(static fn (Layer $layer): string => "\"{$layer->name}\"", $left)).(count($left) === 1 ? ' is' : ' are'),
            ),
            $fills ? "{$format} holds lines only: areas leave as their outlines." : null,
            $gradients ? "{$format} holds no gradients, pictures or opacity." : null,
        ]));
    }
}
