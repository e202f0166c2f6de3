<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Layer;

/** A new layer above all others. */
final readonly class AddLayer implements Edit
{
    public const MOST = 200;

    public function __construct(private string $name)
    {
    }

    public static function from(Input $input): self
    {
        return new self(trim($input->text('name', 80)));
    }

    public function label(): string
    {
        return 'Add a layer';
    }

    public function apply(Artwork $artwork): Artwork
    {
        if (count($artwork->layers) >= self::MOST) {
            throw EditRefused::because(sprintf('There are %d layers already.', self::MOST));
        }
        $name = $this->name !== '' ? $this->name : 'Layer '.(count($artwork->layers) + 1);

        return $artwork->with(layers: [...$artwork->layers, new Layer(FreeIds::in($artwork)->next('l'), $name)]);
    }
}
