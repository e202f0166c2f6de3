<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;

/** The limits of a ticket that can be typed besides line and gap, as they describe themselves. */
final class LimitFields
{
    /** @return list<Field> */
    public static function all(): array
    {
        return [
            Field::length('island', 'Least part', 0.0, 0.0, 'as the side of a square'),
            Field::length('hole', 'Least hole', 0.0, 0.0, 'as the side of a square'),
            Field::length('point', 'Points count from', 0.0, 0.0, 'the length of a sharp point that is thinner than a line may be'),
            Field::length('letter', 'Least capitals', 0.0), Field::count('colours', 'Most colours', 0, 0, 500),
            Field::length('bedWidth', 'Bed width', 0.0), Field::length('bedHeight', 'Bed height', 0.0, 0.0, 'nought for a roll'),
            Field::number('look', 'Look may change by, %', 0.1, 0.0, 100.0),
        ];
    }

    /**
     * @param  array<string, float|int>  $now  by name, mm
     * @param  array<mixed>  $typed  by name; an empty one is as usual for the process again
     * @return array<string, float|int>
     *
     * @throws Refused
     */
    public static function typed(array $now, array $typed, string $unit): array
    {
        foreach (self::all() as $field) {
            if (! array_key_exists($field->name, $typed)) {
                continue;
            }
            $said = is_string($typed[$field->name]) ? trim($typed[$field->name]) : $typed[$field->name];
            unset($now[$field->name]);
            if ($said !== '' && $said !== null) {
                $value = Values::read([$field], [$field->name => $said], $unit)->all()[$field->name];
                $now[$field->name] = $field->type === Field::COUNT ? (int) $value : (float) $value;
            }
        }

        return $now;
    }
}
