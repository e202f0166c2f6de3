<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;

/** The one giver of ids: no piece, group, layer, guide or clip of the artwork has one that it gives, and it gives none twice. */
final class FreeIds
{
    /** @param  int  $last  the highest number that is in use */
    private function __construct(private int $last)
    {
    }

    public static function in(Artwork $artwork): self
    {
        $last = $artwork->numbered;
        foreach ($artwork->pieces as $piece) {
            $last = max($last, self::highest($piece));
        }
        foreach ([...$artwork->layers, ...$artwork->guides] as $one) {
            $last = max($last, self::number($one->id));
        }
        foreach (array_keys($artwork->groups) as $group) {
            $last = max($last, self::number((string) $group));
        }

        return new self($last);
    }

    /** @param  string  $letter  n for pieces, g for groups, l for layers, u for guides */
    public function next(string $letter = 'n'): string
    {
        return $letter.++$this->last;
    }

    /** @param  iterable<string>  $ids */
    public static function highestOf(iterable $ids): int
    {
        $last = 0;
        foreach ($ids as $id) {
            $last = max($last, self::number($id));
        }

        return $last;
    }

    private static function highest(Piece $piece): int
    {
        return max(
            self::number($piece->id),
            $piece->clip === null ? 0 : self::highest($piece->clip),
            ...array_map(self::number(...), ['', ...$piece->place->groups]),
        );
    }

    private static function number(string $id): int
    {
        return preg_match('/^[a-z](\d{1,9})(?!\d)/', $id, $found) === 1 ? (int) $found[1] : 0;
    }
}
