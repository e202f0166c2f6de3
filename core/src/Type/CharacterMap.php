<?php

declare(strict_types=1);

namespace NeatEdge\Core\Type;

use FontLib\TrueType\File;
use UnexpectedValueException;

/**
 * Looks at a font's character map before it is read: a damaged one can claim more characters than there is memory for.
 *
 * @source OpenType specification: cmap, formats 4 and 12
 */
final class CharacterMap
{
    /** Characters that all ranges of a subtable may have; Unicode itself has about 150,000. */
    private const MOST = 300_000;

    /** @throws UnexpectedValueException */
    public static function hold(File $file): void
    {
        $entry = $file->getTable()['cmap'] ?? null;
        if ($entry === null || $entry->length < 4 || $entry->length > 8_000_000) {
            throw new UnexpectedValueException('There is no character map that can be read.');
        }
        $file->seek($entry->offset);
        $data = (string) $file->read($entry->length);
        $tables = self::wide($data, 2, 2);
        for ($i = 0; $i < $tables; $i++) {
            $at = self::wide($data, 4 + 8 * $i + 4, 4);
            $count = match (self::wide($data, $at, 2)) {
                4 => self::segments($data, $at),
                12 => self::groups($data, $at),
                default => 0,
            };
            if ($count > self::MOST) {
                throw new UnexpectedValueException('The character map claims too much.');
            }
        }
    }

    private static function segments(string $data, int $at): int
    {
        $count = intdiv(self::wide($data, $at + 6, 2), 2);
        $sum = 0;
        for ($i = 0; $i < $count; $i++) {
            $end = self::wide($data, $at + 14 + 2 * $i, 2);
            $start = self::wide($data, $at + 16 + 2 * $count + 2 * $i, 2);
            $sum += 1 + max(0, $end - $start);
        }

        return $sum;
    }

    private static function groups(string $data, int $at): int
    {
        $count = self::wide($data, $at + 12, 4);
        if ($count > intdiv(strlen($data), 12)) {
            return self::MOST + 1;
        }
        $sum = 0;
        for ($i = 0; $i < $count; $i++) {
            $sum += 1 + max(0, self::wide($data, $at + 16 + 12 * $i + 4, 4) - self::wide($data, $at + 16 + 12 * $i, 4));
        }

        return $sum;
    }

    private static function wide(string $data, int $at, int $bytes): int
    {
        $value = 0;
        for ($k = 0; $k < $bytes; $k++) {
            $value = ($value << 8) | ord($data[$at + $k] ?? "\0");
        }

        return $value;
    }
}
