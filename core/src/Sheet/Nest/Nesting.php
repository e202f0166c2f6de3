<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Nest;

use Closure;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;

/**
 * O2: copies of designs laid close together by their true outlines, holes used. Each is laid where least length is used, the largest first; then other orders
 * and turns are tried, and the best is kept.
 *
 * @source taking up and laying anew, G. Schrimpf et al., "Record breaking optimization results using
 *         the ruin and recreate principle", 2000
 *
 * @phpstan-import-type Laid from Beds
 */
final class Nesting
{
    /** Turns that are tried for a copy at once: others have their turn in later ways. */
    private const TURNS = 8;

    /** How often all is laid anew. */
    private const ALL_ANEW = 12;

    /** How much finer the bands are between which all is pressed together in the end. */
    private const FINER = 3.0;

    /** How often all is pressed together, and by how many coarse bands a copy may go up or down each time. */
    private const PASSES = 3;

    private const SHIFT = 2;

    /** Ways that are compared with the one so many before; measured on two sets of 40 pieces: 30 found less in the same time, 0 got stuck. */
    private const LATE = 12;

    /** Ways without a gain after which the best is gone on from. */
    private const PATIENCE = 150;

    /** What is longer than the best by more than this is not worth pressing together: that gains about a hundredth. */
    private const WORTH = 1.012;

    private const LEANS = [1.0, 0.8, 0.6, 0.4];

    private int $seed = 20_070_101;

    private readonly Beds $fine;

    private function __construct(private readonly Beds $beds)
    {
        $this->fine = $beds->finer(self::FINER);
    }

    /**
     * @param  list<Shape>  $outlines
     * @param  list<int>  $counts
     * @param  list<Placement>  $kept
     * @param  Closure(float, int): bool|null  $goesOn  told the mm of length that the best needs and how many ways were tried; false ends it, with the best
     *     so far
     * @return list<Placement>
     *
     * @throws Refused when a design is larger than the room
     */
    public static function of(array $outlines, array $counts, Room $room, array $kept = [], ?Closure $goesOn = null): array
    {
        $beds = new Beds($outlines, $room, $kept);
        $order = self::copies($counts, $kept);
        // By the room that they take up, not what they cover: a thin ring is as hard to lay as a plate.
        $bulk = array_map(static fn (Shape $shape): float => ($shape->box()?->width() ?? 0.0) * ($shape->box()?->height() ?? 0.0) + $shape->area(), $outlines);
        usort($order, static fn (int $a, int $b): int => [$bulk[$b], $a] <=> [$bulk[$a], $b]);
        $order = array_map(static fn (int $design): array => [$design, self::spread($room->turns)], $order);
        $first = $beds->laid([], $order);
        $self = new self($beds);

        return [...$kept, ...($goesOn === null ? $self->pressed($first)[0] : $self->searched($first, $order, $goesOn))];
    }

    /**
     * Mostly a part of what is laid is taken up and laid anew; now and then all of it, in another order. What comes out a little worse than what was before
     * is gone
     * on from, as long as it is no worse than it was some ways ago; what leads nowhere is given up for the best.
     *
     * @param  list<Laid>  $now
     * @param  list<array{int, list<float>}>  $order  see laid()
     * @param  Closure(float, int): bool  $goesOn
     * @return list<Placement> the best
     *
     * @source late acceptance, E. K. Burke, Y. Bykov, "The late acceptance hill-climbing heuristic", 2017
     */
    private function searched(array $now, array $order, Closure $goesOn): array
    {
        $best = $now;
        [$pressed, $least] = $this->pressed($now);
        $cost = $this->beds->cost($now);
        $late = array_fill(0, self::LATE, $cost);
        $since = 0;
        for ($tried = 1; $goesOn($least, $tried); $tried++) {
            Patience::ask(32);
            $this->beds->lean = self::LEANS[$tried % count(self::LEANS)];
            $next = $tried % self::ALL_ANEW === 0 ? $this->beds->laid([], $this->changed($order)) : $this->relaid($now);
            $own = $next === null ? INF : $this->beds->cost($next);
            if ($next !== null && ($own <= $cost || $own <= $late[$tried % self::LATE])) {
                [$now, $cost] = [$next, $own];
                $again = $this->beds->length($next) < self::WORTH * $least ? $this->pressed($next) : [$pressed, INF];
                if ($again[1] < $least) {
                    [$pressed, $least] = $again;
                    [$best, $since] = [$next, 0];
                }
            }
            $late[$tried % self::LATE] = min($late[$tried % self::LATE], $cost);
            if (++$since > self::PATIENCE) {
                [$now, $cost, $since] = [$best, $this->beds->cost($best), 0];
                $late = array_fill(0, self::LATE, $cost);
            }
        }

        return $pressed;
    }

    /**
     * All moved on to the left between much finer bands, from the left on, each up or down a little where it then comes further: what coarse bands left between
     * copies goes.
     *
     * @param  list<Laid>  $lying  in bands of its own
     * @return array{list<Placement>, float} where they lie then, and the mm of length that they need
     */
    private function pressed(array $lying): array
    {
        $best = array_map($this->beds->placement(...), $lying);
        $length = $this->beds->length($lying);
        $now = array_map(fn (array $one): array => [$one[0], $one[1], $one[2], (int) round($one[3] * $this->beds->high / $this->fine->high), $one[4]], $lying);
        for ($pass = 0; $pass < self::PASSES; $pass++) {
            usort($now, static fn (array $a, array $b): int => [$a[1], $a[4]] <=> [$b[1], $b[4]]);
            $now = $this->fine->moved($now, (int) ceil(self::SHIFT * $this->beds->high / $this->fine->high));
            $needs = $now === null ? INF : $this->fine->length($now);
            if ($now === null || $needs >= $length - 1e-6) {
                break;
            }
            [$best, $length] = [array_map($this->fine->placement(...), $now), $needs];
        }

        return [$best, $length];
    }

    /**
     * @param  list<int>  $counts
     * @param  list<Placement>  $kept
     * @return list<int> a design for each copy that is not laid by hand
     */
    private static function copies(array $counts, array $kept): array
    {
        $copies = [];
        foreach ($counts as $design => $count) {
            $laid = count(array_filter($kept, static fn (Placement $placement): bool => $placement->design === $design));
            array_push($copies, ...array_fill(0, max(0, $count - $laid), $design));
        }

        return $copies;
    }

    /**
     * Some of what lies there is taken up and laid anew with turns that are drawn: what reaches furthest, and a few from anywhere.
     *
     * @param  list<Laid>  $lying
     * @return list<Laid>|null null where it does not fit again
     */
    private function relaid(array $lying): ?array
    {
        $n = count($lying);
        if ($n < 2) {
            return null;
        }
        $reach = [];
        foreach ($lying as $i => [$design, $number, $turn, , $x]) {
            $reach[$i] = $number * 1e7 + $x + $this->beds->part($design, $turn)->width;
        }
        arsort($reach);
        $up = array_slice(array_keys($reach), 0, 1 + $this->random(min($n, 6)));
        for ($k = 2 + $this->random(max(1, intdiv($n, 4))); $k > 0; $k--) {
            $up[] = $this->random($n);
        }
        $up = array_values(array_unique($up));
        // The bulky mostly first, yet not always.
        $bulk = array_map(
            fn (int $i): float => $this->beds->part($lying[$i][0], 0.0)
                ->width * $this->beds->part($lying[$i][0], 0.0)
                ->height * (0.4 + $this->random(1000) / 800),
            $up,
        );
        array_multisort($bulk, SORT_DESC, $up);
        $order = array_map(fn (int $i): array => [$lying[$i][0], $this->drawn($lying[$i][2])], $up);
        try {
            return $this->beds->laid(array_values(array_diff_key($lying, array_flip($up))), $order);
        } catch (Refused) {
            return null;
        }
    }

    /**
     * A few of all turns, spread over them.
     *
     * @param  list<float>  $turns
     * @return list<float>
     */
    private static function spread(array $turns): array
    {
        $step = max(1, intdiv(count($turns), self::TURNS));

        return array_values(array_filter($turns, static fn (int $k): bool => $k % $step === 0, ARRAY_FILTER_USE_KEY));
    }

    /** @return list<float> the turn that a copy has, and some others */
    private function drawn(float $turn): array
    {
        $all = $this->beds->room->turns;
        if (count($all) <= self::TURNS) {
            return $all;
        }
        $turns = [$turn];
        while (count($turns) < self::TURNS) {
            $turns[] = $all[$this->random(count($all))];
        }

        return array_values(array_unique($turns));
    }

    /**
     * Some copies change places in the order.
     *
     * @param  list<array{int, list<float>}>  $order
     * @return list<array{int, list<float>}>
     */
    private function changed(array $order): array
    {
        $n = count($order);
        for ($k = 0, $swaps = $n < 2 ? 0 : 1 + $this->random(4); $k < $swaps; $k++) {
            $a = $this->random($n);
            $b = $this->random(3) === 0 ? $this->random($n) : min($n - 1, $a + 1 + $this->random(6));
            $one = array_splice($order, $a, 1);
            array_splice($order, $b, 0, $one);
        }

        return array_values($order);
    }

    private function random(int $below): int
    {
        $this->seed = ($this->seed * 1103515245 + 12345) & 0x7FFFFFFF;

        return ($this->seed >> 8) % max(1, $below);
    }
}
