<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Recipe;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Edit\ShowsMarks;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\StoredForm;
use NeatEdge\Core\Format\Json\StoredFormRefused;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Recipe\Wrap\Net;
use NeatEdge\Core\Recipe\Wrap\Wrap;
use NeatEdge\Core\Tests\Support\RandomArt;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class NetTest extends TestCase
{
    private static function box(): Box
    {
        return new Box(10.0, 20.0, 130.0, 80.0);
    }

    /** A net whose places were pulled by a few mm each, knots and handles. */
    private static function pulled(int $seed, int $across, int $down): Net
    {
        $art = new RandomArt($seed);
        $moved = [];
        $lines = [];
        foreach (Net::straight(self::box(), $across, $down)->lines()->contours as $line) {
            $coords = [];
            for ($k = 0; $k < count($line->coords); $k += 2) {
                [$x, $y] = [$line->coords[$k], $line->coords[$k + 1]];
                // A knot is pulled once, for both of its lines.
                $moved["{$x} {$y}"] ??= [$x + $art->between(-3, 3), $y + $art->between(-3, 3)];
                array_push($coords, ...$moved["{$x} {$y}"]);
            }
            $lines[] = new Contour($coords, false);
        }

        return Net::ofLines($lines);
    }

    /** @return array<string, array{int, int}> */
    public static function nets(): array
    {
        return ['two by two' => [2, 2], 'three by three' => [3, 3], 'four by two' => [4, 2], 'six by six' => [6, 6]];
    }

    #[Test]
    #[DataProvider('nets')]
    public function a_straight_net_leaves_all_as_it_is_and_adds_no_node_between_its_lines(int $across, int $down): void
    {
        $art = new Shape([Contour::circle(30.0, 32.0, 4.0), Contour::rectangle(12.0, 22.0, 115.0, 55.0)]);
        $bent = Net::straight(self::box(), $across, $down)->bent($art, self::box(), 0.01);
        self::assertEqualsWithDelta($art->area(), $bent->area(), 1e-6);
        self::assertLessThanOrEqual(4, count($bent->contours[0]->segments()), 'a circle within one patch');
        self::assertCount(4 + 2 * ($across - 2) + 2 * ($down - 2), $bent->contours[1]->segments(), 'a rectangle is cut where lines of the net cross it');
    }

    #[Test]
    #[DataProvider('nets')]
    public function knots_lie_where_they_were_pulled_and_lines_run_as_they_are_drawn(int $across, int $down): void
    {
        $net = self::pulled(3, $across, $down);
        foreach ($net->across as $row => $line) {
            foreach ($line as $column => $s) {
                for ($k = 0; $k <= 4; $k++) {
                    $u = $net->columns[$column] + ($net->columns[$column + 1] - $net->columns[$column]) * $k / 4;
                    self::assertEqualsWithDelta(Cubic::at($s, $k / 4), $net->at($u, $net->rows[$row]), 1e-9);
                }
            }
        }
        foreach ($net->down as $column => $line) {
            foreach ($line as $row => $s) {
                $v = ($net->rows[$row] + $net->rows[$row + 1]) / 2;
                self::assertEqualsWithDelta(Cubic::at($s, 0.5), $net->at($net->columns[$column], $v), 1e-9);
            }
        }
    }

    #[Test]
    #[DataProvider('nets')]
    public function straight_lines_lie_within_two_hundredths_of_where_the_net_sends_them(int $across, int $down): void
    {
        $net = self::pulled(7, $across, $down);
        $box = self::box();
        $art = new RandomArt(8);
        $source = $bentNodes = 0;
        for ($n = 0; $n < 12; $n++) {
            [$ax, $ay, $bx, $by] = [$art->between(10, 130), $art->between(20, 80), $art->between(10, 130), $art->between(20, 80)];
            $bent = $net->bent(Shape::of(Contour::polygon([[$ax, $ay], [$bx, $by]], false)), $box, 0.015)->contours[0];
            $places = [];
            foreach ($bent->segments() as $s) {
                for ($k = 0; $k <= 60; $k++) {
                    $places[] = Cubic::placeOn($s, $k / 60);
                }
            }
            for ($k = 0; $k <= 50; $k++) {
                [$x, $y] = $net->at(($ax + ($bx - $ax) * $k / 50 - $box->left) / $box->width(), ($ay + ($by - $ay) * $k / 50 - $box->top) / $box->height());
                self::assertLessThan(0.02, self::fromChords($places, $x, $y), "line {$n} at {$k}");
            }
            $bentNodes += count($bent->segments());
            $source += 1 + self::crossed($net->columns, $ax, $bx, 10.0, 120.0) + self::crossed($net->rows, $ay, $by, 20.0, 60.0);
        }
        self::assertLessThanOrEqual(2 * $source, $bentNodes, 'at most two nodes for each stretch within a patch');
    }

    /** @param  list<float>  $shares */
    private static function crossed(array $shares, float $a, float $b, float $from, float $long): int
    {
        return count(array_filter(array_slice($shares, 1, -1), static fn (float $share): bool => ($from + $share * $long - $a) * ($from + $share * $long - $b) < 0));
    }

    /** @param  list<array{float, float}>  $places */
    private static function fromChords(array $places, float $x, float $y): float
    {
        $least = INF;
        for ($k = 1; $k < count($places); $k++) {
            [[$ax, $ay], [$bx, $by]] = [$places[$k - 1], $places[$k]];
            [$dx, $dy] = [$bx - $ax, $by - $ay];
            $t = max(0.0, min(1.0, (($x - $ax) * $dx + ($y - $ay) * $dy) / max(1e-18, $dx * $dx + $dy * $dy)));
            $least = min($least, hypot($ax + $t * $dx - $x, $ay + $t * $dy - $y));
        }

        return $least;
    }

    #[Test]
    public function a_line_more_changes_nothing_of_what_is_bent(): void
    {
        $net = self::pulled(5, 3, 3);
        [$s] = $net->across[1];
        $more = $net->withColumnAt(...Cubic::at($s, 0.4));
        self::assertCount(4, $more->columns);
        self::assertEqualsWithDelta(0.2, $more->columns[1], 1e-9, 'four tenths of the first of two cells');
        [$s] = $net->down[2];
        $more = $more->withRowAt(...Cubic::at($s, 0.75));
        self::assertEqualsWithDelta([0.0, 0.375, 0.5, 1.0], $more->rows, 1e-9);
        $art = new RandomArt(6);
        for ($n = 0; $n < 200; $n++) {
            [$u, $v] = [$art->between(0, 1), $art->between(0, 1)];
            self::assertEqualsWithDelta($net->at($u, $v), $more->at($u, $v), 1e-9);
        }
    }

    #[Test]
    public function inner_lines_stand_where_they_are_said_to(): void
    {
        $lines = Net::straight(self::box(), 3, 2)->lines()->contours;
        $net = Net::ofLines($lines, [0.25]);
        self::assertEqualsWithDelta([70.0, 50.0], $net->at(0.25, 0.5), 1e-9, 'what lies a quarter from the left comes to the middle');
        self::assertEqualsWithDelta([100.0, 50.0], $net->at(0.625, 0.5), 1e-9);
    }

    #[Test]
    public function a_smooth_knot_is_run_through_at_one_speed(): void
    {
        $lines = self::pulled(9, 4, 4)->lines()->contours;
        $net = Net::ofLines($lines, [0.2, 0.7], [0.5, 0.6]);
        $knot = $net->at(0.2, 0.6);
        $kink = static fn (Net $net, float $du, float $dv): float => hypot(...array_map(
            static fn (float $before, float $at, float $after): float => ($after - 2 * $at + $before) / 1e-5,
            $net->at(0.2 - 1e-5 * $du, 0.6 - 1e-5 * $dv), $net->at(0.2, 0.6), $net->at(0.2 + 1e-5 * $du, 0.6 + 1e-5 * $dv),
        ));
        self::assertGreaterThan(1.0, $kink($net, 1, 0));
        $smooth = $net->smoothAt($knot[0] + 0.4, $knot[1] - 0.3);
        self::assertEqualsWithDelta($knot, $smooth->at(0.2, 0.6), 1e-9, 'it stays where it is');
        self::assertLessThan(0.05, $kink($smooth, 1, 0));
        self::assertLessThan(0.05, $kink($smooth, 0, 1));
        self::assertSame($net->across[0], $smooth->across[0], 'other lines are as they were');

        // What runs through at one speed already stays.
        $even = Net::straight(self::box(), 2, 2)->withColumnAt(40.0, 20.0)->withRowAt(10.0, 65.0);
        self::assertEqualsWithDelta([0.25, 0.75], [$even->columns[1], $even->rows[1]], 1e-9);
        self::assertEqualsWithDelta($even->across, $even->smoothAt(40.0, 65.0)->across, 1e-9);
        self::assertEqualsWithDelta($even->down, $even->smoothAt(40.0, 65.0)->down, 1e-9);
    }

    #[Test]
    public function folds_are_told_where_they_are(): void
    {
        self::assertSame([], self::pulled(3, 4, 4)->folds());
        $lines = Net::straight(self::box(), 3, 2)->lines()->contours;
        // The middle knots are pulled beyond the right side.
        $pull = static fn (Contour $line, int $knot): Contour => new Contour(array_values(array_replace($line->coords, [6 * $knot => 150.0])), false);
        $lines = [$pull($lines[0], 1), $pull($lines[1], 1), $lines[2], new Contour(array_map(
            static fn (float $n, int $k): float => $k % 2 === 0 ? 150.0 : $n, $lines[3]->coords, array_keys($lines[3]->coords),
        ), false), $lines[4]];
        $folds = Net::ofLines($lines)->folds();
        self::assertNotSame([], $folds);
        self::assertGreaterThan(100.0, $folds[0][0]);
    }

    #[Test]
    public function lines_that_miss_each_other_by_a_hair_are_led_to_one_knot(): void
    {
        $lines = Net::straight(self::box(), 2, 2)->lines()->contours;
        $net = Net::ofLines([...array_slice($lines, 0, 3), Contour::polygon([[130.004, 20.0], [130.0, 79.996]], false)]);
        self::assertSame(array_slice($net->across[0][0], 6), array_slice($net->down[1][0], 0, 2));
        self::assertSame(array_slice($net->across[1][0], 6), array_slice($net->down[1][0], 6));
    }

    #[Test]
    public function a_stored_net_that_is_none_is_refused(): void
    {
        $art = new Artwork(200, 100, [new Piece('a', Shape::of(Contour::rectangle(10, 20, 120, 60)), new Paint(new Colour(20, 60, 90)))]);
        $stored = json_decode(ArtworkJson::encode(Edits::make('wrap', ['pieces' => ['a'], 'shape' => 'net', 'across' => 4], FontShelf::shipped())->apply($art)), true);
        $net = &$stored['pieces'][0]['recipe']['changes'][0]['net'];
        self::assertCount(4, $net['columns']);
        StoredForm::hold($stored['pieces'][0]);
        $whole = $net;
        foreach ([[...$whole, 'lines' => array_slice($whole['lines'], 1)], [...$whole, 'columns' => [0, 0.5, 0.4, 1]], [...$whole, 'rows' => 'x'], 7] as $broken) {
            $net = $broken;
            try {
                StoredForm::hold($stored['pieces'][0]);
                self::fail('It was taken: '.json_encode($broken));
            } catch (StoredFormRefused) {
                $this->addToAssertionCount(1);
            }
        }
    }

    /** @return array<string, array{list<Contour>, list<float>}> */
    public static function noNets(): array
    {
        $lines = Net::straight(self::box(), 3, 3)->lines()->contours;

        return [
            'nothing' => [[], []],
            'a line too few' => [array_slice($lines, 1), []],
            'lines of unlike length' => [[...array_slice($lines, 0, 5), Contour::polygon([[0, 0], [1, 1]], false)], []],
            'lines that do not meet' => [[Contour::ofSegments([[11.0, 20.0, 30.0, 20.0, 50.0, 20.0, 70.0, 20.0], [70.0, 20.0, 90.0, 20.0, 110.0, 20.0, 130.0, 20.0]], false), ...array_slice($lines, 1)], []],
            'inner lines on each other' => [$lines, [0.0]],
            'more inner lines than there are' => [$lines, [0.2, 0.5]],
        ];
    }

    /**
     * @param  list<Contour>  $lines
     * @param  list<float>  $columns
     */
    #[Test]
    #[DataProvider('noNets')]
    public function what_is_no_net_is_refused(array $lines, array $columns): void
    {
        $this->expectException(Refused::class);
        Net::ofLines($lines, $columns);
    }

    #[Test]
    public function six_lines_each_way_are_all(): void
    {
        $this->expectExceptionMessage('at most 6 lines');
        Net::straight(self::box(), 6, 2)->withColumnAt(50.0, 20.0);
    }

    #[Test]
    public function a_net_is_an_edit_that_is_kept_shown_and_pulled_on(): void
    {
        $art = new Artwork(200, 100, [new Piece('a', Shape::of(Contour::rectangle(10, 20, 120, 60)), new Paint(new Colour(20, 60, 90)))]);
        $wrap = static fn (array $more): array => ['pieces' => ['a'], 'shape' => 'net', ...$more];
        $marks = static function (Artwork $on, array $fields) use ($wrap): array {
            $edit = Edits::make('wrap', $wrap($fields), FontShelf::shipped());
            self::assertInstanceOf(ShowsMarks::class, $edit);

            return $edit->marks($on);
        };
        [$mark] = $marks($art, ['across' => 3, 'down' => 2]);
        self::assertSame(['net', 5], [$mark->kind, count($mark->shape->contours ?? [])]);
        $state = json_decode($mark->state, true);
        self::assertSame([2, '60mm', ''], [$state['across'], $state['columns'], $state['rows']]);

        // The middle of the upper line is pulled up by 10 mm.
        $state['lines'][0][7] = $state['lines'][3][1] = 10.0;
        $path = implode(' ', array_map(
            static fn (array $n): string => "M{$n[0]} {$n[1]}".implode('', array_map(static fn (array $s): string => 'C'.implode(' ', $s), array_chunk(array_slice($n, 2), 6))),
            $state['lines'],
        ));
        $bent = Edits::make('wrap', $wrap(['frame' => $path, 'columns' => '60mm']), FontShelf::shipped())->apply($art);
        $again = ArtworkJson::decode(ArtworkJson::encode($bent));
        self::assertEqualsWithDelta(10.0, $again->pieces[0]->shape->box()?->top, 0.02);
        self::assertEqualsWithDelta($bent->pieces[0]->shape->area(), $again->pieces[0]->shape->area(), 1e-9);
        $wrapped = $again->pieces[0]->recipe?->change(Wrap::class);
        self::assertSame([0.0, 0.5, 1.0], $wrapped?->net?->columns);

        // Taken up again it begins with what it is bent by, and a press lays a line more.
        [$mark, $grid] = $marks($again, ['across' => 3, 'down' => 2, 'column' => '30,18', 'grid' => true]);
        self::assertSame(6, count($mark->shape->contours ?? []));
        self::assertSame(['net', 'across' => 3, 'down' => 2], ['net', ...array_diff_key($wrapped->values, ['shape' => ''])]);
        self::assertCount(7, $marks($again, ['across' => 4, 'down' => 3])[0]->shape->contours ?? [], 'another number of knots begins anew');
        self::assertSame('grid', $grid->kind);
        self::assertEqualsWithDelta(10.0, $grid->shape?->box()?->top, 0.03, 'the test grid is bent, too');
        $more = Edits::make('wrap', $wrap(['across' => 3, 'down' => 2, 'column' => '30,18', 'rows' => '']), FontShelf::shipped())->apply($again)->pieces[0]->recipe?->change(Wrap::class);
        self::assertSame(['shape' => 'net', 'across' => 4, 'down' => 2], $more?->values);
        $low = Edits::make('wrap', $wrap(['down' => 3, 'rows' => '15mm']), FontShelf::shipped())->apply($art)->pieces[0]->recipe?->change(Wrap::class);
        self::assertSame([0.0, 0.25, 1.0], $low?->net?->rows, '15 of 60 mm');
        self::assertNull(Edits::make('wrap', $wrap(['off' => true]), FontShelf::shipped())->apply($again)->pieces[0]->recipe?->change(Wrap::class));
    }

    #[Test]
    public function a_net_that_folds_is_shown_and_not_kept(): void
    {
        $art = new Artwork(200, 100, [new Piece('a', Shape::of(Contour::rectangle(10, 20, 120, 60)), new Paint(new Colour(20, 60, 90)))]);
        $folded = Edits::make('wrap', ['pieces' => ['a'], 'shape' => 'net', 'frame' => 'M10 20L160 20L130 20M10 80L160 80L130 80M10 20L10 80M160 20L160 80M130 20L130 80'], FontShelf::shipped());
        self::assertInstanceOf(ShowsMarks::class, $folded);
        self::assertContains('fault', array_map(static fn (Mark $mark): string => $mark->kind, $folded->marks($art)));
        $this->expectExceptionMessage('folds over itself');
        $folded->apply($art);
    }
}
