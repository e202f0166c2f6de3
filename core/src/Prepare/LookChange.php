<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\FaceRule;
use NeatEdge\Core\PlanarMap\Rule\TopOwner;
use NeatEdge\Core\Seen\Painted;

/**
 * Labels the faces whose colour is not the same before and after, and those that show the same.
 *
 * @source W3C, Compositing and Blending Level 1: simple alpha compositing with separable blends, on plain sRGB as browsers do it
 */
final class LookChange implements FaceRule
{
    public const CHANGED = 0;

    public const SAME = 1;

    /** Painted in both, in two colours that are hardly told apart. */
    public const RECOLOURED = 2;

    /** CIEDE2000 up to which they are. */
    private const HARDLY = 10.0;

    /** The largest distance of two such colours that was met. */
    public float $farthest = 0.0;

    /** @var array<string, float> distances by both keys */
    private array $distances = [];

    /** Channels, 0 to 255, that a rounded colour may be off by. */
    private const ROUNDING = 1.0;

    private TopOwner $before;

    private TopOwner $after;

    /** @var array<int, true> owners that one can see through and that cover the face */
    private array $veils = [];

    /** @var list<bool> by owner */
    private array $solid;

    /**
     * @param  list<Painted>  $areas  by owner: those of the state before, then those of the state after
     * @param  int  $split  how many belong to the state before
     * @param  Colour|null  $ground  what shows through; where one state paints nothing at all, that is another look all the same
     */
    public function __construct(private readonly array $areas, private readonly int $split, private readonly ?Colour $ground = null)
    {
        $this->solid = array_map(static fn (Painted $area): bool => $area->isSolid(), $areas);
        $this->before = new TopOwner(max(1, $split));
        $this->after = new TopOwner(max(1, count($areas) - $split));
    }

    public function cover(int $owner, bool $inside): void
    {
        if ($this->solid[$owner]) {
            $owner < $this->split ? $this->before->cover($owner, $inside) : $this->after->cover($owner - $this->split, $inside);
        } elseif ($inside) {
            $this->veils[$owner] = true;
        } else {
            unset($this->veils[$owner]);
        }
    }

    public function label(): int
    {
        $before = $this->before->top();
        $after = $this->after->top();
        if ($this->veils === []) {
            $same = ($before < 0) === ($after < 0)
                && ($before < 0 || $this->areas[$before]->paint->key() === $this->areas[$after + $this->split]->paint->key());

            return $same ? ($before < 0 ? self::NOTHING : self::SAME) : ($before >= 0 && $after >= 0 ? $this->recoloured(
                $this->areas[$before]->paint,
                $this->areas[$after + $this->split]->paint,
            ) : self::CHANGED);
        }
        [$a, $unsaidA] = $this->seen($before, 0, $this->split);
        [$b, $unsaidB] = $this->seen($after < 0 ? -1 : $after + $this->split, $this->split, count($this->areas));
        if ($unsaidA !== $unsaidB || ($a[3] > 0) !== ($b[3] > 0)) {
            return self::CHANGED;
        }
        if ($this->ground !== null) {
            [$a, $b] = [self::laidOn($this->ground, $a), self::laidOn($this->ground, $b)];
        }
        foreach ($a as $i => $value) {
            if (abs($value - $b[$i]) > self::ROUNDING) {
                return self::CHANGED;
            }
        }

        return self::SAME;
    }

    private function recoloured(Paint $before, Paint $after): int
    {
        if (! $before->isFlatColour() || ! $after->isFlatColour()) {
            return self::CHANGED;
        }
        $distance = $this->distances[$before->key().' '.$after->key()] ??= $before->colour->lab()->distanceTo($after->colour->lab());
        if ($distance > self::HARDLY) {
            return self::CHANGED;
        }
        $this->farthest = max($this->farthest, $distance);

        return self::RECOLOURED;
    }

    /**
     * What is seen of one state: the highest solid area with all that is laid over it.
     *
     * @return array{array{float, float, float, float}, list<string>} red, green, blue (premultiplied, 0 to 255) and coverage (0 to 255);
     *         keys of the gradients and pictures among them, which have no one colour
     */
    private function seen(int $top, int $from, int $to): array
    {
        $stack = array_filter(array_keys($this->veils), static fn (int $owner): bool => $owner >= $from && $owner < $to && $owner > $top);
        sort($stack);
        if ($top >= 0) {
            array_unshift($stack, $top);
        }
        $seen = [0.0, 0.0, 0.0, 0.0];
        $unsaid = [];
        foreach ($stack as $owner) {
            $area = $this->areas[$owner];
            if (! $area->paint->isFlatColour()) {
                $unsaid[] = $area->paint->key();
            }
            $alpha = $area->paint->opacity;
            $under = $seen[3] / 255;
            $colour = $area->paint->colour;
            foreach ([$colour->red, $colour->green, $colour->blue] as $i => $own) {
                $below = $under > 0 ? $seen[$i] / $under : 0.0;
                $mixed = (1 - $under) * $own + $under * self::blended($area->blend, $below, (float) $own);
                $seen[$i] = $seen[$i] * (1 - $alpha) + $mixed * $alpha;
            }
            $seen[3] = $seen[3] * (1 - $alpha) + 255 * $alpha;
        }

        return [$seen, $unsaid];
    }

    /**
     * @param  array{float, float, float, float}  $seen
     * @return array{float, float, float, float}
     */
    private static function laidOn(Colour $ground, array $seen): array
    {
        $through = 1 - $seen[3] / 255;

        return [$seen[0] + $through * $ground->red, $seen[1] + $through * $ground->green, $seen[2] + $through * $ground->blue, 255.0];
    }

    /** One channel of a colour over another, 0 to 255. */
    private static function blended(Blend $blend, float $below, float $own): float
    {
        return match ($blend) {
            Blend::Normal => $own,
            Blend::Multiply => $below * $own / 255,
            Blend::Screen => $below + $own - $below * $own / 255,
            Blend::Darken => min($below, $own),
            Blend::Lighten => max($below, $own),
        };
    }
}
