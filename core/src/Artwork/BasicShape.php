<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Geometry\Shape;

/** D1: a shape made from typed values, about its own middle. */
final readonly class BasicShape implements Base
{
    /** @param  array<string, float|string|bool>  $values  every field of its kind */
    public function __construct(public ShapeKind $kind, public array $values)
    {
    }

    public function shape(): Shape
    {
        return new Shape(ShapeOutlines::of($this->kind, $this->values));
    }

    /** The same, all its lengths greater by a factor. */
    public function scaled(float $factor): self
    {
        $values = $this->values;
        foreach ($this->kind->fields() as $field) {
            if ($field->type === Field::LENGTH) {
                $values[$field->name] = (float) $values[$field->name] * $factor;
            }
        }

        return new self($this->kind, $values);
    }

    /** The same, wider and higher by factors; null when it has no such size. */
    public function resized(float $x, float $y): ?self
    {
        if (! isset($this->values['width'], $this->values['height'])) {
            return null;
        }

        return new self($this->kind, [...$this->values, 'width' => (float) $this->values['width'] * $x, 'height' => (float) $this->values['height'] * $y]);
    }
}
