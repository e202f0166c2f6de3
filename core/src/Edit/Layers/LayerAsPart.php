<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Artwork\LayerPart;
use NeatEdge\Core\Artwork\PlaceOfArt;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;

/** F3: says what a layer is of a thing that art is shown on; of a place, how art lies there. */
final readonly class LayerAsPart implements Edit
{
    /** @param  array<string, float|string>|null  $place */
    public function __construct(private string $id, private ?LayerPart $part, private ?array $place)
    {
    }

    public static function about(string $kind): About
    {
        $parts = ['none' => 'No part'];
        foreach (LayerPart::cases() as $part) {
            $parts[$part->value] = $part->label();
        }

        return new About(
            'Part of a thing',
            'What a layer is of a thing that art is shown on.',
            [
                Field::words('layer', 'Layer'),
                Field::choice('part', 'Part', 'none', $parts),
                ...array_map(static fn (Field $field): Field => $field->where ? $field : $field->where('part', ['place']), PlaceOfArt::fields()),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        $part = LayerPart::tryFrom($values->choice('part'));
        $place = [];
        foreach ($part === LayerPart::Place ? PlaceOfArt::fields() : [] as $field) {
            $place[$field->name] = match ($field->type) {
                Field::CHOICE => $values->choice($field->name),
                Field::LENGTH => $values->length($field->name),
                default => $values->number($field->name),
            };
        }

        return new self($values->text('layer'), $part, $place);
    }

    public function label(): string
    {
        return $this->part === null ? 'No part of a thing' : 'Part of a thing';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $layer = $artwork->layer($this->id) ?? throw Refused::because('That layer is not there any more.');
        $changed = $layer->with(part: $this->part->value ?? '', place: $this->place ?? []);

        return $artwork->with(layers: array_map(static fn (Layer $one): Layer => $one->id === $changed->id ? $changed : $one, $artwork->layers));
    }
}
