<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Nest;

use Closure;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Stroke\Offset;

/**
 * O2: copies of designs laid close together by their true outlines, holes used. Each is laid where least length is used, the largest first; then other orders
 * and turns are tried, and the best is kept.
 *
 * @source bottom-left placing over all bands, J. Błażewicz, P. Hawryluk, R. Walkowiak, 1993; taking up and laying anew, G. Schrimpf et al., "Record breaking optimization results using
 *         the ruin and recreate principle", 2000
 *
 * What lies there: design, sheet, turn, band, mm from the left.
 *
 * @phpstan-type Laid array{int, int, float, int, float}
 */
final class Nesting
{
    /** Bands across a sheet, about. */
    private const BANDS = 260;

    /** Turns that are tried for a copy at once: others have their turn in later ways. */
    private const TURNS = 8;

    /** mm of a band at least. */
    private const LEAST_BAND = 0.5;

    /** How often all is laid anew. */
    private const ALL_ANEW = 12;

    private const LEANS = [1.0, 0.8, 0.6, 0.4];

    /** mm to which an offset outline is known. */
    private const EXACT = 0.005;

    private int $seed = 20_070_101;

    /** @var array<int, array<int|string, Bands>> by design and turn */
    private array $bands = [];

    /** How much of a copy's own width counts where places are compared: at 1 its right end decides, at 0 its left. */
    private float $lean = 1.0;

    private readonly float $high;

    /**
     * @param  list<Shape>  $outlines  of designs, welded, as they were drawn
     * @param  list<int>  $counts  copies of each
     * @param  list<Placement>  $kept  laid by hand
     */
    private function __construct(private readonly array $outlines, private readonly array $counts, private readonly Room $room, private readonly array $kept)
    {
        $this->high = max(self::LEAST_BAND, $this->across() / self::BANDS);
    }

    /**
     * @param  list<Shape>  $outlines
     * @param  list<int>  $counts
     * @param  list<Placement>  $kept
     * @param  Closure(float, int): bool|null  $goesOn  told the mm of length that the best needs and how many ways were tried; false ends it, with the best so far
     * @return list<Placement>
     *
     * @throws EditRefused when a design is larger than the room
     */
    public static function of(array $outlines, array $counts, Room $room, array $kept = [], ?Closure $goesOn = null): array
    {
        $self = new self($outlines, $counts, $room, $kept);
        $order = $self->copies();
        // By the room that they take up, not what they cover: a thin ring is as hard to lay as a plate.
        $bulk = array_map(static fn (Shape $shape): float => ($shape->box()?->width() ?? 0.0) * ($shape->box()?->height() ?? 0.0) + $shape->area(), $outlines);
        usort($order, static fn (int $a, int $b): int => [$bulk[$b], $a] <=> [$bulk[$a], $b]);
        $order = array_map(static fn (int $design): array => [$design, self::spread($room->turns)], $order);
        $best = $self->laid([], $order);
        $length = $self->length($best);
        for ($tried = 1; $goesOn !== null && $goesOn($length, $tried); $tried++) {
            $self->lean = self::LEANS[$tried % count(self::LEANS)];
            // Mostly a part of what is laid is taken up and laid anew; now and then all of it, in another order.
            $next = $tried % self::ALL_ANEW === 0 ? $self->laid([], $self->changed($order)) : $self->relaid($best);
            $needs = $next === null ? INF : $self->length($next);
            if ($next !== null && $needs <= $length + 1e-9) {
                [$best, $length] = [$next, $needs];
            }
        }

        return [...$kept, ...array_map($self->placement(...), $best)];
    }

    /** @return list<int> a design for each copy that is not laid by hand */
    private function copies(): array
    {
        $out = [];
        foreach ($this->counts as $design => $count) {
            $laid = count(array_filter($this->kept, static fn (Placement $one): bool => $one->design === $design));
            array_push($out, ...array_fill(0, max(0, $count - $laid), $design));
        }

        return $out;
    }

    /**
     * @param  list<Laid>  $lying  what stays where it is
     * @param  list<array{int, list<float>}>  $order  designs that are laid then, and the turns that are tried for each
     * @return list<Laid>
     *
     * @throws EditRefused when one is larger than a sheet
     */
    private function laid(array $lying, array $order): array
    {
        $sheets = $this->sheets($lying);
        $most = $this->room->length - 2 * $this->room->margin + $this->room->gap;
        foreach ($order as [$design, $turns]) {
            for ($number = 0; ; $number++) {
                $fresh = ! isset($sheets[$number]);
                $sheet = $sheets[$number] ??= $this->bare();
                $place = $this->place($design, $turns, $sheet, $most);
                if ($place !== null) {
                    [$turn, $band, $x] = $place;
                    $sheet->put($this->part($design, $turn), $band, $x);
                    $lying[] = [$design, $number, $turn, $band, $x];
                    break;
                }
                if ($fresh) {
                    throw EditRefused::because(sprintf('A piece of %.1f × %.1f mm does not fit %s.', $this->outlines[$design]->box()?->width() ?? 0.0, $this->outlines[$design]->box()?->height() ?? 0.0, is_infinite($this->room->length) ? sprintf('a roll of %.0f mm', $this->room->width) : sprintf('a sheet of %.0f × %.0f mm', $this->room->length, $this->room->width)));
                }
            }
        }

        return $lying;
    }

    /** mm across that designs with half the gap round them may take: at the edge they need none. */
    private function across(): float
    {
        return $this->room->width - 2 * $this->room->margin + $this->room->gap;
    }

    private function bare(): Occupied
    {
        return new Occupied((int) floor($this->across() / $this->high + 1e-9));
    }

    /**
     * @param  list<Laid>  $lying
     * @return list<Occupied> with what lies there and what was laid by hand
     */
    private function sheets(array $lying): array
    {
        $sheets = [];
        $edge = $this->room->margin;
        foreach ($this->kept as $one) {
            while (count($sheets) <= $one->sheet) {
                $sheets[] = $this->bare();
            }
            $sheets[$one->sheet]->putBetween($this->part($one->design, $one->turn), ($one->y - $edge) / $this->high, $one->x - $edge);
        }
        foreach ($lying as [$design, $number, $turn, $band, $x]) {
            while (count($sheets) <= $number) {
                $sheets[] = $this->bare();
            }
            $sheets[$number]->put($this->part($design, $turn), $band, $x);
        }

        return $sheets;
    }

    /**
     * mm that are used on all sheets together: of all but the last the whole, for those are full.
     *
     * @param  list<Laid>  $lying
     */
    private function length(array $lying): float
    {
        $ends = [];
        foreach ($lying as [$design, $number, $turn, , $x]) {
            $ends[$number] = max($ends[$number] ?? 0.0, $x + $this->part($design, $turn)->width);
        }
        foreach ($this->kept as $one) {
            $ends[$one->sheet] = max($ends[$one->sheet] ?? 0.0, $one->x - $this->room->margin + $this->part($one->design, $one->turn)->width);
        }
        $last = $ends === [] ? 0 : max(array_keys($ends));

        return ($ends[$last] ?? 0.0) + (is_finite($this->room->length) ? $last * $this->room->length : 0.0);
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
            $reach[$i] = $number * 1e7 + $x + $this->part($design, $turn)->width;
        }
        arsort($reach);
        $up = array_slice(array_keys($reach), 0, 1 + $this->random(min($n, 6)));
        for ($k = 2 + $this->random(max(1, intdiv($n, 4))); $k > 0; $k--) {
            $up[] = $this->random($n);
        }
        $up = array_values(array_unique($up));
        // The bulky mostly first, yet not always.
        $bulk = array_map(fn (int $i): float => $this->part($lying[$i][0], 0.0)->width * $this->part($lying[$i][0], 0.0)->height * (0.4 + $this->random(1000) / 800), $up);
        array_multisort($bulk, SORT_DESC, $up);
        $order = array_map(fn (int $i): array => [$lying[$i][0], $this->drawn($lying[$i][2])], $up);
        try {
            return $this->laid(array_values(array_diff_key($lying, array_flip($up))), $order);
        } catch (EditRefused) {
            return null;
        }
    }

    /** @param  array{int, int, float, int, float}  $one */
    private function placement(array $one): Placement
    {
        [$design, $number, $turn, $band, $x] = $one;
        $edge = $this->room->margin;

        return new Placement($design, $number, $edge + $x, $edge + $band * $this->high, $turn);
    }

    /**
     * @param  list<float>  $turns
     * @return array{float, int, float}|null turn, band and mm from the left at which it needs least length, the lowest of those
     */
    private function place(int $design, array $turns, Occupied $sheet, float $most): ?array
    {
        $best = null;
        // What fits to the exactness of outlines fits.
        $most += self::EXACT;
        $least = $most;
        foreach ($turns as $turn) {
            $part = $this->part($design, $turn);
            for ($band = 0, $last = (int) floor(($this->across() - $part->height) / $this->high + 1e-9); $band <= $last; $band++) {
                $x = $sheet->leftmost($part, $band, min($most - $part->width, $least - $this->lean * $part->width));
                if ($x !== null && $x + $this->lean * $part->width < $least - 1e-6) {
                    $least = $x + $this->lean * $part->width;
                    $best = [$turn, $band, $x];
                }
            }
        }

        return $best;
    }

    /** A design with half the gap round it. */
    private function part(int $design, float $turn): Bands
    {
        return $this->bands[$design][(string) $turn] ??= Bands::of(
            $this->room->gap > 0 ? Offset::outset($this->outlines[$design], $this->room->gap / 2) : $this->outlines[$design], $turn, $this->high,
        );
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
        $all = $this->room->turns;
        if (count($all) <= self::TURNS) {
            return $all;
        }
        $out = [$turn];
        while (count($out) < self::TURNS) {
            $out[] = $all[$this->random(count($all))];
        }

        return array_values(array_unique($out));
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
