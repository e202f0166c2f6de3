<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;

/** D11: forward, back, to the front or the bottom, among the pieces of the same layer and group. */
final readonly class OrderPieces implements Edit
{
    /**
     * @param  list<string>  $ids
     * @param  string  $to  front, forward, back or bottom
     */
    public function __construct(private array $ids, private string $to)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Order',
            'Lay above or below others.',
            [Field::choice('to', 'To', 'front', ['front' => 'The front', 'forward' => 'One up', 'back' => 'One down', 'bottom' => 'The bottom'])],
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->choice('to'));
    }

    public function label(): string
    {
        return match ($this->to) {
            'front' => 'Bring to the front',
            'forward' => 'Bring forward',
            'back' => 'Send back',
            default => 'Send to the bottom',
        };
    }

    public function apply(Artwork $artwork): Artwork
    {
        $layers = [];
        foreach (Chosen::in($artwork, $this->ids) as $id => $piece) {
            $layers[$piece->place->layer][$id] = $piece;
        }
        foreach ($layers as $chosen) {
            $artwork = $this->within($artwork, $chosen);
        }

        return $artwork;
    }

    /** @param  non-empty-array<string, Piece>  $chosen  all of one layer */
    private function within(Artwork $artwork, array $chosen): Artwork
    {
        // A whole group moves among its neighbours; a part of one moves inside it.
        $whole = count(Chosen::units($artwork, $chosen)) === 1 && count($chosen) > 1;
        $depth = count(Arrangement::common(...array_values($chosen)));
        $depth = $depth > 0 && $whole && $this->fills($artwork, $chosen, $depth) ? $depth - 1 : $depth;
        $inside = array_slice(array_values($chosen)[0]->place->groups, 0, $depth);
        $layer = array_values($chosen)[0]->place->layer;
        $before = $among = $after = [];
        foreach ($artwork->pieces as $piece) {
            if ($piece->place->layer === $layer && array_slice($piece->place->groups, 0, $depth) === $inside) {
                $among[] = $piece;
            } elseif ($among === []) {
                $before[] = $piece;
            } else {
                $after[] = $piece;
            }
        }
        $units = $this->reordered(Arrangement::siblings($among, $depth), $chosen);

        return Arrangement::settled($artwork->withPieces([...$before, ...array_merge(...$units), ...$after]));
    }

    /** @param  array<string, Piece>  $chosen */
    private function fills(Artwork $artwork, array $chosen, int $depth): bool
    {
        $group = array_values($chosen)[0]->place->groups[$depth - 1];
        foreach ($artwork->pieces as $piece) {
            if (in_array($group, $piece->place->groups, true) && ! isset($chosen[$piece->id])) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<non-empty-list<Piece>>  $units
     * @param  array<string, Piece>  $chosen
     * @return list<non-empty-list<Piece>>
     */
    private function reordered(array $units, array $chosen): array
    {
        $is = static fn (array $unit): bool => array_filter($unit, static fn (Piece $piece): bool => isset($chosen[$piece->id])) !== [];
        if ($this->to === 'front' || $this->to === 'bottom') {
            $mine = array_values(array_filter($units, $is));
            $others = array_values(array_filter($units, static fn (array $unit): bool => ! $is($unit)));

            return $this->to === 'front' ? [...$others, ...$mine] : [...$mine, ...$others];
        }
        $n = count($units);
        if ($this->to === 'forward') {
            for ($i = $n - 2; $i >= 0; $i--) {
                if ($is($units[$i]) && ! $is($units[$i + 1])) {
                    [$units[$i], $units[$i + 1]] = [$units[$i + 1], $units[$i]];
                }
            }
        } else {
            for ($i = 1; $i < $n; $i++) {
                if ($is($units[$i]) && ! $is($units[$i - 1])) {
                    [$units[$i], $units[$i - 1]] = [$units[$i - 1], $units[$i]];
                }
            }
        }

        return array_values($units);
    }
}
