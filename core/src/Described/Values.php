<?php

declare(strict_types=1);

namespace NeatEdge\Core\Described;

use LogicException;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Type\FontShelf;

/**
 * What was said for described fields, read: every value is of its kind and within its bounds before a class is made of it.
 * What was not said is as is usual, or as it is now where the one who asks knows that.
 */
final readonly class Values
{
    /**
     * @param  array<string, Field>  $fields  by name
     * @param  array<string, mixed>  $said  what was said, read, by name
     * @param  array<mixed>  $raw  as it came
     */
    private function __construct(
        private array $fields,
        private array $said,
        private array $raw,
        public FontShelf $fonts,
        public string $unit,
        public string $kind,
    ) {
    }

    /**
     * @param  list<Field>  $fields
     * @param  array<mixed>  $raw  by name, as it came from the page, a script or a stored line; names that are not described are not looked at
     * @param  string  $unit  of lengths that are typed without one
     * @param  string  $kind  under which what is made of it is listed, where one class is made under several
     *
     * @throws Refused with the label of the field and what may be said
     */
    public static function read(array $fields, array $raw, string $unit = 'mm', ?FontShelf $fonts = null, string $kind = ''): self
    {
        $byName = $said = [];
        foreach ($fields as $field) {
            $byName[$field->name] = $field;
            $value = $raw[$field->name] ?? null;
            if ($value !== null) {
                $said[$field->name] = Reading::of($field, $value, $unit);
            } elseif ($field->needed) {
                throw Refused::missing($field);
            }
        }

        return new self($byName, $said, $raw, $fonts ?? FontShelf::shipped(), $unit, $kind);
    }

    /**
     * Read once more, by a description that became known meanwhile.
     *
     * @param  list<Field>  $fields
     */
    public function against(array $fields): self
    {
        return self::read($fields, $this->raw, $this->unit, $this->fonts, $this->kind);
    }

    /** Whether something was said. */
    public function has(string $name): bool
    {
        return isset($this->said[$name]);
    }

    /** mm. A percentage is of what it is now, or of what is usual. */
    public function length(string $name, ?float $now = null): float
    {
        $field = $this->field($name, Field::LENGTH);
        $said = $this->said[$name] ?? null;
        if ($said instanceof Relative) {
            return Reading::bounded($field, $said->of($now ?? (float) $field->usual));
        }

        return is_float($said) ? $said : $now ?? (float) $field->usual;
    }

    /** A length that was typed as a percentage, as a share; null for anything else. */
    public function percentage(string $name): ?float
    {
        $said = $this->said[$name] ?? null;

        return $said instanceof Relative ? $said->of(1.0) : null;
    }

    /** An angle in degrees, a number or a share. */
    public function number(string $name, ?float $now = null): float
    {
        $field = $this->field($name, Field::NUMBER, Field::ANGLE, Field::SHARE, Field::COUNT);
        $said = $this->said[$name] ?? null;

        return is_float($said) ? $said : $now ?? (float) $field->usual;
    }

    public function count(string $name): int
    {
        return (int) $this->number($name);
    }

    public function flag(string $name, ?bool $now = null): bool
    {
        $field = $this->field($name, Field::FLAG);
        $said = $this->said[$name] ?? null;

        return is_bool($said) ? $said : $now ?? (bool) $field->usual;
    }

    public function choice(string $name, ?string $now = null): string
    {
        return $this->words($name, $now, Field::CHOICE);
    }

    /** Words, or the id of one piece. */
    public function text(string $name, ?string $now = null): string
    {
        return $this->words($name, $now, Field::TEXT, Field::PIECE);
    }

    /** None where none was said, or where none is what was said. */
    public function colour(string $name): ?Colour
    {
        $field = $this->field($name, Field::COLOUR);
        $said = $this->said[$name] ?? $field->usual;

        return $said instanceof Colour ? $said : (is_string($said) ? Colour::parse($said) : null);
    }

    /** Whether that there be no colour is what was said. */
    public function none(string $name): bool
    {
        return ($this->said[$name] ?? null) === 'none';
    }

    /** @return list<string> ids of the pieces that were named */
    public function pieces(string $name = 'pieces'): array
    {
        $this->field($name, Field::PIECES);
        /** @var list<string> $said */
        $said = $this->said[$name] ?? [];

        return $said;
    }

    /** As it was written, for what hands it on to another description. */
    public function written(string $name): string
    {
        return is_string($raw = $this->raw[$name] ?? null) ? $raw : '';
    }

    /** @return array{float, float}|null mm */
    public function place(string $name): ?array
    {
        $this->field($name, Field::PLACE);
        /** @var array{float, float}|null $said */
        $said = $this->said[$name] ?? null;

        return $said;
    }

    /** @return list<non-empty-list<array{float, float}>> groups of places, mm */
    public function groups(string $name): array
    {
        $this->field($name, Field::PLACES);
        /** @var list<non-empty-list<array{float, float}>> $said */
        $said = $this->said[$name] ?? [];

        return $said;
    }

    /** @return list<array{float, float}> all places, mm */
    public function places(string $name): array
    {
        return array_merge([], ...$this->groups($name));
    }

    /** @return list<float> mm */
    public function lengths(string $name): array
    {
        $this->field($name, Field::LENGTHS);
        /** @var list<float> $said */
        $said = $this->said[$name] ?? [];

        return $said;
    }

    /** @return list<Colour> */
    public function colours(string $name): array
    {
        $this->field($name, Field::COLOURS);
        /** @var list<Colour> $said */
        $said = $this->said[$name] ?? [];

        return $said;
    }

    /** @return list<array{Colour, Colour, string}> lower, upper, and how */
    public function pairs(string $name): array
    {
        $this->field($name, Field::PAIRS);
        /** @var list<array{Colour, Colour, string}> $said */
        $said = $this->said[$name] ?? [];

        return $said;
    }

    /** @return list<array{array{float, float}, Colour}> places, mm, with colours */
    public function painted(string $name): array
    {
        $this->field($name, Field::PAINTED);
        /** @var list<array{array{float, float}, Colour}> $said */
        $said = $this->said[$name] ?? [];

        return $said;
    }

    /** @return list<Contour> */
    public function path(string $name): array
    {
        $this->field($name, Field::PATH);
        /** @var list<Contour> $said */
        $said = $this->said[$name] ?? [];

        return $said;
    }

    /** @return list<array{int, int}> contour and number of each */
    public function nodes(string $name): array
    {
        $this->field($name, Field::NODES);
        /** @var list<array{int, int}> $said */
        $said = $this->said[$name] ?? [];

        return $said;
    }

    /** @return list<float> */
    public function numbers(string $name): array
    {
        $this->field($name, Field::NUMBERS);
        /** @var list<float> $said */
        $said = $this->said[$name] ?? [];

        return $said;
    }

    /** @throws Refused for one that makes nothing of everything */
    public function matrix(string $name): Matrix
    {
        $n = $this->numbers($name);
        $matrix = new Matrix($n[0], $n[1], $n[2], $n[3], $n[4], $n[5]);

        return $matrix->isSingular() ? throw Refused::because('That would press the pieces flat to nothing.') : $matrix;
    }

    public function group(string $name): ?self
    {
        $field = $this->field($name, Field::GROUP);
        $said = $this->said[$name] ?? null;

        return is_array($said) ? self::read($field->parts, $said, $this->unit, $this->fonts) : null;
    }

    /** @return list<self> */
    public function rows(string $name): array
    {
        $field = $this->field($name, Field::ROWS);
        $said = $this->said[$name] ?? [];

        $names = array_map(static fn (Field $part): string => $part->name, $field->parts);
        $rows = [];
        foreach (is_array($said) ? $said : [] as $row) {
            $row = is_array($row) ? $row : throw Refused::field($field);
            // Written short, its values stand in the order of their description.
            $named = array_is_list($row) ? array_combine(array_slice($names, 0, count($row)), array_slice($row, 0, count($names))) : $row;
            $rows[] = self::read($field->parts, $named, $this->unit, $this->fonts);
        }

        return $rows;
    }

    /** What only the application gives, or another description reads. */
    public function data(string $name): mixed
    {
        $this->field($name, Field::DATA);

        return $this->said[$name] ?? null;
    }

    /** @return array<mixed> by name */
    public function map(string $name): array
    {
        $data = $this->data($name) ?? [];

        return is_array($data) ? $data : throw Refused::field($this->fields[$name]);
    }

    /**
     * Plain values by name, as they are stored: lengths in mm, colours as they were written.
     *
     * @param  array<string, float|string|bool>  $now  what stays as it is unless something else was said
     * @return array<string, float|string|bool>
     */
    public function all(array $now = []): array
    {
        $values = [];
        foreach ($this->fields as $name => $field) {
            $usual = $now[$name] ?? $field->usual;
            $said = $this->said[$name] ?? $usual;
            $values[$name] = match (true) {
                $said instanceof Relative => Reading::bounded($field, $said->of((float) $usual)),
                $said instanceof Colour => $said->hex(),
                // A colour, a place or words that were emptied.
                array_key_exists($name, $this->said) && $this->said[$name] === null => '',
                is_scalar($said) => is_int($said) ? (float) $said : $said,
                default => is_string($raw = $this->raw[$name] ?? null) ? $raw : throw new LogicException("{$name} is no plain value."),
            };
        }

        return $values;
    }

    private function words(string $name, ?string $now, string ...$types): string
    {
        $field = $this->field($name, ...$types);
        $said = $this->said[$name] ?? null;

        return is_string($said) ? $said : $now ?? (string) $field->usual;
    }

    private function field(string $name, string ...$types): Field
    {
        $field = $this->fields[$name] ?? throw new LogicException("No value \"{$name}\" is described.");

        return in_array($field->type, $types, true) ? $field : throw new LogicException("\"{$name}\" is described as {$field->type}.");
    }
}
