<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Format\Json\PresetRefused;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\LineOrder;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Line\Presets;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Line\TouchUp;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Applied;
use NeatEdge\Core\Prepare\Colours\ColourAreas;
use NeatEdge\Core\Prepare\Colours\Joining;
use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Sheet\Nest\Overlap;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What holds for every step there is, and what each of the newer ones does to art of which the outcome is known. */
final class EveryStepTest extends TestCase
{
    private static function art(string $svg): Artwork
    {
        return Reader::read('<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="60mm" viewBox="0 0 60 60"><defs><linearGradient id="g"><stop'
            .' stop-color="#ff0000"/><stop offset="1" stop-color="#0000ff"/></linearGradient></defs>'.$svg.'</svg>')->artwork;
    }

    private static function flat(string $svg): Artwork
    {
        return PrepLine::usual()->run(self::art($svg))->artwork();
    }

    /** @return array<string, float> mm² by colour */
    private static function areas(Artwork $art): array
    {
        $out = [];
        foreach ($art->pieces as $piece) {
            $hex = $piece->fill?->colour->hex() ?? '';
            $out[$hex] = ($out[$hex] ?? 0.0) + $piece->shape->area();
        }

        return $out;
    }

    /** @return iterable<string, array{string}> */
    public static function kinds(): iterable
    {
        foreach (array_keys(Steps::catalogue()) as $kind) {
            yield $kind => [$kind];
        }
    }

    /** Values with which a step has something to do, where it has nothing by its own. */
    private const AT_WORK = [
        'scale' => ['width' => '30mm'],
        'reduce-colours' => ['count' => 2],
        'fit-page' => ['how' => 'page'],
        'islands' => ['size' => '2mm'],
        'fill-holes' => ['size' => '3mm'],
        'thicken' => ['width' => '1mm'],
        'widen-gaps' => ['width' => '1mm'],
        'blunt-points' => ['width' => '1mm'],
    ];

    #[Test]
    #[DataProvider('kinds')]
    public function what_a_step_says_that_it_keeps_or_makes_of_the_art_is_so(string $kind): void
    {
        $step = Steps::make($kind, self::AT_WORK[$kind] ?? []);
        $drawn = self::art('<rect x="5" y="5" width="30" height="20" fill="#c33"/><rect x="50" y="50" width="0.6" height="0.6" fill="#c33"/><circle'
            .' cx="30" cy="30" r="12" fill="#3b8ea5"/><path d="M35.2 5H45V25H35.2z" fill="#0a0b0c"/><path d="M35.2 5H45V25H35.2z" fill="#0a0b0c"/>'
            .'<path d="M8 40L28 40.4L8 40.8z" fill="#2a5"/><path d="M10 8H20V18H10zM12 10V12H14V10z" fill="#010203" fill-rule="evenodd"/><path d="M40'
            .' 30H55V31.2L41 31z" fill="#c44"/>');
        foreach ([$drawn, Applied::step(new MergeByColour, $drawn)] as $art) {
            $after = $step instanceof TellsDeeds ? Applied::cure($step, $art)->artwork : Applied::step($step, $art);
            $said = $step::about()->apart;
            self::assertSame(
                $said === AboutStep::MAKES
                    || $said === AboutStep::KEEPS && $art->apart
                    || $said === AboutStep::ENDS && $art->apart && $after->pieces === $art->pieces,
                $after->apart,
            );
            if ($after->apart) {
                $solid = array_values(array_filter($after->pieces, static fn (Piece $piece): bool => $piece->isSolid()));
                $over = array_filter(
                    Overlap::pairs(array_map(static fn (Piece $piece): Shape => $piece->shape, $solid)),
                    static fn (array $pair): bool => $pair[2] > 1e-4,
                );
                self::assertSame([], $over, 'mm² in which two of them overlap');
            }
            // A step that changes each piece by itself leaves no other behind.
            if ($step::about()->byPiece !== AboutStep::NOT) {
                self::assertSame([], array_diff(array_column($after->pieces, 'id'), array_column($art->pieces, 'id')));
            }
        }
    }

    #[Test]
    #[DataProvider('kinds')]
    public function a_step_is_described_stored_and_made_again_to_the_same_outcome(string $kind): void
    {
        $about = Steps::about($kind);
        self::assertMatchesRegularExpression('/^[A-Z][^\n]{2,40}$/', $about->label);
        self::assertMatchesRegularExpression('/\.$/', $about->says);
        $step = Steps::make($kind);
        self::assertSame([$kind, $about->label], [$step->key(), $step->label()]);
        $names = array_map(static fn ($field): string => $field->name, $about->fields);
        self::assertEqualsCanonicalizing($names, array_keys($step->values()));
        foreach (array_keys($about->after) as $other) {
            self::assertLessThan($about->rank, Steps::about($other)->rank, "{$kind} is proposed after {$other}");
        }
        // Through its stored form.
        $again = Steps::make($kind, json_decode(json_encode($step->values(), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true));
        self::assertSame($step->values(), $again->values());
        $art = self::art('<rect x="5" y="5" width="30" height="20" fill="#c33"/><circle cx="30" cy="30" r="12" fill="#3b8ea5" stroke="#222"'
            .' stroke-width=".4"/><path d="M40 5H55V6" fill="none" stroke="#222"/>');
        self::assertSame(serialize(self::areas($step->apply($art))), serialize(self::areas($again->apply($art))));
        // On nothing it does nothing.
        self::assertSame([], $step->apply(new Artwork(60.0, 60.0, []))->pieces);
    }

    #[Test]
    public function a_step_leaves_flat_art_flat_and_apart_unless_it_lays_colours_over_each_other(): void
    {
        $flat = self::flat('<rect x="5" y="5" width="30" height="20" fill="#c33"/><circle cx="30" cy="30" r="12" fill="#3b8ea5"/><rect x="20" y="10"'
            .' width="4" height="30" fill="#e0a030"/>');
        foreach (array_keys(Steps::catalogue()) as $kind) {
            if ($kind === 'stack' || $kind === 'touch-up') {
                continue;
            }
            $after = Steps::make($kind, ['width' => $kind === 'scale' ? 120 : 0.5, 'size' => 1])->apply($flat);
            foreach ($after->pieces as $k => $piece) {
                foreach (array_slice($after->pieces, $k + 1) as $other) {
                    $over = Combine::keepOverlap([$piece->shape, $other->shape], $after->tolerance());
                    self::assertLessThanOrEqual(0.02 * $over->roughLength(), 2 * $over->area(), $kind);
                }
            }
        }
    }

    #[Test]
    public function colours_underlap_by_the_distance_or_are_stacked_whole_and_never_beyond_the_outer_edge(): void
    {
        $flat = self::flat('<rect x="10" y="10" width="40" height="40" fill="#e0a030"/><rect x="20" y="20" width="20" height="20" fill="#3b8ea5"/><circle'
            .' cx="55" cy="55" r="3" fill="#3b8ea5"/>');
        $areas = static fn (array $values): array => self::areas(Steps::make('stack', $values)->apply($flat));
        self::assertEqualsWithDelta(1200.0, self::areas($flat)['#e0a030'], 1e-6);
        self::assertEqualsWithDelta(1600.0 - 19 ** 2, $areas(['by' => '0.5mm'])['#e0a030'], 0.01);
        self::assertEqualsWithDelta(1600.0, $areas(['how' => 'stack'])['#e0a030'], 0.01, 'whole under what lies on it; what does not touch it is not its');
        self::assertEqualsWithDelta(1200.0, $areas(['how' => 'butt'])['#e0a030'], 1e-6);
        self::assertEqualsWithDelta(1200.0, $areas(['how' => 'stack', 'pairs' => '#e0a030/#3b8ea5=butt'])['#e0a030'], 1e-6);
        self::assertSame(self::areas($flat)['#3b8ea5'], $areas(['how' => 'stack'])['#3b8ea5'], 'the upper stays as it is');
        // In the notch of the lower, and touching it nowhere.
        $notch = self::flat('<path d="M10 10H50V50H10V40H40V20H10Z" fill="#e0a030"/><circle cx="20" cy="30" r="5" fill="#3b8ea5"/>');
        self::assertEqualsWithDelta(1000.0, self::areas(Steps::make('stack', ['how' => 'stack'])->apply($notch))['#e0a030'], 1e-6);
        // What is judged is what is seen: how colours are laid changes no look, and is no overlap.
        $result = PrepLine::of([
            ...array_values(array_filter(Presets::plain(), static fn (LineStep $step): bool => $step->on)),
            new LineStep('s', 'stack', ['how' => 'stack']),
        ])->run(self::art('<rect x="10" y="10" width="40" height="40" fill="#e0a030"/><rect x="20" y="20" width="20" height="20" fill="#3b8ea5"/>'));
        self::assertTrue($result->look->isNone());
        self::assertNotSame($result->judged(), $result->artwork());
        $this->expectException(Refused::class);
        Steps::make('stack', ['pairs' => 'brass/sea=butt']);
    }

    #[Test]
    public function colours_are_joined_by_what_is_seen_of_them_and_black_and_white_stay(): void
    {
        $art = self::art('<rect width="40" height="40" fill="#cc3333"/><rect x="5" y="5" width="9" height="9" fill="#cd3434"/><rect x="20" y="5" width="9"'
            .' height="9" fill="#ffffff"/><rect x="5" y="20" width="9" height="9" fill="#3b8ea5"/><rect x="20" y="20" width="2" height="2" fill="#000000"/>');
        $hexes = static fn (Artwork $out): array => array_values(array_unique(array_map(
            static fn (Piece $piece): string => (string) $piece->fill?->colour->hex(),
            $out->pieces,
        )));
        self::assertEqualsCanonicalizing(['#cc3333', '#ffffff', '#3b8ea5', '#000000'], $hexes(Steps::make('join-near-colours')->apply($art)));
        self::assertEqualsCanonicalizing(['#cc3333', '#ffffff', '#000000'], $hexes(Steps::make('reduce-colours', ['count' => 3])->apply($art)));
        self::assertEqualsCanonicalizing(
            ['#3b8ea5', '#ffffff', '#000000'],
            $hexes(Steps::make('reduce-colours', ['count' => 3, 'keep' => '#3b8ea5'])->apply($art)),
            'what is kept takes the others in',
        );
        self::assertSame(
            ['#3b8ea5'],
            array_column(Joining::downTo(['#cc3333' => 1000.0, '#cc4433' => 900.0, '#3b8ea5' => 2.0], 2), 'from'),
            'a speck goes before two large ones join',
        );
        self::assertEquals(
            ['#aa0000' => '#cc0000', '#bb0000' => '#cc0000'],
            Joining::ends([
                ['from' => '#aa0000', 'to' => '#bb0000', 'distance' => 1.0, 'cost' => 1.0],
                ['from' => '#bb0000', 'to' => '#cc0000', 'distance' => 1.0, 'cost' => 1.0],
            ]),
        );
        self::assertTrue(Joining::isNearBlack(Colour::fromHex('#101418')));
        self::assertFalse(Joining::isNearBlack(Colour::fromHex('#14213d')));
    }

    #[Test]
    public function art_is_fitted_mirrored_scaled_rounded_inset_and_closed(): void
    {
        $svg = '<rect x="50" y="10" width="20" height="20" fill="#c33"/><rect x="5" y="10" width="10" height="10" fill="#3b8ea5"/>';
        self::assertEqualsWithDelta(
            ['#c33333' => 0, '#cc3333' => 200.0, '#3b8ea5' => 100.0],
            ['#c33333' => 0] + self::areas(Steps::make('fit-page')->apply(self::flat($svg))),
            1e-6,
        );
        self::assertSame(65.0, Steps::make('fit-page', ['how' => 'page'])->apply(self::flat($svg))->width);
        $mirrored = Steps::make('mirror')->apply(self::flat($svg));
        self::assertEqualsWithDelta([45.0, 55.0], [$mirrored->pieces[1]->box()?->left, $mirrored->pieces[1]->box()?->right], 1e-9);
        self::assertSame([120.0, 120.0], [($wide = Steps::make('scale', ['width' => '12cm'])->apply(self::flat($svg)))->width, $wide->height]);
        self::assertEqualsWithDelta(400 - (4 - M_PI) * 4, self::areas(Steps::make('round-corners', ['radius' => 2])->apply(self::flat($svg)))['#cc3333'], 0.01);
        // On both sides of a border alike, and not where three meet.
        $beside = self::flat('<rect x="10" y="10" width="20" height="20" fill="#c33"/><path d="M0 0H40V40H0Z M10 10V30H30V10Z" fill-rule="evenodd"'
            .' fill="#3b8ea5"/>');
        $round = Steps::make('round-corners', ['radius' => 1])->apply($beside);
        self::assertEqualsWithDelta(1600 - (4 - M_PI), array_sum(self::areas($round)), 0.01, 'only the outer corners take from the whole');
        $inset = self::areas(Steps::make('offset', ['distance' => 1])->apply(self::flat($svg)));
        self::assertEqualsWithDelta([324.0, 64.0], [$inset['#cc3333'], $inset['#3b8ea5']], 0.01);
        $outset = self::areas(Steps::make('offset', ['how' => 'outset', 'distance' => 1])->apply($beside));
        self::assertEqualsWithDelta(42.0 ** 2, array_sum($outset), 0.01);
        self::assertEqualsWithDelta(400.0, $outset['#cc3333'], 0.01, 'what lies inside has nowhere to go');
        $open = self::art('<path d="M5 5H20V20H5.2V5.3" fill="none" stroke="#222" stroke-width="1"/><path d="M30 5H45V20" fill="none" stroke="#222"'
            .' stroke-width="1"/>');
        self::assertSame(
            [true, false],
            array_map(static fn (Piece $piece): bool => $piece->shape->contours[0]->closed, Steps::make('close-lines')->apply($open)->pieces),
        );
        $doubled = self::art('<rect x="5" y="5" width="9" height="9" fill="#c33"/><rect x="5.01" y="5" width="9" height="9" fill="#c33"/><rect x="5" y="5"'
            .' width="9" height="9" fill="#3b8ea5"/><rect x="25" y="5" width="9" height="9" fill="#c33"/>');
        self::assertCount(3, Steps::make('drop-doubled')->apply($doubled)->pieces);
        $gradient = Steps::make('flat-gradients')->apply(self::art('<rect x="5" y="5" width="9" height="9" fill="url(#g)"/>'));
        self::assertNull($gradient->pieces[0]->fill?->gradient);
        self::assertEqualsWithDelta(
            [128, 0, 128],
            [$gradient->pieces[0]->fill?->colour->red, $gradient->pieces[0]->fill?->colour->green, $gradient->pieces[0]->fill?->colour->blue],
            1,
        );
    }

    #[Test]
    public function hand_edits_are_carried_over_to_what_the_line_gives_now_and_those_that_no_longer_apply_are_named(): void
    {
        $before = self::flat('<rect x="5" y="5" width="20" height="20" fill="#c33"/><circle cx="45" cy="45" r="8" fill="#3b8ea5"/>');
        [$red, $blue] = array_map(static fn (Piece $piece): string => $piece->id, $before->pieces);
        $edits = [
            TouchUp::tied(['kind' => 'move', 'pieces' => [$red], 'x' => 3, 'y' => 0], $before),
            TouchUp::tied(['kind' => 'inset', 'pieces' => [$blue], 'distance' => 1], $before),
        ];
        $now = Steps::make('touch-up', ['edits' => $edits])->apply($before);
        $edits[] = TouchUp::tied(['kind' => 'move-nodes', 'piece' => $red, 'nodes' => [[0, 0]], 'x' => 1, 'y' => 1], $now);
        $step = Steps::make('touch-up', ['edits' => json_decode(json_encode($edits, JSON_THROW_ON_ERROR), true)]);
        self::assertInstanceOf(TouchUp::class, $step);
        $first = $step->cure($before);
        self::assertSame(['Move 3 mm', 'Inset', 'Move a node'], array_column($first->done, 'how'));
        self::assertEqualsWithDelta(M_PI * 49, $first->artwork->pieces[1]->shape->area(), 0.1);
        // The source changes: the blue one has another id and lies a little aside; the red one has another outline.
        $after = self::flat('<circle id="new" cx="47" cy="44" r="9" fill="#3b8ea5"/><path d="M5 5H25V25H15V22H5Z" fill="#c33"/>');
        $second = $step->cure($after);
        self::assertSame(['Move 3 mm', 'Inset'], array_column($second->done, 'how'));
        self::assertCount(1, $second->left);
        self::assertStringContainsString('no longer applies: the outline whose nodes it moved is another now.', $second->left[0]['how']);
        $gone = $step->cure(self::flat('<rect x="5" y="5" width="20" height="20" fill="#c33"/>'));
        self::assertSame(['Inset no longer applies: the piece in #3b8ea5 that it was made on is gone.'], array_column($gone->left, 'how'));
        // Switched off it is not made, and is none that was left.
        $off = Steps::make('touch-up', ['edits' => [['on' => false] + $edits[0]]]);
        self::assertInstanceOf(TouchUp::class, $off);
        self::assertSame([[], []], [$off->cure($before)->done, $off->cure($before)->left]);
        foreach ([
            ['edits' => 'x'],
            ['edits' => [['edit' => ['kind' => 'knit']]]],
            ['edits' => [['edit' => ['kind' => 'line-use']]]],
            ['edits' => [['edit' => ['kind' => 'move'], 'ties' => ['a' => 5]]]],
        ] as $bad) {
            try {
                Steps::make('touch-up', $bad);
                self::fail('It was taken.');
            } catch (Refused $refused) {
                self::assertMatchesRegularExpression('/^(Hand edit 1 cannot be read|At most 500 hand edits are kept in one step)\.$/', $refused->getMessage());
            }
        }
    }

    #[Test]
    public function a_line_proposes_places_and_says_what_makes_no_sense(): void
    {
        $line = Presets::plain();
        self::assertSame([], LineOrder::complaints($line));
        self::assertSame(5, LineOrder::place($line, 'thicken'));
        self::assertSame(0, LineOrder::place($line, 'scale'));
        $wrong = [new LineStep('a', 'stack'), new LineStep('b', 'remove-hidden'), new LineStep('c', 'merge-by-colour', [], false)];
        self::assertSame(
            [[
                'id' => 'a',
                'says' => '"Stack or underlap" stands before "Remove hidden". What runs under is taken away again by what comes after: stack last.',
            ]],
            LineOrder::complaints($wrong),
        );
        foreach (Processes::presets() as $preset) {
            self::assertSame([], LineOrder::complaints($preset->steps), $preset->name);
            self::assertSame(
                serialize($preset->steps),
                serialize(array_map(
                    static fn (LineStep $step): LineStep => $step->with(id: $step->kind),
                    PresetJson::decode(PresetJson::encode($preset), $preset->for)->steps,
                )),
            );
        }
    }

    #[Test]
    public function a_preset_that_is_none_is_refused_with_what_is_wrong(): void
    {
        $good = ['neat_edge_preset' => 1, 'name' => 'x', 'steps' => [['step' => 'thicken', 'values' => ['width' => '1/32in']]]];
        self::assertEqualsWithDelta(0.79375, PresetJson::decode((string) json_encode($good), [])->steps[0]->values['width'], 1e-9);
        foreach ([
            [['name' => '  '], 'has no name'],
            [['version' => 0], 'no whole number from 1'],
            [['for' => ['knitting']], 'for a process that there is not'],
            [['colour' => 1], 'a preset has no "colour"'],
            [['steps' => 'x'], 'a line is a list'],
            [['steps' => [['step' => 'knit']]], 'There is no such step'],
            [['steps' => [['step' => 'thicken', 'values' => ['wide' => 1]]]], 'has no field "wide"'],
            [['steps' => [['step' => 'thicken', 'values' => ['width' => '-1mm']]]], 'step 1, "thicken"'],
            [['note' => str_repeat('x', 501)], 'more than 500 letters'],
        ] as [$change, $says]) {
            try {
                PresetJson::decode((string) json_encode([...$good, ...$change]), ['cut-vinyl']);
                self::fail('It was taken.');
            } catch (PresetRefused $refused) {
                self::assertStringContainsStringIgnoringCase($says, $refused->getMessage());
            }
        }
        self::assertSame(
            [['what' => 'width', 'step' => 'Thicken lines', 'here' => '1', 'there' => '2']],
            (new Preset(
                'a',
                1,
                '',
                [],
                [new LineStep('a', 'thicken', ['width' => 1.0])],
            ))->differences(new Preset('b', 1, '', [], [new LineStep('a', 'thicken', ['width' => 2.0])])),
        );
    }

    #[Test]
    public function what_is_left_to_the_ticket_is_taken_from_its_limits(): void
    {
        $limits = new Limits(0.7, 0.4, island: 2.0, hole: 1.0, colours: 3);
        foreach ([
            'thicken' => ['width' => 0.7, 'keep' => 0.4],
            'widen-gaps' => ['width' => 0.4, 'keep' => 0.7],
            'islands' => ['size' => 2.0, 'bridge' => 0.7],
            'fill-holes' => ['size' => 1.0],
            'reduce-colours' => ['count' => 3],
        ] as $kind => $values) {
            self::assertEquals($values, array_intersect_key(Steps::of(new LineStep('a', $kind), $limits)->values(), $values), $kind);
            $own = array_map(static fn (float|int $value): float|int => $value + 1, $values);
            self::assertEquals($own, array_intersect_key(Steps::of(new LineStep('a', $kind, $own), $limits)->values(), $own), $kind);
        }
    }

    #[Test]
    public function every_colour_is_named_also_those_that_are_flat_nowhere(): void
    {
        $art = Reader::read('<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="20mm" viewBox="0 0 60 20"><linearGradient id="g"><stop'
            .' offset="0" stop-color="#102030"/><stop offset=".5" stop-color="#c02020"/><stop offset="1" stop-color="#e0b040"/></linearGradient><rect'
            .' width="20" height="20" fill="#c02020"/><rect x="20" width="20" height="20" fill="url(#g)"/><rect x="45" width="10" height="10"'
            .' fill="#00a060" opacity=".5"/></svg>')->artwork;
        $flat = ColourAreas::seen($art);
        self::assertSame(['#c02020'], array_keys($flat));
        $blended = ColourAreas::blended($art, $flat);
        self::assertSame(
            ['#102030' => 'gradient', '#e0b040' => 'gradient', '#00a060' => 'see-through'],
            array_map(static fn (array $one): string => $one['of'], $blended),
        );
        self::assertEqualsWithDelta([400.0, 400.0, 100.0], array_values(array_map(static fn (array $one): float => $one['area'], $blended)), 1e-6);
    }
}
