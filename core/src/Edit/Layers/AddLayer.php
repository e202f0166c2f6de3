<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;

/** A new layer above all others. */
final readonly class AddLayer implements Edit
{
    public const MOST = 200;

    public function __construct(private string $name)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Add a layer', 'A new layer above the others.', [Field::words('name', 'Name')], 0);
    }

    public static function from(Values $values): self
    {
        return new self(trim($values->text('name')));
    }

    public function label(): string
    {
        return 'Add a layer';
    }

    public function apply(Artwork $artwork): Artwork
    {
        if (count($artwork->layers) >= self::MOST) {
            throw Refused::because(sprintf('There are %d layers already.', self::MOST));
        }
        $name = $this->name !== '' ? $this->name : 'Layer '.(count($artwork->layers) + 1);

        return $artwork->with(layers: [...$artwork->layers, new Layer(FreeIds::in($artwork)->next('l'), $name)]);
    }
}
