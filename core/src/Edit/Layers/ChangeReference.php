<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Artwork\Reference;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Input;

/** S3: lays a reference picture under the work, changes how it lies and is seen, or takes it away. */
final readonly class ChangeReference implements Edit
{
    /** @param  array<string, mixed>  $changes  by the names of a Reference's properties */
    public function __construct(private ?Reference $new, private array $changes, private bool $gone)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Reference picture', 'Lay, move, dim or take away the picture under the work.', [Field::words('picture', 'Picture', Field::DATA), Field::length('x', 'Left', 0.0, -1e5), Field::length('y', 'Top', 0.0, -1e5), Field::length('width', 'Width', 100.0, 0.1), Field::share('strength', 'Strength', 0.5, 0.05), Field::flag('hidden', 'Hidden', false), Field::flag('locked', 'Locked', false), Field::flag('remove', 'Take away', false)], 0);
    }

    public static function from(Input $input): self
    {
        $changes = [];
        foreach (['x', 'y'] as $name) {
            if ($input->has($name)) {
                $changes[$name] = $input->length($name);
            }
        }
        if ($input->has('width')) {
            $changes['width'] = $input->length('width', null, 0.1);
        }
        if ($input->has('strength')) {
            $changes['strength'] = $input->number('strength', null, 0.05, 1.0);
        }
        foreach (['hidden', 'locked'] as $name) {
            if ($input->has($name)) {
                $changes[$name] = $input->flag($name);
            }
        }
        // The application stored the picture and measured it: only it can name one.
        $new = $input->nested('picture')['reference'] ?? null;

        return new self($new instanceof Reference ? $new : null, $changes, $input->flag('remove'));
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
        $reference = $artwork->reference ?? throw EditRefused::because('There is no reference picture yet.');
        if ($this->gone) {
            return $artwork->with(reference: null);
        }
        $moves = array_intersect_key($this->changes, ['x' => 1, 'y' => 1, 'width' => 1]);
        if ($moves !== [] && $reference->locked && ($this->changes['locked'] ?? true)) {
            throw EditRefused::locked('The reference picture');
        }
        $changes = $this->changes;
        if (isset($changes['width'])) {
            $changes['height'] = $reference->height * $changes['width'] / $reference->width;
        }

        return $artwork->with(reference: $reference->with(...$changes));
    }
}
