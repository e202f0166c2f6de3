<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Groups;
use NeatEdge\Core\Geometry\Shape;

/**
 * Letters, or what stands side by side as letters do: parts of one piece that are of like size, near each other and of several forms. They are thickened
 * alike, or left.
 */
final readonly class Word
{
    /** How much larger than another a letter of its word may be. */
    private const LIKE = 2.6;

    /** Share of their size within which letters follow one another. */
    private const NEAR = 0.9;

    private const ROW = 0.5;

    /** Of fewer parts no word is made. */
    private const LEAST = 4;

    /** Nodes from which a part has a form of its own; bars have four. */
    private const FORM = 5;

    /** mm by which parts of one form differ in area. */
    private const SAME = 0.01;

    private function __construct(public Shape $shape, public Box $box)
    {
    }

    /**
     * @param  list<Shape>  $parts  of one piece
     * @return list<self>
     */
    public static function among(array $parts): array
    {
        $boxes = array_map(static fn (Shape $part): Box => $part->box() ?? new Box(0.0, 0.0, 0.0, 0.0), $parts);
        $sizes = array_map(static fn (Box $box): float => max($box->width(), $box->height()), $boxes);
        $joined = new Groups(array_keys($parts));
        foreach (self::neighbours($boxes, $sizes) as [$i, $k]) {
            $joined->join($i, $k);
        }
        $groups = [];
        foreach ($parts as $i => $part) {
            $groups[$joined->of($i)][] = $i;
        }
        $words = [];
        foreach ($groups as $own) {
            $letters = array_map(static fn (int $i): Shape => $parts[$i], $own);
            $box = Box::around(...array_map(static fn (int $i): Box => $boxes[$i], $own));
            if (self::areLetters($letters) && $box !== null) {
                $words[] = new self(
                    new Shape(array_merge(...array_map(static fn (Shape $letter): array => $letter->contours, $letters)), $letters[0]->rule),
                    $box,
                );
            }
        }

        return $words;
    }

    public function holds(float $x, float $y): bool
    {
        return $x >= $this->box->left && $x <= $this->box->right && $y >= $this->box->top && $y <= $this->box->bottom;
    }

    /**
     * Several forms, and not mere bars.
     *
     * @param  list<Shape>  $parts
     */
    private static function areLetters(array $parts): bool
    {
        if (count($parts) < self::LEAST) {
            return false;
        }
        $formed = array_filter($parts, static fn (Shape $part): bool => $part->nodeCount() >= self::FORM);
        $areas = array_map(static fn (Shape $part): int => (int) round($part->area() / self::SAME), $formed);

        return 2 * count($formed) >= count($parts) && 2 * count(array_unique($areas)) > count($formed);
    }

    /** Whether two stand beside each other on one line, lying or upright: most of the smaller lies at the height of the larger. */
    private static function areInRow(Box $a, Box $b): bool
    {
        $across = min($a->right, $b->right) - max($a->left, $b->left);
        $down = min($a->bottom, $b->bottom) - max($a->top, $b->top);

        return ($down > self::ROW * min($a->height(), $b->height()) && $across < self::ROW * min($a->width(), $b->width()))
            || ($across > self::ROW * min($a->width(), $b->width()) && $down < self::ROW * min($a->height(), $b->height()));
    }

    /**
     * @param  list<Box>  $boxes
     * @param  list<float>  $sizes
     * @return list<array{int, int}>
     */
    private static function neighbours(array $boxes, array $sizes): array
    {
        $order = array_keys($boxes);
        usort($order, static fn (int $a, int $b): int => $boxes[$a]->left <=> $boxes[$b]->left);
        $neighbours = $open = [];
        foreach ($order as $i) {
            foreach ($open as $k => $reach) {
                if ($reach < $boxes[$i]->left) {
                    unset($open[$k]);

                    continue;
                }
                $near = self::NEAR * min($sizes[$i], $sizes[$k]);
                $apart = max(
                    $boxes[$i]->left - $boxes[$k]->right,
                    $boxes[$k]->left - $boxes[$i]->right,
                    $boxes[$i]->top - $boxes[$k]->bottom,
                    $boxes[$k]->top - $boxes[$i]->bottom,
                );
                if ($apart <= $near && max($sizes[$i], $sizes[$k]) <= self::LIKE * min($sizes[$i], $sizes[$k]) && self::areInRow($boxes[$i], $boxes[$k])) {
                    $neighbours[] = [$i, $k];
                }
            }
            $open[$i] = $boxes[$i]->right + self::NEAR * $sizes[$i];
        }

        return $neighbours;
    }
}
