<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** Reads numbers and flags out of SVG's compact number lists. */
final class Scanner
{
    private int $at = 0;

    public function __construct(private readonly string $text)
    {
    }

    public function command(): ?string
    {
        if (preg_match('/[\s,]*([a-zA-Z])/A', $this->text, $found, 0, $this->at) !== 1) {
            return null;
        }
        $this->at += strlen($found[0]);

        return $found[1];
    }

    public function number(): ?float
    {
        if (preg_match('/[\s,]*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)/A', $this->text, $found, 0, $this->at) !== 1) {
            return null;
        }
        $this->at += strlen($found[0]);
        $value = (float) $found[1];

        return abs($value) < 1e9 ? $value : null;
    }

    /** An arc flag: one digit, with or without anything round it. */
    public function flag(): ?bool
    {
        if (preg_match('/[\s,]*([01])/A', $this->text, $found, 0, $this->at) !== 1) {
            return null;
        }
        $this->at += strlen($found[0]);

        return $found[1] === '1';
    }

    /** @return list<float>|null null when fewer than $count follow */
    public function numbers(int $count): ?array
    {
        $numbers = [];
        for ($i = 0; $i < $count; $i++) {
            $number = $this->number();
            if ($number === null) {
                return null;
            }
            $numbers[] = $number;
        }

        return $numbers;
    }

    public function isAtEnd(): bool
    {
        return trim(substr($this->text, $this->at, 64), " \t\r\n\f,") === '' && $this->at + 64 >= strlen($this->text)
            || trim(substr($this->text, $this->at), " \t\r\n\f,") === '';
    }

    /** How many characters were read. */
    public function position(): int
    {
        return $this->at;
    }
}
