<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

/** An sRGB colour, 0 to 255 a channel. */
final readonly class Colour
{
    /** Of 441: the six near-blacks of customers' files that were looked at lie within it, a dark blue or green beyond. */
    private const NEAR_BLACK = 70.0;

    public function __construct(public int $red, public int $green, public int $blue)
    {
    }

    /** @param  string  $hex as hex() gives it */
    public static function fromHex(string $hex): self
    {
        [$red, $green, $blue] = sscanf($hex, '#%02x%02x%02x') ?? [0, 0, 0];

        return new self((int) $red, (int) $green, (int) $blue);
    }

    /** A colour as people write it, such as #c33 or #cc3333; null for anything else. */
    public static function parse(string $text): ?self
    {
        $text = strtolower(trim($text));
        if (preg_match('/^#([0-9a-f]{3}|[0-9a-f]{6})$/D', $text) !== 1) {
            return null;
        }

        return self::fromHex(strlen($text) === 4 ? "#{$text[1]}{$text[1]}{$text[2]}{$text[2]}{$text[3]}{$text[3]}" : $text);
    }

    /** The dark of ink: what is drawn without another colour. */
    public static function ink(): self
    {
        return new self(0x26, 0x23, 0x1D);
    }

    public function hex(): string
    {
        return sprintf('#%02x%02x%02x', $this->red, $this->green, $this->blue);
    }

    /** Whether a press or a blade takes it for black: its distance from black, in plain sRGB. */
    public function isNearBlack(): bool
    {
        return sqrt($this->red ** 2 + $this->green ** 2 + $this->blue ** 2) < self::NEAR_BLACK;
    }

    public function lab(): Lab
    {
        return Lab::ofSrgb($this->red, $this->green, $this->blue);
    }

    /** How far two colours are apart, 0 to 441, in plain sRGB. */
    public function distanceTo(self $other): float
    {
        return sqrt(($this->red - $other->red) ** 2 + ($this->green - $other->green) ** 2 + ($this->blue - $other->blue) ** 2);
    }
}
