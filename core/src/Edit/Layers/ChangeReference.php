<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Reference;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;

/** S3: lays a reference picture under the work, changes how it lies and is seen, or takes it away. */
final readonly class ChangeReference implements Edit
{
    /** @param  array<string, mixed>  $changes  by the names of a Reference's properties */
    public function __construct(private ?Reference $new, private array $changes, private bool $gone)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Reference picture',
            'Lay, move, dim or take away the picture under the work.',
            [
                Field::data('picture', 'Picture'),
                Field::signed('x', 'Left')->asItIs(),
                Field::signed('y', 'Top')->asItIs(),
                Field::length('width', 'Width', 0.0, 0.1)->asItIs(),
                Field::share('strength', 'Strength', 0.0, 0.05)->asItIs(),
                Field::flag('hidden', 'Hidden', false),
                Field::flag('locked', 'Locked', false),
                Field::flag('remove', 'Take away', false),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        $changes = [];
        foreach (['x', 'y'] as $name) {
            if ($values->has($name)) {
                $changes[$name] = $values->length($name);
            }
        }
        if ($values->has('width')) {
            $changes['width'] = $values->length('width');
        }
        if ($values->has('strength')) {
            $changes['strength'] = $values->number('strength');
        }
        foreach (['hidden', 'locked'] as $name) {
            if ($values->has($name)) {
                $changes[$name] = $values->flag($name);
            }
        }
        // The application stored the picture and measured it: only it can name one.
        $new = $values->map('picture')['reference'] ?? null;

        return new self($new instanceof Reference ? $new : null, $changes, $values->flag('remove'));
    }

    public function label(): string
    {
        return $this->new !== null ? 'Lay a reference picture' : ($this->gone ? 'Remove the reference picture' : 'Reference picture');
    }

    public function apply(Artwork $artwork): Artwork
    {
        if ($this->new !== null) {
            return $artwork->with(reference: $this->new);
        }
        $reference = $artwork->reference ?? throw Refused::because('There is no reference picture yet.');
        if ($this->gone) {
            return $artwork->with(reference: null);
        }
        $moves = array_intersect_key($this->changes, ['x' => 1, 'y' => 1, 'width' => 1]);
        if ($moves !== [] && $reference->locked && ($this->changes['locked'] ?? true)) {
            throw Refused::locked('The reference picture');
        }
        $changes = $this->changes;
        if (isset($changes['width'])) {
            $changes['height'] = $reference->height * $changes['width'] / $reference->width;
        }

        return $artwork->with(reference: $reference->with(...$changes));
    }
}
