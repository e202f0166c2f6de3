<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Plt;

use NeatEdge\Core\Format\FileRefused;

/**
 * Places that are packed into printable characters: numbers of six bits a character (five where only seven bits of it count), the lowest first, the last
 * character of a number from the upper half; the lowest bit is the sign.
 */
final class Packed
{
    /**
     * @return list<array{string, float, float}> up, down (relative), to (down, absolute), upto (up, absolute) with a place; pen with a number
     *
     * @throws FileRefused
     */
    public static function moves(string $text): array
    {
        $moves = [];
        $half = 32;
        $share = 1.0;
        [$up, $absolute] = [false, false];
        $x = null;
        for ($i = 0, $n = strlen($text); $i < $n;) {
            $char = $text[$i];
            $flag = ord($char) & 0x7F;
            if ($x === null && in_array($char, ['<', '=', ':', '>', '7'], true)) {
                $i++;
                if ($char === '<') {
                    $up = true;
                } elseif ($char === '=') {
                    $absolute = true;
                } elseif ($char === '7') {
                    $half = 16;
                } elseif ($char === ':') {
                    $moves[] = ['pen', (float) self::number($text, $i, $half), 0.0];
                } else {
                    $share = 2.0 ** -self::number($text, $i, $half);
                }

                continue;
            }
            if ($flag < 63 || ord($char) === 127) {
                $i++;

                continue;
            }
            $value = self::number($text, $i, $half) * $share;
            if ($x === null) {
                $x = $value;

                continue;
            }
            $moves[] = [($up ? 'up' : 'down').($absolute ? 'to' : ''), $x, $value];
            [$x, $up, $absolute] = [null, false, false];
        }
        if ($x !== null) {
            throw FileRefused::because('Packed places of the PLT file end within a place.');
        }

        return $moves;
    }

    /** @param  int  $i  brought on past the number */
    private static function number(string $text, int &$i, int $half): int
    {
        $value = 0;
        $weight = 1;
        $base = 2 * $half;
        for ($n = strlen($text); $i < $n; $i++) {
            $code = ord($text[$i]);
            $code = $half === 16 ? $code & 0x7F : $code;
            if ($code < 63) {
                continue;
            }
            // With six bits the last character lies from 191 on; with five from 95 on.
            $last = $half === 16 ? $code >= 95 : $code >= 191;
            $digit = $code - ($last ? ($half === 16 ? 95 : 191) : 63);
            if ($digit < 0 || $digit >= $base || $weight > 1 << 40) {
                throw FileRefused::because('Packed places of the PLT file cannot be read.');
            }
            $value += $digit * $weight;
            $weight *= $base;
            if ($last) {
                $i++;

                return ($value & 1) === 1 ? -($value >> 1) : $value >> 1;
            }
        }
        throw FileRefused::because('Packed places of the PLT file end within a number.');
    }
}
