<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

/** Numbers that are one number but for chance. */
final class Alike
{
    /**
     * Groups of two and more whose numbers lie within a reach of their mean.
     *
     * @param  array<int, float>  $numbers
     * @return list<non-empty-array<int, float>> by the keys that were given
     */
    public static function groups(array $numbers, float $within): array
    {
        asort($numbers);
        $groups = [];
        $group = [];
        foreach ($numbers as $key => $number) {
            $mean = $group === [] ? $number : array_sum($group) / count($group);
            if ($group !== [] && ($number - $mean > $within || $number - min($group) > 2 * $within)) {
                $groups[] = $group;
                $group = [];
            }
            $group[$key] = $number;
        }
        if ($group !== []) {
            $groups[] = $group;
        }

        return array_values(array_filter($groups, static fn (array $one): bool => count($one) > 1));
    }
}
