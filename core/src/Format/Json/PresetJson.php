<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use JsonException;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Line\Steps;

/** A preset as a file: docs/preset.schema.json says how it is written. What came from elsewhere is held to that before a preset is made of it. */
final class PresetJson
{
    public const FORM = 1;

    public const MOST_STEPS = 60;

    public const LONGEST_NAME = 80;

    public const LONGEST_NOTE = 500;

    public const LAST_VERSION = 999_999;

    private const MOST_BYTES = 1_000_000;

    public static function encode(Preset $preset): string
    {
        return json_encode([
            'neat_edge_preset' => self::FORM,
            'name' => $preset->name, 'version' => $preset->version, 'note' => $preset->note, 'for' => $preset->for,
            'steps' => array_map(
                static fn (LineStep $step): array => ['step' => $step->kind, 'values' => (object) $step->values, 'on' => $step->on],
                $preset->steps,
            ),
        ], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n";
    }

    /**
     * @param  list<string>  $processes  that there are
     *
     * @throws PresetRefused with what is wrong, in one sentence
     */
    public static function decode(string $text, array $processes): Preset
    {
        if (strlen($text) > self::MOST_BYTES) {
            throw PresetRefused::wrong('a preset is larger than 1 MB');
        }
        try {
            $data = json_decode($text, true, 16, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            throw PresetRefused::wrong('the preset is no JSON');
        }
        self::need(is_array($data) && ($data['neat_edge_preset'] ?? null) === self::FORM, 'the file is no preset of form 1');
        $unknown = array_diff(array_keys($data), ['neat_edge_preset', 'name', 'version', 'note', 'for', 'steps', '$schema']);
        self::need($unknown === [], sprintf('a preset has no "%s"', mb_substr((string) reset($unknown), 0, 40)));
        $name = trim(self::text($data['name'] ?? null, self::LONGEST_NAME, 'the preset has no name of at most 80 letters'));
        self::need($name !== '', 'the preset has no name of at most 80 letters');
        $version = $data['version'] ?? 1;
        self::need(is_int($version) && $version >= 1 && $version <= self::LAST_VERSION, 'the version of the preset is no whole number from 1');
        $for = $data['for'] ?? [];
        self::need(is_array($for) && array_is_list($for) && array_diff($for, $processes) === [], 'the preset is for a process that there is not');

        return new Preset(
            $name,
            $version,
            self::text($data['note'] ?? '', self::LONGEST_NOTE, 'the note has more than 500 letters'),
            $for,
            self::line($data['steps'] ?? null),
        );
    }

    /**
     * The steps of a line from elsewhere.
     *
     * @return list<LineStep>
     *
     * @throws PresetRefused
     */
    public static function line(mixed $rows): array
    {
        self::need(
            is_array($rows) && array_is_list($rows) && count($rows) <= self::MOST_STEPS,
            sprintf('a line is a list of at most %d steps', self::MOST_STEPS),
        );
        $steps = [];
        foreach ($rows as $i => $row) {
            self::need(is_array($row) && is_string($row['step'] ?? null), sprintf('step %d cannot be read', $i + 1));
            $values = $row['values'] ?? [];
            self::need(is_array($values) && is_bool($row['on'] ?? true), sprintf('step %d cannot be read', $i + 1));
            try {
                $known = array_column(array_map(static fn ($field): array => [$field->name, true], Steps::about($row['step'])->fields), 1, 0);
                $unknown = array_diff_key($values, $known);
                self::need(
                    $unknown === [],
                    sprintf('step %d, "%s", has no field "%s"', $i + 1, $row['step'], mb_substr((string) array_key_first($unknown), 0, 40)),
                );
                $made = Steps::make($row['step'], $values);
            } catch (Refused $refused) {
                throw PresetRefused::wrong(sprintf('step %d, "%s": %s', $i + 1, mb_substr($row['step'], 0, 40), lcfirst(rtrim($refused->getMessage(), '.'))));
            }
            $steps[] = new LineStep('s'.($i + 1), $row['step'], array_intersect_key($made->values(), $values), $row['on'] ?? true);
        }

        return $steps;
    }

    private static function text(mixed $value, int $most, string $else): string
    {
        self::need(is_string($value) && mb_strlen($value) <= $most, $else);

        return is_string($value) ? mb_scrub($value) : '';
    }

    private static function need(bool $holds, string $else): void
    {
        if (! $holds) {
            throw PresetRefused::wrong($else);
        }
    }
}
