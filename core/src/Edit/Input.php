<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Colour;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\PathData;
use NeatEdge\Core\Geometry\PathTooLong;
use NeatEdge\Core\Type\FontShelf;

/** What the page sent for an edit. Every value that comes out of here is of its type and within its bounds. */
final readonly class Input
{
    private const FARTHEST = 1e6;

    private const MOST_SEGMENTS = 20_000;

    /**
     * @param  array<mixed>  $fields
     * @param  string  $unit  of numbers that are typed without one
     */
    public function __construct(private array $fields, public FontShelf $fonts, public string $unit = 'mm')
    {
    }

    public function has(string $name): bool
    {
        return ($this->fields[$name] ?? null) !== null;
    }

    /** What was sent, as it was sent. */
    public function raw(string $name): mixed
    {
        return $this->fields[$name] ?? null;
    }

    /** @return list<string> ids */
    public function pieces(): array
    {
        $raw = $this->fields['pieces'] ?? [];

        return array_values(array_filter(is_array($raw) ? $raw : [], is_string(...)));
    }

    public function text(string $name, int $most = 200): string
    {
        $value = $this->fields[$name] ?? '';
        if (! is_string($value) || mb_strlen($value) > $most) {
            throw EditRefused::because(sprintf('Write at most %d letters.', $most));
        }

        return mb_scrub($value);
    }

    public function flag(string $name, bool $usual = false): bool
    {
        return (bool) ($this->fields[$name] ?? $usual);
    }

    /**
     * @template T of string
     *
     * @param  list<T>  $of
     * @param  T|null  $usual
     * @return T
     */
    public function choice(string $name, array $of, ?string $usual = null): string
    {
        $value = $this->fields[$name] ?? $usual;
        foreach ($of as $one) {
            if ($one === $value) {
                return $one;
            }
        }
        throw EditRefused::because('Choose one of these: '.implode(', ', $of).'.');
    }

    public function number(string $name, ?float $usual = null, float $least = -self::FARTHEST, float $most = self::FARTHEST): float
    {
        $value = $this->fields[$name] ?? $usual;
        if (is_string($value) && is_numeric(str_replace(',', '.', trim($value)))) {
            $value = (float) str_replace(',', '.', trim($value));
        }
        if ((! is_int($value) && ! is_float($value)) || ! is_finite((float) $value)) {
            throw EditRefused::because(is_string($value) && $value !== '' ? sprintf('"%s" is no number.', mb_substr(mb_scrub($value), 0, 40)) : 'A number is missing.');
        }
        if ($value < $least || $value > $most) {
            throw EditRefused::because(sprintf('Type a number between %s and %s.', self::plain($least), self::plain($most)));
        }

        return (float) $value;
    }

    /** A length in mm: a number, or text with a unit and plain arithmetic; percentages are of what is usual, or was before. */
    public function length(string $name, ?float $usual = null, float $least = -self::FARTHEST, float $most = self::FARTHEST): float
    {
        $value = $this->fields[$name] ?? $usual;
        if (is_string($value)) {
            try {
                $value = Length::parse($value, $this->unit, $usual)->mm;
            } catch (InvalidLength $invalid) {
                throw EditRefused::because($invalid->getMessage());
            }
        }

        return (new self([$name => $value], $this->fonts))->number($name, null, $least, $most);
    }

    /** A share that was typed as a percentage, such as 40%; null for anything else. */
    public function percentage(string $name): ?float
    {
        $value = $this->fields[$name] ?? null;

        return is_string($value) && preg_match('/^\s*(\d+(?:[.,]\d+)?)\s*%\s*$/D', $value, $found) === 1 ? (float) str_replace(',', '.', $found[1]) / 100 : null;
    }

    /** An angle in degrees, or plain arithmetic that gives one. */
    public function angle(string $name, ?float $usual = null, float $least = -36000.0, float $most = 36000.0): float
    {
        $value = $this->fields[$name] ?? $usual;
        if (is_string($value)) {
            try {
                $value = Length::parse(rtrim($value, '° '), 'mm')->mm;
            } catch (InvalidLength) {
                throw EditRefused::because('Write an angle such as 45 or 360/7.');
            }
        }

        return (new self([$name => $value], $this->fonts))->number($name, null, $least, $most);
    }

    public function matrix(string $name): Matrix
    {
        $n = $this->numbers($name, 6, 6);
        $matrix = new Matrix($n[0], $n[1], $n[2], $n[3], $n[4], $n[5]);
        if ($matrix->isSingular()) {
            throw EditRefused::because('That would press the pieces flat to nothing.');
        }

        return $matrix;
    }

    /** @return list<float> */
    public function numbers(string $name, int $least = 0, int $most = 200_000): array
    {
        $raw = $this->fields[$name] ?? [];
        if (! is_array($raw) || count($raw) < $least || count($raw) > $most) {
            throw EditRefused::because('The drawing has fewer or more points than it needs.');
        }
        $out = [];
        foreach ($raw as $value) {
            if ((! is_int($value) && ! is_float($value)) || ! is_finite((float) $value) || abs($value) > self::FARTHEST) {
                throw EditRefused::because('The drawing has places that are none, or lie too far off.');
            }
            $out[] = (float) $value;
        }

        return $out;
    }

    /**
     * @param  int  $width  how many whole numbers each has
     * @return list<list<int>>
     */
    public function places(string $name, int $width = 2): array
    {
        $raw = $this->fields[$name] ?? [];
        $out = [];
        foreach (is_array($raw) ? $raw : [] as $one) {
            if (! is_array($one) || count($one) < $width || array_filter($one, static fn (mixed $n): bool => ! is_int($n) || $n < 0) !== []) {
                throw EditRefused::because('Choose nodes of the piece first.');
            }
            $out[] = array_values($one);
        }

        return $out;
    }

    /**
     * Places on the page, in groups: "x,y x,y; x,y", lengths with or without unit.
     *
     * @return list<non-empty-list<array{float, float}>> mm
     */
    public function spots(string $name, int $most = 2000): array
    {
        $out = [];
        foreach (array_filter(array_map(trim(...), explode(';', $this->text($name, 50 * $most)))) as $group) {
            $spots = array_map($this->spotOf(...), preg_split('/\s+/', $group) ?: []);
            if ($spots !== []) {
                $out[] = $spots;
            }
        }

        return array_sum(array_map(count(...), $out)) > $most ? throw EditRefused::because(sprintf('That are more than %d places.', $most)) : $out;
    }

    /** @return array{float, float} mm */
    public function spot(string $name): array
    {
        return $this->spotOf(trim($this->text($name, 100)));
    }

    /** @return array{float, float} */
    private function spotOf(string $text): array
    {
        $parts = explode(',', $text);
        if (count($parts) !== 2) {
            throw EditRefused::because(sprintf('A place is written as x,y such as 12.5,40: "%s" is none.', mb_substr($text, 0, 40)));
        }
        $at = new self(['x' => $parts[0], 'y' => $parts[1]], $this->fonts, $this->unit);

        return [$at->length('x'), $at->length('y')];
    }

    /** @return list<Contour> lines from path data in mm; none when nothing was sent */
    public function path(string $name): array
    {
        try {
            [$contours, $fault] = PathData::parse($this->text($name, 200_000), self::MOST_SEGMENTS);
        } catch (PathTooLong $refused) {
            throw EditRefused::because($refused->getMessage());
        }
        if ($fault !== null) {
            throw EditRefused::because('The line is no path data: write it such as M0,0 L20,10.');
        }
        foreach ($contours as $contour) {
            foreach ($contour->coords as $value) {
                if (abs($value) > self::FARTHEST) {
                    throw EditRefused::because('The line lies too far off.');
                }
            }
        }

        return $contours;
    }

    /** A colour such as #c33 or #cc3333; null when none was sent. */
    public function colour(string $name): ?Colour
    {
        $text = trim($this->text($name, 20));

        return $text === '' ? null : Colour::parse($text) ?? throw EditRefused::because('Write a colour such as #cc3333.');
    }

    /** @return array<mixed>|null */
    public function nested(string $name): ?array
    {
        $raw = $this->fields[$name] ?? null;

        return is_array($raw) ? $raw : null;
    }

    /**
     * The values of described fields; what was not sent stays as it is, or as is usual.
     *
     * @param  list<Field>  $fields
     * @param  array<string, float|string|bool>  $now
     * @return array<string, float|string|bool>
     */
    public function values(array $fields, array $now = []): array
    {
        $out = [];
        foreach ($fields as $field) {
            $usual = $now[$field->name] ?? $field->usual;
            try {
                $out[$field->name] = $this->value($field, $usual);
            } catch (EditRefused $refused) {
                throw EditRefused::because("{$field->label}: ".lcfirst($refused->getMessage()));
            }
        }

        return $out;
    }

    private function value(Field $field, float|string|bool $usual): float|string|bool
    {
        return match ($field->type) {
            Field::LENGTH => $this->length($field->name, (float) $usual, $field->least, $field->most),
            Field::ANGLE => $this->angle($field->name, (float) $usual, $field->least, $field->most),
            Field::COUNT => round($this->number($field->name, (float) $usual, $field->least, $field->most)),
            Field::FLAG => $this->flag($field->name, (bool) $usual),
            Field::CHOICE => $this->choice($field->name, array_map(strval(...), array_keys($field->options)), (string) $usual),
            Field::TEXT, Field::COLOUR, Field::PIECE => $this->has($field->name) ? $this->text($field->name) : (string) $usual,
            default => $this->number($field->name, (float) $usual, $field->least, $field->most),
        };
    }

    private static function plain(float $number): string
    {
        return rtrim(rtrim(number_format($number, 3, '.', ''), '0'), '.');
    }
}
