<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Basic;

use NeatEdge\Core\Artwork\Base;
use NeatEdge\Core\Artwork\Knob;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Stored;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Geometry\Shape;

/** D1: a shape made from typed values, about its own middle. */
final readonly class BasicShape extends Base
{
    /** @param  array<string, float|string|bool>  $values  every field of its kind */
    public function __construct(public ShapeKind $kind, public array $values)
    {
    }

    public static function kind(): string
    {
        return 'basic';
    }

    public function stored(Stored $as): array
    {
        return ['kind' => $this->kind->value, 'values' => $this->values];
    }

    public static function read(array $data, Stored $as): self
    {
        return new self(
            ShapeKind::from($data['kind']),
            array_map(static fn (mixed $value): mixed => is_int($value) ? (float) $value : $value, $data['values']),
        );
    }

    public function label(): string
    {
        return match (true) {
            $this->kind !== ShapeKind::Ellipse => $this->kind->label(),
            ($this->values['sweep'] ?? 360.0) < 360.0 => 'Part of a circle',
            ($this->values['inner'] ?? 0.0) > 0.0 => 'Ring',
            ($this->values['width'] ?? 0.0) === ($this->values['height'] ?? 1.0) => 'Circle',
            default => 'Ellipse',
        };
    }

    public function said(): string
    {
        return mb_strtolower($this->kind->label());
    }

    /** Scaled evenly, all of it grows; stretched one way, only the side does, and a corner's radius stays what was typed. */
    public function sized(float $x, float $y): ?self
    {
        return abs($x - $y) <= 1e-9 * $x ? $this->scaled($x) : $this->resized($x, $y);
    }

    public function marks(): array
    {
        return ['shape', $this->kind->value];
    }

    public function told(Recipe $recipe): array
    {
        return ['shape' => [
            'kind' => $this->kind->value,
            'label' => $this->kind->label(),
            'fields' => array_map(static fn (Field $field): array => $field->toArray(), $this->kind->fields()),
            'values' => $this->values,
            'matrix' => array_values(get_object_vars($recipe->matrix)),
        ]];
    }

    public function knobs(Recipe $recipe): array
    {
        $knobs = [];
        foreach (ShapeKnobs::of($this->kind, $this->values) as $name => [$says, $x, $y]) {
            $at = $recipe->matrix->apply($x, $y);
            $knobs[] = new Knob($name, $says, $at->x, $at->y);
        }

        return $knobs;
    }

    public function dragged(string $knob, float $x, float $y, Recipe $recipe): ?self
    {
        $own = $recipe->matrix->isSingular() ? null : $recipe->matrix->inverse()->apply($x, $y);
        $set = $own === null ? null : ShapeKnobs::dragged($this->kind, $this->values, $knob, $own->x, $own->y);

        return $set === null ? null : new self($this->kind, [...$this->values, ...$set]);
    }

    public function reading(string $knob, Recipe $recipe): string
    {
        $names = array_keys(ShapeKnobs::dragged($this->kind, $this->values, $knob, 0.0, 0.0) ?? []);
        $first = array_values(array_filter($this->kind->fields(), static fn (Field $field): bool => $field->name === ($names[0] ?? '')))[0] ?? null;

        return $first === null ? '' : sprintf('%s %.2f', $first->label, (float) $this->values[$first->name]);
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
