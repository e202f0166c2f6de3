<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Arranging\PastePieces;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Prepare\Look;
use NeatEdge\Core\Recipe\Border\BorderLine;
use NeatEdge\Core\Recipe\Corners\RoundCorners;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Recipe\Linked\LinkedCopy;
use NeatEdge\Core\Recipe\Mirror\MirrorHalf;
use NeatEdge\Core\Seen\Painted;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Tests\Support\Bench;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What an edit leaves on the bench is what the artist meant, whatever was done before it. */
final class OutcomesTest extends TestCase
{
    private Bench $bench;

    protected function setUp(): void
    {
        $this->bench = new Bench;
    }

    private static function paintedArea(Artwork $art): float
    {
        return array_sum(array_map(static fn (Painted $area): float => abs($area->shape->area()), Painted::areas(Seen::of($art))));
    }

    /** @param  array<string, float|int>  $fields */
    #[Test]
    #[TestWith(['arrow', ['head' => 30, 'shaft' => 20]])]
    #[TestWith(['banner', []])]
    #[TestWith(['rectangle', ['topLeft' => 8, 'bottomRight' => 3]])]
    #[TestWith(['star', ['round' => 2]])]
    #[TestWith(['polygon', ['round' => 3]])]
    #[TestWith(['heart', []])]
    public function another_finished_width_scales_the_look_evenly(string $shape, array $fields): void
    {
        $id = $this->bench->shape($shape, 60, 60, 80, 40, ['line' => '#c33311', 'lineWidth' => 2, ...$fields]);
        $small = $this->bench->art;
        $large = $small->atWidth(600.0);
        self::assertEqualsWithDelta(9.0, self::paintedArea($large) / self::paintedArea($small), 0.005);
        self::assertTrue(Look::between($large->atWidth(200.0), $small)->isNone());
        self::assertNotNull($large->piece($id)?->recipe, 'it stays adjustable');
        $unlike = $small->piece($id)?->transformed(\NeatEdge\Core\Geometry\Matrix::scaling(2, 1));
        self::assertEqualsWithDelta(
            2.0,
            $unlike?->shape->box()?->width() / $small->piece($id)?->shape->box()?->width(),
            0.06,
            'stretched one way it takes the size alone',
        );
    }

    #[Test]
    public function a_stroke_that_is_sized_one_way_and_then_the_other_is_as_wide_as_it_says(): void
    {
        $id = $this->bench->line([10, 10, 10, 10, 60, 10, 60, 10]);
        $this->bench->do('stroke', ['pieces' => [$id], 'width' => '0.8mm']);
        $this->bench->do('transform', ['pieces' => [$id], 'matrix' => [6, 0, 0, 1, 0, 0]]);
        self::assertEqualsWithDelta([0.8, 4.8], $this->bench->piece($id)->stroke?->widths(), 1e-9);
        $this->bench->do('transform', ['pieces' => [$id], 'matrix' => [1, 0, 0, 6, 0, 0]]);
        $stroke = $this->bench->piece($id)->stroke;
        self::assertNull($stroke?->pen, 'its pen is round again');
        self::assertEqualsWithDelta(4.8, $stroke?->style->width, 1e-9);
        // What is shown is what is there: 300 mm long, as wide as its pen.
        self::assertEqualsWithDelta(300 * 4.8, self::paintedArea($this->bench->art), 0.01);
    }

    #[Test]
    public function a_stroke_that_shall_not_grow_keeps_the_pen_that_it_has(): void
    {
        $id = $this->bench->line([10, 10, 10, 10, 60, 10, 60, 10]);
        $this->bench->do('transform', ['pieces' => [$id], 'matrix' => [1, 0, 0, 3, 0, 0]]);
        $before = $this->bench->piece($id)->stroke?->widths();
        $this->bench->do('transform', ['pieces' => [$id], 'matrix' => [2, 0, 0, 2, 0, 0], 'strokes' => false]);
        self::assertEqualsWithDelta($before, $this->bench->piece($id)->stroke?->widths(), 1e-9);
    }

    #[Test]
    public function a_stroke_on_one_side_is_stretched_like_any_other(): void
    {
        $id = $this->bench->shape('rectangle', 50, 50, 40, 40, ['fill' => 'none', 'line' => '#222222', 'lineWidth' => 2]);
        $this->bench->do('stroke', ['pieces' => [$id], 'side' => 'inside']);
        $this->bench->do('transform', ['pieces' => [$id], 'matrix' => [2, 0, 0, 1, 0, 0]]);
        // 80 x 40 with sides 4 mm wide left and right, 2 mm above and below.
        self::assertEqualsWithDelta(80 * 40 - 72 * 36, self::paintedArea($this->bench->art), 1e-3);
    }

    #[Test]
    public function parts_of_a_split_have_the_colour_that_is_seen_there_and_hang_together(): void
    {
        $bar = $this->bench->shape('rectangle', 50, 50, 90, 10, ['fill' => '#aa0000']);
        $post = $this->bench->shape('rectangle', 50, 50, 10, 60, ['fill' => '#00aa00']);
        $this->bench->do('split-all', ['pieces' => [$bar, $post]]);
        $found = array_map(static fn (Piece $piece): string => $piece->fill?->colour->hex().' '.round($piece->shape->area()), $this->bench->art->pieces);
        sort($found);
        self::assertSame(['#00aa00 100', '#00aa00 250', '#00aa00 250', '#aa0000 400', '#aa0000 400'], $found);
        // Done twice, with another piece over it all, every id is still one piece's own.
        $disc = $this->bench->shape('ellipse', 50, 50, 30, 30, ['fill' => '#0000aa']);
        $this->bench->do('split-all', ['pieces' => array_map(static fn (Piece $piece): string => $piece->id, $this->bench->art->pieces)]);
        $ids = array_map(static fn (Piece $piece): string => $piece->id, $this->bench->art->pieces);
        self::assertSame($ids, array_values(array_unique($ids)));
        self::assertContains($disc, $ids);
        self::assertEqualsWithDelta(
            900 + 500 + 225 * M_PI - self::crossInDisc(),
            array_sum(array_map(static fn (Piece $piece): float => $piece->shape->area(), $this->bench->art->pieces)),
            0.1,
        );
    }

    /** What of the cross lies in the disc, counted by a grid: an area of our own, not the map's. */
    private static function crossInDisc(): float
    {
        $sum = 0;
        for ($x = -15; $x < 15; $x += 0.01) {
            for ($y = -15; $y < 15; $y += 0.05) {
                $sum += $x * $x + $y * $y < 225 && (abs($x) < 5 || abs($y) < 5) ? 1 : 0;
            }
        }

        return $sum * 0.0005;
    }

    #[Test]
    public function releasing_two_clipped_copies_brings_back_two_shapes(): void
    {
        $art = $this->bench->shape('rectangle', 50, 50, 60, 30, ['fill' => '#aa0000']);
        $frame = $this->bench->shape('ellipse', 50, 50, 40, 40, ['fill' => '#222222']);
        $this->bench->do('clip', ['pieces' => [$art, $frame]]);
        $copy = $this->bench->do('copy', ['pieces' => [$art], 'x' => 80])->made[0];
        $this->bench->do('release-clip', ['pieces' => [$art, $copy]]);
        self::assertCount(4, $this->bench->art->pieces);
        $frames = array_filter($this->bench->art->pieces, static fn (Piece $piece): bool => $piece->fill?->colour->hex() === '#222222');
        self::assertEqualsWithDelta([50.0, 130.0], array_values(array_map(static fn (Piece $piece): ?float => $piece->box()?->middle()->x, $frames)), 1e-9);
    }

    #[Test]
    public function a_linked_copy_follows_its_own_source_wherever_it_is_pasted(): void
    {
        $source = $this->bench->shape('rectangle', 20, 20, 10, 10, ['fill' => '#aa0000']);
        $copy = $this->bench->do('link-copy', ['pieces' => [$source], 'x' => 30])->made[0];
        $taken = [$this->bench->piece($source), $this->bench->piece($copy)];

        $other = new Bench;
        $stranger = $other->shape('ellipse', 90, 90, 44, 44, ['fill' => '#00aa00']);
        self::assertSame($source, $stranger, 'both benches begin to count alike');
        $other->art = (new PastePieces([$taken[1]], 0, 0, ''))->apply($other->art);
        self::assertNull($other->art->pieces[1]->recipe, 'alone it follows nobody there');
        $other->art = (new PastePieces($taken, 0, 0, ''))->apply($other->art);
        [$pasted, $follower] = array_slice($other->art->pieces, -2);
        $base = $follower->recipe?->base;
        self::assertInstanceOf(LinkedCopy::class, $base);
        self::assertSame($pasted->id, $base->source);
        // Here it goes on following the one that it was copied from.
        $here = (new PastePieces([$taken[1]], 0, 0, '', true))->apply($this->bench->art);
        $base = $here->pieces[2]->recipe?->base;
        self::assertInstanceOf(LinkedCopy::class, $base);
        self::assertSame($source, $base->source);
    }

    #[Test]
    public function a_gradient_lies_on_a_linked_copy_as_it_does_on_its_source(): void
    {
        $source = $this->bench->shape('rectangle', 20, 20, 20, 10);
        $copy = $this->bench->do('link-copy', ['pieces' => [$source], 'x' => 50, 'y' => 7])->made[0];
        $this->bench->do('transform', ['pieces' => [$copy], 'matrix' => [2, 0, 0, 2, -60, -20]]);
        $stops = [['at' => 0, 'colour' => '#ff0000'], ['at' => 1, 'colour' => '#0000ff']];
        $this->bench->do('fill', ['pieces' => [$source], 'gradient' => ['kind' => 'linear', 'axis' => [10, 20, 30, 20], 'stops' => $stops]]);
        $box = $this->bench->box($copy);
        $gradient = $this->bench->piece($copy)->fill->gradient ?? throw new \LogicException;
        $start = $gradient->matrix->apply($gradient->axis[0], $gradient->axis[1]);
        $end = $gradient->matrix->apply($gradient->axis[2], $gradient->axis[3]);
        self::assertEqualsWithDelta([$box[0], $box[0] + $box[2]], [$start->x, $end->x], 1e-9);
        self::assertEqualsWithDelta($box[1] + $box[3] / 2, $start->y, 1e-9);
        // And after the source was moved and painted anew.
        $this->bench->do('move', ['pieces' => [$source], 'x' => 5, 'y' => 5]);
        self::assertEqualsWithDelta($box, $this->bench->box($copy), 1e-9);
        $this->bench->do('fill', ['pieces' => [$source], 'gradient' => ['kind' => 'linear', 'axis' => [15, 25, 35, 25], 'stops' => $stops]]);
        $gradient = $this->bench->piece($copy)->fill->gradient ?? throw new \LogicException;
        self::assertEqualsWithDelta($box[0], $gradient->matrix->apply($gradient->axis[0], $gradient->axis[1])->x, 1e-9);
    }

    #[Test]
    public function letters_follow_a_line_that_follows_another(): void
    {
        $line = $this->bench->line([10, 50, 40, 30, 70, 30, 100, 50]);
        $copy = $this->bench->do('link-copy', ['pieces' => [$line], 'y' => 40])->made[0];
        $text = $this->bench->do('text', ['text' => 'Wharf', 'family' => 'Zilla Slab', 'size' => 8, 'along' => $copy])->made[0];
        // The letters lie below the copy that they stand on, so that nothing comes after what it follows by chance.
        $this->bench->do('order', ['pieces' => [$text], 'to' => 'bottom']);
        $before = $this->bench->box($text);
        $this->bench->do('move-nodes', ['piece' => $line, 'nodes' => [[0, 1]], 'x' => 0, 'y' => -24]);
        $along = $this->bench->piece($text)->recipe?->base instanceof Lettering ? $this->bench->piece($text)->recipe->base->setting->along : null;
        self::assertEqualsWithDelta(
            $this->bench->piece($copy)->shape->contours[0]->coords,
            $along?->coords,
            1e-9,
            'the letters stand on the copy as it is now',
        );
        $moved = $this->bench->box($text);
        self::assertLessThan($before[1] - 5, $moved[1]);
        // Without the line they stay where they are and follow nobody.
        $this->bench->do('remove', ['pieces' => [$copy]]);
        $base = $this->bench->piece($text)->recipe?->base;
        self::assertInstanceOf(Lettering::class, $base);
        self::assertNull($base->follows);
        self::assertEqualsWithDelta($moved, $this->bench->box($text), 1e-9);
    }

    #[Test]
    public function drawn_letters_have_all_their_contours_and_stand_apart_as_they_are_told(): void
    {
        $set = fn (string $text, array $more = []): Piece => $this->bench->piece($this->bench->do(
            'text',
            ['text' => $text, 'family' => 'DejaVu Sans', 'size' => 20, ...$more],
        )->made[0]);
        self::assertCount(2, $set('o')->shape->contours, 'an o has its hole');
        self::assertCount(3, $set('B')->shape->contours);
        self::assertCount(2 + 3 + 2, $set('oBi')->shape->contours);
        $width = static fn (Piece $piece): float => $piece->box()?->width() ?? 0.0;
        self::assertEqualsWithDelta($width($set('ooo')) + 2 * 4.0, $width($set('ooo', ['spacing' => 4])), 1e-6);
        self::assertEqualsWithDelta($width($set('ooo')) - 2 * 1.5, $width($set('ooo', ['spacing' => -1.5])), 1e-6);
        $high = static fn (Piece $piece): float => $piece->box()?->height() ?? 0.0;
        self::assertEqualsWithDelta($high($set("o\no")) + 0.5 * 20, $high($set("o\no", ['leading' => 1.7])), 1e-6);
    }

    #[Test]
    public function opacity_and_paint_do_not_take_each_other_away(): void
    {
        $id = $this->bench->shape('rectangle', 50, 50, 40, 40, ['line' => '#222222', 'lineWidth' => 2]);
        $this->bench->do('fill', ['pieces' => [$id], 'opacity' => 0.4]);
        $this->bench->do('fill', ['pieces' => [$id], 'colour' => '#00aa00']);
        self::assertEqualsWithDelta(0.4, $this->bench->piece($id)->fill?->opacity, 1e-9, 'another swatch is as see-through');
        $this->bench->do('stroke', ['pieces' => [$id], 'opacity' => 0.5]);
        $this->bench->do('stroke', ['pieces' => [$id], 'colour' => '#0000aa']);
        self::assertEqualsWithDelta(0.5, $this->bench->piece($id)->stroke?->paint->opacity, 1e-9);
        $gradient = \NeatEdge\Core\Artwork\Paint::gradient(new \NeatEdge\Core\Artwork\Gradient(
            \NeatEdge\Core\Artwork\GradientKind::Linear, [0.0, 0.0, 9.0, 0.0],
            [[0.0, \NeatEdge\Core\Measure\Colour::fromHex('#ff0000'), 1.0], [1.0, \NeatEdge\Core\Measure\Colour::fromHex('#0000ff'), 1.0]],
            \NeatEdge\Core\Geometry\Matrix::identity(),
        ));
        $this->bench->art = $this->bench->art->mapped(
            static fn (Piece $piece): Piece => $piece->with(stroke: $piece->stroke?->with(paint: $gradient)),
            [$id => true],
        );
        $this->bench->do('stroke', ['pieces' => [$id], 'opacity' => 0.25]);
        $paint = $this->bench->piece($id)->stroke?->paint;
        self::assertNotNull($paint?->gradient, 'the gradient stays');
        self::assertEqualsWithDelta(0.25, $paint->gradient->stops[1][2], 1e-9);
    }

    #[Test]
    public function a_rounded_corner_stays_where_it_is_when_its_line_runs_the_other_way(): void
    {
        $id = $this->bench->line([10, 10, 10, 10, 60, 10, 60, 10, 60, 10, 80, 50, 80, 50, 80, 50, 20, 60, 20, 60, 20, 60, 10, 10, 10, 10], true);
        $this->bench->do('round-corners', ['piece' => $id, 'nodes' => [[0, 1]], 'radius' => 6]);
        $before = $this->bench->piece($id)->shape;
        $this->bench->do('reverse-line', ['piece' => $id]);
        $after = $this->bench->piece($id);
        self::assertEqualsWithDelta($before->area(), $after->shape->area(), 1e-9);
        self::assertLessThan(0.0, $before->contours[0]->area() * $after->shape->contours[0]->area(), 'it runs the other way');
        $corner = $after->recipe?->change(RoundCorners::class)?->corners[0] ?? throw new \LogicException;
        $base = $after->recipe->base->shape()->contours[$corner[0]];
        self::assertEqualsWithDelta([60.0, 10.0], [$base->coords[6 * $corner[1]], $base->coords[6 * $corner[1] + 1]], 1e-9);
    }

    #[Test]
    public function a_mirrored_half_keeps_its_side_when_a_node_passes_the_axis(): void
    {
        $id = $this->bench->line([50, 10, 60, 10, 70, 20, 70, 40, 70, 60, 60, 70, 50, 70]);
        $this->bench->do('mirror-half', ['pieces' => [$id], 'x' => 50, 'y' => 0, 'angle' => 90]);
        self::assertSame(1, $this->bench->piece($id)->recipe?->change(MirrorHalf::class)?->side);
        // Far over the axis: most of the half lies beyond it now, and the side that is drawn is still the right one.
        $this->bench->do('move-nodes', ['piece' => $id, 'nodes' => [[0, 0]], 'x' => -90, 'y' => 0]);
        $box = $this->bench->box($id);
        self::assertEqualsWithDelta(70.0, $box[0] + $box[2], 1.0);
        self::assertEqualsWithDelta(30.0, $box[0], 1.0);
    }

    #[Test]
    public function a_weld_keeps_the_blend_and_passes_over_what_is_clipped_away(): void
    {
        $low = $this->bench->shape('rectangle', 30, 30, 20, 20, ['fill' => '#aa0000']);
        $this->bench->do('blend', ['pieces' => [$low], 'blend' => 'multiply']);
        $high = $this->bench->shape('rectangle', 40, 30, 20, 20, ['fill' => '#00aa00']);
        $gone = $this->bench->shape('rectangle', 120, 30, 10, 10, ['fill' => '#0000aa']);
        $frame = $this->bench->shape('rectangle', 160, 90, 5, 5, ['fill' => '#222222']);
        $this->bench->do('clip', ['pieces' => [$gone, $frame], 'by' => $frame]);
        $this->bench->do('weld', ['pieces' => [$low, $high, $gone]]);
        self::assertSame(Blend::Multiply, $this->bench->piece($low)->blend);
        self::assertEqualsWithDelta(600.0, $this->bench->piece($low)->shape->area(), 1e-9);
        self::assertCount(1, $this->bench->art->pieces);
    }

    #[Test]
    public function inside_a_group_that_was_entered_pieces_are_aligned_one_by_one(): void
    {
        $a = $this->bench->shape('rectangle', 30, 30, 20, 20);
        $b = $this->bench->shape('rectangle', 70, 60, 10, 10);
        $this->bench->do('group', ['pieces' => [$a, $b]]);
        $group = $this->bench->piece($a)->place->groups[0];
        $this->bench->do('align', ['pieces' => [$a, $b], 'edge' => 'left', 'inside' => $group]);
        self::assertEqualsWithDelta($this->bench->box($a)[0], $this->bench->box($b)[0], 1e-9);
        $c = $this->bench->shape('rectangle', 120, 60, 10, 10);
        $this->bench->do('align', ['pieces' => [$a, $b, $c], 'edge' => 'top']);
        self::assertEqualsWithDelta($this->bench->box($a)[1], $this->bench->box($c)[1], 1e-9, 'from outside the group moves as one');
        self::assertGreaterThan(5.0, $this->bench->box($b)[1] - $this->bench->box($a)[1]);
    }

    #[Test]
    public function to_the_front_moves_pieces_of_every_layer_within_their_own(): void
    {
        $a = $this->bench->shape('rectangle', 30, 30, 20, 20);
        $b = $this->bench->shape('rectangle', 35, 30, 20, 20);
        $this->bench->do('add-layer', ['name' => 'Above']);
        $layer = $this->bench->art->layers[1]->id;
        $c = $this->bench->shape('rectangle', 90, 30, 20, 20, ['layer' => $layer]);
        $d = $this->bench->shape('rectangle', 95, 30, 20, 20, ['layer' => $layer]);
        $this->bench->do('order', ['pieces' => [$a, $c], 'to' => 'front']);
        self::assertSame([$b, $a, $d, $c], $this->bench->order());
    }

    #[Test]
    public function a_size_is_typed_as_a_share_too(): void
    {
        $id = $this->bench->shape('rectangle', 50, 50, 40, 20);
        $this->bench->do('place', ['pieces' => [$id], 'width' => '50%', 'ratio' => true]);
        self::assertEqualsWithDelta([20.0, 10.0], array_slice($this->bench->box($id), 2), 1e-9);
        $this->expectException(Refused::class);
        $this->bench->do('place', ['pieces' => [$id], 'height' => '0%']);
    }

    #[Test]
    public function ids_are_given_once_and_never_one_that_is_in_use(): void
    {
        $this->bench->shape('rectangle', 50, 50, 40, 20);
        $frame = $this->bench->shape('rectangle', 50, 50, 10, 10);
        $this->bench->do('clip', ['pieces' => $this->bench->order(), 'by' => $frame]);
        $free = FreeIds::in($this->bench->art);
        $given = [$free->next(), $free->next('g'), $free->next('l'), $free->next()];
        self::assertSame($given, array_unique($given));
        self::assertNotContains($frame, $given, 'a shape that clips comes back under its id');
        self::assertNotContains('l1', $given);
    }

    #[Test]
    public function what_says_the_same_is_no_difference_although_it_was_read_anew(): void
    {
        $this->bench->shape('star', 50, 50, 40, 40, ['line' => '#222222']);
        $this->bench->do('text', ['text' => 'Regatta', 'family' => 'Zilla Slab', 'x' => 10, 'y' => 90]);
        $again = ArtworkJson::decode(ArtworkJson::encode($this->bench->art));
        self::assertTrue(ArtworkDifference::between($this->bench->art, $again)->isNothing());
        $other = $again->mapped(static fn (Piece $piece): Piece => $piece->with(name: 'x'), [$again->pieces[0]->id => true]);
        self::assertSame([$again->pieces[0]->id], array_keys(ArtworkDifference::between($this->bench->art, $other)->pieces));
    }

    /** @param  array<string, mixed>  $values */
    private static function edited(Artwork $art, string $kind, array $values): Artwork
    {
        return Edits::applied(Edits::make($kind, $values, FontShelf::shipped(), 'mm'), $art, FontShelf::shipped());
    }

    #[Test]
    public function letters_on_a_line_stay_where_they_are_when_their_line_becomes_another(): void
    {
        $art = self::edited(
            new Artwork(100, 100, []),
            'draw-shape',
            ['shape' => 'ellipse', 'x' => 20, 'y' => 20, 'width' => 60, 'height' => 60, 'line' => '#000000', 'lineWidth' => 2, 'fill' => '#cc3333'],
        );
        $ring = $art->pieces[0]->id;
        $art = self::edited($art, 'text', ['text' => 'HARBOUR', 'size' => 8, 'along' => $ring, 'family' => 'DejaVu Sans']);
        $art = self::edited($art, 'draw-shape', ['shape' => 'rectangle', 'x' => 10, 'y' => 30, 'width' => 30, 'height' => 30, 'fill' => '#cc3333']);
        $other = $art->pieces[2]->id;
        $at = static function (Artwork $art): array {
            foreach ($art->pieces as $piece) {
                if ($piece->recipe?->base instanceof Lettering) {
                    $box = $piece->box();

                    return [$box->left ?? 0, $box->top ?? 0, $box->right ?? 0, $box->bottom ?? 0];
                }
            }
            self::fail('the letters are gone');
        };
        $stood = $at($art);
        $plain = self::edited($art, 'bake', ['pieces' => [$ring]]);
        foreach ([
            'plain' => $plain,
            'turned round' => self::edited($plain, 'reverse-line', ['piece' => $ring]),
            'outlined' => self::edited($art, 'outline-strokes', ['pieces' => [$ring], 'keep' => 'stroke']),
            'welded' => self::edited($art, 'weld', ['pieces' => [$ring, $other]]), 'cut' => self::edited($art, 'cut-away', ['pieces' => [$ring, $other]]),
        ] as $how => $after) {
            self::assertEqualsWithDelta($stood, $at($after), 1.0, $how);
        }
        self::assertEqualsWithDelta(
            $stood[0] + 5,
            $at(self::edited($art, 'move', ['pieces' => [$ring], 'x' => 5, 'y' => 0]))[0],
            0.05,
            'a line that is moved takes them along',
        );
    }

    #[Test]
    public function a_letter_and_every_compound_come_apart_and_look_the_same(): void
    {
        $art = self::edited(
            new Artwork(100, 100, []),
            'text',
            ['text' => 'B', 'size' => 60, 'x' => 20, 'y' => 80, 'family' => 'DejaVu Sans', 'fill' => '#203050'],
        );
        $apart = self::edited($art, 'separate', ['pieces' => [$art->pieces[0]->id]]);
        self::assertSame(['#203050', '#ffffff', '#ffffff'], array_map(static fn (Piece $piece): ?string => $piece->fill?->colour->hex(), $apart->pieces));
        self::assertEqualsWithDelta(
            abs($art->pieces[0]->shape->area()),
            abs($apart->pieces[0]->shape->area()) - abs($apart->pieces[1]->shape->area()) - abs($apart->pieces[2]->shape->area()),
            1e-6,
        );
        $square = Contour::rectangle(10, 10, 30, 30);
        $twice = new Artwork(100, 100, [new Piece('a', new Shape([$square, $square, Contour::rectangle(40, 10, 20, 20)]), new Paint(new Colour(1, 2, 3)))]);
        self::assertCount(3, self::edited($twice, 'separate', ['pieces' => ['a']])->pieces, 'outlines on each other are none lost');
    }

    #[Test]
    public function a_hole_that_is_wide_enough_stays_whatever_the_least_radius(): void
    {
        $ring = new Shape([Contour::circle(50, 50, 30), Contour::circle(50, 50, 6)->reversed()]);
        foreach ([0.5, 2.0, 4.0, 8.0] as $radius) {
            // After a border of two there are eight left of its twelve.
            self::assertCount(2, BorderLine::around($ring, 2.0, 1.0, 3.0, $radius)->contours, "radius {$radius}");
            self::assertCount(2, BorderLine::around($ring, 2.0, 1.0, 7.8, $radius)->contours, "radius {$radius}");
            self::assertCount(1, BorderLine::around($ring, 2.0, 1.0, 8.3, $radius)->contours, "radius {$radius}");
        }
    }
}
