<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Sheet;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Sheet\Nest\Bands;
use NeatEdge\Core\Sheet\Nest\Nesting;
use NeatEdge\Core\Sheet\Nest\Overlap;
use NeatEdge\Core\Sheet\Nest\Placement;
use NeatEdge\Core\Sheet\Nest\Room;
use NeatEdge\Core\Stroke\Offset;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** O2: copies laid close together by their true outlines. */
final class NestingTest extends TestCase
{
    /**
     * @param  list<Shape>  $designs
     * @param  list<Placement>  $laid
     * @return list<Shape>
     */
    private static function lying(array $designs, array $laid, int $sheet = 0): array
    {
        return array_values(array_map(
            static fn (Placement $one): Shape => $designs[$one->design]->transformed($one->matrix($designs[$one->design])),
            array_filter($laid, static fn (Placement $one): bool => $one->sheet === $sheet),
        ));
    }

    /** @return list<Shape> */
    private static function designs(): array
    {
        return [
            Shape::of(Contour::polygon([[0.0, 0.0], [40.0, 0.0], [40.0, 12.0], [12.0, 12.0], [12.0, 40.0], [0.0, 40.0]])),
            Shape::of(Contour::polygon([[0.0, 0.0], [36.0, 0.0], [18.0, 30.0]])),
            new Shape([Contour::circle(30, 30, 30), Contour::circle(30, 30, 22)->reversed()]),
            Shape::of(Contour::circle(8, 8, 8)),
        ];
    }

    /** @param  list<Shape>  $shapes */
    private static function length(array $shapes): float
    {
        return max([0.0, ...array_map(static fn (Shape $shape): float => $shape->box()->right ?? 0.0, $shapes)]);
    }

    #[Test]
    public function copies_keep_their_distance_and_holes_are_used(): void
    {
        $designs = self::designs();
        $room = new Room(INF, 130.0, 4.0, 2.0);
        $laid = Nesting::of($designs, [3, 4, 2, 6], $room);
        self::assertCount(15, $laid);
        $shapes = self::lying($designs, $laid);
        self::assertSame([], Overlap::pairs($shapes));
        self::assertSame([], Overlap::pairs(array_map(static fn (Shape $shape): Shape => Offset::outset($shape, 0.99), $shapes)), 'the whole gap is kept');
        foreach ($shapes as $shape) {
            $box = $shape->box();
            self::assertTrue($box !== null && $box->left >= 3.999 && $box->top >= 3.999 && $box->bottom <= 126.001);
        }
        $inRings = 0;
        foreach ($shapes as $ring) {
            foreach (count($ring->contours) > 1 ? $shapes : [] as $other) {
                $box = $other->box();
                $inRings += $other !== $ring && $box !== null && ($ring->contours[1]->box()->contains($box)) ? 1 : 0;
            }
        }
        self::assertGreaterThan(0, $inRings, 'something lies in the hole of a ring');
    }

    /** Curves in any turn, measured along their outlines and not by what laid them. */
    #[Test]
    public function the_least_gap_holds_to_a_thousandth_of_a_millimetre(): void
    {
        $blob = Shape::of(new Contour([5, 60, 30, 40, 40, 90, 60, 60, 90, 95, 95, 70, 80, 92, 60, 60, 50, 99, 30, 80, 10, 90, 0, 70, 5, 60], true));
        $designs = [
            $blob,
            Shape::of(Contour::circle(12, 12, 12)),
            new Shape([Contour::circle(30, 30, 26), Contour::circle(30, 30, 20)->reversed()]),
            self::designs()[0],
        ];
        foreach ([[3.0, 'quarter'], [0.5, 'eighth'], [1.0, 'free']] as [$gap, $turns]) {
            $laid = Nesting::of($designs, [3, 4, 2, 3], new Room(INF, 150.0, 5.0, $gap, Room::turns($turns)));
            $shapes = self::lying($designs, $laid);
            $least = INF;
            foreach ($shapes as $i => $shape) {
                foreach (array_slice($shapes, $i + 1) as $other) {
                    $least = min($least, self::apart($shape, $other), self::apart($other, $shape));
                }
            }
            self::assertGreaterThan($gap - 0.001, $least, $turns);
            self::assertLessThan($gap + 0.6, $least, 'and nothing is given away');
        }
    }

    /** mm from places on one outline to the other. */
    private static function apart(Shape $one, Shape $other): float
    {
        $ring = static function (Contour $contour, int $fine): array {
            $out = [];
            foreach ($contour->closedSegments() as $s) {
                for ($i = 0, $n = Cubic::isLine($s) ? 1 : $fine; $i < $n; $i++) {
                    $out[] = Cubic::at($s, $i / $n);
                }
            }

            return $out;
        };
        $least = INF;
        $near = static fn (Box $box, float $x, float $y): bool => $x > $box->left - 4 && $x < $box->right + 4 && $y > $box->top - 4 && $y < $box->bottom + 4;
        [$oneBox, $otherBox] = [$one->box() ?? new Box(0, 0, 0, 0), $other->box() ?? new Box(0, 0, 0, 0)];
        foreach ($one->contours as $a) {
            foreach ($other->contours as $b) {
                $walls = $ring($b, 300);
                foreach ($ring($a, 30) as [$x, $y]) {
                    foreach ($near($otherBox, $x, $y) ? $walls : [] as $k => [$ax, $ay]) {
                        if (abs($ax - $x) > 5 && abs($ay - $y) > 5 && count($walls) > 50 || ! $near($oneBox, $ax, $ay) && count($walls) > 50) {
                            continue;
                        }
                        [$bx, $by] = $walls[($k + 1) % count($walls)];
                        $length = ($bx - $ax) ** 2 + ($by - $ay) ** 2;
                        $t = $length > 0 ? max(0.0, min(1.0, (($x - $ax) * ($bx - $ax) + ($y - $ay) * ($by - $ay)) / $length)) : 0.0;
                        $least = min($least, hypot($x - $ax - $t * ($bx - $ax), $y - $ay - $t * ($by - $ay)));
                    }
                }
            }
        }

        return $least;
    }

    #[Test]
    public function with_time_it_gets_no_worse_and_the_same_seed_gives_the_same(): void
    {
        $designs = self::designs();
        $room = new Room(INF, 130.0, 4.0, 2.0, Room::turns('eighth'));
        $lengths = [];
        $search = static function () use ($designs, $room, &$lengths): array {
            $lengths = [];

            return Nesting::of($designs, [3, 4, 2, 6], $room, [], static function (float $length, int $tried) use (&$lengths): bool {
                $lengths[] = $length;

                return $tried < 60;
            });
        };
        $one = $search();
        $sorted = $lengths;
        rsort($sorted);
        self::assertSame($sorted, $lengths);
        self::assertLessThan($lengths[0], $lengths[59], 'it finds something');
        self::assertSame([], Overlap::pairs(self::lying($designs, $one)));
        self::assertLessThanOrEqual(
            self::length(self::lying($designs, Nesting::of($designs, [3, 4, 2, 6], $room))) + 1e-6,
            self::length(self::lying($designs, $one)),
        );
        self::assertEquals($one, $search());
    }

    #[Test]
    public function more_than_a_sheet_takes_goes_on_the_next_and_what_fits_none_is_refused(): void
    {
        $designs = [Shape::of(Contour::rectangle(0, 0, 45, 30))];
        $laid = Nesting::of($designs, [5], new Room(100.0, 80.0, 4.0, 2.0, [0.0]));
        self::assertSame([0, 0, 0, 0, 1], array_map(static fn (Placement $one): int => $one->sheet, $laid));
        foreach (self::lying($designs, $laid) as $shape) {
            self::assertLessThanOrEqual(96.001, $shape->box()?->right);
        }
        $this->expectException(Refused::class);
        $this->expectExceptionMessage('A piece of 45.0 × 30.0 mm does not fit a sheet of 40 × 80 mm.');
        Nesting::of($designs, [1], new Room(40.0, 80.0, 4.0, 2.0, [0.0]));
    }

    #[Test]
    public function what_was_laid_by_hand_stays_and_nothing_is_laid_on_it(): void
    {
        $designs = [Shape::of(Contour::rectangle(0, 0, 30, 20))];
        $kept = new Placement(0, 0, 23.3, 17.7, 30.0, true);
        $laid = Nesting::of($designs, [6], new Room(INF, 90.0, 4.0, 2.0), [$kept], static fn (float $length, int $tried): bool => $tried < 6);
        self::assertCount(6, $laid);
        self::assertSame($kept, $laid[0]);
        self::assertSame([], Overlap::pairs(self::lying($designs, $laid)));
    }

    #[Test]
    public function a_grain_allows_no_other_turn_than_half(): void
    {
        self::assertSame([0.0, 180.0], Room::turns('free', true));
        self::assertSame([0.0], Room::turns('none'));
        self::assertCount(24, Room::turns('free'));
        $designs = [Shape::of(Contour::rectangle(0, 0, 60, 20))];
        foreach (Nesting::of($designs, [4], new Room(INF, 90.0, 4.0, 2.0, Room::turns('quarter', true))) as $one) {
            self::assertContains($one->turn, [0.0, 180.0]);
        }
    }

    #[Test]
    public function bands_tell_never_less_than_the_shape_has_in_them(): void
    {
        $tilted = Shape::of(Contour::polygon([[0.0, 0.0], [40.0, 9.0], [33.0, 31.0], [5.0, 22.0]]));
        foreach ([0.0, 17.0, 90.0] as $turn) {
            $bands = Bands::of($tilted, $turn, 2.0);
            $covered = 0.0;
            foreach ($bands->rows as $runs) {
                for ($i = 0; $i < count($runs); $i += 2) {
                    $covered += 2.0 * ($runs[$i + 1] - $runs[$i]);
                }
            }
            self::assertGreaterThan($tilted->area(), $covered);
            self::assertLessThan(1.35 * $tilted->area(), $covered);
        }
        self::assertCount(2, Bands::of(Shape::of(Contour::rectangle(0, 0, 9, 4)), 0.0, 2.0)->rows);
    }

    #[Test]
    public function a_placement_comes_back_from_how_it_is_stored_and_turns_about_its_middle(): void
    {
        $one = new Placement(3, 1, 12.5, 7.25, 45.0, true);
        self::assertEquals($one, Placement::fromArray($one->toArray()));
        $box = Shape::of(Contour::rectangle(0, 0, 30, 10))
            ->transformed((new Placement(0, 0, 5.0, 6.0, 90.0))->matrix(Shape::of(Contour::rectangle(0, 0, 30, 10))))
            ->box();
        self::assertEqualsWithDelta([5.0, 6.0, 15.0, 36.0], [$box?->left, $box?->top, $box?->right, $box?->bottom], 1e-9);
    }
}
