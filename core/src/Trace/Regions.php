<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Patience\Patience;

/**
 * Dots of one colour that hang together, by their sides or across where the colour is the stronger one: which region each dot is in, and what each
 * region is.
 */
final class Regions
{
    /**
     * @param  list<int>  $of  the number of its region for each dot, row by row
     * @param  array<int, int>  $label  the colour of each region
     * @param  array<int, int>  $size  dots of each region
     * @param  int  $dropped  specks that went into what surrounds them
     */
    private function __construct(
        public readonly int $width,
        public readonly int $height,
        public readonly array $of,
        public readonly array $label,
        public readonly array $size,
        public readonly int $dropped,
    ) {
    }

    /**
     * @param  list<int>  $labels  row by row
     * @param  int  $speck  regions of fewer dots go into the neighbour that they touch most
     */
    public static function of(array $labels, int $width, int $height, int $speck, Diagonal $diagonal): self
    {
        $dropped = 0;
        // What was a speck may have held two apart that are one then.
        for ($round = 0; ; $round++) {
            [$of, $label, $size] = self::parts($labels, $width, $height, $diagonal);
            $small = array_filter($size, static fn (int $dots): bool => $dots < $speck);
            if ($small === [] || $round === 4 || count($small) === count($size)) {
                return new self($width, $height, $of, $label, $size, $dropped);
            }
            $dropped += count($small);
            $labels = self::without($small, $of, $label, $labels, $width, $height);
        }
    }

    /**
     * @param  list<int>  $labels
     * @return array{list<int>, array<int, int>, array<int, int>}
     *
     * @source A. Rosenfeld, J. L. Pfaltz, "Sequential operations in digital picture processing", 1966, with a forest of sets
     */
    private static function parts(array $labels, int $w, int $h, Diagonal $diagonal): array
    {
        $of = [];
        /** @var array<int, int> $parent */
        $parent = [];
        for ($y = 0, $i = 0; $y < $h; $y++) {
            Patience::ask(16);
            for ($x = 0; $x < $w; $x++, $i++) {
                $label = $labels[$i];
                $left = $x > 0 && $labels[$i - 1] === $label ? $of[$i - 1] : -1;
                $up = $y > 0 && $labels[$i - $w] === $label ? $of[$i - $w] : -1;
                if ($left < 0 && $up < 0) {
                    $of[] = count($parent);
                    $parent[] = count($parent);
                } else {
                    $of[] = $left >= 0 ? $left : $up;
                    if ($left >= 0 && $up >= 0 && $left !== $up) {
                        self::unite($parent, $left, $up);
                    }
                }
                if ($x > 0 && $y > 0 && $left < 0) {
                    // Across the corner above left of this dot.
                    $link = $diagonal->linked($labels[$i - $w - 1], $labels[$i - $w], $labels[$i - 1], $label, $i - $w - 1);
                    if ($link !== 0) {
                        $link === Diagonal::FALLING ? self::unite($parent, $of[$i - $w - 1], $of[$i]) : self::unite($parent, $of[$i - $w], $of[$i - 1]);
                    }
                }
            }
        }
        $number = [];
        $label = $size = [];
        foreach ($of as $i => $part) {
            $root = $part;
            while ($parent[$root] !== $root) {
                $root = $parent[$root];
            }
            $parent[$part] = $root;
            $k = $number[$root] ??= count($number);
            $of[$i] = $k;
            $label[$k] = $labels[$i];
            $size[$k] = ($size[$k] ?? 0) + 1;
        }

        return [$of, $label, $size];
    }

    /** @param  array<int, int>  $parent */
    private static function unite(array &$parent, int $a, int $b): void
    {
        while ($parent[$a] !== $a) {
            $a = $parent[$a] = $parent[$parent[$a]];
        }
        while ($parent[$b] !== $b) {
            $b = $parent[$b] = $parent[$parent[$b]];
        }
        $parent[max($a, $b)] = min($a, $b);
    }

    /**
     * @param  array<int, int>  $small
     * @param  list<int>  $of
     * @param  array<int, int>  $label
     * @param  list<int>  $labels
     * @return list<int>
     */
    private static function without(array $small, array $of, array $label, array $labels, int $w, int $h): array
    {
        $touch = [];
        foreach ($of as $i => $part) {
            if (! isset($small[$part])) {
                continue;
            }
            $x = $i % $w;
            foreach ([$x > 0 ? $i - 1 : -1, $x < $w - 1 ? $i + 1 : -1, $i - $w, $i + $w < $w * $h ? $i + $w : -1] as $k) {
                if ($k >= 0 && $of[$k] !== $part) {
                    // Of two specks that touch neither goes into the other while there is more beside them.
                    $touch[$part][$label[$of[$k]]] = ($touch[$part][$label[$of[$k]]] ?? 0.0) + (isset($small[$of[$k]]) ? 0.01 : 1.0);
                }
            }
        }
        $into = array_map(static fn (array $sides): int => (int) array_search(max($sides), $sides, true), $touch);
        foreach ($of as $i => $part) {
            if (isset($into[$part])) {
                $labels[$i] = $into[$part];
            }
        }

        return array_values($labels);
    }
}
