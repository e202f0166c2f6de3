<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap\Rule;

use NeatEdge\Core\PlanarMap\FaceRule;

/** Weld: what any owner covers. */
final class AnyOwner implements FaceRule
{
    private int $covering = 0;

    public function cover(int $owner, bool $inside): void
    {
        $this->covering += $inside ? 1 : -1;
    }

    public function label(): int
    {
        return $this->covering > 0 ? 0 : self::NOTHING;
    }
}
