<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Stroke;

use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Side;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Seen\StrokeRegion;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\EndKind;
use NeatEdge\Core\Stroke\LineEnds;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Tests\Support\Bench;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class LineEndsTest extends TestCase
{
    private static function region(Contour $line, LineEnds $ends, float $width = 2.0, Cap $cap = Cap::Butt, Side $side = Side::Centre): Shape
    {
        return StrokeRegion::of(Shape::of($line), new Stroke(new Paint(Colour::ink()), new StrokeStyle($width, $cap), side: $side, ends: $ends));
    }

    /** @return iterable<string, array{EndKind, float}> an end of a line of 100 mm that is 2 mm wide, four widths in size, and the area of it all, mm² */
    public static function kinds(): iterable
    {
        yield 'a point' => [EndKind::Point, 92 * 2 + 8 * 8 / 2];
        // The disc of radius 4 and the line up to where its edges meet the disc, less the cap of the disc between them.
        yield 'a disc' => [EndKind::Disc, M_PI * 16 + 2 * (96 - sqrt(15)) - (16 * asin(0.25) - sqrt(15))];
        yield 'a bar' => [EndKind::Bar, 98 * 2 + 8 * 2];
    }

    #[Test]
    #[DataProvider('kinds')]
    public function an_end_is_one_outline_with_its_line_and_reaches_exactly_as_far_as_the_line_did(EndKind $kind, float $area): void
    {
        foreach ([[EndKind::Plain, $kind, 0.0, 100.0], [$kind, EndKind::Plain, 0.0, 100.0]] as [$start, $finish, $left, $right]) {
            $region = self::region(Contour::polygon([[0, 0], [100, 0]], false), new LineEnds($start, $finish));
            self::assertCount(1, $region->contours);
            $box = $region->box();
            self::assertNotNull($box);
            self::assertEqualsWithDelta([$left, $right, -4.0, 4.0], [$box->left, $box->right, $box->top, $box->bottom], 1e-6);
            self::assertEqualsWithDelta($area, $region->area(), $kind === EndKind::Disc ? 0.02 : 1e-6);
        }
    }

    #[Test]
    public function whatever_the_end_the_line_never_shows_beyond_it(): void
    {
        foreach (EndKind::cases() as $kind) {
            foreach (Cap::cases() as $cap) {
                foreach ([2.0, 3.0, 4.0, 9.0] as $size) {
                    $region = self::region(Contour::polygon([[0, 0], [100, 0]], false), new LineEnds($kind, EndKind::Plain, $size), 2.0, $cap);
                    if ($kind !== EndKind::Plain) {
                        self::assertGreaterThanOrEqual(-1e-6, $region->box()->left ?? -1.0, "{$kind->value}, {$cap->value}, {$size}");
                    }
                    self::assertCount(1, $region->contours, "{$kind->value}, {$cap->value}, {$size}: nothing is left apart, no hole between");
                }
            }
        }
    }

    #[Test]
    public function on_a_curve_an_end_points_the_way_the_line_goes_there_and_a_short_line_has_smaller_ends(): void
    {
        // A quarter of a circle of radius 50, from the right to the bottom.
        $quarter = new Contour([50, 0, 50, 27.6142, 27.6142, 50, 0, 50], false);
        $tip = self::region($quarter, new LineEnds(EndKind::Plain, EndKind::Point, 5.0))->box();
        self::assertNotNull($tip);
        self::assertEqualsWithDelta(0.0, $tip->left, 1e-6, 'its tip is where the line ended');
        self::assertEqualsWithDelta(50 + 5.0, $tip->bottom, 0.9, 'it is upright there, within what it is bent on its own length');
        $short = self::region(Contour::polygon([[0, 0], [6, 0]], false), new LineEnds(EndKind::Point, EndKind::Point, 6.0))->box();
        self::assertEqualsWithDelta([0.0, 6.0, 2 * 0.45 * 6 / 2], [$short?->left, $short?->right, $short?->height()], 1e-6);
    }

    #[Test]
    public function a_closed_line_has_no_ends_and_a_side_a_profile_and_a_stretched_pen_go_along(): void
    {
        $square = Contour::rectangle(0, 0, 20, 20);
        $plain = StrokeRegion::of(Shape::of($square), new Stroke(new Paint(Colour::ink()), new StrokeStyle(2.0)));
        self::assertEqualsWithDelta($plain->area(), self::region($square, new LineEnds(EndKind::Point, EndKind::Tail))->area(), 1e-6);
        self::assertEqualsWithDelta(36 * 4 - 4 * 4 + 16 - 16, self::region($square, new LineEnds(EndKind::Point, EndKind::Tail), side: Side::Inside)->area(), 20.0);
        $line = Shape::of(Contour::polygon([[0, 0], [100, 0]], false));
        $stroke = new Stroke(new Paint(Colour::ink()), new StrokeStyle(2.0), ends: new LineEnds(EndKind::Plain, EndKind::Point));
        $stretched = StrokeRegion::of($line->transformed(Matrix::scaling(2, 1)), $stroke->transformed(Matrix::scaling(2, 1), true));
        self::assertEqualsWithDelta(2 * StrokeRegion::of($line, $stroke)->area(), $stretched->area(), 1e-3);
    }

    #[Test]
    public function they_are_set_kept_stored_outlined_and_taken_off(): void
    {
        $bench = new Bench;
        $id = $bench->do('draw-line', ['coords' => [10, 10, 30, 10, 50, 10, 80, 10], 'closed' => false, 'fill' => 'none', 'line' => '#1d5c46', 'lineWidth' => 2])->made[0];
        $bench->do('stroke', ['pieces' => [$id], 'finish' => 'point', 'endSize' => 5]);
        $bench->do('stroke', ['pieces' => [$id], 'start' => 'tail', 'width' => 3]);
        $ends = $bench->piece($id)->stroke?->ends;
        self::assertEquals(new LineEnds(EndKind::Tail, EndKind::Point, 5.0), $ends);
        $again = ArtworkJson::decode(ArtworkJson::encode($bench->art));
        self::assertEquals($ends, $again->piece($id)?->stroke?->ends);
        // What leaves, and what the prep line sees, is one outline of line and ends.
        $seen = Seen::of($again)->pieces[0];
        self::assertNull($seen->stroke);
        self::assertEqualsWithDelta([10.0, 80.0, 15.0], [$seen->shape->box()?->left, $seen->shape->box()?->right, $seen->shape->box()?->height()], 1e-6);
        $bench->do('outline-strokes', ['pieces' => [$id]]);
        self::assertEqualsWithDelta($seen->shape->area(), $bench->art->pieces[0]->shape->area(), 1e-3);
        $bench->do('draw-line', ['coords' => [10, 30, 30, 30, 50, 30, 80, 30], 'closed' => false, 'fill' => 'none', 'line' => '#000000', 'lineWidth' => 2]);
        $other = $bench->art->pieces[1]->id;
        $bench->do('stroke', ['pieces' => [$other], 'finish' => 'bar']);
        $bench->do('stroke', ['pieces' => [$other], 'finish' => 'plain']);
        self::assertNull($bench->piece($other)->stroke?->ends);
        $this->expectException(Refused::class);
        $bench->do('stroke', ['pieces' => [$other], 'finish' => 'bar', 'endSize' => 1]);
    }
}
