<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap\Rule;

use NeatEdge\Core\PlanarMap\FaceRule;

/** What a see-through owner lies on: labels a face by the highest one there, and by whether anything else is under it. */
final class Laid implements FaceRule
{
    private TopOwner $veil;

    private int $covering = 0;

    /** @param  list<bool>  $hides  by owner */
    public function __construct(private readonly array $hides)
    {
        $this->veil = new TopOwner(max(1, count($hides)));
    }

    /** The label of faces where an owner lies over something. */
    public static function over(int $owner): int
    {
        return 2 * $owner + 1;
    }

    /** The label of faces where nothing is under it. */
    public static function bare(int $owner): int
    {
        return 2 * $owner;
    }

    public function cover(int $owner, bool $inside): void
    {
        $this->covering += $inside ? 1 : -1;
        if (! $this->hides[$owner]) {
            $this->veil->cover($owner, $inside);
        }
    }

    public function label(): int
    {
        $top = $this->veil->top();

        return $top < 0 ? self::NOTHING : ($this->covering > 1 ? self::over($top) : self::bare($top));
    }
}
