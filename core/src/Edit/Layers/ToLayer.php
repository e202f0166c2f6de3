<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Input;

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

    public static function from(Input $input): self
    {
        return new self($input->pieces(), $input->text('layer', 40));
    }

    public function label(): string
    {
        return 'Lay on another layer';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        $layer = $artwork->layer($this->layer) ?? throw EditRefused::because('That layer is not there any more.');
        if ($layer->locked) {
            throw EditRefused::locked($layer->name);
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
