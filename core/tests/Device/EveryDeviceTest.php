<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Device;

use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Shop\Stock;
use NeatEdge\Devices\StandIns;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What holds for every kind of machine there is, also for those that come after this test was written. */
final class EveryDeviceTest extends TestCase
{
    #[Test]
    public function each_is_whole_and_has_a_stand_in(): void
    {
        self::assertEqualsCanonicalizing(array_keys(Devices::catalogue()), array_keys(StandIns::ALL));
        foreach (Devices::catalogue() as $kind => $about) {
            self::assertSame($about->format, Formats::about($about->format)->key);
            $values = Stock::values('machine', ['kind' => $kind, ...$about->standIn]);
            self::assertSame(
                [$kind, $about->standIn['bedHeight']],
                [$values['kind'], $values['bedHeight']],
                'what the stand-in is like is what a shop can say of a machine',
            );
            self::assertContains(
                $kind,
                array_map(
                    strval(...),
                    array_keys(array_column(
                        array_map(static fn ($field): array => [$field->name, $field->options], Stock::kinds()['machine']->fields),
                        1,
                        0,
                    )['kind']),
                ),
            );
        }
    }

    #[Test]
    public function a_file_is_known_by_one_kind_alone(): void
    {
        foreach ([
            "%PDF-1.7\n" => 'recorder',
            'IN;SP1;PU0,0;' => 'cutter',
            "(made for a head)\nG21\n" => 'engraver',
            "G21\nG90\n" => 'engraver',
            'hello' => null,
            '' => null,
        ] as $bytes => $kind) {
            self::assertSame($kind, Devices::taking((string) $bytes));
            self::assertCount(
                $kind === null ? 0 : 1,
                array_filter(array_keys(Devices::catalogue()), static fn (string $one): bool => Devices::of($one)::takes((string) $bytes)),
            );
        }
    }
}
