<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Described;

use NeatEdge\Core\Catalogue;
use NeatEdge\Core\Check\LimitFields;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Recipe\Basic\ShapeKind;
use NeatEdge\Core\Shop\Stock;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What holds for every field of everything that is described: its bounds are those by which it is read, and there are no others. */
final class EveryFieldTest extends TestCase
{
    /** Places of an edit that say what it is about: without them it has nothing to do with whatever its numbers are. */
    private const ABOUT = [
        'nodes' => [[0, 0], [0, 1]],
        'segments' => [[0, 0]],
        'step' => 'thicken',
        'what' => 'thicken',
        'text' => 'Wharf',
        'piece' => 'p1',
        'pieces' => ['p1'],
    ];

    /** @return iterable<string, array{string, string, Field}> */
    public static function numeric(): iterable
    {
        foreach (Catalogue::all() as $list => $kinds) {
            foreach ($kinds as $kind => $entry) {
                foreach ($entry['fields'] as $field) {
                    if ($field->isNumeric()) {
                        yield "{$list} {$kind} {$field->name}" => [$list, $kind, $field];
                    }
                }
            }
        }
    }

    /** @return iterable<string, array{string, string, Field}> */
    public static function chosen(): iterable
    {
        foreach (Catalogue::all() as $list => $kinds) {
            foreach ($kinds as $kind => $entry) {
                foreach ($entry['fields'] as $field) {
                    if (in_array($field->type, [Field::CHOICE, Field::FLAG, Field::COLOUR], true)) {
                        yield "{$list} {$kind} {$field->name}" => [$list, $kind, $field];
                    }
                }
            }
        }
    }

    #[Test]
    #[DataProvider('numeric')]
    public function least_most_and_default_are_taken_and_what_is_beyond_is_refused_in_one_wording(string $list, string $kind, Field $field): void
    {
        $taken = [$field->least, $field->most, ...($field->usual === '' ? [] : [(float) $field->usual])];
        foreach ($taken as $value) {
            self::assertGreaterThanOrEqual($field->least, $value, 'the default lies within the bounds');
            self::assertLessThanOrEqual($field->most, $value, 'the default lies within the bounds');
            self::assertNull(self::refusal($list, $kind, [$field->name => $value]), "{$value} is described, so it is taken");
        }
        $step = $field->type === Field::COUNT ? 1.0 : 0.01 * max(1.0, abs($field->most));
        foreach ([$field->least - $step, $field->most + $step, 'much', NAN, [3]] as $value) {
            $said = self::refusal($list, $kind, [$field->name => $value]);
            self::assertNotNull($said, 'beyond its bounds nothing is made: '.json_encode(is_float($value) && is_nan($value) ? 'NAN' : $value));
            self::assertStringStartsWith("{$field->label}: ", $said);
            if (is_float($value) && ! is_nan($value)) {
                self::assertSame("{$field->label}: {$field->wanted()}.", $said);
            }
        }
    }

    #[Test]
    #[DataProvider('chosen')]
    public function every_choice_is_taken_and_no_other(string $list, string $kind, Field $field): void
    {
        $taken = match ($field->type) {
            Field::CHOICE => array_map(strval(...), array_keys($field->options)),
            Field::FLAG => [true, false, 1, '0', 'yes'],
            default => ['#1d5c46', '#c33', ...array_keys($field->options)],
        };
        foreach ($taken as $value) {
            self::assertNull(self::refusal($list, $kind, [$field->name => $value]), json_encode($value, JSON_THROW_ON_ERROR).' is described, so it is taken');
        }
        foreach (['plaid', ['x']] as $value) {
            $said = self::refusal($list, $kind, [$field->name => $value]);
            self::assertSame("{$field->label}: {$field->wanted()}.", $said);
        }
        if ($field->type === Field::CHOICE && $field->usual !== '') {
            self::assertArrayHasKey((string) $field->usual, $field->options);
        }
    }

    #[Test]
    public function what_must_be_said_is_missed_by_its_name(): void
    {
        $needed = 0;
        foreach (Catalogue::all()['edits'] as $kind => $entry) {
            foreach ($entry['fields'] as $field) {
                if ($field->needed) {
                    $needed++;
                    $raw = array_diff_key(self::complete('edits', $kind, []), [$field->name => 1]);
                    self::assertSame(
                        "{$field->label} is missing: {$field->wanted()}.",
                        self::message(static fn () => Edits::make($kind, $raw, FontShelf::shipped())),
                    );
                }
            }
        }
        self::assertGreaterThan(15, $needed);
    }

    #[Test]
    public function a_value_is_what_was_typed_in_its_unit_or_what_is_usual_or_what_it_is_now(): void
    {
        $fields = [
            Field::length('width', 'Width', 10.0, 0.5, most: 50.0),
            Field::angle('turn', 'Turn', 0.0),
            Field::share('part', 'Part', 0.25),
            Field::count('rows', 'Rows', 3, 1, 9),
            Field::colour('ink', 'Ink', '#112233', none: true),
        ];
        $typed = Values::read($fields, ['width' => '1cm + 2', 'turn' => '360/8', 'part' => '40 %', 'rows' => '4', 'ink' => '#c33']);
        self::assertSame(
            [12.0, 45.0, 0.4, 4, '#cc3333'],
            [$typed->length('width'), $typed->number('turn'), $typed->number('part'), $typed->count('rows'), $typed->colour('ink')?->hex()],
        );
        $usual = Values::read($fields, []);
        self::assertSame(
            [10.0, 0.0, 0.25, 3, '#112233'],
            [$usual->length('width'), $usual->number('turn'), $usual->number('part'), $usual->count('rows'), $usual->colour('ink')?->hex()],
        );
        self::assertSame([7.0, 90.0], [$usual->length('width', 7.0), $usual->number('turn', 90.0)], 'what is not said stays as it is now');
        $half = Values::read($fields, ['width' => '50%'], 'in');
        self::assertSame([5.0, 20.0, 0.5], [$half->length('width'), $half->length('width', 40.0), $half->percentage('width')]);
        self::assertSame(
            'Width: type a length between 0.5 and 50 mm.',
            self::message(static fn () => $half->length('width', 200.0)),
            'what a percentage comes to is held to the bounds',
        );
        self::assertSame(25.4, Values::read($fields, ['width' => '1'], 'in')->length('width'));
        self::assertTrue(Values::read($fields, ['ink' => 'none'])->none('ink'));
        self::assertNull(Values::read($fields, ['ink' => 'none'])->colour('ink'));
        self::assertSame('', Values::read($fields, ['ink' => ''])->all()['ink'], 'a colour that was emptied is none');
    }

    #[Test]
    public function places_pairs_and_rows_are_read_once_and_refused_by_the_name_of_their_field(): void
    {
        $fields = [
            Field::words('at', 'Places', Field::PLACES),
            Field::pairs('pairs', 'Pairs', ['butt' => 'Butt', 'trap' => 'Trap']),
            Field::words('keep', 'Keep', Field::COLOURS),
            Field::words('dashes', 'Dashes', Field::LENGTHS),
            Field::words('paint', 'Painted', Field::PAINTED),
            Field::rows('stops', 'Stops', [Field::share('at', 'Along', 0.0)->needed(), Field::number('wide', 'Wide', 1.0, 0.0, 10.0)], 1, 3),
            Field::words('line', 'Line', Field::PATH),
        ];
        $read = Values::read(
            $fields,
            [
                'at' => '1cm,2 3,4; 5,6',
                'pairs' => '#111/#222222=trap',
                'keep' => '#abc, #ddeeff',
                'dashes' => '4mm 0.2cm',
                'paint' => '1,2 #cc3333; 3,4 #112233',
                'stops' => [[0.5, 2], ['at' => '75%']],
                'line' => 'M0,0 L3,4',
            ],
        );
        self::assertSame([[[10.0, 2.0], [3.0, 4.0]], [[5.0, 6.0]]], $read->groups('at'));
        self::assertSame([[10.0, 2.0], [3.0, 4.0], [5.0, 6.0]], $read->places('at'));
        self::assertSame(['#111111', '#222222', 'trap'], [$read->pairs('pairs')[0][0]->hex(), $read->pairs('pairs')[0][1]->hex(), $read->pairs('pairs')[0][2]]);
        self::assertSame(['#aabbcc', '#ddeeff'], array_map(static fn ($one): string => $one->hex(), $read->colours('keep')));
        self::assertSame([4.0, 2.0], $read->lengths('dashes'));
        self::assertSame(
            [[1.0, 2.0], '#cc3333', [3.0, 4.0]],
            [$read->painted('paint')[0][0], $read->painted('paint')[0][1]->hex(), $read->painted('paint')[1][0]],
        );
        self::assertSame(
            [[0.5, 2.0], [0.75, 1.0]],
            array_map(static fn (Values $row): array => [$row->number('at'), $row->number('wide')], $read->rows('stops')),
        );
        self::assertEqualsWithDelta(5.0, $read->path('line')[0]->length(), 1e-9);
        foreach ([
            'at' => '1',
            'pairs' => '#111/#222=cut',
            'keep' => 'red',
            'dashes' => '-4',
            'paint' => '1,2',
            'stops' => [],
            'line' => 'M0,0 X',
        ] as $name => $wrong) {
            $label = array_column(array_map(static fn (Field $field): array => [$field->name, $field->label], $fields), 1, 0)[$name];
            self::assertStringStartsWith("{$label}: ", (string) self::message(static fn () => Values::read($fields, [$name => $wrong])));
        }
        self::assertSame(
            'Along is missing: type a share between 0 and 1, or between 0% and 100%.',
            self::message(static fn () => Values::read($fields, ['stops' => [['wide' => 3]]])->rows('stops')),
        );
    }

    #[Test]
    public function nobody_can_ask_for_a_value_that_is_not_described(): void
    {
        $values = Values::read([Field::length('width', 'Width', 1.0)], ['depth' => 3]);
        $this->expectException(\LogicException::class);
        $values->length('depth');
    }

    /** @param  array<string, mixed>  $raw */
    private static function refusal(string $list, string $kind, array $raw): ?string
    {
        $raw = self::complete($list, $kind, $raw);

        return self::message(static fn () => match ($list) {
            'edits' => Edits::make($kind, $raw, FontShelf::shipped()),
            'steps' => Steps::make($kind, $raw),
            'outputs' => Formats::make($kind, $raw),
            'stock' => Stock::values($kind, $raw),
            'making' => Processes::of($kind)->values($raw),
            'shapes' => Values::read(ShapeKind::from($kind)->fields(), $raw)->all(),
            'limits' => LimitFields::typed([], array_map(static fn (mixed $one): mixed => is_float($one) ? (string) $one : $one, $raw), 'mm'),
            default => self::fail("Who makes what stands in the list {$list}?"),
        });
    }

    /**
     * @param  array<string, mixed>  $raw
     * @return array<string, mixed> with all that must be said
     */
    private static function complete(string $list, string $kind, array $raw): array
    {
        foreach (Catalogue::all()[$list][$kind]['fields'] as $field) {
            $said = self::ABOUT[$field->name] ?? ($field->needed ? self::some($field) : null);
            if ($said !== null && ! array_key_exists($field->name, $raw)) {
                $raw[$field->name] = $said;
            }
        }

        return match ($kind) {
            'fill' => [...$raw, 'colour' => $raw['colour'] ?? '#336699'],
            'line' => [...$raw, 'coords' => [0, 0, 0, 0, 9, 0, 9, 0]],
            'continue' => [...$raw, 'coords' => [0, 0, 0, 0, 9, 0, 9, 0]],
            'wrap' => [...$raw, 'frame' => 'M0,0 L40,0 L40,20 L0,20 Z'],
            default => $raw,
        };
    }

    private static function some(Field $field): mixed
    {
        return match ($field->type) {
            Field::COLOUR => '#336699',
            Field::CHOICE => (string) array_key_first($field->options),
            Field::NUMBERS => array_map(static fn (int $i): float => [1.0, 0.0, 0.0, 1.0, 5.0, 5.0, 9.0, 2.0][$i % 8], range(0, (int) $field->least - 1)),
            Field::LENGTH, Field::NUMBER, Field::SHARE, Field::ANGLE, Field::COUNT => max($field->least, min($field->most, 0.5)),
            default => self::fail("Nothing is known to say for {$field->name}."),
        };
    }

    /** @param  callable(): mixed  $make */
    private static function message(callable $make): ?string
    {
        try {
            $make();

            return null;
        } catch (Refused $refused) {
            return $refused->getMessage();
        }
    }
}
