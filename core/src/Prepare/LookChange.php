<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\PlanarMap\FaceRule;
use NeatEdge\Core\PlanarMap\Rule\TopOwner;

/** Labels the faces whose colour is not the same before and after. */
final class LookChange implements FaceRule
{
    private TopOwner $before;

    private TopOwner $after;

    /** @var array<int, true> see-through owners that cover the face */
    private array $veils = [];

    /**
     * @param  list<Paint>  $paints  by owner: those of the state before, then those of the state after
     * @param  int  $split  how many belong to the state before
     */
    public function __construct(private readonly array $paints, private readonly int $split)
    {
        $this->before = new TopOwner(max(1, $split));
        $this->after = new TopOwner(max(1, count($paints) - $split));
    }

    public function cover(int $owner, bool $inside): void
    {
        if ($this->paints[$owner]->isOpaque()) {
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
                && ($before < 0 || $this->paints[$before]->key() === $this->paints[$after + $this->split]->key());

            return $same ? self::NOTHING : 0;
        }
        $a = $this->blended($before, 0, $this->split);
        $b = $this->blended($after < 0 ? -1 : $after + $this->split, $this->split, count($this->paints));
        foreach ($a as $i => $value) {
            if (abs($value - $b[$i]) > 1.0) {
                return 0;
            }
        }

        return self::NOTHING;
    }

    /** @return array{float, float, float, float} red, green, blue (premultiplied, 0 to 255) and coverage (0 to 255) */
    private function blended(int $top, int $from, int $to): array
    {
        $base = $top < 0 ? null : $this->paints[$top]->colour;
        $out = $base === null ? [0.0, 0.0, 0.0, 0.0] : [(float) $base->red, (float) $base->green, (float) $base->blue, 255.0];
        $veils = array_filter(array_keys($this->veils), static fn (int $owner): bool => $owner >= $from && $owner < $to && $owner > $top);
        sort($veils);
        foreach ($veils as $owner) {
            $alpha = $this->paints[$owner]->opacity;
            $colour = $this->paints[$owner]->colour;
            foreach ([$colour->red, $colour->green, $colour->blue, 255] as $i => $value) {
                $out[$i] = $out[$i] * (1 - $alpha) + $value * $alpha;
            }
        }

        return $out;
    }
}
