<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap\Rule;

use NeatEdge\Core\PlanarMap\FaceRule;

/** Cut away: what the first owner covers and no other does. */
final class BottomOnly implements FaceRule
{
    private int $others = 0;

    private bool $bottom = false;

    public function cover(int $owner, bool $inside): void
    {
        if ($owner === 0) {
            $this->bottom = $inside;
        } else {
            $this->others += $inside ? 1 : -1;
        }
    }

    public function label(): int
    {
        return $this->bottom && $this->others === 0 ? 0 : self::NOTHING;
    }
}
