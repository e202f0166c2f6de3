<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Patience\Patience;

/**
 * The planar map of a picture's regions: every border once, and the rings that they make round each region.
 *
 * A ring is the numbers of its chains, and whether each is travelled as it is told.
 *
 * @phpstan-type Ring list<array{int, bool}>
 */
final class Borders
{
    private const DX = [1, 0, -1, 0];

    private const DY = [0, 1, 0, -1];

    /** @var list<Chain> */
    public array $chains = [];

    /** @var array<int, list<Ring>> the rings round each region, it on their left */
    public array $rings = [];

    /** @var list<int> regions with a margin of -1 around */
    private array $map;

    private readonly int $wide;

    /** @var array<int, true> edges of dots that have been walked: two to a corner, rightwards and downwards */
    private array $walked = [];

    private function __construct(private readonly Regions $regions, private readonly Diagonal $diagonal)
    {
        $this->wide = $regions->width + 2;
        $this->map = array_fill(0, $this->wide, -1);
        for ($y = 0; $y < $regions->height; $y++) {
            $this->map[] = -1;
            array_push($this->map, ...array_slice($regions->of, $y * $regions->width, $regions->width));
            $this->map[] = -1;
        }
        array_push($this->map, ...array_fill(0, $this->wide, -1));
    }

    public static function of(Regions $regions, Diagonal $diagonal): self
    {
        $borders = new self($regions, $diagonal);
        $borders->walk();
        $borders->link();
        // Dots are no longer asked for.
        $borders->map = [];
        $borders->walked = [];

        return $borders;
    }

    private function walk(): void
    {
        [$w, $h, $wide] = [$this->regions->width, $this->regions->height, $this->wide];
        // First from every place where three meet, then what is left: it is closed.
        foreach ([true, false] as $ends) {
            for ($y = 0; $y <= $h; $y++) {
                Patience::ask(16);
                for ($x = 0, $k = $y * $wide; $x <= $w; $x++, $k++) {
                    $nw = $this->map[$k];
                    $ne = $this->map[$k + 1];
                    $sw = $this->map[$k + $wide];
                    $se = $this->map[$k + $wide + 1];
                    if (($nw === $ne && $sw === $se && $nw === $sw) || ($ends && ! $this->meet($nw, $ne, $sw, $se, $x, $y))) {
                        continue;
                    }
                    foreach ([$ne !== $se, $sw !== $se, $nw !== $sw, $nw !== $ne] as $way => $edge) {
                        if ($edge && ! isset($this->walked[$this->edge($x, $y, $way)])) {
                            $this->chains[] = $this->chain($x, $y, $way, ! $ends);
                        }
                    }
                }
            }
        }
    }

    /** Whether more than one border passes a corner of dots, and they are no two that only touch. */
    private function meet(int $nw, int $ne, int $sw, int $se, int $x, int $y): bool
    {
        $edges = (int) ($nw !== $ne) + (int) ($ne !== $se) + (int) ($se !== $sw) + (int) ($sw !== $nw);

        return $edges === 3 || ($edges === 4 && $this->across($nw, $ne, $sw, $se, $x, $y) === 0);
    }

    private function across(int $nw, int $ne, int $sw, int $se, int $x, int $y): int
    {
        if ($nw < 0 || $ne < 0 || $sw < 0 || $se < 0) {
            return 0;
        }
        $label = $this->regions->label;

        return $this->diagonal->linked($label[$nw], $label[$ne], $label[$sw], $label[$se], ($y - 1) * $this->regions->width + $x - 1);
    }

    private function edge(int $x, int $y, int $way): int
    {
        if ($way === 2) {
            $x--;
        } elseif ($way === 3) {
            $y--;
        }

        return 2 * ($y * $this->wide + $x) + ($way & 1);
    }

    private function chain(int $x, int $y, int $way, bool $closed): Chain
    {
        [$startX, $startY, $first] = [$x, $y, $way];
        $steps = [];
        [$left, $right] = $this->sides($x, $y, $way);
        do {
            Patience::ask();
            $this->walked[$this->edge($x, $y, $way)] = true;
            $steps[] = $way;
            $x += self::DX[$way];
            $y += self::DY[$way];
            $next = $this->onwards($x, $y, $way);
            if ($next === null) {
                break;
            }
            $way = $next;
        } while ($x !== $startX || $y !== $startY || $way !== $first);

        return new Chain($steps, $left, $right, $startX, $startY, $closed);
    }

    /** @return array{int, int} regions on the left and on the right of who leaves a corner that way */
    private function sides(int $x, int $y, int $way): array
    {
        $k = $y * $this->wide + $x;

        return match ($way) {
            0 => [$this->map[$k + 1], $this->map[$k + $this->wide + 1]],
            1 => [$this->map[$k + $this->wide + 1], $this->map[$k + $this->wide]],
            2 => [$this->map[$k + $this->wide], $this->map[$k]],
            default => [$this->map[$k], $this->map[$k + 1]],
        };
    }

    /** @return int|null the way on from a corner that was reached; null where borders meet */
    private function onwards(int $x, int $y, int $way): ?int
    {
        $k = $y * $this->wide + $x;
        $nw = $this->map[$k];
        $ne = $this->map[$k + 1];
        $sw = $this->map[$k + $this->wide];
        $se = $this->map[$k + $this->wide + 1];
        $edges = [$ne !== $se, $sw !== $se, $nw !== $sw, $nw !== $ne];
        $count = (int) $edges[0] + (int) $edges[1] + (int) $edges[2] + (int) $edges[3];
        if ($count === 2) {
            foreach ([$way, ($way + 1) & 3, ($way + 3) & 3] as $next) {
                if ($edges[$next]) {
                    return $next;
                }
            }
        }
        $across = $count === 4 ? $this->across($nw, $ne, $sw, $se, $x, $y) : 0;
        if ($across === 0) {
            return null;
        }
        // What hangs together across lies ahead left of who goes right or left where it falls, of who goes down or up where it rises.
        $turn = ($across === Diagonal::RISING) === (($way & 1) === 0) ? 3 : 1;

        return ($way + $turn) & 3;
    }

    /** Rings: of all that leave where one arrives, the one that keeps its region on the left. */
    private function link(): void
    {
        $leaving = [];
        foreach ($this->chains as $i => $chain) {
            if ($chain->closed) {
                $this->rings[$chain->left][] = [[$i, true]];
                $this->rings[$chain->right][] = [[$i, false]];

                continue;
            }
            [$ex, $ey] = $chain->end();
            $leaving[$chain->y * $this->wide + $chain->x][$chain->steps[0]] = [$i, true];
            $leaving[$ey * $this->wide + $ex][($chain->steps[count($chain->steps) - 1] + 2) & 3] = [$i, false];
        }
        $used = [];
        foreach ($this->chains as $i => $chain) {
            foreach ([true, false] as $forward) {
                if ($chain->closed || isset($used[2 * $i + (int) $forward])) {
                    continue;
                }
                $region = $forward ? $chain->left : $chain->right;
                $ring = [];
                for ($one = [$i, $forward]; ! isset($used[2 * $one[0] + (int) $one[1]]); $one = $this->after($one, $leaving)) {
                    Patience::ask();
                    $used[2 * $one[0] + (int) $one[1]] = true;
                    $ring[] = $one;
                }
                $this->rings[$region][] = $ring;
            }
        }
        unset($this->rings[-1]);
    }

    /**
     * @param  array{int, bool}  $one
     * @param  array<int, array<int, array{int, bool}>>  $leaving  by corner and direction
     * @return array{int, bool}
     */
    private function after(array $one, array $leaving): array
    {
        $chain = $this->chains[$one[0]];
        [$x, $y] = $one[1] ? $chain->end() : [$chain->x, $chain->y];
        $way = $one[1] ? $chain->steps[count($chain->steps) - 1] : ($chain->steps[0] + 2) & 3;
        $ways = $leaving[$y * $this->wide + $x];
        // With the region on the left: the first way that leaves, from the left to the right.
        foreach ([3, 0, 1] as $turn) {
            if (isset($ways[($way + $turn) & 3])) {
                return $ways[($way + $turn) & 3];
            }
        }

        return $one;
    }
}
