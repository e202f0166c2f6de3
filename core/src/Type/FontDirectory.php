<?php

declare(strict_types=1);

namespace NeatEdge\Core\Type;

use UnexpectedValueException;

/**
 * The list of tables with which a font begins, held against the file itself before anything is read by it: no table lies beyond the file's end,
 * and none unpacks to more than it says.
 *
 * @source OpenType 1.9, "Organization of an OpenType Font"; WOFF File Format 1.0, section 4
 */
final class FontDirectory
{
    private const MOST_TABLES = 100;

    /** Bytes of all tables together, unpacked. */
    private const MOST_BYTES = 64_000_000;

    /** @throws UnexpectedValueException */
    public static function hold(string $bytes): void
    {
        $woff = str_starts_with($bytes, 'wOFF');
        $count = self::number($bytes, $woff ? 12 : 4, 2);
        if ($count < 1 || $count > self::MOST_TABLES) {
            throw new UnexpectedValueException('There are no tables.');
        }
        $sum = 0;
        for ($i = 0; $i < $count; $i++) {
            $at = $woff ? 44 + 20 * $i : 12 + 16 * $i;
            $offset = self::number($bytes, $at + ($woff ? 4 : 8), 4);
            $packed = self::number($bytes, $at + ($woff ? 8 : 12), 4);
            $length = $woff ? self::number($bytes, $at + 12, 4) : $packed;
            $sum += $length;
            if ($offset + $packed > strlen($bytes) || $length < $packed || $sum > self::MOST_BYTES) {
                throw new UnexpectedValueException('A table claims more than the file has.');
            }
            if ($length > $packed && strlen((string) @gzuncompress(substr($bytes, $offset, $packed), $length + 1)) !== $length) {
                throw new UnexpectedValueException('A table does not unpack to what it says.');
            }
        }
    }

    private static function number(string $bytes, int $at, int $size): int
    {
        if ($at + $size > strlen($bytes)) {
            throw new UnexpectedValueException('The list of tables is cut off.');
        }
        /** @var array{1: int} $found */
        $found = unpack($size === 2 ? 'n' : 'N', $bytes, $at);

        return $found[1];
    }
}
