<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap\Rule;

use NeatEdge\Core\PlanarMap\FaceRule;

/**
 * What is seen: the highest owner that covers the face. A tree of maxima over the owners is brought up to date with an
 * early exit, so that a step costs the logarithm of their number at most.
 */
final class TopOwner implements FaceRule
{
    /** @var list<int> heap-ordered maxima, the root at 1 */
    private array $tree;

    private int $half = 1;

    /** @param  list<int>|null  $labels by owner; the owners themselves when null */
    public function __construct(int $owners, private readonly ?array $labels = null)
    {
        while ($this->half < $owners) {
            $this->half *= 2;
        }
        $this->tree = array_fill(0, 2 * $this->half, -1);
    }

    public function cover(int $owner, bool $inside): void
    {
        $i = $this->half + $owner;
        $this->tree[$i] = $inside ? $owner : -1;
        while ($i > 1) {
            $i >>= 1;
            $l = $this->tree[2 * $i];
            $r = $this->tree[2 * $i + 1];
            $top = $l > $r ? $l : $r;
            if ($this->tree[$i] === $top) {
                return;
            }
            $this->tree[$i] = $top;
        }
    }

    /** The highest owner that covers, or -1. */
    public function top(): int
    {
        return $this->tree[1];
    }

    public function label(): int
    {
        $top = $this->tree[1];

        return $top < 0 ? self::NOTHING : ($this->labels === null ? $top : $this->labels[$top]);
    }
}
