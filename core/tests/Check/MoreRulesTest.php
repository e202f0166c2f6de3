<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Check\Judgements;
use NeatEdge\Core\Check\LimitFields;
use NeatEdge\Core\Check\Remedies;
use NeatEdge\Core\Check\Remedying;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Process\ScreenPrint;
use NeatEdge\Core\Tests\Support\Bench;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The rules of what goes out: each is told of by art that breaks it and by art that just does not. */
final class MoreRulesTest extends TestCase
{
    private static function drawn(string $body): Artwork
    {
        return Reader::read("<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='100mm' viewBox='0 0 100 100'>{$body}</svg>")->artwork;
    }

    private static function limits(): Limits
    {
        return new Limits(0.0, 0.0, island: 2.0, hole: 1.0, colours: 3, bedWidth: 120.0, bedHeight: 80.0, letter: 3.0);
    }

    /**
     * @param  list<string>  $steps
     * @return list<Finding>
     */
    private static function of(Artwork $art, string $kind, array $steps): array
    {
        $found = Inspection::of($art, $art, PrepLine::usual()->only($steps)->run($art)->artwork(), self::limits());

        return array_values(array_filter($found, static fn (Finding $finding): bool => $finding->kind === $kind));
    }

    /** @return iterable<string, array{string, string, string, float|null, list<string>}> broken, whole, kind, measured, steps */
    public static function rules(): iterable
    {
        $all = ['outline-strokes', 'remove-hidden', 'merge-by-colour'];
        yield 'an island' => ['<rect x="10" y="10" width="1.5" height="1.5"/>', '<rect x="10" y="10" width="2.1" height="2.1"/>', 'island', 1.5, $all];
        yield 'a hole that is too small' => [
            '<path fill-rule="evenodd" d="M10 10H40V40H10ZM20 20V20.6H20.6V20Z"/>',
            '<path fill-rule="evenodd" d="M10 10H40V40H10ZM20 20V21.1H21.1V20Z"/>',
            'small-hole',
            0.6,
            $all,
        ];
        yield 'a hole in which another colour lies' => [
            '<path fill-rule="evenodd" d="M10 10H40V40H10ZM20 20V20.6H20.6V20Z"/>',
            '<path fill-rule="evenodd" d="M10 10H40V40H10ZM20 20V20.6H20.6V20Z"/><rect x="20" y="20" width=".6" height=".6" fill="#c33"/>',
            'small-hole',
            0.6,
            $all,
        ];
        yield 'a stroke that is left' => [
            '<path d="M10 10H50" stroke="#222" stroke-width="3" fill="none"/>',
            '<rect x="10" y="10" width="40" height="3"/>',
            'stroke-left',
            null,
            [],
        ];
        yield 'an outline that is open' => ['<path d="M10 10H50V30"/>', '<path d="M10 10H50V30Z"/>', 'open-line', hypot(40, 20), []];
        yield 'pieces that overlap' => [
            '<rect x="10" y="10" width="20" height="20"/><rect x="20" y="20" width="20" height="20" fill="#c33"/>',
            '<rect x="10" y="10" width="20" height="20"/><rect x="30" y="20" width="20" height="20" fill="#c33"/>',
            'overlap',
            null,
            [],
        ];
        yield 'a piece that is hidden' => [
            '<rect x="15" y="15" width="5" height="5"/><rect x="10" y="10" width="20" height="20" fill="#c33"/>',
            '<rect x="10" y="10" width="20" height="20" fill="#c33"/><rect x="15" y="15" width="5" height="5"/>',
            'hidden-piece',
            null,
            [],
        ];
        yield 'a line that is doubled' => [
            '<rect x="10" y="10" width="20" height="20"/><rect x="10.02" y="10" width="20" height="20"/>',
            '<rect x="10" y="10" width="20" height="20"/><rect x="10.2" y="10" width="20" height="20"/>',
            'doubled-line',
            null,
            [],
        ];
        yield 'more colours than inks' => [
            implode(
                '',
                array_map(
                    static fn (string $hex, int $k): string => "<rect x='".(10 + 20 * $k)."' y='10' width='15' height='15' fill='{$hex}'/>",
                    ['#cc3333', '#3b8ea5', '#e0a030', '#1d5c46'],
                    [0, 1, 2, 3],
                ),
            ),
            implode(
                '',
                array_map(
                    static fn (string $hex, int $k): string => "<rect x='".(10 + 20 * $k)."' y='10' width='15' height='15' fill='{$hex}'/>",
                    ['#cc3333', '#3b8ea5', '#e0a030'],
                    [0, 1, 2],
                ),
            ),
            'too-many-colours',
            null,
            $all,
        ];
        yield 'colours that are hardly told apart' => [
            '<rect x="10" y="10" width="20" height="20" fill="#cc3333"/><rect x="40" y="10" width="10" height="10" fill="#ce3535"/>',
            '<rect x="10" y="10" width="20" height="20" fill="#cc3333"/><rect x="40" y="10" width="10" height="10" fill="#e03a50"/>',
            'near-colour',
            null,
            $all,
        ];
        yield 'what is larger than the bed' => [
            '<rect x="5" y="5" width="90" height="85"/>',
            '<rect x="5" y="5" width="90" height="79"/>',
            'larger-than-bed',
            85.0,
            $all,
        ];
        yield 'what fits the bed when it is turned' => [
            '<rect x="5" y="2" width="81" height="95"/>',
            '<rect x="5" y="2" width="70" height="95"/>',
            'larger-than-bed',
            81.0,
            $all,
        ];
        yield 'what has the same box but another outline' => [
            '<path d="M10 10H30V30H20V20H10Z"/><path d="M10 10H30V30H20V20H10Z"/>',
            '<path d="M10 10H30V30H20V20H10Z"/><path d="M10 10H30V20H20V30H10Z"/>',
            'doubled-line',
            null,
            [],
        ];
        yield 'nodes that crowd' => [
            '<path d="M10 10H40V40H10Z M60 60L60.005 60L60.01 60L60.015 60L60.02 60.001L80 60V80H60Z"/>',
            '<path d="M10 10H40V40H10Z M60 60L80 60V80H60Z"/>',
            'crowded-nodes',
            null,
            [],
        ];
    }

    /** @param  list<string>  $steps */
    #[Test]
    #[DataProvider('rules')]
    public function each_is_told_of_where_it_is_broken_and_only_there(string $broken, string $whole, string $kind, ?float $measured, array $steps): void
    {
        $found = self::of(self::drawn($broken), $kind, $steps);
        self::assertCount(1, $found);
        if ($measured !== null) {
            self::assertEqualsWithDelta($measured, $found[0]->measured, 0.02);
        }
        self::assertSame([], self::of(self::drawn($whole), $kind, $steps));
        self::assertArrayHasKey($kind, Inspection::catalogue());
    }

    #[Test]
    public function letters_that_are_too_small_are_told_of_while_they_are_letters(): void
    {
        $bench = new Bench;
        $bench->do('text', ['text' => 'Wharf', 'family' => 'Zilla Slab', 'size' => 4, 'x' => 10, 'y' => 20]);
        $found = static fn (Bench $bench): array => array_column(
            array_map(
                static fn (Finding $finding): array => [$finding->kind, $finding->measured],
                Inspection::of($bench->art, $bench->art, $bench->art, self::limits()),
            ),
            1,
            0,
        );
        self::assertEqualsWithDelta(2.8, $found($bench)['small-letters'], 1e-6);
        $bench->do('set-text', ['pieces' => $bench->order(), 'size' => 4.4]);
        self::assertArrayNotHasKey('small-letters', $found($bench));
        // Made smaller as a whole they keep their size as it was typed: what is seen counts.
        $bench->do('transform', ['pieces' => $bench->order(), 'matrix' => [0.5, 0, 0, 0.5, 0, 0]]);
        self::assertEqualsWithDelta(0.7 * 2.2, $found($bench)['small-letters'], 1e-6);
    }

    #[Test]
    public function what_was_said_last_of_a_finding_counts(): void
    {
        $finding = [
            'kind' => 'thin-line',
            'severity' => 'warning',
            'message' => 'Thin.',
            'at' => [10.0, 10.0],
            'measured' => 0.5,
            'limit' => 0.8,
            'sheet' => null,
        ];
        $judged = [
            Judgements::of($finding, 100.0, 'drawn so'),
            Judgements::of($finding, 100.0, 'the customer wants it'),
            Judgements::of($finding, 100.0, null),
        ];
        self::assertSame(['drawn so'], array_column(Judgements::on([$finding], array_slice($judged, 0, 1), 100.0), 'accepted'));
        self::assertSame(['the customer wants it'], array_column(Judgements::on([$finding], array_slice($judged, 0, 2), 100.0), 'accepted'));
        [$now] = Judgements::on([$finding], $judged, 100.0);
        self::assertArrayNotHasKey('accepted', $now, 'taken back, it was only looked at');
        self::assertTrue($now['seen'] ?? false);
    }

    #[Test]
    public function every_remedy_is_a_step_and_every_kind_that_a_step_can_cure_has_one(): void
    {
        foreach (Remedies::all() as $kind => $remedies) {
            self::assertArrayHasKey($kind, Inspection::catalogue());
            foreach ($remedies as $remedy) {
                self::assertSame($remedy->step, Steps::make($remedy->step, $remedy->values)->key());
            }
        }
        self::assertSame(
            ['letters-cut', 'small-letters', 'single-cut', 'cut-lost', 'blend', 'look-changed', 'made-solid', 'hand-work-lost'],
            array_values(array_diff(array_keys(Inspection::catalogue()), array_keys(Remedies::all()))),
            'only a person can help with these',
        );
    }

    #[Test]
    public function the_other_limits_of_a_ticket_are_typed_with_units_and_taken_back(): void
    {
        $now = LimitFields::typed([], ['island' => '1/16in', 'colours' => '3', 'bedWidth' => ''], 'mm');
        self::assertEqualsWithDelta(1.5875, $now['island'], 1e-9);
        self::assertSame([3, false], [$now['colours'], isset($now['bedWidth'])]);
        self::assertSame(['colours' => 3], LimitFields::typed($now, ['island' => ''], 'mm'));
        self::assertSame(6, (new ScreenPrint)->limits()->with(line: 0.5)->colours);
        $this->expectException(Refused::class);
        $this->expectExceptionMessage('Least part: ');
        LimitFields::typed([], ['island' => 'far'], 'mm');
    }

    #[Test]
    public function what_is_larger_than_the_bed_is_made_as_small_as_the_bed_needs_only_where_that_is_asked_for(): void
    {
        $art = self::drawn("<rect x='0' y='0' width='60' height='90' fill='#223344'/>");
        $fits = static fn (float $width, float $height): array => [
            round(
                ($box = Steps::make(
                    'fit-page',
                    ['how' => 'bed', 'bedWidth' => "{$width}mm", 'bedHeight' => "{$height}mm"],
                )->apply($art)->pieces[0]->box())?->width() ?? 0.0,
                6,
            ),
            round($box?->height() ?? 0.0, 6),
        ];
        self::assertSame([30.0, 45.0], $fits(30.0, 45.0));
        self::assertSame([60.0, 90.0], $fits(90.0, 60.0), 'it fits turned');
        self::assertSame([30.0, 45.0], $fits(30.0, 0.0), 'a roll has no end');
        self::assertSame([60.0, 90.0], $fits(200.0, 0.0), 'nothing grows');
        $limits = self::limits()->with(bedWidth: 45.0, bedHeight: 0.0);
        $cured = Remedying::of($art, ['larger-than-bed'], $limits);
        self::assertEqualsWithDelta(45.0, $cured->artwork->pieces[0]->box()?->width(), 1e-6);
        self::assertCount(1, $cured->done);
        self::assertNotContains('larger-than-bed', Remedies::together(), 'a size that was ordered is not changed among other things');
        self::assertContains('thin-line', Remedies::together());
    }
}
