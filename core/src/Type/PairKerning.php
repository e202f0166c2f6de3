<?php

declare(strict_types=1);

namespace NeatEdge\Core\Type;

use FontLib\TrueType\File;

/**
 * How much closer two glyphs stand than their advances say, in font units: from the GPOS table, or else from the old kern table.
 *
 * @source OpenType specification: GPOS, lookup type 2 (pair adjustment), formats 1 and 2; type 9 (extension)
 */
final class PairKerning
{
    private const MOST_LOOKUPS = 500;

    /** @var array<int, array<int, int>> */
    private array $old = [];

    /**
     * @var list<list<array{coverage: array<int, int>, pairs: array<int, array<int, int>>, left: array<int, int>, right: array<int, int>,
     *     values: list<list<int>>}>> subtables of the lookups that kern
     */
    private array $lookups = [];

    private function __construct(private readonly string $data)
    {
    }

    public static function of(File $file): self
    {
        $entry = $file->getTable()['GPOS'] ?? null;
        if ($entry !== null && $entry->length > 10 && $entry->length < 4_000_000) {
            $file->seek($entry->offset);
            $self = new self((string) $file->read($entry->length));
            $self->readLookups();
            if ($self->lookups !== []) {
                return $self;
            }
        }
        $self = new self('');
        if (isset($file->getTable()['kern'])) {
            $self->old = $file->getData('kern')['subtable']['tree'] ?? [];
        }

        return $self;
    }

    public function between(int $left, int $right): int
    {
        foreach ($this->lookups as $subtables) {
            foreach ($subtables as $table) {
                if (! isset($table['coverage'][$left])) {
                    continue;
                }
                if ($table['values'] === []) {
                    if (isset($table['pairs'][$left][$right])) {
                        return $table['pairs'][$left][$right];
                    }

                    continue;
                }

                return $table['values'][$table['left'][$left] ?? 0][$table['right'][$right] ?? 0] ?? 0;
            }
        }

        return $this->old[$left][$right] ?? 0;
    }

    private function readLookups(): void
    {
        $features = $this->u16(6);
        $lookups = $this->u16(8);
        $wanted = [];
        for ($i = 0, $n = $this->u16($features); $i < $n; $i++) {
            $record = $features + 2 + 6 * $i;
            if (substr($this->data, $record, 4) !== 'kern') {
                continue;
            }
            $feature = $features + $this->u16($record + 4);
            for ($j = 0, $m = min(self::MOST_LOOKUPS, $this->u16($feature + 2)); $j < $m; $j++) {
                $wanted[$this->u16($feature + 4 + 2 * $j)] = true;
            }
        }
        ksort($wanted);
        foreach (array_keys($wanted) as $index) {
            $lookup = $lookups + $this->u16($lookups + 2 + 2 * $index);
            $type = $this->u16($lookup);
            $tables = [];
            for ($j = 0, $m = min(self::MOST_LOOKUPS, $this->u16($lookup + 4)); $j < $m; $j++) {
                $at = $lookup + $this->u16($lookup + 6 + 2 * $j);
                $own = $type;
                if ($own === 9) {
                    $own = $this->u16($at + 2);
                    $at += $this->u32($at + 4);
                }
                $table = $own === 2 ? $this->pairs($at) : null;
                if ($table !== null) {
                    $tables[] = $table;
                }
            }
            if ($tables !== []) {
                $this->lookups[] = $tables;
            }
        }
    }

    /**
     * @return array{coverage: array<int, int>, pairs: array<int, array<int, int>>, left: array<int, int>, right: array<int, int>,
     *     values: list<list<int>>}|null
     */
    private function pairs(int $at): ?array
    {
        $format = $this->u16($at);
        $first = $this->u16($at + 4);
        $second = $this->u16($at + 6);
        if (($first & 4) === 0) {
            return null;
        }
        // The advance comes after the placements, if there are any.
        $skip = 2 * (($first & 1) + (($first >> 1) & 1));
        $size = 2 * (self::bits($first) + self::bits($second));
        $pairs = ['coverage' => $this->coverage($at + $this->u16($at + 2)), 'pairs' => [], 'left' => [], 'right' => [], 'values' => []];
        if ($format === 1) {
            $order = array_flip($pairs['coverage']);
            for ($i = 0, $n = $this->u16($at + 8); $i < $n; $i++) {
                $set = $at + $this->u16($at + 10 + 2 * $i);
                for ($j = 0, $m = $this->u16($set); $j < $m && isset($order[$i]); $j++) {
                    $record = $set + 2 + $j * (2 + $size);
                    $pairs['pairs'][$order[$i]][$this->u16($record)] = $this->i16($record + 2 + $skip);
                }
            }

            return $pairs;
        }
        if ($format !== 2) {
            return null;
        }
        $pairs['left'] = $this->classes($at + $this->u16($at + 8));
        $pairs['right'] = $this->classes($at + $this->u16($at + 10));
        $lefts = $this->u16($at + 12);
        $rights = $this->u16($at + 14);
        if ($lefts * $rights * $size > strlen($this->data)) {
            return null;
        }
        for ($i = 0; $i < $lefts; $i++) {
            $row = [];
            for ($j = 0; $j < $rights; $j++) {
                $row[] = $this->i16($at + 16 + ($i * $rights + $j) * $size + $skip);
            }
            $pairs['values'][] = $row;
        }

        return $pairs;
    }

    /** @return array<int, int> glyph => its number */
    private function coverage(int $at): array
    {
        $numbers = [];
        $n = $this->u16($at + 2);
        if ($this->u16($at) === 1) {
            for ($i = 0; $i < $n; $i++) {
                $numbers[$this->u16($at + 4 + 2 * $i)] = $i;
            }

            return $numbers;
        }
        for ($i = 0; $i < $n; $i++) {
            $range = $at + 4 + 6 * $i;
            $number = $this->u16($range + 4);
            for ($glyph = $this->u16($range), $last = $this->u16($range + 2); $glyph <= $last; $glyph++) {
                $numbers[$glyph] = $number++;
            }
        }

        return $numbers;
    }

    /** @return array<int, int> glyph => class */
    private function classes(int $at): array
    {
        $classes = [];
        if ($this->u16($at) === 1) {
            $first = $this->u16($at + 2);
            for ($i = 0, $n = $this->u16($at + 4); $i < $n; $i++) {
                $classes[$first + $i] = $this->u16($at + 6 + 2 * $i);
            }

            return $classes;
        }
        for ($i = 0, $n = $this->u16($at + 2); $i < $n; $i++) {
            $range = $at + 4 + 6 * $i;
            $class = $this->u16($range + 4);
            for ($glyph = $this->u16($range), $last = $this->u16($range + 2); $glyph <= $last; $glyph++) {
                $classes[$glyph] = $class;
            }
        }

        return $classes;
    }

    private static function bits(int $format): int
    {
        return substr_count(decbin($format & 0xFF), '1');
    }

    private function u16(int $at): int
    {
        return $at + 1 < strlen($this->data) && $at >= 0 ? (ord($this->data[$at]) << 8) | ord($this->data[$at + 1]) : 0;
    }

    private function i16(int $at): int
    {
        $value = $this->u16($at);

        return $value >= 0x8000 ? $value - 0x10000 : $value;
    }

    private function u32(int $at): int
    {
        return ($this->u16($at) << 16) | $this->u16($at + 2);
    }
}
