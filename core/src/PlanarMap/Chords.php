<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Patience\Patience;

/**
 * Straight edges on the integer grid, each with where it came from and how the winding changes across it.
 *
 * An edge runs from its lower vertex key to its higher. Its deltas say, by owner, how much greater the winding number
 * is on its left than on its right. Equal edges are one edge with the deltas added up.
 */
final class Chords
{
    /** In place of a delta: see the list of deltas. No winding number comes near it. */
    public const SEVERAL = PHP_INT_MAX;

    /** @var list<int> grid x of each vertex */
    public array $x = [];

    /** @var list<int> grid y of each vertex */
    public array $y = [];

    /**
     * @var array<int, int> vertex by x << 31 | y, with x and the high bits of y mixed into the low bits (see slot): PHP's hash
     *                      of an integer is its low bits, and art on a regular pattern would fall into a few long chains
     */
    public array $vertex = [];

    /** @var list<int> first vertex of each edge */
    public array $a = [];

    /** @var list<int> second vertex of each edge */
    public array $b = [];

    /** @var list<int> contour that the edge is a chord of: the first, where several coincide */
    public array $contour = [];

    /** @var list<float> g at the first vertex */
    public array $ga = [];

    /** @var list<float> g at the second vertex */
    public array $gb = [];

    /** @var list<int> delta of the owner of the edge's contour, or SEVERAL */
    public array $delta = [];

    /** @var array<int, array<int, int>> edge => owner => delta, where there are several owners */
    public array $deltas = [];

    /** @var array<int, int> edge by its vertices, while edges are merged */
    private array $index = [];

    /** Whether there may be edges over which no winding changes. */
    private bool $isDead = false;

    /** @param  list<int>  $owner  by contour */
    public function __construct(public readonly array $owner)
    {
    }

    public function vertexAt(int $x, int $y): int
    {
        $slot = ($x << 31 | $y) ^ ($y >> 19 ^ ($x >> 16) * 40503 ^ $x * 31) & 0x7FFFFFFF;
        $v = $this->vertex[$slot] ?? null;
        if ($v === null) {
            $v = count($this->x);
            $this->vertex[$slot] = $v;
            $this->x[] = $x;
            $this->y[] = $y;
        }

        return $v;
    }

    /** Once more along chords that are there already. */
    public function addAlong(int $begin, int $end, int $contour, int $sign, int $from): void
    {
        $owner = $this->owner[$contour];
        for ($e = $begin; $e < $end; $e++) {
            $along = $this->a[$e] === $from;
            $from = $along ? $this->b[$e] : $this->a[$e];
            $d = $along ? $sign : -$sign;
            $first = $this->owner[$this->contour[$e]];
            if ($this->delta[$e] === self::SEVERAL) {
                $this->deltas[$e][$owner] = ($this->deltas[$e][$owner] ?? 0) + $d;
            } elseif ($first === $owner) {
                $this->delta[$e] += $d;
            } else {
                $this->deltas[$e] = [$first => $this->delta[$e], $owner => $d];
                $this->delta[$e] = self::SEVERAL;
            }
        }
    }

    /** A chord, with the greater winding on its left where it runs from the lower vertex key to the higher. */
    public function add(int $from, int $to, float $g0, float $g1, int $contour, int $delta): void
    {
        if ($this->x[$from] < $this->x[$to] || ($this->x[$from] === $this->x[$to] && $this->y[$from] < $this->y[$to])) {
            $this->a[] = $from;
            $this->b[] = $to;
            $this->ga[] = $g0;
            $this->gb[] = $g1;
            $this->delta[] = $delta;
        } else {
            $this->a[] = $to;
            $this->b[] = $from;
            $this->ga[] = $g1;
            $this->gb[] = $g0;
            $this->delta[] = -$delta;
        }
        $this->contour[] = $contour;
    }

    /** A part of an edge, beside it. @return int its number */
    public function addPart(int $e, int $from, int $to, float $g0, float $g1): int
    {
        $delta = $this->delta[$e];

        return $this->addWith($from, $to, $g0, $g1, $this->contour[$e], $delta, $delta === self::SEVERAL ? $this->deltas[$e] : []);
    }

    /**
     * A chord whose windings may be those of several owners.
     *
     * @param  array<int, int>  $deltas  by owner, where the delta says that there are several
     * @return int its number
     */
    private function addWith(int $from, int $to, float $g0, float $g1, int $contour, int $delta, array $deltas): int
    {
        $edge = count($this->a);
        $this->add($from, $to, $g0, $g1, $contour, $delta);
        if ($delta === self::SEVERAL) {
            $this->delta[$edge] = $delta;
            $this->deltas[$edge] = $this->a[$edge] === $from ? $deltas : array_map(static fn (int $d): int => -$d, $deltas);
        }

        return $edge;
    }

    /**
     * These edges cut at the given vertices, equal ones merged, those that no longer change any winding left out.
     *
     * @param  array<int, list<int>>  $cuts  vertex keys (x << 31 | y) on each edge, in any order, possibly repeated; an
     *                                       edge that equals another holds its own ends
     */
    public function cutAt(array $cuts): self
    {
        $self = new self($this->owner);
        [$self->x, $self->y, $self->vertex] = [$this->x, $this->y, $this->vertex];
        $this->vertex = [];
        // Equal edges can only be where cuts are: an edge is sought among the others only if both its ends are hot.
        $hot = $self->x === [] ? [] : array_fill(0, count($self->x), false);
        foreach ($cuts as $e => $keys) {
            Patience::ask();
            $places = [];
            foreach ($keys as $key) {
                $v = $self->vertexAt($key >> 31, $key & 0x7FFFFFFF);
                $hot[$v] = true;
                $places[] = $v;
            }
            $cuts[$e] = $places;
            $hot[$this->a[$e]] = $hot[$this->b[$e]] = true;
        }
        $self->vertex = [];
        [$b, $contour, $ga, $gb, $delta, $several] = [$this->b, $this->contour, $this->ga, $this->gb, $this->delta, $this->deltas];
        foreach ($this->a as $e => $from) {
            ($e & 127) === 0 && Patience::ask(128);
            $d = $delta[$e];
            if ($d === 0) {
                continue;
            }
            $end = $b[$e];
            if (isset($cuts[$e]) || ($hot[$from] && $hot[$end])) {
                $g0 = $ga[$e];
                foreach (isset($cuts[$e]) ? $self->along($cuts[$e], $from, $end, $g0, $gb[$e]) : [$end => $gb[$e]] as $to => $g) {
                    $self->merge($from, $to, $g0, $g, $contour[$e], $d, $d === self::SEVERAL ? $several[$e] : []);
                    $from = $to;
                    $g0 = $g;
                }

                continue;
            }
            if ($d === self::SEVERAL) {
                $own = array_filter($several[$e]);
                if ($own === []) {
                    continue;
                }
                $self->deltas[count($self->a)] = $own;
            }
            $self->a[] = $from;
            $self->b[] = $end;
            $self->contour[] = $contour[$e];
            $self->ga[] = $ga[$e];
            $self->gb[] = $gb[$e];
            $self->delta[] = $d;
        }
        $self->index = [];
        if ($self->isDead) {
            $self->keep();
        }

        return $self;
    }

    /**
     * An edge that passes other vertices, cut at them.
     *
     * @param  list<int>  $cuts  vertices
     * @return array<int, float> g at each vertex after the first, in the order in which the edge passes them
     */
    private function along(array $cuts, int $from, int $end, float $g0, float $g1): array
    {
        $x = $this->x;
        $y = $this->y;
        $ax = $x[$from];
        $ay = $y[$from];
        $dx = $x[$end] - $ax;
        $dy = $y[$end] - $ay;
        $dots = [];
        foreach ($cuts as $v) {
            if ($v !== $from && $v !== $end) {
                $dots[$v] = ($x[$v] - $ax) * $dx + ($y[$v] - $ay) * $dy;
            }
        }
        if (count($dots) > 1) {
            asort($dots);
        }
        $square = $dx * $dx + $dy * $dy;
        $chain = [];
        foreach ($dots as $v => $dot) {
            $chain[$v] = $g0 + ($g1 - $g0) * ($dot <= 0 ? 0.0 : ($dot >= $square ? 1.0 : $dot / $square));
        }
        $chain[$end] = $g1;

        return $chain;
    }

    /**
     * An edge, or its windings added to those of the one that it equals.
     *
     * @param  array<int, int>  $deltas  by owner, where the delta says that there are several
     */
    private function merge(int $from, int $to, float $g0, float $g1, int $contour, int $delta, array $deltas): void
    {
        $sign = $this->x[$from] < $this->x[$to] || ($this->x[$from] === $this->x[$to] && $this->y[$from] < $this->y[$to]) ? 1 : -1;
        $key = $sign > 0 ? $from << 31 | $to : $to << 31 | $from;
        $same = $this->index[$key] ?? null;
        if ($same === null) {
            $this->index[$key] = $this->addWith($from, $to, $g0, $g1, $contour, $delta, $deltas);
            $this->isDead = $this->isDead || $delta === self::SEVERAL;

            return;
        }
        $first = $this->owner[$this->contour[$same]];
        $owner = $this->owner[$contour];
        if ($delta !== self::SEVERAL && $this->delta[$same] !== self::SEVERAL && $first === $owner) {
            $this->delta[$same] += $sign * $delta;
            $this->isDead = $this->isDead || $this->delta[$same] === 0;

            return;
        }
        $this->isDead = true;
        if ($this->delta[$same] !== self::SEVERAL) {
            $this->deltas[$same] = [$first => $this->delta[$same]];
            $this->delta[$same] = self::SEVERAL;
        }
        foreach ($delta !== self::SEVERAL ? [$owner => $delta] : $deltas as $k => $value) {
            $this->deltas[$same][$k] = ($this->deltas[$same][$k] ?? 0) + $sign * $value;
        }
    }

    /** Leaves out the edges over which no winding changes. */
    private function keep(): void
    {
        [$a, $b, $contour, $ga, $gb, $delta, $deltas] = [$this->a, $this->b, $this->contour, $this->ga, $this->gb, $this->delta, $this->deltas];
        $this->a = $this->b = $this->contour = $this->ga = $this->gb = $this->delta = $this->deltas = [];
        foreach ($a as $e => $from) {
            ($e & 127) === 0 && Patience::ask(128);
            $d = $delta[$e];
            if ($d === 0) {
                continue;
            }
            if ($d === self::SEVERAL) {
                $own = array_filter($deltas[$e]);
                if ($own === []) {
                    continue;
                }
                $this->deltas[count($this->a)] = $own;
            }
            $this->a[] = $from;
            $this->b[] = $b[$e];
            $this->contour[] = $contour[$e];
            $this->ga[] = $ga[$e];
            $this->gb[] = $gb[$e];
            $this->delta[] = $d;
        }
    }
}
