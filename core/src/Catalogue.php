<?php

declare(strict_types=1);

namespace NeatEdge\Core;

use NeatEdge\Core\Check\LimitFields;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Recipe\Basic\ShapeKind;
use NeatEdge\Core\Shop\Stock;

/**
 * Everything that an artist can choose, as it describes itself: what the catalogue of the command line, the description of
 * the interface over HTTP and the laws in the tests go over. It stands above all rooms.
 *
 * @phpstan-type Entry array{label: string, says: string, fields: list<Field>}
 */
final class Catalogue
{
    /** @return array<string, array<string, Entry>> what is described, by the list it is in and its kind */
    public static function all(): array
    {
        $made = array_combine(
            Processes::keys(),
            array_map(
                static fn (Process $process): array => self::entry($process->label(), $process->says(), $process->fields()),
                array_values(Processes::all()),
            ),
        );
        $shapes = array_combine(
            array_column(ShapeKind::cases(), 'value'),
            array_map(static fn (ShapeKind $shape): array => self::entry($shape->label(), '', $shape->fields()), ShapeKind::cases()),
        );

        return [
            'edits' => array_map(static fn ($about): array => self::entry($about->label, $about->says, $about->fields), Edits::catalogue()),
            'steps' => array_map(static fn ($about): array => self::entry($about->label, $about->says, $about->fields), Steps::catalogue()),
            'outputs' => array_map(static fn ($about): array => self::entry($about->label, $about->says, $about->fields), Formats::catalogue()),
            'stock' => array_map(static fn ($kind): array => self::entry($kind->one, $kind->says, $kind->fields), Stock::kinds()),
            'making' => $made,
            'shapes' => $shapes,
            'limits' => ['limits' => self::entry('Limits', 'What a ticket holds work to.', LimitFields::all())],
        ];
    }

    /** @return array<string, mixed> the same as plain data */
    public static function plain(): array
    {
        $fields = static fn (array $entry): array => [...$entry, 'fields' => array_map(static fn (Field $field): array => $field->toArray(), $entry['fields'])];

        return array_map(static fn (array $list): array => array_map($fields, $list), self::all());
    }

    /**
     * @param  list<Field>  $fields
     * @return Entry
     */
    private static function entry(string $label, string $says, array $fields): array
    {
        return ['label' => $label, 'says' => $says, 'fields' => $fields];
    }
}
