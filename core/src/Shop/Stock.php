<?php

declare(strict_types=1);

namespace NeatEdge\Core\Shop;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Sheet\Layout\Layout;

/** What a shop has: materials, inks, screens, blades, heads and machines, each kind as it describes itself. A new kind is one row here. */
final class Stock
{
    /** Limits that most of them set, by the field that says them. */
    private const HOLDS = ['leastLine' => 'line', 'leastGap' => 'gap'];

    /** @return array<string, StockKind> by kind */
    public static function kinds(): array
    {
        return [
            'material' => self::material(),
            'ink' => self::ink(),
            'screen' => self::screen(),
            'blade' => self::blade(),
            'head' => self::head(),
            'machine' => self::machine(),
        ];
    }

    private static function material(): StockKind
    {
        $laid = self::users('material');

        return new StockKind('Materials', 'Material', 'Rolls and sheets: their width is what copies are laid on, their price what the job sheet'
            .' reckons with, and what they hold is what checks ask for.', [
                Field::choice('form', 'Comes as', 'roll', ['roll' => 'Roll', 'sheet' => 'Sheets']),
                Field::choice(
                    'for',
                    'Is for',
                    'any',
                    [
                        'any' => 'Everything',
                        ...array_map(static fn (Process $process): string => $process->label(), array_intersect_key(Processes::all(), array_flip($laid))),
                    ],
                    'where it is offered',
                ),
                Field::words('colour', 'Colour', Field::COLOUR, '#223344'),
                Field::length('width', 'Width', 610.0, 1.0),
                Field::length('length', 'Length of a sheet', 0.0, 0.0, 'nought for a roll'),
                Field::flag('grain', 'Has a grain', false),
                Field::length('thickness', 'Thickness', 0.08, 0.0), Field::number('price', 'Price a square metre', 6.0, 0.0, 1e5),
                Field::length('leastLine', 'Least line it holds', 0.0, 0.0, 'as the process has it when nought'),
                Field::length('leastGap', 'Least gap it holds', 0.0, 0.0, 'as the process has it when nought'),
                Field::length('leastPart', 'Least part that stays on', 0.0, 0.0, 'as the side of a square; as the process has it when nought'),
            ], ['form', 'width', 'price'], $laid, [...self::HOLDS, 'leastPart' => 'island']);
    }

    private static function ink(): StockKind
    {
        return new StockKind('Inks', 'Ink', 'For screens, by their colour: how well they cover is how plates are shown on the cloth, their number'
            .' the order in which they are printed.', [
                Field::words('colour', 'Colour', Field::COLOUR, '#1d5c46'),
                Field::share('opacity', 'Covers, 0 to 1', 0.95),
                Field::count('rank', 'Printed as number', 1, 1, 99),
                Field::flag('alone', 'Prints without white under it', false), Field::number('price', 'Price a square metre', 4.0, 0.0, 1e5),
            ], ['opacity', 'rank']);
    }

    private static function screen(): StockKind
    {
        return new StockKind('Screens', 'Screen', 'What a mesh holds: its ruling and its least dot are taken for the plates of a job that names it.', [
            Field::count('threads', 'Threads a centimetre', 55, 10, 200),
            Field::number('ruling', 'Lines an inch', 45.0, 10.0, 120.0),
            Field::length('leastDot', 'Least dot', 0.1, 0.0),
            Field::length('leastLine', 'Least line', 0.3, 0.0),
            Field::length('leastGap', 'Least gap', 0.0, 0.0, 'as the process has it when nought'),
        ], ['ruling', 'leastDot'], self::users('screen'), self::HOLDS, ['ruling' => 'ruling', 'leastDot' => 'leastDot']);
    }

    private static function blade(): StockKind
    {
        return new StockKind('Blades', 'Blade', 'What a knife can cut, and how far its tip trails its axis.', [
            Field::length('offset', 'Blade offset', 0.25, 0.0, 'from the axis to the tip'),
            Field::length('overcut', 'Overcut', 0.3, 0.0),
            Field::length('deepest', 'Cuts through at most', 0.2, 0.0),
            Field::length('leastLine', 'Least line', 0.5, 0.0),
            Field::length('leastGap', 'Least gap', 0.3, 0.0),
        ], ['offset', 'deepest'], self::users('blade'), self::HOLDS);
    }

    private static function head(): StockKind
    {
        return new StockKind('Heads', 'Head', 'What an engraving head draws: the width of its line, and how fast it may go.', [
            Field::length('spot', 'Width of its line', 0.1, 0.01),
            Field::length('leastLine', 'Least line', 0.15, 0.0),
            Field::length('leastGap', 'Least gap', 0.15, 0.0),
            Field::number('fastest', 'At most, mm/s', 200.0, 0.1, 5000.0),
        ], ['spot', 'fastest'], self::users('head'), self::HOLDS, ['spot' => 'spot']);
    }

    private static function machine(): StockKind
    {
        return new StockKind('Machines', 'Machine', 'Where files are sent, and what they are made for.', [
            Field::choice('kind', 'Kind', 'cutter', array_map(static fn ($about): string => $about->label, Devices::catalogue())),
            Field::words('host', 'Address', Field::TEXT, '127.0.0.1'),
            Field::count('port', 'Port', 9100, 1, 65_535),
            Field::length('bedWidth', 'Bed, along', 0.0, 0.0, 'nought for a roll'),
            Field::length('bedHeight', 'Bed, across', 610.0, 1.0),
            Field::length('blade', 'Blade offset', 0.0, 0.0, 'of a drag knife; nought where the machine sees to it'),
            Field::length('overcut', 'Overcut', 0.3, 0.0), Field::number('travel', 'Travel speed, mm/s', 400.0, 1.0, 5000.0),
            Field::number('gather', 'Gathers speed by, mm/s²', 2000.0, 1.0, 1e5),
            Field::number('lift', 'Up or down, seconds (a beam: 0)', 0.05, 0.0, 10.0),
            Field::number('rate', 'Rate an hour', 40.0, 0.0, 1e5),
        ], ['kind', 'host', 'port', 'bedHeight'], Processes::keys());
    }

    /** @return list<string> processes whose tickets name one of a kind */
    private static function users(string $kind): array
    {
        return array_keys(array_filter(Processes::all(), static fn (Process $process): bool => in_array($kind, $process->uses(), true)));
    }

    /**
     * Why a sheet does not fit a machine, by what is made of it and not by its blank film; null where it does.
     *
     * @param  array<string, float|string|bool>  $machine
     */
    public static function misfit(array $machine, Layout $layout): ?string
    {
        $box = $layout->box();
        $across = (float) ($machine['bedHeight'] ?? 0.0);
        $along = (float) ($machine['bedWidth'] ?? 0.0);
        if ($box === null || (($across <= 0 || $box->bottom <= $across + self::CLOSE) && ($along <= 0 || $box->right <= $along + self::CLOSE))) {
            return null;
        }

        return sprintf(
            'what is made reaches to %.1f x %.1f mm, and its bed takes %s.',
            $box->right,
            $box->bottom,
            $along > 0 ? sprintf('%.0f x %.0f mm', $along, $across) : sprintf('%.0f mm across', $across),
        );
    }

    /** mm that a sheet may be off the bed by, for the digits of sizes. */
    private const CLOSE = 0.05;

    /**
     * @param  array<mixed>  $typed
     * @param  array<string, float|string|bool>  $now
     * @return array<string, float|string|bool>
     *
     * @throws Refused
     */
    public static function values(string $kind, array $typed, array $now = [], string $unit = 'mm'): array
    {
        return Values::read(self::kinds()[$kind]->fields ?? throw Refused::because('There is no such kind of thing.'), $typed, $unit)->all($now);
    }

    /** @return list<array{kind: string, name: string, values: array<string, mixed>}> with which a shop begins */
    public static function samples(): array
    {
        $roll = static fn (string $name, string $colour, float $price): array => [
            'kind' => 'material',
            'name' => $name,
            'values' => ['form' => 'roll', 'for' => 'cut-vinyl', 'colour' => $colour, 'width' => 610.0, 'thickness' => 0.08, 'price' => $price],
        ];

        return [
            $roll('Harbour blue film', '#14213d', 7.5),
            $roll('Lamp yellow film', '#e2a72e', 7.5),
            $roll('Buoy red film', '#c8452f', 7.5),
            $roll('Sailcloth white film', '#f4ead2', 7.0),
            [
                'kind' => 'material',
                'name' => 'Transfer film, white',
                'values' => ['form' => 'roll', 'for' => 'heat-transfer-vinyl', 'colour' => '#ffffff', 'width' => 500.0, 'thickness' => 0.09, 'price' => 14.0],
            ],
            [
                'kind' => 'material',
                'name' => 'Printing film, gloss',
                'values' => ['form' => 'roll', 'for' => 'sticker', 'colour' => '#fdfdfb', 'width' => 610.0, 'thickness' => 0.1, 'price' => 9.0],
            ],
            [
                'kind' => 'material',
                'name' => 'Brass plate',
                'values' => [
                    'form' => 'sheet',
                    'for' => 'engraving',
                    'colour' => '#d8c48a',
                    'width' => 200.0,
                    'length' => 300.0,
                    'grain' => true,
                    'thickness' => 1.0,
                    'price' => 180.0,
                ],
            ],
            ['kind' => 'ink', 'name' => 'Orange, opaque', 'values' => ['colour' => '#e07a1f', 'opacity' => 0.95, 'rank' => 1]],
            ['kind' => 'ink', 'name' => 'Cream', 'values' => ['colour' => '#f7f3e8', 'opacity' => 0.9, 'rank' => 2]],
            ['kind' => 'ink', 'name' => 'River teal', 'values' => ['colour' => '#3aa0a8', 'opacity' => 0.9, 'rank' => 3]],
            ['kind' => 'screen', 'name' => 'Mesh 55', 'values' => ['threads' => 55, 'ruling' => 45.0, 'leastDot' => 0.1]],
            ['kind' => 'screen', 'name' => 'Mesh 77', 'values' => ['threads' => 77, 'ruling' => 55.0, 'leastDot' => 0.08, 'leastLine' => 0.2]],
            ['kind' => 'blade', 'name' => 'Fine knife', 'values' => ['offset' => 0.25, 'deepest' => 0.12, 'leastLine' => 0.5]],
            [
                'kind' => 'blade',
                'name' => 'Knife for thick film',
                'values' => ['offset' => 0.5, 'overcut' => 0.6, 'deepest' => 0.5, 'leastLine' => 1.2, 'leastGap' => 0.8],
            ],
            ['kind' => 'head', 'name' => 'Fine beam', 'values' => ['spot' => 0.1, 'fastest' => 300.0]],
            ['kind' => 'head', 'name' => 'Scratching tip', 'values' => ['spot' => 0.2, 'leastLine' => 0.25, 'leastGap' => 0.25, 'fastest' => 60.0]],
        ];
    }
}
