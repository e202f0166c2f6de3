<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Process\Processes;

/**
 * A line of preparation under a name.
 *
 * @phpstan-type PresetRow array{
 *     name: string,
 *     version: int,
 *     note: string,
 *     // Processes that it is for.
 *     for: list<string>,
 *     // Whether it ships with the application.
 *     ships: bool,
 *     steps: list<array{kind: string, label: string, on: bool}>,
 * }
 */
final class PresetResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(Preset $preset): array
    {
        return [
            'name' => $preset->name,
            'version' => $preset->version,
            'note' => $preset->note,
            'for' => $preset->for,
            'ships' => isset(Processes::presets()[$preset->name]),
            'steps' => array_map(
                static fn (LineStep $step): array => ['kind' => $step->kind, 'label' => Steps::about($step->kind)->label, 'on' => $step->on],
                $preset->steps,
            ),
        ];
    }
}
