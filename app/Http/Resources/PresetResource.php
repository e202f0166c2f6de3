<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Words\Words;
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
 *     // As who reads it calls it: its name, in another language where it ships with the application.
 *     called: string,
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
            'called' => self::called($preset->name),
            'version' => $preset->version,
            'note' => self::ships($preset->name) ? Words::of()->say($preset->note) : $preset->note,
            'for' => $preset->for,
            'ships' => self::ships($preset->name),
            'steps' => array_map(
                static fn (LineStep $step): array => ['kind' => $step->kind, 'label' => Steps::about($step->kind)->label, 'on' => $step->on],
                $preset->steps,
            ),
        ];
    }

    /** What a preset is called by who reads; a name of the shop is as it was given. */
    public static function called(string $name): string
    {
        return self::ships($name) ? Words::of()->say($name) : $name;
    }

    private static function ships(string $name): bool
    {
        return isset(Processes::presets()[$name]);
    }
}
