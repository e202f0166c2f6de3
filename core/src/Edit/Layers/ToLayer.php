<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;

/** Lays pieces on another layer, above what is there. */
final readonly class ToLayer implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private string $layer)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Lay on another layer', 'Where it lies above or below others with its layer.', [Field::words('layer', 'Layer')]);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->text('layer'));
    }

    public function label(): string
    {
        return 'Lay on another layer';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        $layer = $artwork->layer($this->layer) ?? throw Refused::because('That layer is not there any more.');
        if ($layer->locked) {
            throw Refused::locked($layer->name);
        }
        $stay = array_values(array_filter($artwork->pieces, static fn (Piece $piece): bool => ! isset($chosen[$piece->id])));
        // A group lies on one layer: a piece that leaves its layer leaves its group, unless all of it comes.
        $moved = [];
        foreach (Chosen::units($artwork, $chosen) as $unit) {
            foreach ($unit as $piece) {
                $whole = count($unit) > 1 || $piece->place->layer === $layer->id;
                $moved[] = $piece->with(place: $piece->place->with(layer: $layer->id, groups: $whole ? $piece->place->groups : []));
            }
        }

        return Arrangement::settled($artwork->withPieces([...$stay, ...$moved]));
    }
}
