<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** One value that an artist can type: what the page needs to show it, and what holds it within bounds. */
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

    /** One place on the page, "x,y" in mm. */
    public const PLACE = 'place';

    /** Groups of places: "x,y x,y; x,y". */
    public const PLACES = 'places';

    /** Path data in mm, as in SVG 2, chapter 9. */
    public const PATH = 'path';

    /** Nodes or segments of a piece, each as contour and number. */
    public const NODES = 'nodes';

    /** A row of plain numbers, or what only the page sends. */
    public const DATA = 'data';

    /**
     * @param  string  $type  one of the constants; lengths are mm, angles degrees, shares 0 to 1
     * @param  array<string, string>  $options  labels by value, of a choice
     * @param  string  $help  what it does, in one sentence
     */
    public function __construct(
        public string $name,
        public string $label,
        public string $type,
        public float|string|bool $usual,
        public float $least = -1e5,
        public float $most = 1e5,
        public array $options = [],
        public string $help = '',
    ) {
    }

    public static function length(string $name, string $label, float $usual, float $least = 0.0, string $help = ''): self
    {
        return new self($name, $label, self::LENGTH, $usual, $least, help: $help);
    }

    public static function angle(string $name, string $label, float $usual, float $least = -360.0, float $most = 360.0): self
    {
        return new self($name, $label, self::ANGLE, $usual, $least, $most);
    }

    public static function count(string $name, string $label, int $usual, int $least, int $most): self
    {
        return new self($name, $label, self::COUNT, (float) $usual, $least, $most);
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

    public static function number(string $name, string $label, float $usual, float $least = -1e5, float $most = 1e5): self
    {
        return new self($name, $label, self::NUMBER, $usual, $least, $most);
    }

    /** @param  string  $type  one of those that are told by words alone */
    public static function words(string $name, string $label, string $type = self::TEXT, string $usual = '', string $help = ''): self
    {
        return new self($name, $label, $type, $usual, help: $help);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return get_object_vars($this);
    }
}
