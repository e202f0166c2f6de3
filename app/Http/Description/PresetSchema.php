<?php

declare(strict_types=1);

namespace App\Http\Description;

use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Process\Processes;

/** How a preset is written as a file, made of what the steps say of themselves. */
final class PresetSchema
{
    public const FILE = 'docs/preset.schema.json';

    public static function text(): string
    {
        return json_encode(self::schema(), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n";
    }

    /** @return array<string, mixed> */
    private static function schema(): array
    {
        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'A preset of the prep line',
            'type' => 'object',
            'required' => ['neat_edge_preset', 'name', 'steps'],
            'additionalProperties' => false,
            'properties' => [
                '$schema' => ['type' => 'string'],
                'neat_edge_preset' => ['const' => PresetJson::FORM, 'description' => 'the version of this form'],
                'name' => ['type' => 'string', 'minLength' => 1, 'maxLength' => PresetJson::LONGEST_NAME],
                'version' => ['type' => 'integer', 'minimum' => 1, 'maximum' => PresetJson::LAST_VERSION, 'default' => 1],
                'note' => ['type' => 'string', 'maxLength' => PresetJson::LONGEST_NOTE, 'default' => ''],
                'for' => ['type' => 'array', 'items' => ['enum' => Processes::keys()], 'default' => []],
                'steps' => ['type' => 'array', 'maxItems' => PresetJson::MOST_STEPS, 'items' => ['oneOf' => self::steps()]],
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function steps(): array
    {
        $steps = [];
        foreach (Steps::catalogue() as $kind => $about) {
            $steps[] = [
                'title' => $about->label,
                'type' => 'object',
                'required' => ['step'],
                'properties' => [
                    'step' => ['const' => $kind],
                    'values' => [...Fields::object($about->fields), 'additionalProperties' => false],
                    'on' => ['type' => 'boolean', 'default' => true],
                ],
            ];
        }

        return $steps;
    }
}
