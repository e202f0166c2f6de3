<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Nest;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Stroke\Offset;

/**
 * Sheets of one room in bands of one height, on which copies of designs are laid: each where least length is used.
 *
 * @source bottom-left placing over all bands, J. Błażewicz, P. Hawryluk, R. Walkowiak, 1993
 *
 * What lies there: design, sheet, turn, band, mm from the left.
 *
 * @phpstan-type Laid array{int, int, float, int, float}
 */
final class Beds
{
    /** Bands across a sheet, about. */
    private const BANDS = 260;

    /** mm of a band at least. */
    private const LEAST_BAND = 0.5;

    /** mm to which the outline round a design is made. */
    private const OFF = 0.0003;

    /** mm to which an offset outline is known. */
    private const EXACT = 0.005;

    /** @var array<int, array<int|string, Bands>> by design and turn */
    private array $bands = [];

    /** @var array<int, Shape> designs with half the gap round them */
    private array $grown = [];

    /** How much of a copy's own width counts where places are compared: at 1 its right end decides, at 0 its left. */
    public float $lean = 1.0;

    /** mm of a band. */
    public readonly float $high;

    /**
     * @param  list<Shape>  $outlines  of designs, welded, as they were drawn
     * @param  list<Placement>  $kept  laid by hand
     * @param  float  $finer  bands are so many times finer than usual
     */
    public function __construct(private readonly array $outlines, public readonly Room $room, private readonly array $kept, private readonly float $finer = 1.0)
    {
        $this->high = max(self::LEAST_BAND, $this->across() / self::BANDS) / $finer;
    }

    /** The same room in finer bands. */
    public function finer(float $times): self
    {
        $finer = new self($this->outlines, $this->room, $this->kept, $this->finer * $times);
        $finer->grown = $this->grown;

        return $finer;
    }

    /**
     * @param  list<Laid>  $lying  what stays where it is
     * @param  list<array{int, list<float>}>  $order  designs that are laid then, and the turns that are tried for each
     * @return list<Laid>
     *
     * @throws Refused when one is larger than a sheet
     */
    public function laid(array $lying, array $order): array
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
                    throw Refused::because(sprintf(
                        'A piece of %.1f × %.1f mm does not fit %s.',
                        $this->outlines[$design]->box()?->width() ?? 0.0,
                        $this->outlines[$design]->box()?->height() ?? 0.0,
                        is_infinite($this->room->length) ? sprintf('a roll of %.0f mm', $this->room->width) : sprintf(
                            'a sheet of %.0f × %.0f mm',
                            $this->room->length,
                            $this->room->width,
                        ),
                    ));
                }
            }
        }

        return $lying;
    }

    /**
     * @param  list<Laid>  $lying  in the order in which they move
     * @param  int  $by  bands up or down at most
     * @return list<Laid>|null null where one has no place
     */
    public function moved(array $lying, int $by): ?array
    {
        $sheets = $this->sheets([]);
        $most = $this->room->length - 2 * $this->room->margin + $this->room->gap + self::EXACT;
        foreach ($lying as $i => [$design, $number, $turn, $at]) {
            while (count($sheets) <= $number) {
                $sheets[] = $this->bare();
            }
            $part = $this->part($design, $turn);
            $last = (int) floor(($this->across() - $part->height) / $this->high + 1e-9);
            [$band, $least] = [-1, $most - $part->width];
            for ($k = max(0, $at - $by); $k <= min($last, $at + $by); $k++) {
                $x = $sheets[$number]->leftmost($part, $k, $least);
                if ($x !== null && ($band < 0 || $x < $least - 1e-6 || ($x <= $least + 1e-6 && abs($k - $at) < abs($band - $at)))) {
                    [$band, $least] = [$k, $x];
                }
            }
            if ($band < 0) {
                return null;
            }
            $sheets[$number]->put($part, $band, $least);
            $lying[$i] = [$design, $number, $turn, $band, $least];
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
    public function length(array $lying): float
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
     * What the search lessens, mm: the length, and how far to the right everything lies in the middle, so that a step counts before the last copy has moved.
     *
     * @param  list<Laid>  $lying
     */
    public function cost(array $lying): float
    {
        $sum = $all = 0.0;
        foreach ($lying as [$design, $number, $turn, , $x]) {
            $part = $this->part($design, $turn);
            $bulk = $part->width * $part->height;
            $sum += $bulk * ($x + $part->width + $number * (is_finite($this->room->length) ? $this->room->length : 0.0));
            $all += $bulk;
        }

        return $this->length($lying) + ($all > 0 ? $sum / $all : 0.0);
    }

    /** @param  array{int, int, float, int, float}  $one */
    public function placement(array $one): Placement
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
    public function part(int $design, float $turn): Bands
    {
        return $this->bands[$design][(string) $turn] ??= Bands::of($this->grown[$design] ??= $this->grown($this->outlines[$design]), $turn, $this->high);
    }

    /** A design with half the gap round it, and what an offset may be off, so that the whole gap is between two of them. */
    private function grown(Shape $outline): Shape
    {
        $usual = Tolerance::forExtent(max($outline->box()?->width() ?? 1.0, $outline->box()?->height() ?? 1.0));

        return $this->room->gap > 0 ? Offset::outset(
            $outline,
            $this->room->gap / 2 + self::OFF,
            'round',
            new Tolerance(min($usual->flatness, self::OFF), $usual->weld, self::OFF),
        ) : $outline;
    }
}
