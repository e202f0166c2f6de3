<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Edit;

/** Takes a layer away, with what lies on it. */
final readonly class RemoveLayer implements Edit
{
    public function __construct(private string $id)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Remove a layer', 'With what lies on it.', [Field::words('layer', 'Layer')], 0);
    }

    public static function from(Values $values): self
    {
        return new self($values->text('layer'));
    }

    public function label(): string
    {
        return 'Remove a layer';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $layer = $artwork->layer($this->id) ?? throw Refused::because('That layer is not there any more.');
        if (count($artwork->layers) === 1) {
            throw Refused::because('The last layer stays: there must be one to lie on.');
        }
        if ($layer->locked) {
            throw Refused::locked($layer->name);
        }

        return Arrangement::settled($artwork->with(
            layers: array_values(array_filter($artwork->layers, fn (Layer $layer): bool => $layer->id !== $this->id)),
            pieces: array_values(array_filter($artwork->pieces, fn (Piece $piece): bool => $piece->place->layer !== $this->id)),
        ));
    }
}
