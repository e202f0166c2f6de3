<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\FindingGroups;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Check\Judgements;
use NeatEdge\Core\Check\SeeThrough;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Tests\Support\Bench;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Each rule is told of by one drawing that breaks it and one that does not: a rule that is taken out is missed. */
final class RulesTest extends TestCase
{
    /** @return list<Finding> */
    private static function findings(Artwork $art, ?Limits $limits = null): array
    {
        return Inspection::of($art, $art, PrepLine::usual()->run($art)->artwork(), $limits ?? new Limits(0.8, 0.5));
    }

    private static function drawn(string $body): Artwork
    {
        return Reader::read("<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='100mm' viewBox='0 0 100 100'>{$body}</svg>")->artwork;
    }

    /** @return array<string, array{string, string, string, Severity, float|null, array{float, float}|null}> broken, whole, kind, severity, measured, place */
    public static function rules(): array
    {
        $two = '<stop stop-color="#c33"/><stop offset="1" stop-color="#fd6"/>';

        return [
            'a line that is too thin' => [
                '<rect x="10" y="49.9" width="80" height=".3"/>',
                '<rect x="10" y="49" width="80" height="2"/>',
                'thin-line',
                Severity::Serious,
                0.3,
                null,
            ],
            'one that is a little too thin' => [
                '<rect x="10" y="49.7" width="80" height=".6"/>',
                '<rect x="10" y="49.5" width="80" height=".9"/>',
                'thin-line',
                Severity::Warning,
                0.6,
                null,
            ],
            'a gap that is too narrow' => [
                '<path d="M10 10h80v20h-80zM10 30.2h80v20h-80z"/>',
                '<path d="M10 10h80v20h-80zM10 30.9h80v20h-80z"/>',
                'narrow-gap',
                Severity::Serious,
                0.2,
                null,
            ],
            'see-through over another sheet' => [
                '<rect x="10" y="10" width="40" height="40" fill="#c33"/><rect x="30" y="30" width="40" height="40" fill="#226" opacity=".5"/>',
                '<rect x="10" y="10" width="40" height="40" fill="#c33"/><rect x="60" y="30" width="30" height="40" fill="#226"/>',
                'overlapping-sheets',
                Severity::Serious,
                null,
                [40.0, 40.0],
            ],
            'see-through on the ground' => [
                '<rect x="10" y="10" width="40" height="40" fill="#c33" opacity=".5"/>',
                '<rect x="10" y="10" width="40" height="40" fill="#c33"/>',
                'see-through',
                Severity::Warning,
                null,
                [30.0, 30.0],
            ],
            'a gradient' => [
                "<linearGradient id='g'>{$two}</linearGradient><rect x='10' y='10' width='40' height='40' fill='url(#g)'/>",
                '<rect x="10" y="10" width="40" height="40" fill="#c33"/>',
                'gradient',
                Severity::Warning,
                null,
                [30.0, 30.0],
            ],
            'two blacks' => [
                '<rect x="10" y="10" width="40" height="40" fill="#000"/><rect x="60" y="10" width="20" height="20" fill="#0b0d12"/>',
                '<rect x="10" y="10" width="40" height="40" fill="#000"/><rect x="60" y="10" width="20" height="20" fill="#0b4d92"/>',
                'near-black',
                Severity::Warning,
                null,
                null,
            ],
            'art that reaches over the page' => [
                '<rect x="90" y="10" width="22" height="40"/>',
                '<rect x="70" y="10" width="22" height="40"/>',
                'outside-page',
                Severity::Warning,
                12.0,
                [101.0, 30.0],
            ],
            'a stroke that reaches over it' => [
                '<path d="M10 1h80" stroke="#000" stroke-width="6"/>',
                '<path d="M10 4h80" stroke="#000" stroke-width="6"/>',
                'outside-page',
                Severity::Warning,
                2.0,
                null,
            ],
            'art that lies outside it' => [
                '<rect width="50" height="50"/><rect x="120" y="10" width="22" height="40"/>',
                '<rect width="50" height="50"/>',
                'outside-page',
                Severity::Serious,
                42.0,
                [131.0, 30.0],
            ],
        ];
    }

    /** @param  array{float, float}|null  $at */
    #[Test]
    #[DataProvider('rules')]
    public function what_breaks_a_rule_is_found_at_its_place_and_what_does_not_is_not(
        string $broken,
        string $whole,
        string $kind,
        Severity $severity,
        ?float $measured,
        ?array $at,
    ): void {
        $found = array_values(array_filter(self::findings(self::drawn($broken)), static fn (Finding $finding): bool => $finding->kind === $kind));
        self::assertCount(1, $found);
        self::assertSame($severity, $found[0]->severity);
        self::assertNotNull($found[0]->at, 'it is shown on the art');
        if ($measured !== null) {
            self::assertEqualsWithDelta($measured, $found[0]->measured, 0.02);
        }
        if ($at !== null) {
            self::assertEqualsWithDelta($at, [$found[0]->at->x, $found[0]->at->y], 0.5);
        }
        self::assertMatchesRegularExpression('/^[A-Z#][^\n]+\.$/u', $found[0]->message);
        self::assertNotContains($kind, array_map(static fn (Finding $finding): string => $finding->kind, self::findings(self::drawn($whole))));
    }

    #[Test]
    public function a_blend_is_found(): void
    {
        $piece = static fn (Blend $blend): Artwork => new Artwork(
            100,
            100,
            [new Piece('a', Shape::of(Contour::rectangle(10, 10, 20, 20)), new Paint(new Colour(200, 30, 30)), blend: $blend)],
        );
        $kinds = static fn (Artwork $art): array => array_map(static fn (Finding $finding): string => $finding->kind, self::findings($art));
        self::assertContains('blend', $kinds($piece(Blend::Multiply)));
        self::assertNotContains('blend', $kinds($piece(Blend::Normal)));
    }

    #[Test]
    public function what_one_sees_through_is_found_alike_whether_the_sheet_is_known_to_lie_apart_or_is_mapped(): void
    {
        $square = static fn (string $id, float $x, float $opacity): Piece => new Piece(
            $id, Shape::of(Contour::rectangle($x, 10, 20, 20)), new Paint(new Colour(200, 30, 30), $opacity),
        );
        // One that lies far from it comes first.
        $art = new Artwork(100, 100, [$square('far', 70, 1.0), $square('under', 10, 1.0), $square('veil', 25, 0.5)]);
        foreach ([false, true] as $apart) {
            $drawn = $art->with(apart: $apart);
            $found = (new SeeThrough(new Limits(0.5, 0.5)))->findings($drawn, $drawn);
            self::assertCount(1, $found);
            self::assertSame(['overlapping-sheets', 'veil'], [$found[0]->kind, $found[0]->piece]);
            self::assertStringContainsString('on 100.0 mm²', $found[0]->message);
            self::assertEqualsWithDelta(27.5, $found[0]->at?->x, 1e-6);
        }
    }

    #[Test]
    public function a_limit_of_nought_switches_its_check_off_and_no_other(): void
    {
        $art = self::drawn('<path d="M10 10h80v.2h-80zM10 30h80v20h-80zM10 50.2h80v20h-80z"/>');
        $kinds = static fn (Limits $limits): array => array_values(array_unique(array_map(
            static fn (Finding $finding): string => $finding->kind,
            self::findings($art, $limits),
        )));
        self::assertSame(['thin-line', 'narrow-gap'], $kinds(new Limits(0.8, 0.5)));
        self::assertSame(['narrow-gap'], $kinds(new Limits(0.0, 0.5)));
        self::assertSame(['thin-line'], $kinds(new Limits(0.8, 0.0)));
    }

    #[Test]
    public function letters_that_do_not_fit_their_line_are_found_while_they_can_still_be_set_otherwise(): void
    {
        $bench = new Bench;
        $line = $bench->line([10, 50, 10, 50, 60, 50, 60, 50]);
        $text = $bench->do('text', ['text' => 'Marrowby Lantern Regatta', 'family' => 'Zilla Slab', 'size' => 9, 'along' => $line])->made[0];
        $cut = array_values(array_filter(
            Inspection::of($bench->art, $bench->art, $bench->art, new Limits(0.0, 0.0)),
            static fn (Finding $finding): bool => $finding->kind === 'letters-cut',
        ));
        self::assertCount(1, $cut);
        self::assertSame([$text, Severity::Serious], [$cut[0]->piece, $cut[0]->severity]);
        self::assertMatchesRegularExpression('/^\d+ letters of "Marrowby Lantern Regatta" do not fit/', $cut[0]->message);
        $bench->do('set-text', ['pieces' => [$text], 'size' => 4]);
        self::assertSame(
            [],
            array_filter(
                Inspection::of($bench->art, $bench->art, $bench->art, new Limits(0.0, 0.0)),
                static fn (Finding $finding): bool => $finding->kind === 'letters-cut',
            ),
        );
        // The customer's own text along a line likewise, when it is read.
        $read = static fn (int $size): array => Reader::read("<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='100mm' viewBox='0 0 100 100'><path id='a' d='M10 50H60' fill='none'/><text font-size='{$size}' text-anchor='middle'><textPath href='#a' startOffset='50%'>Marrowby Lantern</textPath></text></svg>")->findings;
        self::assertSame(['letters-cut'], array_map(static fn (Finding $finding): string => $finding->kind, $read(12)));
        self::assertStringContainsString(
            '5 letters of "Marrowby Lantern" do not fit the line that the text stands on and are left out: "Maern".',
            $read(8)[0]->message,
        );
        self::assertSame([], $read(4));
    }

    #[Test]
    public function a_white_line_and_the_gap_around_it_are_one_place(): void
    {
        $found = self::findings(self::drawn('<rect x="10" y="10" width="80" height="40" fill="#1f6f8b"/><path d="M5 30C30 10 60 50 95 30" stroke="#ffffff"'
            .' fill="none" stroke-width=".4"/>'));
        self::assertSame(['thin-line'], array_map(static fn (Finding $finding): string => $finding->kind, $found));
        self::assertSame('#ffffff', $found[0]->sheet);
        self::assertStringEndsWith('The gap in #1f6f8b around it goes with it.', $found[0]->message);
        $bare = self::findings(self::drawn('<path d="M10 10h80v20h-80zM10 30.4h80v20h-80z" fill="#1f6f8b"/>'));
        self::assertSame(['narrow-gap'], array_map(static fn (Finding $finding): string => $finding->kind, $bare), 'a gap that nothing fills stays one');
    }

    #[Test]
    public function the_tip_of_a_wide_v_at_the_edge_of_the_page_is_no_finding(): void
    {
        self::assertSame([], self::findings(self::drawn('<rect width="100" height="100" fill="#1f6f8b"/><path d="M0 25H100L50.1 100H49.9z" fill="#ffd23f"/>')));
    }

    #[Test]
    public function findings_of_one_kind_on_one_sheet_are_one_group_the_narrowest_first_and_the_small_ones_last(): void
    {
        $bars = '';
        foreach ([0.5, 0.2, 0.7, 0.3] as $k => $width) {
            $y = 10 + 8 * $k;
            $bars .= "<rect x='10' y='{$y}' width='60' height='{$width}' fill='#224'/>";
        }
        $nearly = '<path d="M10 60H20L20.3 60.65H20.6L20.9 60H40V62H20.9L20.6 61.35H20.3L20 62H10z" fill="#224"/>';
        $findings = self::findings(self::drawn($bars.$nearly.'<rect x="10" y="80" width="60" height=".5" fill="#c33"/>'));
        $groups = FindingGroups::of(array_map(static fn (Finding $finding): array => $finding->toArray(), $findings));
        self::assertSame(
            [['thin-line', '#222244'], ['thin-line', '#cc3333']],
            array_map(static fn (array $group): array => [$group['kind'], $group['sheet']], $groups),
        );
        self::assertSame(['serious', 'warning'], array_column($groups, 'severity'));
        [$first] = $groups;
        self::assertEqualsWithDelta([0.2, 0.3, 0.5, 0.7, 0.7], array_map(static fn (int $i): ?float => $findings[$i]->measured, $first['findings']), 0.02);
        self::assertSame([5, 1], [count($first['findings']), $first['minor']]);
        self::assertTrue($findings[$first['findings'][4]]->minor, 'short, and nearly wide enough');
        self::assertEqualsWithDelta([0.2, 0.5, 240.5], [$first['least_mm'], $first['typical_mm'], $first['length_mm']], 1.5);
    }

    #[Test]
    public function what_was_judged_is_known_again_unless_it_moved_or_became_worse(): void
    {
        $row = static fn (float $x, float $width, string $sheet = '#224466'): array => [
            'kind' => 'thin-line',
            'sheet' => $sheet,
            'at' => [$x, 20.0],
            'width_mm' => $width,
            'limit_mm' => 0.8,
        ];
        $judged = [Judgements::of($row(30, 0.4), 100.0, 'the customer wants it so'), Judgements::of($row(70, 0.5), 100.0, null)];
        $seen = static fn (array $rows, float $page = 100.0): array => array_map(
            static fn (array $one): array => [$one['seen'] ?? false, $one['accepted'] ?? null],
            Judgements::on(array_values($rows), $judged, $page),
        );
        self::assertSame([[true, 'the customer wants it so'], [true, null], [false, null]], $seen([$row(30.2, 0.4), $row(70, 0.5), $row(50, 0.5)]));
        self::assertSame([[false, null], [false, null]], $seen([$row(30, 0.3), $row(30, 0.4, '#ffffff')]), 'narrower, or on another sheet');
        self::assertSame([[true, 'the customer wants it so']], $seen([['at' => [60.0, 40.0]] + $row(30, 0.8)], 200.0), 'the same art at twice the size');
        self::assertSame([], Judgements::without([$judged[0]], [$row(30, 0.4)], 100.0));
        self::assertCount(2, Judgements::without($judged, [$row(50, 0.4)], 100.0));
    }

    #[Test]
    public function one_black_in_two_strengths_is_no_pair_of_blacks(): void
    {
        foreach (self::findings(self::drawn('<rect x="10" y="10" width="40" height="40" fill="#000"/><rect x="60" y="10" width="20" height="20"'
            .' fill="#000" opacity=".6"/>')) as $finding) {
            self::assertNotSame('near-black', $finding->kind);
        }
    }
}
