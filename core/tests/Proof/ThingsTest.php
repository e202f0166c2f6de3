<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Proof;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Artwork\LayerPart;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place as Lies;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Edit\Shaping\WrapPieces;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Proof\Laid;
use NeatEdge\Core\Proof\Product;
use NeatEdge\Core\Proof\Sketch;
use NeatEdge\Core\Proof\Things;
use NeatEdge\Core\Recipe\Wrap\RoundThing;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Tests\Seen\SoftToneTest;
use NeatEdge\Core\Tests\Support\Render;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** F1, F2, F3: things that art is shown on: in their colours, with art in its true size and under their light. */
final class ThingsTest extends TestCase
{
    /** A page of 100 mm with a red square of 40 mm and, at its right edge, a blue one. */
    private static function art(): Artwork
    {
        $square = static fn (string $id, float $x, string $colour): Piece => new Piece(
            $id,
            Shape::of(Contour::rectangle($x, 30, 40, 40)),
            new Paint(Colour::fromHex($colour)),
        );

        return new Artwork(100, 100, [$square('a', 10, '#ff0000'), $square('b', 50, '#0000ff')]);
    }

    /** @param  array<string, mixed>  $place */
    private static function plain(array $place): Product
    {
        $piece = static fn (string $id, string $d, string $layer, string $colour): Piece => new Piece(
            $id,
            SoftToneTest::shape($d),
            new Paint(Colour::fromHex($colour)),
            place: new Lies($layer),
        );

        return Product::of(new Artwork(
            200,
            200,
            [
                $piece('g', 'M0 0H200V200H0Z', 'l1', '#808080'),
                $piece('b', 'M20 20H180V180H20Z', 'l2', '#808080'),
                $piece('p', 'M40 40H160V160H40Z', 'l3', '#ffffff'),
                $piece('s', 'M100 100H200V200H100Z', 'l4', '#000000'),
            ],
            [
                new Layer('l1', 'Ground', part: 'ground'), new Layer('l2', 'Body', part: 'body'),
                new Layer('l3', 'Place', part: 'place', place: $place), new Layer('l4', 'Shade', part: 'shade'),
            ],
        )) ?? throw new \LogicException;
    }

    /** @return iterable<string, array{string}> */
    public static function keys(): iterable
    {
        foreach (array_keys(Things::all()) as $key) {
            yield $key => [$key];
        }
    }

    #[Test]
    #[DataProvider('keys')]
    public function each_thing_that_ships_has_a_body_a_place_and_a_light_and_shows_art_there(string $key): void
    {
        $artwork = Things::artwork($key);
        self::assertSame(ArtworkJson::encode($artwork), ArtworkJson::encode(ArtworkJson::decode(ArtworkJson::encode($artwork))), 'kept whole, parts and all');
        $parts = array_map(static fn (Layer $layer): string => $layer->part, $artwork->layers);
        foreach ([LayerPart::Ground, LayerPart::Body, LayerPart::Place, LayerPart::Light] as $part) {
            self::assertContains($part->value, $parts);
        }
        $product = Things::product($key);
        $place = $product->places[0];
        $box = $place->area->box();
        self::assertNotNull($box);
        $laid = Laid::of(self::art(), $place, ['width' => 0.6 * min($place->width, $place->height)]);
        $middle = $box->middle();
        $at = [(int) (4 * ($middle->x - 10)), (int) (4 * $middle->y)];
        $bare = Render::colours(Writer::write($product->shown([], [])), (int) (4 * $artwork->width), [$at])[0];
        $shown = Render::colours(Writer::write($product->shown([], [$place->layer => $laid])), (int) (4 * $artwork->width), [$at])[0];
        self::assertGreaterThan($shown[1] + 60, $shown[0], 'red is seen there');
        self::assertLessThan(90, abs($bare[0] - $bare[1]), 'where the thing itself is not red');
    }

    #[Test]
    public function greys_are_multiplied_by_a_colour_and_light_stays_above_the_art(): void
    {
        $product = self::plain(['lies' => 'flat', 'width' => 240.0, 'height' => 240.0]);
        $laid = ['l3' => Laid::of(self::art(), $product->places[0], ['width' => 200])];
        $places = [[25, 25], [70, 100], [130, 90], [130, 120], [190, 30]];
        $shown = Render::colours(Writer::write($product->shown(['l2' => Colour::fromHex('#4080ff')], $laid)), 200, $places);
        self::assertEqualsWithDelta([0x20, 0x40, 0x80], $shown[0], 1.5, 'half a grey of the colour');
        self::assertEqualsWithDelta([255, 0, 0], $shown[1], 1.5);
        self::assertEqualsWithDelta([0, 0, 255], $shown[2], 1.5);
        self::assertEqualsWithDelta([0, 0, 0], $shown[3], 1.5, 'under the shade');
        self::assertEqualsWithDelta([0x80, 0x80, 0x80], $shown[4], 1.5, 'the ground is as it was drawn');
        $dark = Render::colours(Writer::write($product->shown([], $laid, false)), 200, $places);
        self::assertEqualsWithDelta([0, 0, 255], $dark[3], 1.5, 'without its light');
    }

    #[Test]
    public function art_has_its_true_size_in_a_place_and_what_does_not_fit_is_said(): void
    {
        $product = self::plain(['lies' => 'flat', 'width' => 240.0, 'height' => 120.0]);
        $place = $product->places[0];
        // 240 mm in truth are 120 mm of the picture: half.
        $laid = Laid::of(self::art(), $place, ['width' => 160, 'x' => 20, 'y' => -10]);
        self::assertEqualsWithDelta(80.0, $laid->height(), 1e-9);
        $pieces = $product->shown([], ['l3' => $laid], false)->pieces;
        $box = $pieces[2]->box();
        self::assertEqualsWithDelta([70.0, 75.0, 40.0, 40.0], [$box?->left, $box?->top, $box?->width(), $box?->height()], 1e-6);
        self::assertSame([], $product->says(['l3' => $laid]));
        $large = Laid::of(self::art(), $place, ['width' => 400]);
        self::assertCount(2, $product->says(['l3' => $large]), 'too wide and too high');
        self::assertEqualsWithDelta(160.0, max(...array_map(static fn (Piece $piece): float => $piece->box()->right ?? 0.0, array_slice($product->shown([], ['l3' => $large], false)->pieces, 2))), 1e-6, 'and cut off there');
        self::assertEqualsWithDelta(80.0, Laid::of(self::art(), $place, [])->width, 1e-9, 'as it is drawn, where that fits');
        $small = self::plain(['lies' => 'flat', 'width' => 30.0, 'height' => 300.0])->places[0];
        self::assertEqualsWithDelta(30.0, Laid::of(self::art(), $small, [])->width, 1e-9, 'and as wide as the place where it does not');
    }

    #[Test]
    public function round_a_thing_it_goes_as_far_as_it_is_long_and_turning_shows_the_rest(): void
    {
        $product = self::plain(['lies' => 'round', 'width' => 300.0, 'height' => 100.0, 'round' => 60.0, 'tall' => 100.0]);
        // 60 mm across are 120 mm of the picture; 80 mm of art, of which the left half is red.
        $laid = static fn (float $turn): array => ['l3' => Laid::of(self::art(), $product->places[0], ['width' => 80, 'turn' => $turn])];
        $pieces = $product->shown([], $laid(0), false)->pieces;
        // A length of 40 mm on a radius of 30 mm is seen 30 sin(40/30) off the middle.
        self::assertEqualsWithDelta(100 - 60 * sin(40 / 30), $pieces[2]->box()?->left, 0.05);
        self::assertEqualsWithDelta(100.0, $pieces[2]->box()?->right, 0.05);
        $turned = $product->shown([], $laid(90), false)->pieces;
        self::assertEqualsWithDelta(100 + 60 * sin(M_PI / 2 - 40 / 30), $turned[2]->box()?->left, 0.05, 'a quarter round, its left edge has come to the front');
        self::assertStringContainsString('meets itself', $product->says(['l3' => Laid::of(self::art(), $product->places[0], ['width' => 200])])[0]);
    }

    #[Test]
    public function looked_down_on_the_middle_of_the_art_lies_where_the_front_sags_to(): void
    {
        $product = self::plain(['lies' => 'round', 'width' => 300.0, 'height' => 100.0, 'round' => 60.0, 'tall' => 100.0, 'above' => 30.0]);
        $dot = new Artwork(10, 10, [new Piece('d', Shape::of(Contour::rectangle(4, 4, 2, 2)), new Paint(new Colour(255, 0, 0)))]);
        $box = $product->shown([], ['l3' => Laid::of($dot, $product->places[0], ['width' => 1])], false)->pieces[2]->box();
        // The rims sag by 30 mm times the sine of 30 degrees, twice as large on the picture; half of that is above the middle.
        self::assertEqualsWithDelta(100.0 + 15.0, $box?->middle()->y, 0.05);
        self::assertEqualsWithDelta(100.0, $box?->middle()->x, 0.05);
    }

    #[Test]
    #[DataProvider('keys')]
    public function a_place_of_the_picture_leads_back_to_what_lies_there(string $key): void
    {
        $place = Things::product($key)->places[0];
        foreach ([0.0, 25.0] as $turn) {
            foreach ([[0.0, 0.0], [0.2, 0.1], [-0.15, -0.25], [0.05, 0.3]] as [$u, $v]) {
                $flat = [$u * min($place->width, $place->height), $v * $place->height];
                $at = $place->near($flat[0], $flat[1], $turn)->apply(...$flat);
                $back = $place->flat($at->x, $at->y, $turn);
                self::assertNotNull($back, "{$key}, turned by {$turn}");
                self::assertEqualsWithDelta($flat, $back, 0.01);
            }
        }
        self::assertNull($place->flat(1.0, 1.0, 0.0), 'the wall behind it');
    }

    /**
     * A place of 100 by 100 mm in truth on a square of 100 mm of the picture, from 20, 20.
     *
     * @param  list<list<array{float, float}>>|null  $knots  of the net over it; as it is drawn, when null
     * @param  list<Piece>  $more  on the layer of the place
     */
    private static function pulled(?array $knots, array $more = []): Product
    {
        $sketch = (new Sketch(140, 140))->layer('Place', LayerPart::Place, ['lies' => 'wrapped', 'width' => 100.0, 'height' => 100.0]);
        $sketch = $knots === null ? $sketch->shape('Area', 'M20 20H120V120H20Z', '#ffffff') : $sketch->net('Area', new Box(20.0, 20.0, 120.0, 120.0), $knots);
        $drawn = $sketch->artwork();

        return Product::of($drawn->with(pieces: [...$drawn->pieces, ...$more])) ?? throw new \LogicException;
    }

    /** @return list<list<array{float, float}>> knots of which the one in the middle is pulled */
    private static function knots(float $x, float $y): array
    {
        return [
            [[20.0, 20.0], [70.0, 20.0], [120.0, 20.0]],
            [[20.0, 70.0], [$x, $y], [120.0, 70.0]],
            [[20.0, 120.0], [70.0, 120.0], [120.0, 120.0]],
        ];
    }

    #[Test]
    public function art_lies_as_the_shape_of_its_place_is_wrapped(): void
    {
        $art = self::art();
        $lies = static fn (Product $product, float $width, float $x = 0.0): array => $product->shown([], $product->everywhere($art, ['width' => $width, 'x' => $x]))->pieces;
        $straight = $lies(self::pulled(self::knots(70.0, 70.0)), 40.0);
        // 80 mm of art as 40 mm: two squares of 20 mm about the middle.
        self::assertEqualsWithDelta([50.0, 60.0, 70.0, 80.0], [$straight[0]->box()?->left, $straight[0]->box()?->top, $straight[0]->box()?->right, $straight[0]->box()?->bottom], 0.01);
        // The border between the two goes where the knot was pulled to, and what lies at the edge stays.
        $pulled = self::pulled(self::knots(80.0, 64.0));
        $at = $pulled->places[0]->near(0.0, 0.0, 0.0)->apply(0.0, 0.0);
        self::assertEqualsWithDelta([80.0, 64.0], [$at->x, $at->y], 1e-6);
        $bent = $lies($pulled, 40.0);
        self::assertEqualsWithDelta(80.0, $bent[0]->box()?->right, 0.6, 'it bulges a little beyond the knot');
        self::assertGreaterThanOrEqual(80.0 - 0.02, $bent[0]->box()?->right);
        $edge = $pulled->places[0]->near(-50.0, 20.0, 0.0)->apply(-50.0, 20.0);
        self::assertEqualsWithDelta([20.0, 90.0], [$edge->x, $edge->y], 1e-6);
        self::assertSame([], $pulled->says($pulled->everywhere($art, ['width' => 40.0])));
        // It runs smoothly through the knot: on both its sides it goes as fast.
        [$before, $after] = [$pulled->places[0]->near(-0.02, 0.0, 0.0), $pulled->places[0]->near(0.0, 0.0, 0.0)];
        self::assertEqualsWithDelta([$after->a, $after->b], [$before->a, $before->b], 1e-3);
        // What reaches beyond the frame, of which a net says nothing, ends at it.
        foreach ($lies($pulled, 40.0, 45.0) as $piece) {
            self::assertLessThanOrEqual(120.001, $piece->box()?->right);
        }
        self::assertTrue($pulled->places[0]->seen(Shape::of(Contour::rectangle(60, -10, 400, 20)), 0.0)->isEmpty());
        // And far beyond a window seen at an angle lies the horizon, behind which all would come back.
        self::assertTrue(Things::product('window')->places[0]->seen(Shape::of(Contour::rectangle(-30_000, -400, 25_000, 800)), 0.0)->isEmpty());
        self::assertSame(['The shape of the place is not wrapped: art lies flat there.'], self::pulled(null)->says(self::pulled(null)->everywhere($art, ['width' => 40.0])));
    }

    #[Test]
    public function a_place_that_is_moved_after_it_was_wrapped_takes_its_art_along(): void
    {
        $drawn = (new Sketch(140, 140))->layer('Place', LayerPart::Place, ['lies' => 'wrapped', 'width' => 100.0, 'height' => 100.0])
            ->net('Area', new Box(20.0, 20.0, 120.0, 120.0), self::knots(80.0, 64.0))->artwork();
        $moved = Product::of($drawn->with(pieces: [$drawn->pieces[0]->transformed(new Matrix(0.5, 0.0, 0.0, 0.5, 10.0, 30.0))]));
        $at = $moved?->places[0]->near(0.0, 0.0, 0.0)->apply(0.0, 0.0);
        self::assertEqualsWithDelta([50.0, 62.0], [$at?->x, $at?->y], 1e-6);
        self::assertEqualsWithDelta([-30.0, 20.0], $moved?->places[0]->flat(...self::seen($moved, -30.0, 20.0), turn: 0.0), 0.01);
        $seen = $moved?->shown([], $moved->everywhere(self::art(), ['width' => 40.0]))->pieces ?? [];
        self::assertEqualsWithDelta(50.0, $seen[0]->box()?->right, 0.3, 'outlines as well as places');
    }

    #[Test]
    public function every_place_of_a_net_leads_back_to_what_lies_there(): void
    {
        // Pulled hard both ways, between two folds.
        $place = self::pulled([
            [[20.0, 20.0], [60.0, 16.0], [80.0, 24.0], [120.0, 20.0]],
            [[20.0, 70.0], [60.0, 62.0], [80.0, 78.0], [120.0, 70.0]],
            [[20.0, 120.0], [42.0, 114.0], [94.0, 126.0], [120.0, 120.0]],
        ])->places[0];
        for ($k = 0; $k < 81; $k++) {
            [$x, $y] = [-48.0 + 12.0 * ($k % 9), -48.0 + 12.0 * intdiv($k, 9)];
            $at = $place->near($x, $y, 0.0)->apply($x, $y);
            self::assertEqualsWithDelta([$x, $y], $place->flat($at->x, $at->y, 0.0), 0.01);
        }
    }

    #[Test]
    public function a_place_that_was_wrapped_round_something_takes_art_round_it(): void
    {
        $base = new Piece('p', Shape::of(Contour::rectangle(20, 20, 100, 100)), new Paint(new Colour(255, 255, 255)), place: new Lies('l1'));
        $drawn = new Artwork(140, 140, [$base], [new Layer('l1', 'Place', part: 'place', place: ['lies' => 'wrapped', 'width' => 100.0, 'height' => 100.0])]);
        $place = Product::of((new WrapPieces(['p'], 'round', 0.0, null, false, new RoundThing(80, 80, 100, 30, 0)))->apply($drawn))?->places[0];
        $at = $place?->near(20.0, 15.0, 0.0)->apply(20.0, 15.0);
        self::assertEqualsWithDelta(70 + 40 * sin(20 / 40), $at?->x, 1e-6);
        self::assertEqualsWithDelta(70 + 15 * cos(M_PI / 6) + 40 * (cos(20 / 40) - 1) * 0.5, $at?->y, 1e-6);
        $box = $place?->seen(Shape::of(Contour::rectangle(19.5, 14.5, 1, 1)), 0.0)->box();
        self::assertEqualsWithDelta([$at?->x, $at?->y], [$box?->middle()->x, $box?->middle()->y], 0.02);
    }

    /** @return array{float, float} where a place in truth is seen */
    private static function seen(?Product $product, float $x, float $y): array
    {
        $at = $product?->places[0]->near($x, $y, 0.0)->apply($x, $y);

        return [$at->x ?? 0.0, $at->y ?? 0.0];
    }

    #[Test]
    public function art_over_a_seam_is_told_wherever_the_seam_was_drawn(): void
    {
        $seam = static fn (Contour $line): Piece => new Piece(
            's',
            Shape::of($line),
            null,
            new Stroke(new Paint(new Colour(0, 0, 0)), new StrokeStyle(0.5)),
            place: new Lies('l1'),
        );
        $says = static fn (Contour $line, float $width, float $x, Artwork $art): array => ($product = self::pulled(self::knots(80.0, 64.0), [$seam($line)]))
            ->says($product->everywhere($art, ['width' => $width, 'x' => $x]));
        $told = ['The art lies over a seam.'];
        $down = Contour::polygon([[80.0, 20.0], [80.0, 120.0]], false);
        self::assertSame($told, $says($down, 40.0, 0.0, self::art()));
        // Pulled to the right in its middle, art that ends at 70 of the bench is seen up to beyond 80: in truth it ends at the middle.
        self::assertSame([], $says($down, 30.0, -20.0, self::art()));
        self::assertSame($told, $says(Contour::polygon([[76.0, 63.0], [77.0, 66.0]], false), 40.0, 0.0, self::art()), 'a short one that lies within a shape');
        self::assertSame([], $says(Contour::polygon([[22.0, 22.0], [30.0, 22.0]], false), 40.0, 0.0, self::art()));
        $line = new Artwork(100, 100, [new Piece('a', Shape::of(Contour::polygon([[10.0, 30.0], [90.0, 70.0]], false)), null, new Stroke(new Paint(new Colour(0, 0, 0)), new StrokeStyle(1.0)))]);
        self::assertSame($told, $says($down, 60.0, 0.0, $line), 'a line that runs across it');
        self::assertSame([], $says(Contour::polygon([[60.0, 85.0], [60.0, 95.0]], false), 60.0, 0.0, $line), 'beside a line there is nothing of it');
        // A seam ends where it ends, and a line that is open has no way back to where it began.
        self::assertSame([], $says(Contour::polygon([[26.0, 24.0], [26.0, 70.0]], false), 30.0, -20.0, self::art()));
        $corner = Shape::of(Contour::polygon([[0.0, 0.0], [100.0, 0.0], [100.0, 100.0]], false));
        $hook = new Artwork(100, 100, [new Piece('a', $corner, null, new Stroke(new Paint(new Colour(0, 0, 0)), new StrokeStyle(1.0)))]);
        $within = [[50.0, 110.0], [50.0, 40.0]];
        self::assertSame([], $says(Contour::polygon($within, false), 80.0, 0.0, $hook));
        self::assertSame([], $says(Contour::polygon(array_reverse($within), false), 80.0, 0.0, $hook));
        self::assertSame($told, $says(Contour::polygon($within, false), 80.0, 0.0, new Artwork(100, 100, [new Piece('a', $corner, new Paint(new Colour(0, 0, 0)))])), 'filled, it has');
    }

    #[Test]
    public function what_is_soft_is_bent_with_its_drawing_and_its_clips(): void
    {
        $product = self::plain(['lies' => 'round', 'width' => 300.0, 'height' => 100.0, 'round' => 60.0, 'tall' => 100.0]);
        $white = new Paint(new Colour(255, 255, 255));
        $wide = Shape::of(Contour::rectangle(0, 40, 80, 20));
        $soft = new Piece('a', $wide, new Paint(new Colour(255, 0, 0)), soft: new SoftLook(0.2));
        // Two dots beside say how wide the art is.
        $dots = [new Piece('l', Shape::of(Contour::rectangle(0, 49, 1, 1)), $white), new Piece('r', Shape::of(Contour::rectangle(79, 49, 1, 1)), $white)];
        $clipped = new Piece('a', $wide, new Paint(new Colour(255, 0, 0)), soft: new SoftLook(0.0, null, [[new Piece('k', Shape::of(Contour::rectangle(60, 0, 20, 100)), $white)]]));
        $both = static fn (Artwork $art): array => [$art, Seen::of($art)];
        // As it lies on the bench, and as what is seen of it, the same.
        $seen = static function (Piece $piece, float $x) use ($product, $dots, $both): array {
            [$bench, $seen] = array_map(
                static fn (Artwork $art): array => Render::colours(Writer::write($product->shown([], $product->everywhere($art, ['width' => 80.0]), false)), 400, [[(int) (2 * $x), 200]])[0],
                $both(new Artwork(80, 100, [...$dots, $piece])),
            );
            self::assertEqualsWithDelta($bench, $seen, 2.0);

            return $seen;
        };
        // 40 mm round a radius of 30 are seen 30 sin(40 / 30) off the middle, twice as large on the picture: its flat image would end 80 off.
        $end = 60 * sin(40 / 30);
        self::assertGreaterThan(200, $seen($soft, 100 + $end - 3)[0]);
        self::assertLessThan(60, $seen($soft, 100 + $end - 3)[1]);
        self::assertGreaterThan(100, $seen($soft, 100 + $end + 1.6)[1], 'nothing of it beyond');
        // Of one in two parts each lies where it is seen: at both its ends.
        $parts = new Piece('a', new Shape([Contour::rectangle(0, 40, 5, 20), Contour::rectangle(75, 40, 5, 20)]), new Paint(new Colour(255, 0, 0)), soft: new SoftLook(0.2));
        self::assertLessThan(60, $seen($parts, 100 + $end - 1)[1]);
        self::assertGreaterThan(100, $seen($parts, 100)[1]);
        $look = array_slice($product->shown([], $product->everywhere(new Artwork(80, 100, [$soft]), ['width' => 80.0]), false)->pieces, -1)[0]->fill?->soft?->look;
        self::assertEqualsWithDelta(0.4, $look?->edge, 0.02, 'as soft as it is large');
        // Its clip leaves the last quarter of it: 20 to 40 mm to the right of the middle.
        $from = 60 * sin(20 / 30);
        self::assertGreaterThan(200, $seen($clipped, 100 + $from + 2)[0]);
        self::assertLessThan(60, $seen($clipped, 100 + $from + 2)[1]);
        self::assertGreaterThan(100, $seen($clipped, 100 + $from - 2)[1]);
        // Turned until the clip is behind, nothing of the piece is seen, though it reaches to the front.
        foreach ($both(new Artwork(80, 100, [...$dots, $clipped])) as $art) {
            $turned = $product->shown([], $product->everywhere($art, ['width' => 80.0, 'turn' => 70.0]), false);
            self::assertEqualsWithDelta([128, 128, 128], Render::colours(Writer::write($turned), 400, [[240, 200]])[0], 2.0);
        }
    }

    #[Test]
    public function the_stroke_of_what_goes_round_ends_where_it_is_no_longer_seen(): void
    {
        $product = self::plain(['lies' => 'round', 'width' => 300.0, 'height' => 100.0, 'round' => 60.0, 'tall' => 100.0]);
        $ring = new Piece('a', Shape::of(Contour::rectangle(0, 0, 150, 40)), new Paint(new Colour(255, 0, 0)), new Stroke(new Paint(new Colour(0, 0, 255)), new StrokeStyle(2.0)));
        $pieces = array_slice($product->shown([], $product->everywhere(new Artwork(150, 40, [$ring]), ['width' => 150.0]), false)->pieces, 2);
        self::assertCount(2, $pieces);
        self::assertNull($pieces[0]->stroke);
        self::assertTrue($pieces[0]->shape->contours[0]->closed);
        // Cut to the place, the line is an outline: its upper side and its lower, and none where it turns away.
        self::assertCount(2, $pieces[1]->shape->contours);
        foreach ($pieces[1]->shape->contours as $side) {
            self::assertEqualsWithDelta(4.0, $side->box()->height(), 0.1);
            self::assertEqualsWithDelta(120.0, $side->box()->width(), 0.1);
        }
    }

    #[Test]
    public function what_has_no_place_is_no_thing(): void
    {
        self::assertNull(Product::of(self::art()));
        self::assertSame('#ff0000', Seen::of(self::art())->pieces[0]->fill?->colour->hex());
    }
}
