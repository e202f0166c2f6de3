<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Dxf;

/** One thing of a drawing in exchange format: its codes with their values, in order. */
final class Entity
{
    /** @var list<array{int, string}> */
    private array $pairs = [];

    /** @var list<self> of a polyline of release 12 */
    public array $vertices = [];

    public function __construct(public readonly string $type)
    {
    }

    public function add(int $code, string $value): void
    {
        $this->pairs[] = [$code, $value];
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

    /** @return list<float> */
    public function numbers(int $code): array
    {
        $out = [];
        foreach ($this->pairs as [$own, $value]) {
            if ($own === $code) {
                $out[] = (float) $value;
            }
        }

        return $out;
    }

    /** @return list<array{float, float, float}> places with the bulge after each */
    public function places(): array
    {
        $out = [];
        $x = $y = null;
        $bulge = 0.0;
        foreach ([...$this->pairs, [10, 'end']] as [$code, $value]) {
            if ($code === 10) {
                if ($x !== null) {
                    $out[] = [$x, $y ?? 0.0, $bulge];
                }
                [$x, $y, $bulge] = [(float) $value, null, 0.0];
            } elseif ($code === 20) {
                $y = (float) $value;
            } elseif ($code === 42 && $x !== null) {
                $bulge = (float) $value;
            }
        }

        return $out;
    }
}
