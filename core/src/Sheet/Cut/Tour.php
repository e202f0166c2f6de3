<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Patience\Patience;

/**
 * A short way through many places, from a given one to wherever it ends.
 *
 * @source G. Croes, 1958 (2-opt); I. Or, 1976 (or-opt); O. Martin, S. Otto, E. Felten, 1991 (kicks that are kept when they pay)
 */
final class Tour
{
    private const NEIGHBOURS = 8;

    /** Kicks a place, and at most. */
    private const KICKS = 2;

    private const MOST_KICKS = 800;

    /** Places beyond which kicks cost more time than they save at the machine. */
    private const MANY = 1500;

    /** @var array<int, int> places in their order; without gaps, as all of these lists */
    private array $tour = [];

    /** @var array<int, int> where each place stands in the tour */
    private array $at = [];

    /** @var list<list<int>> */
    private array $near = [];

    /**
     * @param  non-empty-list<float>  $x  of the places; the first is where the way begins
     * @param  non-empty-list<float>  $y
     */
    private function __construct(private readonly array $x, private readonly array $y)
    {
    }

    /**
     * @param  list<array{float, float}>  $places
     * @param  array{float, float}  $from
     * @param  float  $effort  1 as usual; 0 leaves the nearest neighbours as they come
     * @return list<int> numbers of the places in order
     */
    public static function through(array $places, array $from = [0.0, 0.0], float $effort = 1.0): array
    {
        $n = count($places);
        if ($n < 2) {
            return array_keys($places);
        }
        $self = new self([$from[0], ...array_column($places, 0)], [$from[1], ...array_column($places, 1)]);
        $self->nearestFirst();
        if ($effort > 0 && $n > 2) {
            $self->neighbours();
            $self->improve(range(0, $n));
            $self->kick($n > self::MANY && $effort <= 1.0 ? 0 : (int) ($effort * min(self::MOST_KICKS, self::KICKS * $n)));
        }

        return array_values(array_map(static fn (int $i): int => $i - 1, array_slice($self->tour, 1)));
    }

    private function distance(int $a, int $b): float
    {
        $dx = $this->x[$a] - $this->x[$b];
        $dy = $this->y[$a] - $this->y[$b];

        return sqrt($dx * $dx + $dy * $dy);
    }

    private function nearestFirst(): void
    {
        $x = $this->x;
        $y = $this->y;
        $left = array_combine(array_keys($x), array_keys($x));
        unset($left[0]);
        $this->tour = [0];
        $here = 0;
        while ($left !== []) {
            Patience::ask(count($left));
            $best = INF;
            $next = 0;
            $hx = $x[$here];
            $hy = $y[$here];
            foreach ($left as $i) {
                $dx = $x[$i] - $hx;
                $dy = $y[$i] - $hy;
                $d = $dx * $dx + $dy * $dy;
                if ($d < $best) {
                    $best = $d;
                    $next = $i;
                }
            }
            $this->tour[] = $here = $next;
            unset($left[$next]);
        }
        $this->at = array_flip($this->tour);
    }

    /** The nearest places of each, by a grid of cells. */
    private function neighbours(): void
    {
        $n = count($this->x);
        $left = min($this->x);
        $top = min($this->y);
        $cell = max(1e-9, sqrt(max(1e-9, (max($this->x) - $left) * (max($this->y) - $top)) * 3 / $n));
        $cells = [];
        for ($i = 0; $i < $n; $i++) {
            $cells[(int) (($this->x[$i] - $left) / $cell)][(int) (($this->y[$i] - $top) / $cell)][] = $i;
        }
        $wanted = min(self::NEIGHBOURS, $n - 1);
        for ($i = 0; $i < $n; $i++) {
            $cx = (int) (($this->x[$i] - $left) / $cell);
            $cy = (int) (($this->y[$i] - $top) / $cell);
            for ($reach = 1; ; $reach *= 2) {
                $found = [];
                for ($u = $cx - $reach; $u <= $cx + $reach; $u++) {
                    for ($v = $cy - $reach; $v <= $cy + $reach; $v++) {
                        foreach ($cells[$u][$v] ?? [] as $k) {
                            if ($k !== $i) {
                                $found[$k] = $this->distance($i, $k);
                            }
                        }
                    }
                }
                if (count($found) >= $wanted || $reach > $n) {
                    break;
                }
            }
            asort($found);
            $this->near[$i] = array_slice(array_keys($found), 0, self::NEIGHBOURS);
        }
    }

    /**
     * Better ways around some places, until there is none.
     *
     * @param  list<int>  $places
     * @return float mm gained
     */
    private function improve(array $places): float
    {
        $gained = 0.0;
        $waiting = array_fill_keys($places, true);
        while ($waiting !== []) {
            Patience::ask(8);
            $a = array_key_first($waiting);
            unset($waiting[$a]);
            for ($again = true; $again;) {
                $again = false;
                foreach ([$this->turnRound($a), $this->moveAlong($a)] as [$gain, $touched]) {
                    if ($gain > 0) {
                        $gained += $gain;
                        $again = true;
                        foreach ($touched as $i) {
                            $waiting[$i] = true;
                        }
                    }
                }
            }
        }

        return $gained;
    }

    /**
     * 2-opt at one place: the stretch between it and a near one is run the other way round.
     *
     * @return array{float, list<int>} what it gained, and the places around which the way has changed
     */
    private function turnRound(int $a): array
    {
        $n = count($this->tour);
        $i = $this->at[$a];
        $next = $this->tour[$i + 1] ?? null;
        foreach ($this->near[$a] as $c) {
            $d = $this->distance($a, $c);
            $k = $this->at[$c];
            // Edges a-next and c-next(c) become a-c and next-next(c); the way may end free.
            if ($next !== null && $k > $i + 1 && $d < $this->distance($a, $next)) {
                $after = $this->tour[$k + 1] ?? null;
                $gain = $this->distance($a, $next) - $d + ($after === null ? 0.0 : $this->distance($c, $after) - $this->distance($next, $after));
                if ($gain > 1e-9) {
                    $this->reverse($i + 1, $k);

                    return [$gain, $after === null ? [$a, $next, $c] : [$a, $next, $c, $after]];
                }
            }
            // Edges before(c)-c ... a-next: turn c..a so that before(c)-a and c-next.
            if ($k < $i && $k > 0 && ($next === null || $d < INF)) {
                $before = $this->tour[$k - 1] ?? $a;
                $gain = $this->distance($before, $c) - $this->distance($before, $a)
                    + ($next === null ? 0.0 : $this->distance($a, $next) - $this->distance($c, $next));
                if ($gain > 1e-9 && $i < $n) {
                    $this->reverse($k, $i);

                    return [$gain, $next === null ? [$a, $before, $c] : [$a, $before, $c, $next]];
                }
            }
        }

        return [0.0, []];
    }

    /**
     * Or-opt at one place: it and up to two after it go between a near one and its neighbour.
     *
     * @return array{float, list<int>}
     */
    private function moveAlong(int $a): array
    {
        $i = $this->at[$a];
        if ($i === 0) {
            return [0.0, []];
        }
        $n = count($this->tour);
        $before = $this->tour[$i - 1] ?? $a;
        for ($length = 1; $length <= 3 && $i + $length <= $n; $length++) {
            $end = $this->tour[$i + $length - 1];
            $after = $this->tour[$i + $length] ?? null;
            $freed = $this->distance($before, $a) + ($after === null ? 0.0 : $this->distance($end, $after) - $this->distance($before, $after));
            if ($freed < 1e-9) {
                continue;
            }
            foreach ([$a, $end] as $joins => $near) {
                foreach ($this->near[$near] as $c) {
                    $k = $this->at[$c];
                    if ($this->distance($near, $c) >= $freed || ($k >= $i - 1 && $k < $i + $length)) {
                        continue;
                    }
                    $follows = $this->tour[$k + 1] ?? null;
                    // Behind c: c-near ... far-follows.
                    $far = $joins === 0 ? $end : $a;
                    $cost = $this->distance($c, $near) + ($follows === null ? 0.0 : $this->distance($far, $follows) - $this->distance($c, $follows));
                    if ($freed - $cost > 1e-9) {
                        $this->move($i, $length, $k, $joins === 1);

                        return [$freed - $cost, array_values(array_filter([$before, $after, $a, $end, $c, $follows], is_int(...)))];
                    }
                }
                if ($length === 1) {
                    break;
                }
            }
        }

        return [0.0, []];
    }

    private function reverse(int $from, int $to): void
    {
        for (; $from < $to; $from++, $to--) {
            [$a, $b] = [$this->tour[$from], $this->tour[$to]];
            $this->tour[$from] = $b;
            $this->tour[$to] = $a;
            $this->at[$b] = $from;
            $this->at[$a] = $to;
        }
    }

    /** Takes a stretch out and puts it behind a place, turned round or not. */
    private function move(int $from, int $length, int $behind, bool $turned): void
    {
        $part = array_slice($this->tour, $from, $length);
        $part = $turned ? array_reverse($part) : $part;
        array_splice($this->tour, $from, $length);
        array_splice($this->tour, ($behind > $from ? $behind - $length : $behind) + 1, 0, $part);
        for ($i = min($from, $behind), $n = min(count($this->tour), max($from, $behind) + $length + 1); $i < $n; $i++) {
            $this->at[$this->tour[$i]] = $i;
        }
    }

    /** Two stretches near each other change places, the way around is improved again, and what is no shorter is taken back. */
    private function kick(int $times): void
    {
        $n = count($this->tour);
        if ($n < 8) {
            return;
        }
        $seed = 12345;
        for ($k = 0; $k < $times; $k++) {
            $seed = ($seed * 1103515245 + 12345) & 0x7FFFFFFF;
            $span = min(50, intdiv($n - 2, 2));
            $from = 1 + $seed % max(1, $n - $span - 1);
            $cuts = [];
            for ($c = 0; $c < 3; $c++) {
                $seed = ($seed * 1103515245 + 12345) & 0x7FFFFFFF;
                $cuts[] = $from + ($seed >> 8) % $span;
            }
            sort($cuts);
            [$p, $q, $r] = $cuts;
            if ($p === $q || $q === $r) {
                continue;
            }
            [$tour, $at] = [$this->tour, $this->at];
            $old = $this->stretch($p - 1, $r);
            $part = [...array_slice($this->tour, $q, $r - $q), ...array_slice($this->tour, $p, $q - $p)];
            foreach ($part as $i => $place) {
                Patience::ask(2);
                $this->tour[$p + $i] = $place;
                $this->at[$place] = $p + $i;
            }
            $lost = $this->stretch($p - 1, $r) - $old;
            $ends = array_values(array_unique([
                $this->tour[$p - 1],
                $this->tour[$p],
                $this->tour[$p + $r - $q - 1],
                $this->tour[$p + $r - $q],
                $this->tour[$r - 1],
                $this->tour[$r] ?? $this->tour[$r - 1],
            ]));
            if ($this->improve($ends) <= $lost + 1e-9) {
                [$this->tour, $this->at] = [$tour, $at];
            }
        }
    }

    private function stretch(int $from, int $to): float
    {
        $sum = 0.0;
        for ($i = $from; $i < $to && $i + 1 < count($this->tour); $i++) {
            $sum += $this->distance($this->tour[$i], $this->tour[$i + 1]);
        }

        return $sum;
    }
}
