<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Shape;

/** What a recipe begins with, and all that is said of it anywhere: adding a kind is its folder under Recipe and its line in Recipes. */
abstract readonly class Base
{
    use Knobs;

    /** As it is stored and told. */
    abstract public static function kind(): string;

    abstract public function shape(): Shape;

    /**
     * Its stored form; read() brings older ones forward.
     *
     * @return array<string, mixed>
     */
    abstract public function stored(Stored $as): array;

    /** @param  array<string, mixed>  $data */
    abstract public static function read(array $data, Stored $as): self;

    /** Whether it is more than plain curves. */
    public function isAdjustable(): bool
    {
        return true;
    }

    /** What a piece that is made so is called in lists; null when it is called by how it is painted. */
    public function label(): ?string
    {
        return null;
    }

    /** As a sentence names it that asks to bake it first. */
    public function said(): string
    {
        return 'piece';
    }

    /** @return list<string> ids of the pieces that it follows */
    public function follows(): array
    {
        return [];
    }

    /**
     * The same following others of the same kind; null when it cannot be without: then its piece keeps the look that it has.
     *
     * @param  list<string>  $ids
     */
    public function following(array $ids): ?self
    {
        return $this;
    }

    /**
     * A piece of this kind after those that it follows were changed; the same piece where nothing of theirs concerns it.
     *
     * @param  Piece  $piece  whose base this is
     */
    public function led(Piece $piece, Recipe $recipe, Leaders $leaders): Piece
    {
        return $piece;
    }

    /**
     * The same where it was copied, no more tied by a shared name to what it was copied from.
     *
     * @param  string  $copy  the same for all that is copied at once, and for nothing else
     */
    public function apart(string $copy): self
    {
        return $this;
    }

    /** The same that took a size as its own; null where it has none. @param  float  $x  as often as wide @param  float  $y  as often as high */
    public function sized(float $x, float $y): ?self
    {
        return null;
    }

    /** @return list<string> what the page marks it by */
    public function marks(): array
    {
        return [static::kind()];
    }

    /**
     * What the page's tools begin with when a piece of it is chosen, by tool.
     *
     * @return array<string, mixed>
     */
    public function told(Recipe $recipe): array
    {
        return [];
    }
}
