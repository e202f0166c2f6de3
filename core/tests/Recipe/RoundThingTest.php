<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Recipe;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Shaping\WrapPieces;
use NeatEdge\Core\Format\Json\PieceJson;
use NeatEdge\Core\Format\Json\RecipeJson;
use NeatEdge\Core\Format\Json\StoredForm;
use NeatEdge\Core\Format\Json\StoredFormRefused;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Recipe\Wrap\RoundThing;
use NeatEdge\Core\Recipe\Wrap\Wrap;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** F2: art laid round a mug lies where the law of an unrolled outside says, all over its face. */
final class RoundThingTest extends TestCase
{
    private const WITHIN = 0.05;

    /**
     * The shape, laid flat about the middle 0,0, as it is seen on a thing.
     *
     * @return list<list<float>> segments
     */
    private static function seen(Shape $shape, RoundThing $thing): array
    {
        $art = new Artwork(10.0, 10.0, [new Piece('p', $shape, new Paint(Colour::ink()))]);
        $box = $shape->box();
        self::assertNotNull($box);
        $middle = $box->middle();
        $after = (new WrapPieces(['p'], 'round', 0.0, null, false, $thing))->apply($art)->pieces[0]->shape;

        return array_merge(...array_map(static fn (Contour $contour): array => $contour->segments(), $after->transformed(Matrix::translation(-$middle->x, -$middle->y))->contours));
    }

    /** @return iterable<string, array{float, float, float}> diameter, seen from above, turned */
    public static function mugs(): iterable
    {
        yield 'a mug' => [82.0, 0.0, 0.0];
        yield 'turned' => [82.0, 0.0, 20.0];
        yield 'seen from above' => [82.0, 25.0, 0.0];
        yield 'both, and narrow' => [30.0, 40.0, -35.0];
        yield 'as wide as a barrel' => [600.0, 10.0, 5.0];
    }

    #[Test]
    #[DataProvider('mugs')]
    public function level_lines_lie_on_x_is_r_sin_length_by_r_over_the_whole_face(float $diameter, float $above, float $turn): void
    {
        $r = $diameter / 2;
        $phi = deg2rad($above);
        $half = $r * M_PI;
        foreach ([-30.0, 0.0, 30.0] as $t) {
            // Two lines hold the middle of the art at nought.
            $line = static fn (float $y): Contour => Contour::polygon([[-$half, $y], [$half, $y]], false);
            $shape = new Shape([$line($t), $line(-$t === 0.0 ? 0.0 : -$t)]);
            $segments = self::seen($shape, new RoundThing($diameter, $diameter, 95.0, $above, $turn));
            $least = INF;
            $most = -INF;
            foreach ($segments as $s) {
                for ($k = 0; $k <= 20; $k++) {
                    [$x, $y] = Cubic::placeOn($s, $k / 20);
                    [$least, $most] = [min($least, $x), max($most, $x)];
                    $depth = sqrt(max(0.0, $r * $r - $x * $x));
                    $wanted = array_map(static fn (float $level): float => $level * cos($phi) + ($depth - $r) * sin($phi), [$t, -$t]);
                    // Where it turns away it is steep: how far off is measured across.
                    $slope = $depth < 1e-6 ? INF : $x / $depth * sin($phi);
                    self::assertLessThanOrEqual(self::WITHIN, min(abs($y - $wanted[0]), abs($y - $wanted[1])) / hypot(1.0, $slope === INF ? 1e9 : $slope), "{$x}, {$y}");
                }
            }
            // All of the face, and nothing of the back.
            self::assertEqualsWithDelta(-$r, $least, self::WITHIN);
            self::assertEqualsWithDelta($r, $most, self::WITHIN);
        }
    }

    #[Test]
    #[DataProvider('mugs')]
    public function upright_lines_stay_straight_and_lie_where_their_length_round_says(float $diameter, float $above, float $turn): void
    {
        $r = $diameter / 2;
        foreach ([-0.9, -0.5, 0.0, 0.3, 0.8] as $share) {
            $s = ($share * M_PI / 2 - deg2rad($turn)) * $r;
            // A far twin on the other side keeps the middle at nought; it may be hidden.
            $segments = self::seen(new Shape([Contour::polygon([[$s, -40], [$s, 40]], false), Contour::polygon([[-$s, -40], [-$s, 40]], false)]), new RoundThing($diameter, $diameter, 95.0, $above, $turn));
            $first = $segments[0];
            self::assertTrue(Cubic::isLine($first));
            self::assertEqualsWithDelta($r * sin($share * M_PI / 2), $first[0], 1e-6);
            self::assertEqualsWithDelta($first[0], $first[6], 1e-6);
            self::assertEqualsWithDelta(80 * cos(deg2rad($above)), $first[7] - $first[1], 1e-6);
        }
    }

    /** @return iterable<string, array{float, float}> diameters above and below */
    public static function cones(): iterable
    {
        yield 'wider above' => [90.0, 60.0];
        yield 'wider below' => [60.0, 90.0];
        yield 'hardly' => [82.0, 81.99];
    }

    #[Test]
    #[DataProvider('cones')]
    public function what_widens_is_unrolled_as_part_of_a_ring(float $top, float $bottom): void
    {
        $height = 95.0;
        $thing = new RoundThing($top, $bottom, $height);
        $side = hypot($height, ($top - $bottom) / 2);
        // Up and down the middle: true lengths, as far as the outside leans.
        [$x, $y] = $thing->at(0.0, $side / 2);
        self::assertEqualsWithDelta(0.0, $x, 1e-9);
        self::assertEqualsWithDelta($height / 2, $y, 1e-6);
        // The rims, flat, are arcs about the tip, and seen from the side they are level: a place at that rim, a length round it, is r sin(length / r) across.
        $tip = ($top + $bottom) / 4 / (($top - $bottom) / 2 / $side);
        foreach ([[$top / 2, -$side / 2], [$bottom / 2, $side / 2], [($top + $bottom) / 4, 0.0]] as [$radius, $down]) {
            $far = abs($tip - $down);
            foreach ([-1.2, -0.4, 0.7, 1.3] as $round) {
                $angle = $round * $radius / $far;
                $flat = [$far * sin($angle), $tip - ($tip <=> 0) * $far * cos($angle)];
                [$x, $y] = $thing->at(...$flat);
                self::assertEqualsWithDelta($radius * sin($round), $x, 1e-6);
                self::assertEqualsWithDelta($down * $height / $side, $y, 1e-6);
            }
        }
    }

    #[Test]
    public function what_widens_upwards_hides_more_of_itself_the_more_it_is_looked_down_on(): void
    {
        self::assertEqualsWithDelta(M_PI / 2, (new RoundThing(80, 80, 95, 40))->seen(), 1e-9);
        self::assertLessThan(M_PI / 2, (new RoundThing(90, 70, 95, 40))->seen());
        self::assertGreaterThan(M_PI / 2, (new RoundThing(70, 90, 95, 40))->seen());
        self::assertSame(0.0, (new RoundThing(90, 10, 20, 79))->seen());
    }

    #[Test]
    public function lines_that_wind_over_the_edge_and_holes_of_either_rule_are_kept_where_they_are_seen(): void
    {
        $thing = new RoundThing(82, 82, 95);
        $edge = 41 * M_PI / 2;
        self::assertEqualsWithDelta(acos(10 / 95 * tan(deg2rad(40))), (new RoundThing(90, 70, 95, 40))->seen(), 1e-9);
        // Out, in, and out again: two stretches are seen.
        $winding = $thing->kept(Shape::of(new Contour([$edge - 5, 0, $edge + 45, 10, $edge - 45, 20, $edge + 5, 30], false)))->contours;
        self::assertCount(2, $winding);
        foreach ($winding as $part) {
            self::assertLessThanOrEqual($edge + 1e-6, $part->box()->right);
        }
        self::assertEqualsWithDelta($edge, $winding[0]->box()->right, 12.0);
        $frame = new Shape([Contour::rectangle($edge - 20, 0, 40, 40), Contour::rectangle($edge - 10, 10, 20, 20)], FillRule::Evenodd);
        self::assertEqualsWithDelta(20 * 40 - 10 * 20, $thing->kept($frame)->area(), 1e-3);
    }

    #[Test]
    public function filled_art_keeps_its_seen_area_and_at_most_twice_its_nodes(): void
    {
        // 180 mm of print round a mug of 82 mm: what faces whoever looks is as wide as the mug.
        $shape = Shape::of(Contour::rectangle(-90, -40, 180, 80));
        $segments = self::seen($shape, new RoundThing(82, 82, 95));
        $seen = Shape::of(Contour::ofSegments($segments, true));
        self::assertEqualsWithDelta(82 * 80, abs($seen->area()), 0.5);
        $circle = Shape::of(Contour::circle(0, 0, 20));
        $round = self::seen($circle, new RoundThing(82, 82, 95, 15, 10));
        self::assertLessThanOrEqual(2 * 4, count($round));
        // Across it is narrower, as its ends lean away; its area by the law, integrated in thin strips.
        $area = 0.0;
        for ($k = 0; $k < 20000; $k++) {
            $s = -20 + 40 * ($k + 0.5) / 20000;
            $area += 2 * sqrt(400 - $s * $s) * cos(deg2rad(15)) * cos($s / 41 + deg2rad(10)) * 40 / 20000;
        }
        self::assertEqualsWithDelta($area, abs(Shape::of(Contour::ofSegments($round, true))->area()), 0.3);
    }

    #[Test]
    public function holes_stay_holes_and_what_lies_behind_is_gone_until_it_is_turned(): void
    {
        $ring = new Shape([Contour::circle(0, 0, 20), Contour::circle(0, 0, 10)->reversed(), Contour::rectangle(75, -5, 10, 10), Contour::rectangle(-85, -5, 10, 10)]);
        $art = new Artwork(10.0, 10.0, [new Piece('p', $ring, new Paint(Colour::ink()))]);
        $wrap = static fn (float $turn): Shape => (new WrapPieces(['p'], 'round', 0.0, null, false, new RoundThing(82, 82, 95, 0, $turn)))->apply($art)->pieces[0]->shape;
        self::assertCount(2, $wrap(0)->contours);
        self::assertGreaterThan(700, $wrap(0)->area());
        self::assertCount(3, $wrap(-40)->contours, 'what lay behind on the right comes round');
        $this->expectExceptionMessage('None of it can be seen from there; turn it.');
        $small = new Artwork(10.0, 10.0, [new Piece('p', Shape::of(Contour::circle(0, 0, 2)), new Paint(Colour::ink()))]);
        (new WrapPieces(['p'], 'round', 0.0, null, false, new RoundThing(82, 82, 95, 0, 170)))->apply($small);
    }

    #[Test]
    public function what_a_piece_is_seen_through_is_bent_with_it_and_comes_back(): void
    {
        $square = Shape::of(Contour::rectangle(0, 0, 80, 40));
        $clip = new Piece('c', Shape::of(Contour::rectangle(60, 0, 20, 40)), new Paint(Colour::ink()));
        $piece = new Piece('p', $square, new Paint(Colour::ink()), clip: $clip, soft: new SoftLook(0.0, null, [[$clip]]));
        $art = new Artwork(80.0, 40.0, [$piece]);
        $bent = (new WrapPieces(['p'], 'round', 0.0, null, false, new RoundThing(60, 60, 95, 0, 0)))->apply($art);
        // 20 and 40 mm right of the middle, round a radius of 30.
        foreach ([$bent->pieces[0]->clip, $bent->pieces[0]->soft?->clips[0][0]] as $one) {
            self::assertEqualsWithDelta([40 + 30 * sin(20 / 30), 40 + 30 * sin(40 / 30)], [$one?->box()?->left, $one?->box()?->right], 0.05);
        }
        $stored = PieceJson::to(json_decode((string) json_encode(PieceJson::of($bent->pieces[0])), true));
        self::assertNotNull($stored->soft?->clips[0][0]->recipe?->change(Wrap::class));
        $again = (new WrapPieces(['p'], 'round', 0.0, null, true, null))->apply($bent->with(pieces: [$stored]))->pieces[0];
        foreach ([$again, $again->clip, $again->soft?->clips[0][0]] as $one) {
            self::assertNull($one?->recipe?->change(Wrap::class));
        }
        self::assertEqualsWithDelta([60.0, 80.0], [$again->clip?->box()?->left, $again->soft?->clips[0][0]->box()?->right], 1e-6);
    }

    #[Test]
    public function it_stays_adjustable_is_stored_as_it_is_and_is_taken_off_again(): void
    {
        $shape = Shape::of(Contour::rectangle(10, 10, 60, 30));
        $art = new Artwork(100.0, 60.0, [new Piece('p', $shape, new Paint(Colour::ink()))]);
        $fonts = FontShelf::shipped();
        $make = static fn (array $fields): Artwork => Edits::applied(Edits::make('wrap', ['pieces' => ['p'], ...$fields], $fonts), $art, $fonts);
        $wrapped = $make(['round' => '82mm', 'height' => '95mm', 'turn' => 20]);
        $recipe = $wrapped->pieces[0]->recipe;
        self::assertNotNull($recipe);
        self::assertEquals(new RoundThing(82, 82, 95, 0, 20), $recipe->change(Wrap::class)?->round);
        $stored = RecipeJson::to(json_decode((string) json_encode(RecipeJson::of($recipe)), true));
        self::assertEquals($recipe->change(Wrap::class), $stored->change(Wrap::class));
        $row = PieceJson::of($wrapped->pieces[0]);
        StoredForm::hold($row);
        foreach ([[82, 82, 95, 0], [0, 82, 95, 0, 20], [82, 82, 95, 81, 20], [82, 82, 95, 0, 'far']] as $round) {
            $spoilt = $row;
            $spoilt['recipe']['changes'][0]['round'] = $round;
            try {
                StoredForm::hold($spoilt);
                self::fail('kept');
            } catch (StoredFormRefused) {
                // As it should be.
            }
        }
        // Adjusted it is laid round anew from what was flat, and taken off it is flat again.
        $again = Edits::applied(Edits::make('wrap', ['pieces' => ['p'], 'shape' => 'round', 'round' => '82mm', 'turn' => 0], $fonts), $wrapped, $fonts);
        self::assertEquals($make(['shape' => 'round', 'round' => '82mm', 'turn' => 0])->pieces[0]->shape->box(), $again->pieces[0]->shape->box());
        $off = Edits::applied(Edits::make('wrap', ['pieces' => ['p'], 'off' => true], $fonts), $again, $fonts);
        self::assertEquals($shape->box(), $off->pieces[0]->shape->box());
        foreach ([['round' => '0'], ['round' => '82mm', 'above' => 85], ['round' => '82mm', 'turn' => 400]] as $bad) {
            try {
                $make($bad);
                self::fail('taken');
            } catch (Refused $refused) {
                self::assertMatchesRegularExpression('/^(Diameter|Seen from above|Turned round): type /', $refused->getMessage());
            }
        }
    }
}
