<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\WhileDrawn;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Measure\Limits;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What is found around a piece while it is drawn. */
final class WhileDrawnTest extends TestCase
{
    private static function drawn(string $body): Artwork
    {
        return Reader::read("<svg xmlns='http://www.w3.org/2000/svg' width='300mm' height='100mm' viewBox='0 0 300 100'>{$body}</svg>")->artwork;
    }

    /** @return list<array{string, float|null}> kind and rounded measure of what is found around the piece that was drawn last */
    private static function around(Artwork $art): array
    {
        $last = $art->pieces[count($art->pieces) - 1];
        $found = WhileDrawn::of($art, [$last->id], new Limits(0.8, 0.5, island: 1.5, hole: 1.0));

        return array_map(
            static fn (Finding $finding): array => [$finding->kind, $finding->measured === null ? null : round($finding->measured, 2)],
            $found->findings,
        );
    }

    #[Test]
    public function a_thin_stroke_is_found_as_it_will_be_cut(): void
    {
        self::assertSame([['thin-line', 0.4]], self::around(self::drawn("<path d='M20 20H80' stroke='#223344' stroke-width='.4' fill='none'/>")));
        self::assertSame([], self::around(self::drawn("<path d='M20 20H80' stroke='#223344' stroke-width='.9' fill='none'/>")));
    }

    #[Test]
    public function a_gap_that_a_piece_leaves_to_its_neighbour_is_found_and_one_that_it_closes_is_not(): void
    {
        $wall = "<rect x='10' y='10' width='30' height='60' fill='#223344'/>";
        self::assertSame([['narrow-gap', 0.3]], self::around(self::drawn($wall."<rect x='40.3' y='20' width='30' height='30' fill='#223344'/>")));
        self::assertSame([], self::around(self::drawn($wall."<rect x='39' y='20' width='30' height='30' fill='#223344'/>")), 'welded with its neighbour');
        self::assertSame(
            [],
            self::around(self::drawn("<path d='M20 20H80' stroke='#223344' stroke-width='.4' fill='none'/><rect x='10' y='10' width='90' height='30'"
                ." fill='#a03020'/>")),
            'what it hides is thin no more',
        );
    }

    #[Test]
    public function what_lies_far_off_is_not_looked_at_nor_where_the_neighbourhood_was_cut_off(): void
    {
        // A long plate with a thin tongue at its far end, and a hair of a rest where the plate is cut off near the window's border.
        $plate = "<path d='M0 40H200V40.3H280V40.6H200V60H0Z' fill='#223344'/>";
        self::assertSame([], self::around(self::drawn($plate."<circle cx='30' cy='50' r='8' fill='#d0b060'/>")));
        self::assertSame(
            ['thin-line'],
            array_values(array_unique(array_column(self::around(self::drawn($plate."<circle cx='240' cy='41' r='1' fill='#d0b060'/>")), 0))),
            'but where it is drawn on, that is seen',
        );
    }

    #[Test]
    public function the_region_reaches_as_far_as_a_change_can_have_mended_something(): void
    {
        $art = self::drawn("<rect x='10' y='10' width='30' height='60' fill='#223344'/>");
        $region = WhileDrawn::of($art, [$art->pieces[0]->id], new Limits(0.8, 0.5))->region;
        self::assertNotNull($region);
        self::assertEqualsWithDelta([9.2, 9.2, 40.8, 70.8], [$region->left, $region->top, $region->right, $region->bottom], 1e-9);
        self::assertNull(WhileDrawn::of($art, ['gone'], new Limits(0.8, 0.5))->region);
    }

    #[Test]
    public function a_gradient_and_what_lies_outside_the_page_are_found_of_the_piece_alone(): void
    {
        $defs = "<defs><linearGradient id='g'><stop stop-color='#fff'/><stop offset='1' stop-color='#000'/></linearGradient></defs>";
        $kinds = static fn (Artwork $art): array => array_values(array_unique(array_column(self::around($art), 0)));
        self::assertSame(['gradient'], $kinds(self::drawn($defs."<rect x='10' y='10' width='30' height='60' fill='url(#g)'/>")));
        self::assertSame(['outside-page'], $kinds(self::drawn("<rect x='290' y='10' width='30' height='60' fill='#223344'/>")));
        self::assertSame(
            [],
            $kinds(self::drawn("<rect x='290' y='10' width='30' height='60' fill='#223344'/><circle cx='293' cy='50' r='4' fill='#d0b060'/>")),
        );
    }
}
