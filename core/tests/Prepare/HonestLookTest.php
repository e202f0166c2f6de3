<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Check\Verdict;
use NeatEdge\Core\Flat\Slivers;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\LookDifference;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\JoinNearBlacks;
use NeatEdge\Core\Prepare\Look;
use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Prepare\RemoveHidden;
use NeatEdge\Core\Prepare\SolidColours;
use NeatEdge\Core\Prepare\Step;
use NeatEdge\Core\Seen\Painted;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Seen\StrokeProbe;
use NeatEdge\Core\Sheet\Sheet;
use NeatEdge\Core\Stroke\StrokeStyle;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A measure never goes through what it judges: whatever a step loses, the look difference tells. */
final class HonestLookTest extends TestCase
{
    private static function drawn(string $body): Artwork
    {
        return Reader::read("<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='100mm' viewBox='0 0 100 100'>{$body}</svg>")->artwork;
    }

    private static function paint(string $hex, float $opacity = 1.0): Paint
    {
        return new Paint(Colour::fromHex($hex), $opacity);
    }

    private static function rectangle(string $id, float $x, float $y, float $w, float $h, Paint $paint, Blend $blend = Blend::Normal): Piece
    {
        return new Piece($id, Shape::of(Contour::rectangle($x, $y, $w, $h)), $paint, blend: $blend);
    }

    #[Test]
    #[TestWith(["<polyline points='10,10 60,10 35,60' fill='#c33' stroke='#226' stroke-width='2'/>", 1250.0])]
    #[TestWith(["<path d='M10 10L60 10L35 60' fill='#c33' stroke='#226' stroke-width='2'/>", 1250.0])]
    #[TestWith(["<path d='M10 10L60 10L60 60L10 60' fill='#c33' stroke='#226' stroke-width='2'/>", 2500.0])]
    public function an_open_line_that_encloses_something_keeps_its_fill(string $body, float $area): void
    {
        $out = (new OutlineStrokes)->apply(self::drawn($body));
        self::assertCount(2, $out->pieces);
        self::assertEqualsWithDelta($area, abs($out->pieces[0]->shape->contours[0]->area()), 1e-6);
        // Half the stroke lies on the fill; what is left of the fill's colour is smaller by that.
        $seen = (new MergeByColour)->apply($out);
        self::assertSame(['#cc3333', '#222266'], array_map(static fn (Piece $piece): ?string => $piece->fill?->colour->hex(), $seen->pieces));
        self::assertTrue(Look::between(self::drawn($body), $seen)->isNone());
    }

    #[Test]
    public function a_fill_that_encloses_nothing_becomes_no_piece(): void
    {
        foreach (['M10 10L60 10', 'M10 10L60 10L10 10', 'M10 10L60 60L35 35Z', 'M10 10C20 10 40 10 60 10'] as $d) {
            self::assertCount(1, (new OutlineStrokes)->apply(self::drawn("<path d='{$d}' fill='#c33' stroke='#226'/>"))->pieces, $d);
        }
    }

    #[Test]
    public function a_fill_that_a_step_loses_is_told(): void
    {
        $before = self::drawn("<polyline points='10,10 60,10 35,60' fill='#c33' stroke='#226' stroke-width='2'/>");
        $lost = $before->withPieces([new Piece('a', (new OutlineStrokes)->apply($before)->pieces[1]->shape, self::paint('#222266'))]);
        $look = Look::between($before, $lost);
        self::assertGreaterThan(1000.0, $look->seen);
        self::assertSame(sprintf('Changed by %.1f mm²', $look->seen), Verdict::of($look, 0, 0, 0)->sentence);
    }

    #[Test]
    public function what_an_outliner_loses_is_found_without_it(): void
    {
        $lines = self::drawn("<circle cx='50' cy='50' r='30' fill='none' stroke='#226' stroke-width='3'/><path d='M5 5C40 5 10 60 90 90' fill='none'"
            ." stroke='#272' stroke-width='1' stroke-dasharray='6 4'/><g transform='scale(2 .5)'><path d='M4 170h40' stroke='#722' stroke-width='4'/></g>");
        self::assertSame(0.0, StrokeProbe::missed($lines));
        // As if the outliner had lost one half of a ring.
        $region = Painted::region($lines->pieces[0], $lines->tolerance());
        $half = Combine::keepOverlap([$region, Shape::of(Contour::rectangle(0, 0, 50, 100))]);
        $missed = StrokeProbe::missedBy($lines->pieces[0], $half);
        self::assertEqualsWithDelta(M_PI * 30 * 3, $missed, 60.0);
    }

    #[Test]
    #[TestWith([0.5, 0.75])]
    #[TestWith([1.0, 0.75])]
    #[TestWith([0.25, 0.0])]
    public function another_see_throughness_is_another_look(float $before, float $after): void
    {
        $art = static fn (float $opacity): Artwork => new Artwork(
            100,
            100,
            [self::rectangle('a', 0, 0, 50, 50, self::paint('#ffffff')), self::rectangle('b', 10, 10, 20, 20, self::paint('#204080', $opacity))],
        );
        self::assertEqualsWithDelta(400.0, Look::between($art($before), $art($after))->seen, 1e-6);
        self::assertTrue(Look::between($art($before), $art($before))->isNone());
    }

    #[Test]
    #[TestWith([Blend::Multiply])]
    #[TestWith([Blend::Screen])]
    #[TestWith([Blend::Darken])]
    #[TestWith([Blend::Lighten])]
    public function a_blend_that_is_lost_is_told_and_one_that_is_worked_out_is_not(Blend $blend): void
    {
        $art = static fn (Blend $blend): Artwork => new Artwork(100, 100, [
            self::rectangle('ground', 0, 0, 60, 60, self::paint('#c08040')), self::rectangle('top', 20, 20, 60, 60, self::paint('#4080c0'), $blend),
        ]);
        self::assertEqualsWithDelta(1600.0, Look::between($art($blend), $art(Blend::Normal))->seen, 1e-6);
        $stroked = $art($blend)->mapped(
            static fn (Piece $piece): Piece => $piece->with(stroke: new Stroke(self::paint('#101010'), new StrokeStyle(1))),
            ['top' => true],
        );
        self::assertTrue(Look::between($stroked, (new OutlineStrokes)->apply($stroked))->isNone(), 'outlining keeps it');
        $solid = (new SolidColours)->apply($art($blend));
        self::assertTrue(Look::between($art($blend), $solid)->isNone());
        $expected = ['multiply' => '#304030', 'screen' => '#d0c0d0', 'darken' => '#408040', 'lighten' => '#c080c0'][$blend->value] ?? '';
        $found = array_map(static fn (Piece $piece): string => $piece->fill?->colour->hex() ?? '', $solid->pieces);
        self::assertContains($expected, $found);
    }

    #[Test]
    public function a_line_that_moved_by_a_hair_is_measured_and_not_seen(): void
    {
        $art = static fn (float $x): Artwork => new Artwork(100, 100, [self::rectangle('a', $x, 10, 50, 50, self::paint('#204080'))]);
        $look = Look::between($art(10), $art(10.01));
        self::assertEqualsWithDelta(1.0, $look->area, 1e-6);
        self::assertTrue($look->isNone());
        self::assertFalse(Look::between($art(10), $art(10.2))->isNone());
    }

    #[Test]
    public function a_ribbon_that_knocking_out_leaves_goes_to_its_neighbour_and_is_counted(): void
    {
        $art = new Artwork(100, 100, [
            self::rectangle('under', 10, 10, 40, 40, self::paint('#101018')),
            self::rectangle('over', 10.02, 10.02, 39.96, 39.96, self::paint('#000000')),
            self::rectangle('far', 70, 70, 20, 20, self::paint('#ff0000')),
        ]);
        [$out, $count] = (new RemoveHidden)->withoutSlivers($art);
        self::assertSame(1, $count);
        self::assertSame(['over', 'far'], array_map(static fn (Piece $piece): string => $piece->id, $out->pieces));
        self::assertEqualsWithDelta(1600.0, $out->pieces[0]->shape->area(), 0.01);
        self::assertTrue(Look::between($art, $out)->isNone());
        $line = PrepLine::usual()->run($art);
        self::assertSame([0, 1, 0, 0], array_map(static fn (array $stage): int => $stage['report']->slivers, $line->stages));
        self::assertCount(2, Sheet::allOf($line->artwork()));
    }

    #[Test]
    public function a_hairline_that_the_artist_drew_is_nobodys_sliver(): void
    {
        $art = new Artwork(100, 100, [
            self::rectangle('ground', 10, 10, 40, 40, self::paint('#ffffff')),
            self::rectangle('hairline', 10, 30, 40, 0.03, self::paint('#000000')),
            self::rectangle('wide', 10, 20, 40, 0.3, self::paint('#ff0000')),
        ]);
        [$out, $count] = (new RemoveHidden)->withoutSlivers($art);
        self::assertSame(0, $count);
        self::assertNotNull($out->piece('hairline'));
        self::assertEqualsWithDelta(1.2, $out->piece('hairline')->shape->area(), 1e-6);
    }

    #[Test]
    public function near_blacks_become_the_black_of_the_shop_and_other_colours_stay(): void
    {
        $art = new Artwork(100, 100, [
            self::rectangle('a', 0, 0, 50, 50, self::paint('#14110f')),
            self::rectangle('b', 50, 0, 20, 20, self::paint('#000000')),
            new Piece('c', Shape::of(Contour::polygon([[0, 80], [90, 80]], false)), null, new Stroke(self::paint('#101820', 0.5), new StrokeStyle(2))),
            self::rectangle('d', 50, 50, 20, 20, self::paint('#204080')),
        ]);
        $out = (new JoinNearBlacks)->apply($art);
        self::assertSame(['#000000', '#000000', null, '#204080'], array_map(static fn (Piece $piece): ?string => $piece->fill?->colour->hex(), $out->pieces));
        self::assertSame(['#000000', 0.5], [$out->pieces[2]->stroke?->paint->colour->hex(), $out->pieces[2]->stroke?->paint->opacity]);
        self::assertSame('#221a16', (new JoinNearBlacks('#221a16'))->apply($art)->pieces[0]->fill?->colour->hex(), 'or whatever black the shop has');
        $look = Look::between($art->withPieces([$art->pieces[0], $art->pieces[1]]), $out->withPieces([$out->pieces[0], $out->pieces[1]]));
        self::assertEqualsWithDelta([0.0, 2500.0], [$look->area, $look->recoloured], 1e-6, 'a change of colour, and told as what it is');
        self::assertSame(
            $art->withPieces([$art->pieces[0], $art->pieces[3]])->pieces,
            (new JoinNearBlacks)->apply($art->withPieces([$art->pieces[0], $art->pieces[3]]))->pieces,
        );
        self::assertNotContains(
            'join-near-blacks',
            array_map(static fn (Step $step): string => $step->key(), PrepLine::usual()->steps()),
            'only where an artist chooses it',
        );
    }

    #[Test]
    public function over_bare_ground_see_through_colours_become_what_is_seen_on_it(): void
    {
        $art = new Artwork(
            100,
            100,
            [self::rectangle('a', 0, 0, 20, 20, self::paint('#ff0000')), self::rectangle('b', 10, 0, 20, 20, self::paint('#000000', 0.5))],
        );
        $on = static fn (?string $ground): array => array_map(
            static fn (Piece $piece): string => $piece->fill?->colour->hex().' '.($piece->fill->opacity ?? 0),
            (new SolidColours($ground === null ? null : Colour::fromHex($ground)))->apply($art)->pieces,
        );
        self::assertEqualsCanonicalizing(['#ff0000 1', '#800000 1', '#000000 0.5'], $on(null));
        self::assertEqualsCanonicalizing(['#ff0000 1', '#800000 1', '#808080 1'], $on('#ffffff'));
        self::assertEqualsCanonicalizing(['#ff0000 1', '#800000 1', '#0a1428 1'], $on('#142850'));
    }

    #[Test]
    public function on_the_ground_of_the_job_it_looks_the_same_and_a_part_in_its_colour_is_missed_all_the_same(): void
    {
        $white = Colour::fromHex('#ffffff');
        $art = new Artwork(
            100,
            100,
            [self::rectangle('a', 0, 0, 20, 20, self::paint('#000000', 0.5)), self::rectangle('b', 50, 50, 20, 20, self::paint('#ffffff'))],
        );
        $solid = (new SolidColours($white))->apply($art);
        self::assertTrue(Look::between($art, $solid, $white)->isNone());
        self::assertFalse(Look::between($art, $solid)->isNone(), 'on any other ground it is another look');
        self::assertEqualsWithDelta(
            400.0,
            Look::between(
                $art,
                $solid->withPieces(array_values(array_filter($solid->pieces, static fn (Piece $piece): bool => $piece->id !== 'b'))),
                $white,
            )->seen,
            1e-6,
        );
        self::assertEqualsWithDelta(400.0, Look::between($art, $art->withPieces([$art->pieces[1]]), $white)->seen, 1e-6);
    }

    #[Test]
    public function a_line_that_parts_from_its_fill_gets_a_name_that_nobody_has(): void
    {
        $both = new Piece('a', Shape::of(Contour::rectangle(10, 10, 20, 20)), self::paint('#ff0000'), new Stroke(self::paint('#000000'), new StrokeStyle(2)));
        $art = new Artwork(100, 100, [$both, self::rectangle('a-line', 50, 50, 9, 9, self::paint('#00ff00'))]);
        $ids = array_map(static fn (Piece $piece): string => $piece->id, (new OutlineStrokes)->apply($art)->pieces);
        self::assertSame($ids, array_unique($ids));
        self::assertSame(['a', 'a-line2', 'a-line'], $ids);
        $clipped = $art->mapped(
            static fn (Piece $piece): Piece => $piece->with(clip: self::rectangle('c', 0, 0, 90, 90, self::paint('#000000'))),
            ['a' => true],
        );
        self::assertSame(['a', 'a-line2', 'a-line'], array_map(static fn (Piece $piece): string => $piece->id, Seen::of($clipped)->pieces));
    }

    /** @param  list<string>  $open */
    #[Test]
    #[TestWith([0.0, 0, 0, 0, false, 'Looks the same', []])]
    #[TestWith([
        0.0,
        1,
        0,
        0,
        false,
        'Looks the same but for 1 thing that was left out or replaced',
        ['1 thing was left out or replaced, and nobody has accepted that.'],
    ])]
    #[TestWith([0.0, 2, 2, 0, false, 'Looks the same but for 2 things that were left out or replaced', []])]
    #[TestWith([0.3, 0, 0, 0, false, 'Changed by 0.30 mm²', []])]
    #[TestWith([0.03, 0, 0, 2, false, 'Changed by 0.030 mm²', ['2 findings are open, all of them serious.']])]
    #[TestWith([
        31.4,
        3,
        1,
        1,
        true,
        'Changed by 31.4 mm², beside 3 things that were left out or replaced',
        [
            'The job was changed since it was prepared.',
            '2 things were left out or replaced, and nobody has accepted that.',
            '1 finding is open, a serious one.',
        ],
    ])]
    public function the_verdict_is_one_true_sentence(float $seen, int $leftOut, int $accepted, int $serious, bool $stale, string $sentence, array $open): void
    {
        $verdict = Verdict::of(new LookDifference($seen, 1000.0, $seen), $leftOut, $accepted, $serious, $stale, serious: $serious);
        self::assertSame(['sentence' => $sentence, 'ready' => $open === [], 'open' => $open, 'empty' => false, 'stale' => str_starts_with($open[0] ?? '', 'The job was changed')], $verdict->toArray());
        $empty = Verdict::of(new LookDifference(0.0, 0.0), 0, 0, 0, false, true);
        self::assertSame(
            [true, false, 'There is nothing to make yet'],
            [$empty->empty, $empty->isReady(), $empty->sentence],
            'nothing to make is neither ready nor not',
        );
        self::assertSame(['5 findings are open, 2 of them serious.'], Verdict::of(new LookDifference(0.0, 0.0), 0, 0, 5, serious: 2)->open);
    }

    #[Test]
    public function pieces_that_are_known_to_lie_apart_join_where_they_touch_and_are_known_so_no_more_with_others(): void
    {
        $piece = static fn (string $id, float $x, float $w, Colour $colour): Piece => new Piece(
            $id,
            Shape::of(Contour::rectangle($x, 0, $w, 10)),
            new Paint($colour),
        );
        [$red, $blue] = [new Colour(200, 20, 20), new Colour(20, 20, 200)];
        $apart = (new RemoveHidden)->apply(new Artwork(
            100,
            100,
            [$piece('a', 0, 10, $red), $piece('b', 10, 10, $red), $piece('c', 40, 10, $red), $piece('d', 20, 20, $blue)],
        ));
        self::assertTrue($apart->apart);
        $merged = (new MergeByColour)->apply($apart)->pieces;
        self::assertSame(
            [2, 1],
            array_map(static fn (Piece $one): int => count($one->shape->contours), $merged),
            'two that touch are one outline, one beside them is another',
        );
        self::assertEqualsWithDelta([300.0, 200.0], array_map(static fn (Piece $one): float => $one->shape->area(), $merged), 1e-6);
        // Laid over by another piece, they are cut by it.
        $over = $apart->withPieces([...$apart->pieces, $piece('e', 5, 10, $blue)]);
        self::assertFalse($over->apart);
        self::assertEqualsWithDelta(
            [200.0, 300.0],
            array_map(static fn (Piece $one): float => $one->shape->area(), (new MergeByColour)->apply($over)->pieces),
            1e-6,
        );
        self::assertTrue(ArtworkJson::decode(ArtworkJson::encode($apart))->apart, 'also when it was stored between');
    }

    #[Test]
    public function a_sliver_goes_to_the_neighbour_with_the_longest_shared_border(): void
    {
        $piece = static fn (string $id, float $x, float $y, float $w, float $h): Piece => new Piece(
            $id,
            Shape::of(Contour::rectangle($x, $y, $w, $h)),
            new Paint(new Colour(20, 20, 200)),
        );
        $pieces = [$piece('left', 0, 10, 10, 20), $piece('sliver', 10, 10, 0.02, 20), $piece('above', 10, 5, 0.02, 5)];
        [$out, $count] = Slivers::given($pieces, ['sliver' => Shape::of(Contour::rectangle(0, 0, 50, 50))], 100.0, new Tolerance);
        self::assertSame([1, ['left', 'above']], [$count, array_map(static fn (Piece $one): string => $one->id, $out)]);
        self::assertEqualsWithDelta(200.4, $out[0]->shape->area(), 1e-6);
    }
}
