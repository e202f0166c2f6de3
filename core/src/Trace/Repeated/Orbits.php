<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Trace\Curves;

/**
 * A cluster that comes to lie on itself when it is moved, and is where it was after so many moves: its borders go round in orbits, of which one is drawn
 * and the others are its images. What lies on itself sooner is drawn in part, see Tiles.
 */
final readonly class Orbits
{
    /** @param  int  $order  moves after which everything is where it was */
    public function __construct(private Curves $curves, private Images $images, private Matrix $matrix, private int $order, private float $within)
    {
    }

    /** @return bool whether it could be drawn so; nothing is changed where not */
    public function draw(): bool
    {
        $drawn = [];
        $done = [];
        foreach (array_keys($this->images->chains) as $chain) {
            if (isset($done[$chain])) {
                continue;
            }
            $orbit = $this->orbit($chain);
            foreach ($orbit as [$one]) {
                $done[$one] = true;
            }
            if ($orbit === [] || $this->order % count($orbit) !== 0) {
                return false;
            }
            $drawn[] = $orbit;
        }
        $before = $this->curves->nodes;
        $this->meetings();
        $tiles = [];
        foreach ($drawn as $orbit) {
            [$first] = $orbit[0];
            if (count($orbit) < $this->order && ! isset($this->curves->models[$first])) {
                $power = self::power($this->matrix, count($orbit));
                $segments = Tiles::of($this->curves, $first, $power, intdiv($this->order, count($orbit)), $this->within);
                if ($segments === null || $segments === []) {
                    $this->curves->nodes = $before;

                    return false;
                }
                $tiles[$first] = $segments;
            }
        }
        foreach ($drawn as $orbit) {
            [$first] = $orbit[0];
            if (isset($tiles[$first])) {
                $this->curves->redraw($first, $tiles[$first]);
            }
            $this->centred($orbit);
            foreach ($orbit as $k => [$other, $same]) {
                if ($k > 0) {
                    Moved::onto($this->curves, $first, $other, self::power($this->matrix, $k), $same);
                }
            }
        }

        return true;
    }

    /** @return list<array{int, bool}> a chain and where it comes to lie, move by move, and whether each runs as the first does; none when it never returns */
    private function orbit(int $chain): array
    {
        $orbit = [];
        [$at, $same] = [$chain, true];
        do {
            $orbit[] = [$at, $same];
            [$next, $alike] = $this->images->chains[$at];
            [$at, $same] = [$next, $same === $alike];
        } while ($at !== $chain && count($orbit) < $this->order);

        return $at === $chain ? $orbit : [];
    }

    /** Where borders meet, the mean of all that come to lie there. */
    private function meetings(): void
    {
        $done = [];
        foreach (array_keys($this->images->nodes) as $node) {
            if (isset($done[$node])) {
                continue;
            }
            [$x, $y] = [0.0, 0.0];
            $orbit = [];
            $at = $node;
            for ($k = 0; $k < $this->order; $k++) {
                $back = self::power($this->matrix, $k)->inverse()->apply(...$this->curves->nodes[$at]);
                $x += $back->x / $this->order;
                $y += $back->y / $this->order;
                $orbit[$k] = $at;
                $at = $this->images->nodes[$at];
            }
            foreach ($orbit as $k => $one) {
                $place = self::power($this->matrix, $k)->apply($x, $y);
                $this->curves->nodes[$one] = [$place->x, $place->y];
                $done[$one] = true;
            }
        }
    }

    /**
     * A shape with a name that lies on itself lies about the middle of the moves, or on their axis.
     *
     * @param  list<array{int, bool}>  $orbit
     */
    private function centred(array $orbit): void
    {
        $model = $this->curves->models[$orbit[0][0]] ?? null;
        if ($model === null) {
            return;
        }
        [$x, $y] = [0.0, 0.0];
        for ($k = 0; $k < $this->order; $k++) {
            $one = $this->curves->models[$orbit[$k % count($orbit)][0]] ?? $model;
            $back = self::power($this->matrix, $k)->inverse()->apply($one->x, $one->y);
            $x += $back->x / $this->order;
            $y += $back->y / $this->order;
        }
        $this->curves->models[$orbit[0][0]] = $model->with(x: $x, y: $y);
    }

    private static function power(Matrix $matrix, int $times): Matrix
    {
        $power = Matrix::identity();
        for ($i = 0; $i < $times; $i++) {
            $power = $matrix->after($power);
        }

        return $power;
    }
}
