<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\FaceRule;
use NeatEdge\Core\PlanarMap\Rule\TopOwner;

/**
 * Labels faces by the paint that is seen there when what one can see through is laid over what is under it.
 *
 * @source Porter and Duff, 1984: the operator "over", on plain sRGB as SVG draws it
 */
final class SeenPaints implements FaceRule
{
    /** @var list<list<array{int, Paint}>> by label: owners and their paints, the lowest first; one unless it cannot be one flat colour */
    public array $seen = [];

    private TopOwner $solid;

    /** @var array<int, true> */
    private array $veils = [];

    /** @var array<string, int> */
    private array $labels = [];

    /**
     * @param  list<Paint>  $paints by owner, the lowest first
     * @param  Colour|null  $ground  what lies under all of it
     * @param  array<int, Blend>  $blends  of owners that do not simply lie over what is under them
     */
    public function __construct(private readonly array $paints, private readonly array $blends = [], private readonly ?Colour $ground = null)
    {
        $this->solid = new TopOwner(max(1, count($paints)));
    }

    public function cover(int $owner, bool $inside): void
    {
        if ($this->paints[$owner]->isOpaque() && ! isset($this->blends[$owner])) {
            $this->solid->cover($owner, $inside);
        } elseif ($inside) {
            $this->veils[$owner] = true;
        } else {
            unset($this->veils[$owner]);
        }
    }

    public function label(): int
    {
        $top = $this->solid->top();
        $stack = [];
        foreach ($this->veils as $owner => $_) {
            if ($owner > $top) {
                $stack[] = $owner;
            }
        }
        if ($stack === [] && $top < 0) {
            return self::NOTHING;
        }
        sort($stack);
        if ($top >= 0) {
            array_unshift($stack, $top);
        }
        if (count($stack) === 1 && ($this->ground === null || $this->paints[$stack[0]]->isOpaque() || ! $this->paints[$stack[0]]->isFlatColour())) {
            return $this->labels["o{$stack[0]}"] ??= $this->keep([[$stack[0], $this->paints[$stack[0]]]]);
        }
        $highest = $stack[count($stack) - 1];
        $flat = $this->over($stack);
        if ($flat !== null) {
            return $this->labels["c{$highest} {$flat->key()}"] ??= $this->keep([[$highest, $flat]]);
        }

        return $this->labels['s'.implode(' ', $stack)] ??= $this->keep(array_map(fn (int $owner): array => [$owner, $this->paints[$owner]], $stack));
    }

    /** @param  list<array{int, Paint}>  $paints */
    private function keep(array $paints): int
    {
        $this->seen[] = $paints;

        return count($this->seen) - 1;
    }

    /**
     * @param  list<int>  $stack  the lowest first
     * @return Paint|null one flat colour, or null where a gradient or a picture is among them
     */
    private function over(array $stack): ?Paint
    {
        $ground = $this->ground;
        [$red, $green, $blue, $alpha] = $ground === null ? [0.0, 0.0, 0.0, 0.0] : [(float) $ground->red, (float) $ground->green, (float) $ground->blue, 1.0];
        foreach ($stack as $owner) {
            $paint = $this->paints[$owner];
            if (! $paint->isFlatColour()) {
                return null;
            }
            $own = $paint->opacity;
            $blend = $this->blends[$owner] ?? Blend::Normal;
            $red = self::laid($blend, $red, $alpha, $paint->colour->red, $own);
            $green = self::laid($blend, $green, $alpha, $paint->colour->green, $own);
            $blue = self::laid($blend, $blue, $alpha, $paint->colour->blue, $own);
            $alpha = $alpha * (1 - $own) + $own;
        }
        $whole = max(1e-9, $alpha);

        return new Paint(
            new Colour(self::channel($red / $whole), self::channel($green / $whole), self::channel($blue / $whole)),
            $alpha > 0.9999 ? 1.0 : $alpha,
        );
    }

    /** One channel, premultiplied, with a paint laid over it. */
    private static function laid(Blend $blend, float $under, float $alpha, int $own, float $opacity): float
    {
        $below = $alpha > 0 ? $under / $alpha : 0.0;
        $mixed = match ($blend) {
            Blend::Normal => (float) $own,
            Blend::Multiply => $below * $own / 255,
            Blend::Screen => $below + $own - $below * $own / 255,
            Blend::Darken => min($below, $own),
            Blend::Lighten => max($below, $own),
        };

        return $under * (1 - $opacity) + ((1 - $alpha) * $own + $alpha * $mixed) * $opacity;
    }

    private static function channel(float $value): int
    {
        return max(0, min(255, (int) round($value)));
    }
}
