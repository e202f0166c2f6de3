<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Dxf;

/** One thing of a drawing in exchange format: its codes with their values, in order. */
final class Entity
{
    /** @var list<array{int, string}> */
    public array $pairs = [];

    /** @var list<self> of a polyline of release 12 */
    public array $vertices = [];

    public function __construct(public readonly string $type)
    {
    }

    public function add(int $code, string $value): void
    {
        $this->pairs[] = [$code, $value];
    }

    public function has(int $code): bool
    {
        foreach ($this->pairs as [$own]) {
            if ($own === $code) {
                return true;
            }
        }

        return false;
    }

    public function text(int $code): string
    {
        foreach ($this->pairs as [$own, $value]) {
            if ($own === $code) {
                return mb_substr(mb_scrub($value), 0, 120);
            }
        }

        return '';
    }

    public function number(int $code, float $usual = 0.0): float
    {
        foreach ($this->pairs as [$own, $value]) {
            if ($own === $code) {
                return is_numeric($value) ? (float) $value : $usual;
            }
        }

        return $usual;
    }

    /** Whether a flag is set in a number of flags. */
    public function is(int $code, int $flag): bool
    {
        return ((int) $this->number($code) & $flag) === $flag;
    }

    /** @return list<float> */
    public function numbers(int $code): array
    {
        $numbers = [];
        foreach ($this->pairs as [$own, $value]) {
            if ($own === $code) {
                $numbers[] = (float) $value;
            }
        }

        return $numbers;
    }

    /**
     * @param  int  $code  of x; that of y is ten more
     * @return list<array{float, float, float, float, float}> places, each with the bulge after it and the widths at both ends of what comes after
     */
    public function places(int $code = 10): array
    {
        $places = [];
        $now = null;
        foreach ([...$this->pairs, [$code, 'end']] as [$own, $value]) {
            if ($own === $code) {
                if ($now !== null) {
                    $places[] = $now;
                }
                $now = [(float) $value, 0.0, 0.0, 0.0, 0.0];
            } elseif ($now !== null) {
                $slot = [$code + 10 => 1, 42 => 2, 40 => 3, 41 => 4][$own] ?? null;
                if ($slot !== null) {
                    $now[$slot] = (float) $value;
                }
            }
        }

        return $places;
    }
}
