<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Edit;

/** Moves a layer one up or down. */
final readonly class OrderLayer implements Edit
{
    public function __construct(private string $id, private bool $up)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Move a layer',
            'One up or down.',
            [Field::words('layer', 'Layer'), Field::choice('way', 'Way', 'up', ['up' => 'Up', 'down' => 'Down'])],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->text('layer'), $values->choice('way') === 'up');
    }

    public function label(): string
    {
        return 'Move a layer';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $layers = $artwork->layers;
        $i = array_search($this->id, array_map(static fn (Layer $layer): string => $layer->id, $layers), true);
        if ($i === false) {
            throw Refused::because('That layer is not there any more.');
        }
        $k = $this->up ? $i + 1 : $i - 1;
        if (! isset($layers[$k])) {
            throw Refused::because($this->up ? 'It is the uppermost layer already.' : 'It is the lowest layer already.');
        }
        [$layers[$i], $layers[$k]] = [$layers[$k], $layers[$i]];

        return Arrangement::settled($artwork->with(layers: array_values($layers)));
    }
}
