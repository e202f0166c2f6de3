<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Trace\Curves;

/** Where borders lie: how far any place is from the nearest of them. */
final class Lying
{
    /** Dots from one place that is looked at to the next, at most. */
    private const STEP = 1.0;

    /** Dots of a cell in which places are sought. */
    private const CELL = 4.0;

    /** @var array<int, list<array{float, float}>> places of each chain, one after the other */
    public array $places = [];

    /** @var array<int, array<int, list<array{int, int}>>> by cell: a chain and the place of it at which a short piece begins */
    private array $cells = [];

    /** @param  array<int, list<list<float>>>  $borders  segments of each, see Cubic */
    public function __construct(array $borders)
    {
        foreach ($borders as $chain => $segments) {
            $this->places[$chain] = self::places($segments);
            $last = count($this->places[$chain]) - 1;
            for ($i = 0; $i < $last; $i++) {
                [$x, $y] = $this->places[$chain][$i];
                $this->cells[(int) floor($x / self::CELL)][(int) floor($y / self::CELL)][] = [$chain, $i];
            }
        }
    }

    /** @param  list<Cluster>  $clusters */
    public static function of(Curves $curves, array $clusters): self
    {
        $borders = [];
        foreach ($clusters as $cluster) {
            foreach ($cluster->chains as $chain) {
                $borders[$chain] = $curves->segments($chain);
            }
        }

        return new self($borders);
    }

    /**
     * @param  list<list<float>>  $segments  see Cubic
     * @return list<array{float, float}> from the first end to the last, evenly within each
     */
    public static function places(array $segments): array
    {
        $places = [];
        foreach ($segments as $k => $s) {
            $hull = hypot($s[2] - $s[0], $s[3] - $s[1]) + hypot($s[4] - $s[2], $s[5] - $s[3]) + hypot($s[6] - $s[4], $s[7] - $s[5]);
            $steps = max(1, (int) ceil($hull / self::STEP));
            for ($i = $k === 0 ? 0 : 1; $i <= $steps; $i++) {
                $places[] = Cubic::placeOn($s, $i / $steps);
            }
        }

        return $places;
    }

    /** @return array{float, int} dots from it, and the chain that is nearest; INF and -1 where none is near */
    public function near(float $x, float $y): array
    {
        [$cx, $cy] = [(int) floor($x / self::CELL), (int) floor($y / self::CELL)];
        [$least, $nearest] = [INF, -1];
        for ($u = $cx - 1; $u <= $cx + 1; $u++) {
            for ($v = $cy - 1; $v <= $cy + 1; $v++) {
                foreach ($this->cells[$u][$v] ?? [] as [$chain, $i]) {
                    [$ax, $ay] = $this->places[$chain][$i];
                    [$bx, $by] = $this->places[$chain][$i + 1];
                    [$dx, $dy] = [$bx - $ax, $by - $ay];
                    $long = $dx * $dx + $dy * $dy;
                    $t = $long > 0 ? max(0.0, min(1.0, (($x - $ax) * $dx + ($y - $ay) * $dy) / $long)) : 0.0;
                    $far = ($x - $ax - $t * $dx) ** 2 + ($y - $ay - $t * $dy) ** 2;
                    if ($far < $least) {
                        [$least, $nearest] = [$far, $chain];
                    }
                }
            }
        }

        return [sqrt($least), $nearest];
    }
}
