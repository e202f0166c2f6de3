<?php

declare(strict_types=1);

namespace NeatEdge\Core\Described;

use ReflectionClass;
use ReflectionClassConstant;

/**
 * One value that an artist can choose: its name, its kind, its unit and its bounds, said once. The form on the page, the
 * options of the command line, what is taken over HTTP and the words of a refusal follow from it.
 */
final readonly class Field
{
    public const LENGTH = 'length';

    public const ANGLE = 'angle';

    public const NUMBER = 'number';

    public const COUNT = 'count';

    public const SHARE = 'share';

    public const CHOICE = 'choice';

    public const FLAG = 'flag';

    public const TEXT = 'text';

    public const COLOUR = 'colour';

    /** The id of one piece. */
    public const PIECE = 'piece';

    /** Ids of pieces. */
    public const PIECES = 'pieces';

    /** One place on the page, "x,y" in mm. */
    public const PLACE = 'place';

    /** Groups of places: "x,y x,y; x,y". */
    public const PLACES = 'places';

    /** Path data in mm, as in SVG 2, chapter 9. */
    public const PATH = 'path';

    /** Nodes or segments of a piece, each as contour and number. */
    public const NODES = 'nodes';

    /** A row of plain numbers. */
    public const NUMBERS = 'numbers';

    /** Lengths in a row: "4mm 2mm". */
    public const LENGTHS = 'lengths';

    /** Colours in a row: "#1d5c46 #e0a030". */
    public const COLOURS = 'colours';

    /** Pairs of colours, each with one of the options: "#1d5c46/#e0a030=butt". */
    public const PAIRS = 'pairs';

    /** Places with colours: "12,4 #cc3333; 30,8 #1d5c46". */
    public const PAINTED = 'painted';

    /** Several values that belong together, as they are described in its parts. */
    public const GROUP = 'group';

    /** Such groups, in a row. */
    public const ROWS = 'rows';

    /** What another description reads, or only the application gives. */
    public const DATA = 'data';

    /** Kinds that are sent as lists or objects, not as words. */
    public const STRUCTURED = [self::PIECES, self::NODES, self::NUMBERS, self::GROUP, self::ROWS, self::DATA];

    /** Kinds that are a number within bounds. */
    public const NUMERIC = [self::LENGTH, self::ANGLE, self::NUMBER, self::COUNT, self::SHARE];

    /** Farthest that anything lies or is sized, mm. */
    public const FARTHEST = 1e5;

    /** Letters of a name, and of a text that is no name. */
    private const WORDS = [
        self::PIECE => 80,
        self::COLOUR => 20,
        self::PLACE => 100,
        self::PLACES => 100_000,
        self::PATH => 200_000,
        self::PAINTED => 50_000,
        self::COLOURS => 2000,
        self::PAIRS => 4000,
    ];

    /**
     * @param  string  $type  one of the constants; lengths are mm, angles degrees, shares 0 to 1
     * @param  float|string|bool  $usual  what it is when nothing is said
     * @param  float  $least  of a number; of a row, how many
     * @param  float  $most  of a number; of a row, how many; of words, letters
     * @param  array<string, string>  $options  labels by value, of a choice
     * @param  string  $help  what it does, in one sentence
     * @param  bool  $needed  whether it must be said: nothing stands for it
     * @param  list<self>  $parts  of a group or of rows
     * @param  array{string, list<string>}|null  $where  another field, and those of its values with which this one says anything
     */
    public function __construct(
        public string $name,
        public string $label,
        public string $type,
        public float|string|bool $usual,
        public float $least = -self::FARTHEST,
        public float $most = self::FARTHEST,
        public array $options = [],
        public string $help = '',
        public bool $needed = false,
        public array $parts = [],
        public ?array $where = null,
    ) {
    }

    /** @param  float  $least  mm, as all that follows */
    public static function length(string $name, string $label, float $usual, float $least = 0.0, string $help = '', float $most = self::FARTHEST): self
    {
        return new self($name, $label, self::LENGTH, $usual, $least, $most, help: $help);
    }

    /** A length or a place that may lie on either side of nought. */
    public static function signed(string $name, string $label, float $usual = 0.0, float $reach = self::FARTHEST): self
    {
        return new self($name, $label, self::LENGTH, $usual, -$reach, $reach);
    }

    public static function angle(string $name, string $label, float $usual, float $least = -36_000.0, float $most = 36_000.0): self
    {
        return new self($name, $label, self::ANGLE, $usual, $least, $most);
    }

    public static function count(string $name, string $label, int $usual, int $least, int $most, string $help = ''): self
    {
        return new self($name, $label, self::COUNT, (float) $usual, $least, $most, help: $help);
    }

    public static function share(string $name, string $label, float $usual, float $least = 0.0, float $most = 1.0): self
    {
        return new self($name, $label, self::SHARE, $usual, $least, $most);
    }

    public static function flag(string $name, string $label, bool $usual, string $help = ''): self
    {
        return new self($name, $label, self::FLAG, $usual, help: $help);
    }

    /** @param  array<string, string>  $options */
    public static function choice(string $name, string $label, string $usual, array $options, string $help = ''): self
    {
        return new self($name, $label, self::CHOICE, $usual, options: $options, help: $help);
    }

    public static function number(string $name, string $label, float $usual, float $least = -self::FARTHEST, float $most = self::FARTHEST): self
    {
        return new self($name, $label, self::NUMBER, $usual, $least, $most);
    }

    /**
     * @param  string  $type  one of those that are told by words alone
     * @param  int  $most  letters, or as many as its type needs
     */
    public static function words(string $name, string $label, string $type = self::TEXT, string $usual = '', string $help = '', int $most = 0): self
    {
        return new self($name, $label, $type, $usual, 0.0, $most > 0 ? $most : (self::WORDS[$type] ?? 200), help: $help);
    }

    /** A colour such as #1d5c46; where that is an answer, none. */
    public static function colour(string $name, string $label, string $usual = '', string $help = '', bool $none = false): self
    {
        return new self($name, $label, self::COLOUR, $usual, 0.0, self::WORDS[self::COLOUR], $none ? ['none' => 'None'] : [], $help);
    }

    /** A row of plain numbers, as many as is said. */
    public static function numbers(string $name, string $label, int $least, int $most = 200_000, string $help = ''): self
    {
        return new self($name, $label, self::NUMBERS, '', $least, $most, help: $help, needed: $least > 0);
    }

    /** @param  list<self>  $parts */
    public static function group(string $name, string $label, array $parts): self
    {
        return new self($name, $label, self::GROUP, '', parts: $parts);
    }

    /** @param  list<self>  $parts */
    public static function rows(string $name, string $label, array $parts, int $least, int $most, bool $needed = false): self
    {
        return new self($name, $label, self::ROWS, '', $least, $most, needed: $needed, parts: $parts);
    }

    /** @param  array<string, string>  $options */
    public static function pairs(string $name, string $label, array $options, string $help = ''): self
    {
        return new self($name, $label, self::PAIRS, '', 0.0, self::WORDS[self::PAIRS], $options, $help);
    }

    /** What only the application gives, or what is read by a description of its own. */
    public static function data(string $name, string $label, string $help = ''): self
    {
        return new self($name, $label, self::DATA, '', help: $help);
    }

    /**
     * The same, which says something only where another field has one of some values.
     *
     * @param  list<string>  $among
     */
    public function where(string $field, array $among): self
    {
        return new self(...[...get_object_vars($this), 'where' => [$field, $among]]);
    }

    /** The same, which must be said. */
    public function needed(): self
    {
        return new self(...[...get_object_vars($this), 'needed' => true]);
    }

    /** The same, of which what is not said stays as it is now: nothing is usual for it. */
    public function asItIs(): self
    {
        return new self(...[...get_object_vars($this), 'usual' => '']);
    }

    public function isNumeric(): bool
    {
        return in_array($this->type, self::NUMERIC, true);
    }

    /** What may be typed, by kind of value; in braces what differs from field to field. */
    private const WANTED = [
        self::LENGTH => 'type a length between {least} and {most} mm',
        self::ANGLE => 'type an angle between {least}° and {most}°',
        self::COUNT => 'type a whole number between {least} and {most}',
        self::SHARE => 'type a share between {least} and {most}, or between {least%}% and {most%}%',
        self::NUMBER => 'type a number between {least} and {most}',
        self::CHOICE => 'choose one of these: {options}',
        self::FLAG => 'say yes or no',
        self::COLOUR => 'write a colour such as #cc3333{none}',
        self::PLACE => 'write a place as x,y such as 12.5,40',
        self::PLACES => 'write places such as 12.5,40 20,44; 60,10',
        self::PATH => 'write path data such as M0,0 L20,10',
        self::LENGTHS => 'write up to twenty lengths in turn such as 4mm 2mm',
        self::COLOURS => 'write colours such as #1d5c46 #e0a030',
        self::PAIRS => 'write pairs such as #1d5c46/#e0a030={first}',
        self::PAINTED => 'write places and colours such as 12,4 #cc3333; 30,8 #1d5c46',
        self::NODES => 'choose nodes of the piece',
        self::NUMBERS => '{some} numbers are needed',
        self::ROWS => 'between {least} and {most} are needed',
        self::PIECES => 'say pieces by their ids',
        self::GROUP => 'say its values by their names',
        self::DATA => 'say its values by their names',
    ];

    /** What may be typed, as the end of a sentence: the one wording of a bound. */
    public function wanted(): string
    {
        [$least, $most] = [self::plain($this->least), self::plain($this->most)];

        return strtr(self::WANTED[$this->type] ?? 'write at most {most} letters', [
            '{least}' => $least,
            '{most}' => $most,
            '{least%}' => self::plain(100 * $this->least),
            '{most%}' => self::plain(100 * $this->most),
            '{options}' => implode(', ', array_keys($this->options)),
            '{first}' => (string) array_key_first($this->options),
            '{none}' => isset($this->options['none']) ? ', or none' : '',
            '{some}' => $least === $most ? $least : "between {$least} and {$most}",
        ]);
    }

    /** @return list<string> every kind of value */
    public static function types(): array
    {
        return array_values(array_unique(array_filter((new ReflectionClass(self::class))->getConstants(ReflectionClassConstant::IS_PUBLIC), is_string(...))));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            ...get_object_vars($this),
            'options' => (object) $this->options,
            'parts' => array_map(static fn (self $part): array => $part->toArray(), $this->parts),
        ];
    }

    private static function plain(float $number): string
    {
        return rtrim(rtrim(number_format($number, 4, '.', ''), '0'), '.');
    }
}
