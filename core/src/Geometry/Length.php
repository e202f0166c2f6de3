<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** A length as an artist types it: a unit and plain arithmetic, such as 4in, 25.4/2 or 120mm - 2*3. */
final readonly class Length
{
    public const MM_PER = ['mm' => 1.0, 'cm' => 10.0, 'in' => 25.4, 'pt' => 25.4 / 72, 'px' => 25.4 / 96, 'pc' => 25.4 / 6, 'q' => 0.25];

    private function __construct(public float $mm)
    {
    }

    /** A length in words, in a unit, with as many digits as can be measured there: 0.7 mm. */
    public static function said(float $mm, string $unit): string
    {
        $digits = ['mm' => 2, 'cm' => 3, 'in' => 3][$unit] ?? 1;

        return rtrim(rtrim(number_format($mm / self::MM_PER[$unit], $digits, '.', ''), '0'), '.')." {$unit}";
    }

    /**
     * @param  string  $unit  the unit of numbers that have none
     * @param  float|null  $whole  what percentages are of, mm
     *
     * @throws InvalidLength
     */
    public static function parse(string $text, string $unit = 'mm', ?float $whole = null): self
    {
        $tokens = self::tokens($text, $whole);
        $at = 0;
        [$value, $isLength] = self::sum($tokens, $at, self::MM_PER[$unit], $text);
        if ($at !== count($tokens) || ! is_finite($value)) {
            throw InvalidLength::unreadable($text);
        }

        return new self($isLength ? $value : $value * self::MM_PER[$unit]);
    }

    /**
     * @return list<array{float, bool, float}|string> signs, and numbers: mm where it is a length, whether it is one, mm in its unit
     *
     * @throws InvalidLength
     */
    private static function tokens(string $text, ?float $whole): array
    {
        if (preg_match('/(?<![\d.,])[1-9]\d{0,2},\d{3}(?!\d)/', $text) === 1) {
            throw InvalidLength::doubtful($text);
        }
        if (strlen($text) > 200 || preg_match_all('~\s*(?:(\d+(?:[.,]\d+)?|[.,]\d+)\s*([a-zA-Z"%]*)|([-+*/()]))~A', $text, $found, PREG_SET_ORDER) === false
            || trim(implode('', array_column($found, 0))) !== trim($text) || $found === []) {
            throw InvalidLength::unreadable($text);
        }
        $tokens = [];
        foreach ($found as $token) {
            if (($token[3] ?? '') !== '') {
                $tokens[] = $token[3];

                continue;
            }
            $number = (float) str_replace(',', '.', $token[1] ?? '');
            $unit = strtolower($token[2] ?? '');
            $unit = $unit === '"' ? 'in' : $unit;
            $tokens[] = match (true) {
                $unit === '%' => [$number / 100 * ($whole ?? throw InvalidLength::ofNothing($text)), true, 0.0],
                // Bare numbers stay bare until it is known whether they scale a length or are one.
                $unit === '' => [$number, false, 0.0],
                isset(self::MM_PER[$unit]) => [$number * self::MM_PER[$unit], true, self::MM_PER[$unit]],
                default => throw InvalidLength::unknownUnit($unit),
            };
        }

        return $tokens;
    }

    /** @throws InvalidLength */
    public static function positive(string $text, string $unit = 'mm', ?float $whole = null): self
    {
        $length = self::parse($text, $unit, $whole);
        if ($length->mm <= 0) {
            throw InvalidLength::notPositive($text);
        }

        return $length;
    }

    /**
     * A limit: nought switches its check off.
     *
     * @throws InvalidLength
     */
    public static function limit(string $text, string $unit = 'mm'): self
    {
        $length = self::parse($text, $unit);

        return $length->mm < 0 ? throw InvalidLength::notPositive($text) : $length;
    }

    public function in(string $unit): float
    {
        return $this->mm / self::MM_PER[$unit];
    }

    /**
     * @param  list<string|array{float, bool, float}>  $tokens
     * @return array{float, bool} value, and whether it is in mm already
     */
    private static function sum(array $tokens, int &$at, float $perUnit, string $text): array
    {
        [$value, $isLength] = self::product($tokens, $at, $perUnit, $text);
        while (in_array($tokens[$at] ?? null, ['+', '-'], true)) {
            $sign = $tokens[$at++] === '-' ? -1 : 1;
            [$other, $otherIsLength] = self::product($tokens, $at, $perUnit, $text);
            if ($isLength !== $otherIsLength) {
                $isLength ? $other *= $perUnit : $value *= $perUnit;
                $isLength = true;
            }
            $value += $sign * $other;
        }

        return [$value, $isLength];
    }

    /**
     * @param  list<string|array{float, bool, float}>  $tokens
     * @return array{float, bool}
     */
    private static function product(array $tokens, int &$at, float $perUnit, string $text): array
    {
        [$value, $isLength] = self::factor($tokens, $at, $perUnit, $text);
        while (in_array($tokens[$at] ?? null, ['*', '/'], true)) {
            $divide = $tokens[$at++] === '/';
            $next = $tokens[$at] ?? null;
            [$other, $otherIsLength] = self::factor($tokens, $at, $perUnit, $text);
            if ($divide && ! $isLength && $otherIsLength && is_array($next) && $next[2] > 0 && $other > 0) {
                // 1/2in: the unit stands behind the fraction and is meant for all of it.
                [$value, $isLength] = [$value * $next[2] * $next[2] / $other, true];

                continue;
            }
            if (($isLength && $otherIsLength) || ($divide && ($other === 0.0 || $otherIsLength))) {
                throw InvalidLength::unreadable($text);
            }
            $value = $divide ? $value / $other : $value * $other;
            $isLength = $isLength || $otherIsLength;
        }

        return [$value, $isLength];
    }

    /**
     * @param  list<string|array{float, bool, float}>  $tokens
     * @return array{float, bool}
     */
    private static function factor(array $tokens, int &$at, float $perUnit, string $text): array
    {
        $token = $tokens[$at++] ?? null;
        if (is_array($token)) {
            return [$token[0], $token[1]];
        }
        if ($token === '-') {
            [$value, $isLength] = self::factor($tokens, $at, $perUnit, $text);

            return [-$value, $isLength];
        }
        if ($token === '(') {
            $inner = self::sum($tokens, $at, $perUnit, $text);
            if (($tokens[$at++] ?? null) === ')') {
                return $inner;
            }
        }
        throw InvalidLength::unreadable($text);
    }
}
