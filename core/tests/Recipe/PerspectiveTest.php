<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Recipe;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Json\PieceJson;
use NeatEdge\Core\Format\Json\StoredForm;
use NeatEdge\Core\Format\Json\StoredFormRefused;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Recipe\Wrap\Perspective;
use NeatEdge\Core\Recipe\Wrap\Wrap;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** F2: what is flat and seen at an angle lies where a camera sees it. */
final class PerspectiveTest extends TestCase
{
    /**
     * A sign of 100 x 60 mm, turned about its middle, as a camera a metre off sees it.
     *
     * @return array{float, float}
     */
    private static function camera(float $u, float $v): array
    {
        [$x, $y, $z] = [100 * ($u - 0.5), 60 * ($v - 0.5), 0.0];
        [$a, $b] = [deg2rad(40), deg2rad(-25)];
        [$x, $z] = [$x * cos($a), $x * sin($a)];
        [$y, $z] = [$y * cos($b) - $z * sin($b), $y * sin($b) + $z * cos($b)];

        return [1000 * $x / (1000 + $z) + 80, 1000 * $y / (1000 + $z) + 50];
    }

    private static function seen(): Perspective
    {
        return new Perspective([...self::camera(0, 0), ...self::camera(1, 0), ...self::camera(1, 1), ...self::camera(0, 1)]);
    }

    /** @param  array<string, mixed>  $fields */
    private static function wrapped(Artwork $art, array $fields): Artwork
    {
        $fonts = FontShelf::shipped();

        return Edits::applied(Edits::make('wrap', ['pieces' => array_column($art->pieces, 'id'), ...$fields], $fonts), $art, $fonts);
    }

    private static function art(Shape ...$shapes): Artwork
    {
        $pieces = [];
        foreach ($shapes as $shape) {
            $pieces[] = new Piece('p'.count($pieces), $shape, new Paint(Colour::ink()));
        }

        return new Artwork(200.0, 100.0, $pieces);
    }

    #[Test]
    public function every_place_lies_where_a_camera_sees_it(): void
    {
        $seen = self::seen();
        for ($i = 0; $i <= 10; $i++) {
            for ($k = 0; $k <= 10; $k++) {
                [$x, $y] = $seen->at($i / 10, $k / 10);
                [$wantedX, $wantedY] = self::camera($i / 10, $k / 10);
                self::assertEqualsWithDelta($wantedX, $x, 1e-9);
                self::assertEqualsWithDelta($wantedY, $y, 1e-9);
            }
        }
        // A parallelogram is no perspective at all.
        self::assertEqualsWithDelta([15.0, 8.0], (new Perspective([0, 0, 20, 4, 30, 16, 10, 12]))->at(0.5, 0.5), 1e-12);
    }

    #[Test]
    public function straight_lines_stay_one_straight_line_and_circles_take_few_nodes(): void
    {
        $frame = 'M0,0 L100,10 L90,55 L8,70 Z';
        $art = self::art(Shape::of(Contour::rectangle(0, 0, 100, 60)), Shape::of(Contour::polygon([[10, 10], [90, 50]], false)), Shape::of(Contour::circle(50, 30, 25)));
        $after = self::wrapped($art, ['shape' => 'flat', 'frame' => $frame])->pieces;
        self::assertEqualsWithDelta([0, 0, 100, 10, 90, 55, 8, 70], array_merge(...array_map(static fn (array $s): array => [$s[0], $s[1]], $after[0]->shape->contours[0]->closedSegments())), 1e-9);
        self::assertSame(1, $after[1]->shape->contours[0]->segmentCount());
        self::assertTrue(Cubic::isLine($after[1]->shape->contours[0]->segment(0)));
        self::assertLessThanOrEqual(8, $after[2]->shape->nodeCount());
        // The circle within 0.02 mm of where its places are seen.
        $seen = new Perspective([0, 0, 100, 10, 90, 55, 8, 70]);
        $dense = Contour::polygon(array_map(static fn (int $k): array => $seen->at(0.5 + 0.25 * cos($k * M_PI / 720), 0.5 + 25 / 60 * sin($k * M_PI / 720)), range(0, 1439)));
        self::assertEqualsWithDelta($dense->area(), $after[2]->shape->area(), 0.02 * $dense->length());
    }

    #[Test]
    public function by_number_it_leans_back_and_a_dent_is_refused(): void
    {
        $art = self::art(Shape::of(Contour::rectangle(0, 0, 100, 60)));
        $box = self::wrapped($art, ['shape' => 'flat', 'amount' => 0.4])->pieces[0]->shape->contours[0]->closedSegments();
        self::assertEqualsWithDelta([20.0, 0.0, 80.0, 0.0], [$box[0][0], $box[0][1], $box[0][6], $box[0][7]], 1e-9);
        // What lies half way up is seen nearer to the far side than to the near one: no taper by which all shrinks evenly.
        $half = self::wrapped(self::art(Shape::of(Contour::rectangle(0, 0, 100, 60)), Shape::of(Contour::polygon([[0, 30], [100, 30]], false))), ['shape' => 'flat', 'amount' => 0.4]);
        self::assertLessThan(29.0, $half->pieces[1]->shape->box()?->top);
        $this->expectException(Refused::class);
        $this->expectExceptionMessageMatches('/folds over itself/');
        self::wrapped($art, ['shape' => 'flat', 'frame' => 'M0,0 L100,0 L20,10 L0,60 Z']);
    }

    #[Test]
    public function it_is_stored_as_it_is(): void
    {
        $piece = self::wrapped(self::art(Shape::of(Contour::rectangle(0, 0, 100, 60))), ['shape' => 'flat', 'frame' => 'M0,0 L100,10 L90,55 L8,70 Z'])->pieces[0];
        $row = json_decode((string) json_encode(PieceJson::of($piece)), true);
        StoredForm::hold($row);
        self::assertEquals($piece->recipe?->change(Wrap::class)?->flat, PieceJson::to($row)->recipe?->change(Wrap::class)?->flat);
        $row['recipe']['changes'][0]['flat'] = [1, 2, 3];
        $this->expectException(StoredFormRefused::class);
        StoredForm::hold($row);
    }
}
