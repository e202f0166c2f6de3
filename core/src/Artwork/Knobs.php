<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** What is adjusted by dragging something on the page; a part of a recipe that has nothing such says nothing of its own. */
trait Knobs
{
    /** @return list<Knob> places on the page by which it is adjusted */
    public function knobs(Recipe $recipe): array
    {
        return [];
    }

    /**
     * The same with what one of its knobs sets.
     *
     * @param  float  $x  where it is dragged to, mm on the page
     * @return self|null null where it has no such knob
     */
    public function dragged(string $knob, float $x, float $y, Recipe $recipe): ?self
    {
        return null;
    }

    /** What a knob stands at, in a few words. */
    public function reading(string $knob, Recipe $recipe): string
    {
        return '';
    }
}
