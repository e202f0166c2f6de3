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

/** Names, hides, shows, locks or unlocks a layer; or shows it alone, and all again. */
final readonly class ChangeLayer implements Edit
{
    public function __construct(private string $id, private ?string $name, private ?bool $hidden, private ?bool $locked, private bool $alone)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Change a layer',
            'Name, hide or lock a layer, or show it alone.',
            [
                Field::words('layer', 'Layer'),
                Field::words('name', 'Name'),
                Field::flag('hidden', 'Hidden', false),
                Field::flag('locked', 'Locked', false),
                Field::flag('alone', 'Show alone', false),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self(
            $values->text('layer'),
            $values->has('name') ? trim($values->text('name')) : null,
            $values->has('hidden') ? $values->flag('hidden') : null,
            $values->has('locked') ? $values->flag('locked') : null,
            $values->flag('alone'),
        );
    }

    public function label(): string
    {
        return match (true) {
            $this->alone => 'Show a layer alone',
            $this->name !== null => 'Name a layer',
            $this->hidden !== null => $this->hidden ? 'Hide a layer' : 'Show a layer',
            default => $this->locked ? 'Lock a layer' : 'Unlock a layer',
        };
    }

    public function apply(Artwork $artwork): Artwork
    {
        $layer = $artwork->layer($this->id) ?? throw Refused::because('That layer is not there any more.');
        if ($this->alone) {
            $others = array_filter($artwork->layers, fn (Layer $layer): bool => $layer->id !== $this->id && ! $layer->hidden);
            $isAlone = $others === [] && ! $layer->hidden;

            return $artwork->with(layers: array_map(
                fn (Layer $layer): Layer => $layer->with(hidden: ! $isAlone && $layer->id !== $this->id),
                $artwork->layers,
            ));
        }
        $name = $this->name === null || $this->name === '' ? $layer->name : $this->name;
        $changed = $layer->with(name: $name, hidden: $this->hidden ?? $layer->hidden, locked: $this->locked ?? $layer->locked);

        return $artwork->with(layers: array_map(static fn (Layer $layer): Layer => $layer->id === $changed->id ? $changed : $layer, $artwork->layers));
    }
}
