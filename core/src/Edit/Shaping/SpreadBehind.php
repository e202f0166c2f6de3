<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Stroke\Offset;

/** Panes behind their frame: each chosen piece is made larger by an amount and put beneath whatever it then lies under. */
final readonly class SpreadBehind implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private float $by, private string $join)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Spread behind', 'Made larger by an amount and put beneath what frames it.', [
            Field::length('by', 'By', 1.0, 1e-4, most: 1000.0), Field::choice('join', 'Corners', 'miter', Offset::JOINS),
        ], under: About::BORDERS, key: 'B');
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->length('by'), $values->choice('join'));
    }

    public function label(): string
    {
        return 'Spread behind';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $made = [];
        foreach (Chosen::in($artwork, $this->ids) as $piece) {
            $shape = Outlined::whole($piece, $artwork);
            if ($shape->isEmpty()) {
                throw Refused::unpainted();
            }
            $made[$piece->id] = Outlined::as($piece, Offset::outset($shape, $this->by, $this->join, $artwork->tolerance()));
        }
        // Beneath the lowest piece that one of them touches; among themselves they keep their order.
        $at = null;
        foreach ($artwork->pieces as $i => $piece) {
            $box = $piece->box();
            if (isset($made[$piece->id]) || $box === null || $artwork->hides($piece)) {
                continue;
            }
            if (array_filter(
                $made,
                static fn (Piece $one): bool => ($one->box()?->overlaps($box) ?? false) && $one->place->layer === $piece->place->layer,
            ) !== []) {
                $at = $i;

                break;
            }
        }
        $out = [];
        foreach ($artwork->pieces as $i => $piece) {
            if ($i === $at) {
                array_push($out, ...array_values($made));
            }
            if (! isset($made[$piece->id])) {
                $out[] = $piece;
            } elseif ($at === null) {
                $out[] = $made[$piece->id];
            }
        }

        return Arrangement::settled($artwork->withPieces($out));
    }
}
