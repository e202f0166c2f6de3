<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** The rules in the order in which they are tried: shapes first, then what shapes and lines have in common. */
final class Rules
{
    /** @var list<class-string<Rule>> */
    private const ALL = [
        Circles::class,
        Ellipses::class,
        Rectangles::class,
        OneCentre::class,
        EqualRadii::class,
        Squares::class,
        LevelLines::class,
        UprightLines::class,
        SlantedLines::class,
        AboutCentre::class,
        AlongRow::class,
        Halves::class,
    ];

    /** @return array<string, class-string<Rule>> */
    public static function all(): array
    {
        $all = [];
        foreach (self::ALL as $rule) {
            $all[$rule::key()] = $rule;
        }

        return $all;
    }

    /**
     * @param  list<string>  $off  keys of those that are switched off
     * @return list<Found>
     */
    public static function applied(Curves $curves, float $noise, array $off): array
    {
        $found = [];
        foreach (self::all() as $key => $rule) {
            $places = in_array($key, $off, true) ? [] : $rule::apply($curves, $noise);
            if ($places !== []) {
                $at = array_map(static fn (array $one): array => [$one[0], $one[1]], $places);
                $found[] = new Found($key, $rule::label(count($places)), max(array_column($places, 2)), $at);
            }
        }

        return $found;
    }
}
