<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Edit;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Lines\NodePath;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Tests\Support\Bench;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class NodesTest extends TestCase
{
    private Bench $bench;

    protected function setUp(): void
    {
        $this->bench = new Bench;
    }

    private function circle(): string
    {
        $id = $this->bench->shape('ellipse', 50, 50, 40, 40);
        $this->bench->do('bake', ['pieces' => [$id]]);

        return $id;
    }

    private function square(): string
    {
        return $this->bench->line([10, 10, 10, 10, 50, 10, 50, 10, 50, 10, 50, 50, 50, 50, 50, 50, 10, 50, 10, 50, 10, 50, 10, 10, 10, 10], true);
    }

    private function contour(string $id, int $k = 0): Contour
    {
        return $this->bench->piece($id)->shape->contours[$k];
    }

    #[Test]
    public function a_node_moves_with_its_handles_and_lines_stay_lines(): void
    {
        $id = $this->circle();
        $this->bench->do('move-nodes', ['piece' => $id, 'nodes' => [[0, 0]], 'x' => '1cm', 'y' => 0]);
        $c = $this->contour($id)->coords;
        self::assertEqualsWithDelta([80.0, 50.0, 80.0], [$c[0], $c[1], $c[2]], 1e-9);
        self::assertSame([$c[0], $c[1]], array_slice($c, -2), 'a closed line stays closed');
        $square = $this->square();
        $this->bench->do('move-nodes', ['piece' => $square, 'nodes' => [[0, 1], [0, 2]], 'x' => 5, 'y' => 3]);
        self::assertEqualsWithDelta(1800.0, $this->contour($square)->area(), 1e-9);
        foreach ($this->contour($square)->segments() as $s) {
            self::assertTrue(Cubic::isLine($s));
        }
    }

    #[Test]
    public function a_node_is_added_anywhere_without_a_change_of_shape_and_taken_away_with_hardly_one(): void
    {
        $id = $this->circle();
        $area = $this->contour($id)->area();
        $this->bench->do('add-node', ['piece' => $id, 'segments' => [[0, 1]], 't' => 0.3]);
        self::assertSame(5, $this->contour($id)->nodeCount());
        self::assertEqualsWithDelta($area, $this->contour($id)->area(), 1e-9);
        $this->bench->do('delete-nodes', ['piece' => $id, 'nodes' => [[0, 2]]]);
        self::assertSame(4, $this->contour($id)->nodeCount());
        self::assertEqualsWithDelta($area, $this->contour($id)->area(), 1e-4 * $area);
        $this->bench->do('delete-nodes', ['piece' => $id, 'nodes' => [[0, 0]]]);
        self::assertSame(3, $this->contour($id)->nodeCount());
        self::assertEqualsWithDelta($area, $this->contour($id)->area(), 0.02 * $area);
    }

    #[Test]
    public function a_smooth_node_turns_both_handles_an_even_one_also_stretches_both(): void
    {
        $id = $this->circle();
        $this->bench->do('move-handle', ['piece' => $id, 'nodes' => [[0, 1]], 'out' => true, 'x' => 20, 'y' => 80]);
        $path = new NodePath($this->contour($id));
        self::assertSame('even', $path->kind(1));
        self::assertEqualsWithDelta([30.0, -10.0], $path->handle(1, false), 1e-9);
        $this->bench->do('move-handle', ['piece' => $id, 'nodes' => [[0, 1]], 'out' => true, 'x' => 20, 'y' => 70, 'free' => true]);
        self::assertSame('corner', (new NodePath($this->contour($id)))->kind(1));
        $this->bench->do('node-kind', ['piece' => $id, 'nodes' => [[0, 1]], 'to' => 'smooth']);
        self::assertSame('smooth', (new NodePath($this->contour($id)))->kind(1));
        $this->bench->do('node-kind', ['piece' => $id, 'nodes' => [[0, 1]], 'to' => 'even']);
        self::assertSame('even', (new NodePath($this->contour($id)))->kind(1));
        $this->bench->do('node-kind', ['piece' => $id, 'nodes' => [[0, 1]], 'to' => 'corner']);
        self::assertSame([null, null], [(new NodePath($this->contour($id)))->handle(1, true), (new NodePath($this->contour($id)))->handle(1, false)]);
    }

    #[Test]
    public function a_line_becomes_a_curve_of_the_same_look_and_a_curve_a_line(): void
    {
        $id = $this->square();
        $this->bench->do('segment-kind', ['piece' => $id, 'segments' => [[0, 0]], 'to' => 'curve']);
        self::assertFalse(Cubic::isLine($this->contour($id)->segment(0)));
        self::assertEqualsWithDelta(1600.0, $this->contour($id)->area(), 1e-9);
        $this->bench->do('bend-segment', ['piece' => $id, 'segments' => [[0, 0]], 't' => 0.5, 'x' => 0, 'y' => -6]);
        self::assertEqualsWithDelta([30.0, 4.0], Cubic::at($this->contour($id)->segment(0), 0.5), 1e-9);
        $this->bench->do('segment-kind', ['piece' => $id, 'segments' => [[0, 0]], 'to' => 'line']);
        self::assertEqualsWithDelta(1600.0, $this->contour($id)->area(), 1e-9);
    }

    #[Test]
    public function lines_are_broken_joined_and_closed(): void
    {
        $id = $this->square();
        $this->bench->do('break-at', ['piece' => $id, 'nodes' => [[0, 1], [0, 3]]]);
        self::assertSame([false, false], array_map(static fn (Contour $c): bool => $c->closed, $this->bench->piece($id)->shape->contours));
        $this->bench->do('join-ends', ['piece' => $id, 'nodes' => [[0, 2], [1, 0]]]);
        self::assertCount(1, $this->bench->piece($id)->shape->contours);
        $this->bench->do('close-line', ['piece' => $id]);
        self::assertSame([true, 4], [$this->contour($id)->closed, $this->contour($id)->nodeCount()]);
        self::assertEqualsWithDelta(1600.0, abs($this->contour($id)->area()), 1e-9);
        $this->bench->do('delete-segment', ['piece' => $id, 'segments' => [[0, 2]]]);
        self::assertSame([false, 4], [$this->contour($id)->closed, $this->contour($id)->nodeCount()]);
    }

    #[Test]
    public function ends_of_two_pieces_join_in_one_node_where_they_meet_and_with_a_line_where_not(): void
    {
        $a = $this->bench->line([0, 0, 0, 0, 10, 0, 10, 0]);
        $b = $this->bench->line([10.02, 0, 10.02, 0, 20, 10, 20, 10]);
        $this->bench->do('join-ends', ['piece' => $a, 'other' => $b, 'nodes' => [[0, 1], [0, 0]]]);
        self::assertSame([3, null], [$this->contour($a)->nodeCount(), $this->bench->art->piece($b)]);
        $c = $this->bench->line([60, 60, 60, 60, 70, 70, 70, 70]);
        $this->bench->do('join-ends', ['piece' => $a, 'other' => $c, 'nodes' => [[0, 2], [0, 1]]]);
        self::assertSame(5, $this->contour($a)->nodeCount());
        self::assertEqualsWithDelta([60.0, 60.0], array_slice($this->contour($a)->coords, -2), 1e-9);
    }

    #[Test]
    public function two_lines_are_joined_at_their_nearest_ends_and_one_alone_is_closed(): void
    {
        $a = $this->bench->line([30, 0, 30, 0, 0, 0, 0, 0]);
        $b = $this->bench->line([30, 40, 30, 40, 30.03, 0, 30.03, 0]);
        $this->bench->do('join-lines', ['pieces' => [$a, $b]]);
        self::assertSame([[$a], 3], [$this->bench->order(), $this->contour($a)->nodeCount()]);
        $this->bench->do('join-lines', ['pieces' => [$a]]);
        self::assertTrue($this->contour($a)->closed);
        self::assertEqualsWithDelta(600.0, abs($this->contour($a)->area()), 1.0);
        $this->expectExceptionObject(Refused::because('Only the ends of open lines can be joined.'));
        $this->bench->do('join-lines', ['pieces' => [$a, $this->square()]]);
    }

    #[Test]
    public function a_line_goes_on_from_either_end_and_closes_on_the_other(): void
    {
        $id = $this->bench->line([0, 0, 0, 0, 10, 0, 10, 0]);
        $this->bench->do('continue-line', ['piece' => $id, 'coords' => [10, 0, 10, 0, 10, 10, 10, 10]]);
        $this->bench->do('continue-line', ['piece' => $id, 'end' => false, 'coords' => [0, 0, 0, 0, 0, 10, 0, 10]]);
        self::assertSame([0.0, 10.0], array_slice($this->contour($id)->coords, 0, 2));
        $this->bench->do(
            'continue-line',
            ['piece' => $id, 'coords' => [10, 10, 10, 10, 0, 10, 0, 10], 'closed' => true, 'fill' => '#00ff00', 'line' => 'none'],
        );
        self::assertSame(['#00ff00', null], [$this->bench->piece($id)->fill?->colour->hex(), $this->bench->piece($id)->stroke]);
        self::assertSame([true, 4], [$this->contour($id)->closed, $this->contour($id)->nodeCount()]);
        self::assertEqualsWithDelta(100.0, abs($this->contour($id)->area()), 1e-9);
    }

    #[Test]
    public function what_is_made_from_numbers_has_no_nodes_to_move_until_it_is_plain_curves(): void
    {
        $id = $this->bench->shape('star', 50, 50, 40, 40);
        $this->expectExceptionObject(Refused::stillAdjustable('star'));
        $this->bench->do('move-nodes', ['piece' => $id, 'nodes' => [[0, 0]], 'x' => 1]);
    }

    #[Test]
    public function chosen_corners_are_rounded_by_true_arcs_and_held_before_two_meet(): void
    {
        $id = $this->square();
        $this->bench->do('round-corners', ['piece' => $id, 'nodes' => [[0, 0], [0, 2]], 'radius' => '5mm']);
        self::assertEqualsWithDelta(1600 - 2 * 25 * (1 - M_PI / 4), $this->contour($id)->area(), 0.02);
        $this->bench->do('round-corners', ['piece' => $id, 'nodes' => [[0, 1]], 'radius' => 100]);
        // The opposite corner has none: its sides end where the roundings of five begin; all neighbours share their side.
        self::assertEqualsWithDelta([10.0, 10.0, 40.0, 40.0], $this->bench->box($id), 1e-6);
        $this->bench->do('round-corners', ['piece' => $id, 'radius' => 1000]);
        self::assertEqualsWithDelta(400 * M_PI, $this->contour($id)->area(), 0.5, 'all held: a circle');
        $this->bench->do('round-corners', ['piece' => $id, 'radius' => 0]);
        self::assertEqualsWithDelta(1600.0, $this->contour($id)->area(), 1e-9);
        self::assertNull($this->bench->piece($id)->recipe);
    }

    #[Test]
    public function a_rounded_corner_stays_at_its_node_when_others_are_added(): void
    {
        $id = $this->square();
        $this->bench->do('round-corners', ['piece' => $id, 'nodes' => [[0, 2]], 'radius' => 8]);
        $before = $this->contour($id)->area();
        $this->bench->do('add-node', ['piece' => $id, 'segments' => [[0, 0]], 't' => 0.5]);
        self::assertEqualsWithDelta($before, $this->contour($id)->area(), 1e-6);
        $this->bench->do('move-nodes', ['piece' => $id, 'nodes' => [[0, 3]], 'x' => 10, 'y' => 10]);
        self::assertGreaterThan(5, $this->contour($id)->nodeCount());
    }
}
