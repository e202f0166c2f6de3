<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Leaders;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\References;
use NeatEdge\Core\Edit\Shaping\Outlined;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Type\FontShelf;

/** What follows other pieces brought up to date after an edit, in the order of who follows whom; each kind of live piece says itself how it follows. */
final class Following implements Leaders
{
    /**
     * @param  array<string, Piece>  $before
     * @param  array<string, Piece>  $now  those that follow are brought up to date here, one after the other
     */
    private function __construct(
        private readonly array $before,
        private array $now,
        private readonly Artwork $artwork,
        private readonly FontShelf $fonts,
    ) {
    }

    public static function settled(Artwork $before, Artwork $after, FontShelf $fonts): Artwork
    {
        if (array_filter($after->pieces, static fn (Piece $piece): bool => References::of($piece) !== []) === []) {
            return $after;
        }
        $following = new self(self::byId($before), self::byId($after), $after, $fonts);
        foreach (References::order($following->now) as $id) {
            $following->settle($id);
        }
        $pieces = array_map(static fn (Piece $piece): Piece => $following->now[$piece->id], $after->pieces);

        return $pieces === $after->pieces ? $after : $after->withPieces($pieces);
    }

    private function settle(string $id): void
    {
        $piece = $this->now[$id];
        if ($piece->recipe !== null && References::of($piece) !== []) {
            $this->now[$id] = $piece->recipe->base->led($piece, $piece->recipe, $this);
        }
    }

    /** @return array<string, Piece> */
    private static function byId(Artwork $artwork): array
    {
        return array_column($artwork->pieces, null, 'id');
    }

    public function before(string $id): ?Piece
    {
        return $this->before[$id] ?? null;
    }

    public function now(string $id): ?Piece
    {
        return $this->now[$id] ?? null;
    }

    public function covered(Piece $piece): Shape
    {
        return Outlined::whole($piece, $this->artwork);
    }

    public function fonts(): FontShelf
    {
        return $this->fonts;
    }

    public function tolerance(): Tolerance
    {
        return $this->artwork->tolerance();
    }
}
