<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Edit;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Tests\Support\Bench;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ArrangeTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, string, 2?: string}> an edit of a piece and what it is called where it is taken back */
    public static function acts(): iterable
    {
        yield 'moved' => [['kind' => 'move', 'x' => 0.42, 'y' => 0.56], 'Move 0.7 mm'];
        yield 'moved, in inches' => [['kind' => 'move', 'x' => '3mm', 'y' => '4mm'], 'Move 0.197 in', 'in'];
        yield 'dragged' => [['kind' => 'transform', 'matrix' => [1, 0, 0, 1, 30, -40]], 'Move 50 mm'];
        yield 'a copy dragged' => [['kind' => 'transform', 'matrix' => [1, 0, 0, 1, 30, -40], 'copies' => true], 'A copy: move 50 mm'];
        yield 'turned' => [['kind' => 'transform', 'matrix' => [cos(M_PI / 12), sin(M_PI / 12), -sin(M_PI / 12), cos(M_PI / 12), 4, 5]], 'Turn 15°'];
        yield 'sized' => [['kind' => 'transform', 'matrix' => [1.2, 0, 0, 1.2, 0, 9]], 'Size 120 %'];
        yield 'stretched' => [['kind' => 'transform', 'matrix' => [1.2, 0, 0, 0.8, 0, 9]], 'Size 120 × 80 %'];
        yield 'mirrored' => [['kind' => 'transform', 'matrix' => [-1, 0, 0, 1, 0, 0]], 'Transform'];
        yield 'typed' => [['kind' => 'place', 'width' => '30mm'], 'Width 30 mm'];
        yield 'a share' => [['kind' => 'place', 'height' => '50%'], 'Height 50 %'];
    }

    /** @param  array<string, mixed>  $edit */
    #[Test]
    #[DataProvider('acts')]
    public function what_is_done_says_how_far_so_that_it_is_known_what_undo_takes_back(array $edit, string $label, string $unit = 'mm'): void
    {
        self::assertSame($label, Edits::make((string) $edit['kind'], [...$edit, 'pieces' => ['p1']], FontShelf::shipped(), $unit)->label());
    }

    #[Test]
    public function numbers_are_typed_in_any_unit_with_arithmetic(): void
    {
        $bench = new Bench;
        $id = $bench->shape('rectangle', 50, 50, 40, 20);
        $bench->do('place', ['pieces' => [$id], 'originX' => 0, 'originY' => 0, 'x' => '1in', 'y' => '25.4/2', 'width' => '4cm + 2*3mm']);
        self::assertEqualsWithDelta([25.4, 12.7, 46.0, 20.0], $bench->box($id), 1e-9);
        $bench->do('place', ['pieces' => [$id], 'originX' => 0.5, 'originY' => 0.5, 'width' => 23, 'ratio' => true]);
        self::assertEqualsWithDelta([36.9, 17.7, 23.0, 10.0], $bench->box($id), 1e-9);
    }

    #[Test]
    public function a_typed_size_of_a_turned_piece_is_along_its_own_sides(): void
    {
        $bench = new Bench;
        $id = $bench->shape('rectangle', 50, 50, 40, 20);
        $bench->do('place', ['pieces' => [$id], 'angle' => '30'])->do('place', ['pieces' => [$id], 'width' => '60mm']);
        self::assertEqualsWithDelta(1200.0, $bench->piece($id)->shape->area(), 1e-6);
        self::assertEqualsWithDelta(30.0, $bench->piece($id)->turn, 1e-9);
        self::assertEqualsWithDelta(60.0, $bench->piece($id)->recipe?->base->shape()->box()?->width(), 1e-9, 'the adjustable shape took the size as its own');
        $bench->do('place', ['pieces' => [$id], 'angle' => 0]);
        self::assertEqualsWithDelta([20.0, 40.0, 60.0, 20.0], $bench->box($id), 1e-9);
    }

    #[Test]
    public function a_re_squared_piece_stays_as_it_lies_with_an_upright_box(): void
    {
        $bench = new Bench;
        $id = $bench->shape('rectangle', 50, 50, 40, 20);
        $bench->do('place', ['pieces' => [$id], 'angle' => 90]);
        $before = $bench->box($id);
        $bench->do('re-square', ['pieces' => [$id]]);
        self::assertSame([0.0, $before], [$bench->piece($id)->turn, $bench->box($id)]);
        $bench->do('place', ['pieces' => [$id], 'width' => 30]);
        self::assertEqualsWithDelta([35.0, 30.0, 30.0, 40.0], $bench->box($id), 1e-9);
    }

    #[Test]
    public function strokes_grow_with_the_piece_unless_they_are_kept(): void
    {
        foreach ([[true, 2.0], [false, 1.0]] as [$strokes, $width]) {
            $bench = new Bench;
            $id = $bench->shape('star', 50, 50, 40, 40, ['line' => '#000000', 'lineWidth' => 1]);
            $bench->do('transform', ['pieces' => [$id], 'matrix' => [2, 0, 0, 2, 0, 0], 'strokes' => $strokes]);
            self::assertEqualsWithDelta($width, $bench->piece($id)->stroke?->style->width, 1e-12);
        }
    }

    #[Test]
    #[TestWith(['left', 0, 10.0])]
    #[TestWith(['right', 0, 110.0])]
    #[TestWith(['centre', 0, 60.0])]
    #[TestWith(['top', 1, 20.0])]
    #[TestWith(['bottom', 1, 100.0])]
    #[TestWith(['middle', 1, 60.0])]
    public function pieces_line_up_with_all_that_is_chosen(string $edge, int $side, float $at): void
    {
        $bench = new Bench;
        $ids = [$bench->shape('rectangle', 15, 30, 10, 20), $bench->shape('ellipse', 90, 80, 40, 40), $bench->shape('star', 50, 50, 12, 12)];
        $bench->do('align', ['pieces' => $ids, 'edge' => $edge]);
        foreach ($ids as $id) {
            $box = $bench->box($id);
            $share = ['left' => 0.0, 'top' => 0.0, 'centre' => 0.5, 'middle' => 0.5, 'right' => 1.0, 'bottom' => 1.0][$edge];
            self::assertEqualsWithDelta($at, $box[$side] + $share * $box[$side + 2], 1e-9);
        }
    }

    #[Test]
    public function a_key_piece_stays_where_the_others_line_up_and_a_group_moves_as_one(): void
    {
        $bench = new Bench;
        $a = $bench->shape('rectangle', 20, 20, 10, 10);
        $b = $bench->shape('rectangle', 60, 60, 10, 10);
        $c = $bench->shape('rectangle', 80, 70, 10, 10);
        $bench->do('group', ['pieces' => [$b, $c]])->do('align', ['pieces' => [$a, $b, $c], 'edge' => 'left', 'to' => $a]);
        self::assertEqualsWithDelta([15.0, 15.0, 35.0], [$bench->box($a)[0], $bench->box($b)[0], $bench->box($c)[0]], 1e-9);
        $bench->do('align', ['pieces' => [$a], 'edge' => 'right', 'to' => 'page']);
        self::assertEqualsWithDelta(190.0, $bench->box($a)[0], 1e-9);
    }

    #[Test]
    public function gaps_are_spread_evenly_whatever_the_sizes(): void
    {
        $bench = new Bench;
        $ids = [$bench->shape('rectangle', 10, 10, 20, 5), $bench->shape('rectangle', 90, 20, 10, 5), $bench->shape('rectangle', 40, 30, 30, 5)];
        $bench->do('distribute', ['pieces' => $ids, 'way' => 'across']);
        [$a, $b, $c] = array_map($bench->box(...), $ids);
        self::assertEqualsWithDelta($c[0] - $a[0] - $a[2], $b[0] - $c[0] - $c[2], 1e-9);
        self::assertEqualsWithDelta([0.0, 95.0], [$a[0], $b[0] + $b[2]], 1e-9);
        $bench->do('distribute', ['pieces' => $ids, 'way' => 'across', 'by' => '2mm']);
        [$a, $b, $c] = array_map($bench->box(...), $ids);
        self::assertEqualsWithDelta([22.0, 54.0], [$c[0], $b[0]], 1e-9);
    }

    #[Test]
    public function flipping_twice_changes_nothing_and_a_turn_flips_too(): void
    {
        $bench = new Bench;
        $id = $bench->line([0, 0, 0, 0, 40, 10, 40, 10, 50, 10, 60, 20, 60, 30]);
        $before = $bench->piece($id)->shape->contours[0]->coords;
        $bench->do('place', ['pieces' => [$id], 'angle' => 20])->do('flip', ['pieces' => [$id], 'way' => 'across']);
        self::assertEqualsWithDelta(-20.0, $bench->piece($id)->turn, 1e-9);
        $bench->do('flip', ['pieces' => [$id], 'way' => 'across'])->do('place', ['pieces' => [$id], 'angle' => 0]);
        self::assertEqualsWithDelta(
            Matrix::translation(0, 0)->apply($before[0], $before[1])->x - $before[6],
            $bench->piece($id)->shape->contours[0]->coords[0] - $bench->piece($id)->shape->contours[0]->coords[6],
            1e-9,
        );
    }

    #[Test]
    public function order_moves_a_piece_among_its_neighbours_and_a_group_stays_together(): void
    {
        $bench = new Bench;
        [$a, $b, $c, $d] = array_map(static fn (int $i): string => $bench->shape('rectangle', 10 * $i, 10, 5, 5), [1, 2, 3, 4]);
        self::assertSame([$b, $c, $d, $a], $bench->do('order', ['pieces' => [$a], 'to' => 'front'])->order());
        self::assertSame([$b, $c, $a, $d], $bench->do('order', ['pieces' => [$a], 'to' => 'back'])->order());
        self::assertSame([$a, $b, $c, $d], $bench->do('order', ['pieces' => [$a], 'to' => 'bottom'])->order());
        // A group lies where its uppermost piece lay.
        self::assertSame([$b, $a, $c, $d], $bench->do('group', ['pieces' => [$a, $c]])->order());
        self::assertSame([$a, $c, $b, $d], $bench->do('order', ['pieces' => [$a, $c], 'to' => 'bottom'])->order());
        self::assertSame([$c, $a, $b, $d], $bench->do('order', ['pieces' => [$a], 'to' => 'forward'])->order(), 'inside the group');
        self::assertSame([], $bench->do('ungroup', ['pieces' => [$a]])->art->groups);
    }

    #[Test]
    public function layers_hold_their_order_and_a_locked_one_lets_nothing_be_changed(): void
    {
        $bench = new Bench;
        $a = $bench->shape('rectangle', 10, 10, 5, 5);
        $bench->do('add-layer', ['name' => 'Rope']);
        $rope = $bench->art->layers[1]->id;
        $b = $bench->shape('rectangle', 20, 10, 5, 5);
        self::assertSame($rope, $bench->piece($b)->place->layer, 'what is drawn lies on the uppermost');
        self::assertSame([$b, $a], $bench->do('order-layer', ['layer' => $rope, 'way' => 'down'])->order());
        self::assertSame([$b, $a], $bench->do('to-layer', ['pieces' => [$a], 'layer' => $rope])->order());
        $bench->do('change-layer', ['layer' => $rope, 'locked' => true]);
        $this->expectExceptionObject(Refused::locked('Rope'));
        $bench->do('move', ['pieces' => [$a], 'x' => 5]);
    }

    #[Test]
    public function show_alone_hides_all_else_and_pressed_again_shows_it(): void
    {
        $bench = new Bench;
        $bench->do('add-layer')->do('add-layer')->do('change-layer', ['layer' => 'l1', 'alone' => true]);
        self::assertSame([false, true, true], array_column($bench->art->layers, 'hidden'));
        $bench->do('change-layer', ['layer' => 'l1', 'alone' => true]);
        self::assertSame([false, false, false], array_column($bench->art->layers, 'hidden'));
    }

    #[Test]
    public function a_copy_keeps_groups_and_a_transform_is_repeated_on_copies(): void
    {
        $bench = new Bench;
        [$a, $b] = [$bench->shape('rectangle', 10, 10, 5, 5), $bench->shape('rectangle', 20, 10, 5, 5)];
        $bench->do('group', ['pieces' => [$a, $b]])->do('copy', ['pieces' => [$a, $b], 'x' => '1cm', 'y' => 0]);
        self::assertCount(2, $bench->art->groups);
        self::assertSame($bench->piece($bench->made[0])->place->groups, $bench->piece($bench->made[1])->place->groups);
        self::assertEqualsWithDelta(17.5, $bench->box($bench->made[0])[0], 1e-9);
        $bench->do('transform', ['pieces' => $bench->made, 'matrix' => [1, 0, 0, 1, 10, 0], 'copies' => true]);
        self::assertEqualsWithDelta(27.5, $bench->box($bench->made[0])[0], 1e-9);
        self::assertCount(6, $bench->art->pieces);
    }

    #[Test]
    public function linked_copies_follow_their_source_but_not_its_place(): void
    {
        $bench = new Bench;
        $source = $bench->shape('star', 30, 30, 20, 20);
        $copy = $bench->do('link-copy', ['pieces' => [$source], 'x' => 50, 'y' => 0])->made[0];
        $bench->do('move', ['pieces' => [$source], 'x' => 0, 'y' => 40]);
        self::assertEqualsWithDelta($bench->box($source)[0] + 50, $bench->box($copy)[0], 1e-9);
        self::assertEqualsWithDelta($bench->box($source)[1] - 40, $bench->box($copy)[1], 1e-9);
        $bench->do('shape-values', ['pieces' => [$source], 'points' => 8])->do('fill', ['pieces' => [$source], 'colour' => '#ff0000']);
        self::assertSame([16, '#ff0000'], [$bench->piece($copy)->shape->nodeCount(), $bench->piece($copy)->fill?->colour->hex()]);
        self::assertEqualsWithDelta($bench->piece($source)->shape->area(), $bench->piece($copy)->shape->area(), 1e-9);
        $bench->do('remove', ['pieces' => [$source]]);
        self::assertNull($bench->piece($copy)->recipe, 'without its source it is a piece of its own');
    }

    #[Test]
    public function guides_are_laid_moved_and_taken_away_and_centre_lines_come_in_one_press(): void
    {
        $bench = new Bench;
        $bench->do('guide', ['upright' => true, 'at' => '2in/2']);
        self::assertEqualsWithDelta(25.4, $bench->art->guides[0]->at, 1e-9);
        $bench->do('centre-lines');
        self::assertSame(
            [[true, 100.0], [false, 75.0]],
            array_map(static fn ($guide): array => [$guide->upright, $guide->at], array_slice($bench->art->guides, 1)),
        );
        $bench->do('centre-lines')->do(
            'guide',
            ['guide' => $bench->art->guides[0]->id, 'at' => 30],
        )->do('remove-guide', ['guide' => $bench->art->guides[0]->id]);
        self::assertSame([], $bench->art->guides);
    }
}
