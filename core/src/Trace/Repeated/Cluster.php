<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use NeatEdge\Core\Trace\Curves;

/** Borders that hang together: what they were drawn as comes again as a whole or not at all. */
final readonly class Cluster
{
    /**
     * @param  non-empty-list<int>  $chains
     * @param  list<int>  $meeting  nodes at which they meet
     * @param  float  $x  the middle of all that is drawn, dots
     * @param  float  $long  dots of all of it
     * @param  array{float, float, float, float}  $box  left, top, right and bottom
     * @param  float  $slant  degrees of the axis about which it is the longest
     * @param  bool  $named  whether it is nothing but a shape with a name
     */
    private function __construct(
        public array $chains,
        public array $meeting,
        public float $x,
        public float $y,
        public float $long,
        public array $box,
        public float $slant,
        public bool $named,
    ) {
    }

    /** @return list<self> all that is drawn but the frame of the picture, and what was drawn after others or others after it */
    public static function free(Curves $curves): array
    {
        $parent = [];
        $framed = [];
        $settled = $curves->settled();
        foreach ($curves->chains as $chain => $segments) {
            foreach ($segments as [$from, $to]) {
                $parent[self::root($parent, $from)] = self::root($parent, $to);
            }
        }
        foreach ($curves->chains as $chain => $segments) {
            if ($segments !== [] && ! isset($curves->models[$chain]) && isset($curves->kept[$segments[0][0]], $curves->kept[$segments[0][1]])) {
                $framed[self::root($parent, $segments[0][0])] = true;
            }
        }
        $groups = [];
        foreach ($curves->chains as $chain => $segments) {
            if ($segments !== [] && ! isset($settled[$chain]) && ! isset($framed[self::root($parent, $segments[0][0])])) {
                $groups[self::root($parent, $segments[0][0])][] = $chain;
            }
        }

        return array_values(array_map(static fn (array $chains): self => self::from($curves, $chains), $groups));
    }

    /** @param  array<int, int>  $parent */
    private static function root(array $parent, int $node): int
    {
        while (($parent[$node] ?? $node) !== $node) {
            $node = $parent[$node];
        }

        return $node;
    }

    /** @param  non-empty-list<int>  $chains */
    private static function from(Curves $curves, array $chains): self
    {
        $meeting = [];
        [$sx, $sy, $sxx, $sxy, $syy, $long] = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
        $box = [INF, INF, -INF, -INF];
        foreach ($chains as $chain) {
            [$first, $last] = $curves->ends($chain);
            if ($first !== $last || count($chains) > 1) {
                $meeting[$first] = $meeting[$last] = true;
            }
            $before = null;
            foreach (Lying::places($curves->segments($chain)) as [$x, $y]) {
                $box = [min($box[0], $x), min($box[1], $y), max($box[2], $x), max($box[3], $y)];
                if ($before !== null) {
                    $w = hypot($x - $before[0], $y - $before[1]);
                    [$mx, $my] = [($x + $before[0]) / 2, ($y + $before[1]) / 2];
                    $long += $w;
                    $sx += $w * $mx;
                    $sy += $w * $my;
                    $sxx += $w * $mx * $mx;
                    $sxy += $w * $mx * $my;
                    $syy += $w * $my * $my;
                }
                $before = [$x, $y];
            }
        }
        $long = max($long, 1e-9);
        [$x, $y] = [$sx / $long, $sy / $long];
        $slant = rad2deg(0.5 * atan2(2 * ($sxy / $long - $x * $y), $sxx / $long - $x * $x - ($syy / $long - $y * $y)));
        $named = count($chains) === 1 && isset($curves->models[$chains[0]]);

        return new self($chains, array_keys($meeting), $x, $y, $long, $box, $slant, $named);
    }

    /** Whether another may be it, moved: as long, within what chance makes of it. */
    public function isLike(self $other, float $within): bool
    {
        return count($this->chains) === count($other->chains) && $this->named === $other->named
            && abs($this->long - $other->long) <= max(4 * $within, 0.01 * $this->long);
    }
}
