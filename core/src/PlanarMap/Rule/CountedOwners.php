<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap\Rule;

use Closure;
use NeatEdge\Core\PlanarMap\FaceRule;

/** Keep overlap, keep difference: decided by how many owners cover the face. */
final class CountedOwners implements FaceRule
{
    private int $covering = 0;

    /** @param  Closure(int): bool  $keep */
    private function __construct(private readonly Closure $keep)
    {
    }

    public static function all(int $owners): self
    {
        return new self(static fn (int $covering): bool => $covering === $owners);
    }

    public static function oddNumber(): self
    {
        return new self(static fn (int $covering): bool => $covering % 2 === 1);
    }

    public function cover(int $owner, bool $inside): void
    {
        $this->covering += $inside ? 1 : -1;
    }

    public function label(): int
    {
        return ($this->keep)($this->covering) ? 0 : self::NOTHING;
    }
}
