<?php

declare(strict_types=1);

namespace NeatEdge\Core\Described;

use LogicException;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Geometry\PathData;
use NeatEdge\Core\Geometry\PathTooLong;
use NeatEdge\Core\Measure\Colour;

/** The one reader of values: what was typed or sent, by its description. */
final class Reading
{
    private const MOST_SEGMENTS = 20_000;

    private const MOST_PIECES = 100_000;

    private const MOST_PLACES = 2000;

    private const MOST_LENGTHS = 20;

    private const YES = [true, 1, 1.0, '1', 'true', 'yes', 'on'];

    private const NO = [false, 0, 0.0, '0', 'false', 'no', 'off', ''];

    /**
     * @return mixed a float for what is numeric (or a Relative), a string, a bool, a Colour or "none", a list
     *
     * @throws Refused
     */
    public static function of(Field $field, mixed $value, string $unit): mixed
    {
        return match (true) {
            $field->isNumeric() => self::numeric($field, $value, $unit),
            in_array($field->type, self::WRITTEN, true) => self::written($field, self::words($field, $value), $unit),
            default => self::chosen($field, $value),
        };
    }

    private static function numeric(Field $field, mixed $value, string $unit): float|Relative
    {
        return match ($field->type) {
            Field::LENGTH => self::length($field, $value, $unit),
            Field::ANGLE => self::bounded($field, is_string($value) ? self::angle($field, $value) : self::plain($field, $value)),
            Field::SHARE => self::bounded(
                $field,
                is_string($value) && str_ends_with(trim($value), '%') ? self::plain($field, rtrim(trim($value), '% ')) / 100 : self::plain($field, $value),
            ),
            Field::COUNT => self::whole($field, self::plain($field, $value)),
            default => self::bounded($field, self::plain($field, $value)),
        };
    }

    /** What is written in words, though it means something else. */
    private const WRITTEN = [
        Field::COLOUR, Field::PLACE, Field::PLACES, Field::PATH, Field::LENGTHS, Field::COLOURS, Field::PAIRS, Field::PAINTED,
    ];

    /** @return mixed a Colour or "none", a place or null, a list */
    private static function written(Field $field, string $text, string $unit): mixed
    {
        return match ($field->type) {
            Field::COLOUR => self::colour($field, trim($text)),
            Field::PLACE => trim($text) === '' ? null : self::place($field, trim($text), $unit),
            Field::PLACES => self::places($field, $text, $unit),
            Field::PATH => self::path($field, $text),
            Field::LENGTHS => self::lengths($field, $text, $unit),
            Field::COLOURS => array_map(static fn (string $one): Colour => self::hue($field, $one), self::parts('/[\s,]+/', $text)),
            Field::PAIRS => array_map(static fn (string $one): array => self::pair($field, $one), self::parts('/[\s,;]+/', $text)),
            Field::PAINTED => array_map(static fn (string $one): array => self::painted($field, trim($one), $unit), self::parts('/;/', $text)),
            default => throw new LogicException("{$field->type} is not written."),
        };
    }

    /** @return mixed a bool, a string, a list, or data as it is */
    private static function chosen(Field $field, mixed $value): mixed
    {
        return match ($field->type) {
            Field::FLAG => match (true) {
                in_array($value, self::YES, true) => true,
                in_array($value, self::NO, true) => false,
                default => throw Refused::field($field),
            },
            Field::CHOICE => is_string($value) && isset($field->options[$value]) ? $value : throw Refused::field($field),
            Field::NODES => self::nodes($field, $value),
            Field::NUMBERS => self::numbers($field, $value),
            Field::PIECES => array_values(array_filter(self::rows($field, $value, 0, self::MOST_PIECES), is_string(...))),
            Field::GROUP => is_array($value) ? $value : throw Refused::field($field),
            Field::ROWS => self::rows($field, $value, $field->least, $field->most),
            Field::DATA => $value,
            default => self::words($field, $value),
        };
    }

    /** @return array<mixed> */
    private static function rows(Field $field, mixed $value, float $least, float $most): array
    {
        return is_array($value) && count($value) >= $least && count($value) <= $most ? $value : throw Refused::field($field);
    }

    /** @throws Refused beyond its bounds */
    public static function bounded(Field $field, float $value): float
    {
        return $value >= $field->least && $value <= $field->most ? $value : throw Refused::field($field);
    }

    private static function whole(Field $field, float $value): float
    {
        $whole = round($value);

        return abs($whole - $value) < 1e-6 ? self::bounded($field, $whole) : throw Refused::field($field);
    }

    private static function length(Field $field, mixed $value, string $unit): float|Relative
    {
        if (! is_string($value)) {
            return self::bounded($field, self::plain($field, $value));
        }
        try {
            if (str_contains($value, '%')) {
                $relative = new Relative($value, $unit);
                $relative->of(1.0);

                return $relative;
            }

            return self::bounded($field, Length::parse($value, $unit)->mm);
        } catch (InvalidLength $invalid) {
            throw Refused::because("{$field->label}: ".lcfirst($invalid->getMessage()));
        }
    }

    private static function angle(Field $field, string $text): float
    {
        try {
            return Length::parse(rtrim($text, '° '), 'mm')->mm;
        } catch (InvalidLength) {
            throw Refused::because("{$field->label}: write an angle such as 45 or 360/7.");
        }
    }

    /** A number as it is, or written with a point or a comma. */
    private static function plain(Field $field, mixed $value): float
    {
        if (is_string($value)) {
            $text = str_replace(',', '.', trim($value));
            $value = is_numeric($text) ? (float) $text : throw ($text === '' ? Refused::field($field) : Refused::because(sprintf(
                '%s: "%s" is no number.',
                $field->label,
                mb_substr(mb_scrub($value), 0, 40),
            )));
        }

        return (is_int($value) || is_float($value)) && is_finite((float) $value) ? (float) $value : throw Refused::field($field);
    }

    private static function words(Field $field, mixed $value): string
    {
        return is_string($value) && mb_strlen($value) <= $field->most ? mb_scrub($value) : throw Refused::field($field);
    }

    /** @return Colour|'none'|null */
    private static function colour(Field $field, string $text): Colour|string|null
    {
        if ($text === '' || ($text === 'none' && isset($field->options['none']))) {
            return $text === '' ? null : 'none';
        }

        return Colour::parse($text) ?? throw Refused::field($field);
    }

    /** @return array{float, float} mm */
    private static function place(Field $field, string $text, string $unit): array
    {
        $parts = explode(',', $text);
        if (count($parts) !== 2) {
            throw Refused::because(sprintf('%s: a place is written as x,y such as 12.5,40: "%s" is none.', $field->label, mb_substr($text, 0, 40)));
        }
        [$x, $y] = array_map(static fn (string $part): float|Relative => self::length(Field::signed($field->name, $field->label), $part, $unit), $parts);

        return is_float($x) && is_float($y) ? [$x, $y] : throw Refused::field($field);
    }

    /** @return list<non-empty-list<array{float, float}>> mm */
    private static function places(Field $field, string $text, string $unit): array
    {
        $lists = [];
        foreach (array_filter(array_map(trim(...), explode(';', $text))) as $group) {
            $places = array_map(static fn (string $one): array => self::place($field, $one, $unit), preg_split('/\s+/', $group) ?: []);
            if ($places !== []) {
                $lists[] = $places;
            }
        }

        return array_sum(array_map(count(...), $lists)) > self::MOST_PLACES ? throw Refused::because(sprintf(
            '%s: that are more than %d places.',
            $field->label,
            self::MOST_PLACES,
        )) : $lists;
    }

    /** @return list<Contour> */
    private static function path(Field $field, string $text): array
    {
        try {
            [$contours, $fault] = PathData::parse($text, self::MOST_SEGMENTS);
        } catch (PathTooLong $refused) {
            throw Refused::because("{$field->label}: ".lcfirst($refused->getMessage()));
        }
        if ($fault !== null) {
            throw Refused::field($field);
        }
        foreach ($contours as $contour) {
            self::near($field, $contour->coords);
        }

        return $contours;
    }

    /** @return list<string> */
    private static function parts(string $between, string $text): array
    {
        return preg_split($between, trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
    }

    /** @return list<float> mm */
    private static function lengths(Field $field, string $text, string $unit): array
    {
        $lengths = [];
        foreach (self::parts('/[\s;]+/', $text) as $part) {
            $length = self::length(new Field($field->name, $field->label, Field::LENGTH, 0.0, 0.0, 1000.0), $part, $unit);
            $lengths[] = is_float($length) ? $length : throw Refused::field($field);
        }

        return count($lengths) > self::MOST_LENGTHS ? throw Refused::field($field) : $lengths;
    }

    private static function hue(Field $field, string $text): Colour
    {
        return Colour::parse($text) ?? throw Refused::because(sprintf(
            '%s: "%s" is no colour: write it such as #1d5c46.',
            $field->label,
            mb_substr($text, 0, 20),
        ));
    }

    /** @return array{Colour, Colour, string} */
    private static function pair(Field $field, string $text): array
    {
        [$colours, $how] = [...explode('=', $text, 2), ''];
        [$lower, $upper] = array_map(Colour::parse(...), [...explode('/', $colours, 2), '']);
        if ($lower === null || $upper === null || ! isset($field->options[$how])) {
            throw Refused::because(sprintf(
                '%s: write a pair such as #1d5c46/#e0a030=%s: "%s" is none.',
                $field->label,
                array_key_first($field->options),
                mb_substr($text, 0, 40),
            ));
        }

        return [$lower, $upper, $how];
    }

    /** @return array{array{float, float}, Colour} */
    private static function painted(Field $field, string $text, string $unit): array
    {
        [$place, $colour] = [...self::parts('/\s+/', $text), '', ''];

        return [self::place($field, $place, $unit), Colour::parse($colour) ?? throw Refused::field($field)];
    }

    /** @return list<array{int, int}> */
    private static function nodes(Field $field, mixed $value): array
    {
        $nodes = [];
        foreach (is_array($value) ? $value : throw Refused::field($field) as $one) {
            [$contour, $number] = is_array($one) ? [...array_values($one), null, null] : [null, null];
            $nodes[] = is_int($contour) && is_int($number) && min($contour, $number) >= 0 ? [$contour, $number] : throw Refused::field($field);
        }

        return $nodes;
    }

    /** @return list<float> */
    private static function numbers(Field $field, mixed $value): array
    {
        if (! is_array($value) || count($value) < $field->least || count($value) > $field->most) {
            throw Refused::field($field);
        }
        $numbers = [];
        foreach ($value as $one) {
            $numbers[] = self::plain($field, is_string($one) ? null : $one);
        }
        self::near($field, $numbers);

        return $numbers;
    }

    /** @param  list<float>  $coords */
    private static function near(Field $field, array $coords): void
    {
        foreach ($coords as $value) {
            if (abs($value) > 10 * Field::FARTHEST) {
                throw Refused::because("{$field->label}: it lies too far off.");
            }
        }
    }
}
