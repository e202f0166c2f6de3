<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Basic;

use NeatEdge\Core\Described\Field;

/** The basic shapes and what can be typed for each. */
enum ShapeKind: string
{
    case Rectangle = 'rectangle';
    case Ellipse = 'ellipse';
    case Polygon = 'polygon';
    case Star = 'star';
    case Heart = 'heart';
    case Banner = 'banner';
    case Drop = 'drop';
    case Arrow = 'arrow';
    case Line = 'line';

    public function label(): string
    {
        return match ($this) {
            self::Ellipse => 'Circle, ring or pie',
            self::Banner => 'Ribbon banner',
            self::Drop => 'Teardrop',
            default => ucfirst($this->value),
        };
    }

    /** @return list<Field> width and height first */
    public function fields(): array
    {
        [$width, $height] = match ($this) {
            self::Banner => [80.0, 24.0],
            self::Arrow => [50.0, 20.0],
            self::Drop => [24.0, 36.0],
            self::Line => [50.0, 0.0],
            default => [40.0, $this === self::Rectangle ? 30.0 : 40.0],
        };
        $least = $this === self::Line ? -1e5 : 0.001;
        $size = [
            Field::length('width', $this === self::Line ? 'Across' : 'Width', $width, $least),
            Field::length('height', $this === self::Line ? 'Down' : 'Height', $height, $least),
        ];

        // What the size bounds is kept as it was typed and drawn as far as it fits, so that it comes back when the piece is made larger.
        $sides = 'drawn so far that two corners fit on a side';
        $corners = 'drawn so far that two corners fit between two points';

        return [...$size, ...match ($this) {
            self::Rectangle => [
                Field::length('topLeft', 'Corner, top left', 0.0, help: $sides), Field::length('topRight', 'Corner, top right', 0.0, help: $sides),
                Field::length('bottomRight', 'Corner, bottom right', 0.0, help: $sides), Field::length('bottomLeft', 'Corner, bottom left', 0.0, help: $sides),
            ],
            self::Ellipse => [
                Field::angle('start', 'Start', 0.0), Field::angle('sweep', 'Sweep', 360.0, 0.5, 360.0), Field::share('inner', 'Inner ratio', 0.0, 0.0, 0.99),
                Field::choice('ends', 'Part of a circle as', 'pie', ['pie' => 'Pie', 'arc' => 'Open arc']),
            ],
            self::Polygon => [Field::count('sides', 'Sides', 6, 3, 200), Field::length('round', 'Corners', 0.0, help: $corners)],
            self::Star => [
                Field::count('points', 'Points', 5, 2, 200),
                Field::share('inner', 'Inner ratio', 0.45, 0.02, 1.0),
                Field::length('round', 'Corners', 0.0, help: $corners),
            ],
            self::Heart => [Field::share('cleft', 'Cleft', 0.2, 0.02, 0.7)],
            self::Banner => [
                Field::length('depth', 'Fold depth', 6.0, 0.0, 'drawn up to 95 % of the height'),
                Field::length('overlap', 'Overlap', 8.0, 0.0, 'drawn up to half of the band'),
                Field::length('tail', 'Tail', 14.0, 0.0, 'drawn up to 45 % of the width'),
                Field::length('notch', 'Notch', 5.0, 0.0, 'drawn up to 95 % of the tail'),
            ],
            self::Drop => [],
            self::Arrow => [
                Field::length('head', 'Head length', 18.0, 0.0, 'drawn up to the width'), Field::length('shaft', 'Shaft', 8.0, 0.0, 'drawn up to the height'),
            ],
            self::Line => [],
        }];
    }

    /** @return list<Field> those of all kinds, each name once */
    public static function everyField(): array
    {
        $fields = [];
        foreach (self::cases() as $kind) {
            foreach ($kind->fields() as $field) {
                $fields[$field->name] ??= $field;
            }
        }

        return array_values($fields);
    }

    /** @return array<string, float|string|bool> */
    public function usual(): array
    {
        return array_column(array_map(static fn (Field $field): array => [$field->name, $field->usual], $this->fields()), 1, 0);
    }
}
