<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap\Rule;

use NeatEdge\Core\PlanarMap\FaceRule;
use NeatEdge\Core\PlanarMap\LayeredRule;

/**
 * All that is seen of a face: the highest owner that hides what is under it, and every owner above that one can see through.
 */
final class SeenOwners implements LayeredRule
{
    private TopOwner $solid;

    /** @var array<int, true> owners that one can see through and that cover the face */
    private array $veils = [];

    /** @var array<int|string, int> */
    private array $labels = [];

    /** @var list<list<int>> groups by label */
    private array $groups = [];

    /**
     * @param  list<bool>  $hides  by owner, the lowest first: whether it hides what is under it
     * @param  list<int>|null  $group  by owner: owners of one group become one region; each by itself when null
     */
    public function __construct(private readonly array $hides, private readonly ?array $group = null)
    {
        $this->solid = new TopOwner(max(1, count($hides)));
    }

    public function cover(int $owner, bool $inside): void
    {
        if ($this->hides[$owner]) {
            $this->solid->cover($owner, $inside);
        } elseif ($inside) {
            $this->veils[$owner] = true;
        } else {
            unset($this->veils[$owner]);
        }
    }

    public function label(): int
    {
        $top = $this->solid->top();
        $seen = $top < 0 ? [] : [$this->group[$top] ?? $top];
        foreach ($this->veils as $owner => $_) {
            if ($owner > $top) {
                $seen[] = $this->group[$owner] ?? $owner;
            }
        }
        if ($seen === []) {
            return FaceRule::NOTHING;
        }
        if (count($seen) > 1) {
            $seen = array_values(array_unique($seen));
            sort($seen);
        }
        $key = count($seen) === 1 ? (string) $seen[0] : implode(' ', $seen);
        $label = $this->labels[$key] ?? null;
        if ($label === null) {
            $label = $this->labels[$key] = count($this->groups);
            $this->groups[] = $seen;
        }

        return $label;
    }

    public function groups(): array
    {
        return $this->groups;
    }
}
