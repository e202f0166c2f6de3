<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Described\Counted;
use NeatEdge\Core\Prepare\Cure\Cured;

/** What a step changed of what somebody drew, in words: nothing is dropped, joined or snapped without being said. */
final class Told
{
    private const MOST = 6;

    /** @return list<string> */
    public static function of(Artwork $before, Artwork $after, ?Cured $cured): array
    {
        $told = [];
        foreach (array_count_values(array_column($cured->done ?? [], 'how')) as $how => $count) {
            $told[] = self::deeds((string) $how, $count);
        }
        $was = self::colours($before);
        $now = self::colours($after);
        $gone = array_diff_key($was, $now);
        $new = array_diff_key($now, $was);
        if ($gone !== []) {
            $told[] = sprintf('%s became %s', self::some(array_keys($gone)), $new === [] ? 'others that were there' : self::some(array_keys($new)));
        }

        return $told;
    }

    /** What was done to each of some places. */
    private static function deeds(string $how, int $count): string
    {
        $places = Counted::of($count, 'place');

        return match ($how) {
            'drop' => Counted::of($count, 'part').' dropped as too small',
            'join' => Counted::of($count, 'part').' joined to the nearest of its colour',
            'enlarge' => Counted::of($count, 'part').' enlarged',
            'filled' => Counted::of($count, 'hole').' filled',
            'thicken' => "{$places} thickened",
            'widen' => "{$places} widened",
            'fill' => Counted::of($count, 'gap').' filled',
            'blunt' => Counted::of($count, 'point').' blunted',
            'part' => Counted::of($count, 'neck').' cut through',
            default => "{$places}: ".lcfirst($how),
        };
    }

    /** @return array<string, true> by what a person reads of it */
    private static function colours(Artwork $artwork): array
    {
        $colours = [];
        foreach ($artwork->pieces as $piece) {
            foreach (array_filter([$piece->fill, $piece->stroke?->paint]) as $paint) {
                $colours[self::called($paint)] = true;
            }
        }

        return $colours;
    }

    private static function called(Paint $paint): string
    {
        return match (true) {
            $paint->picture !== null => 'a picture',
            $paint->gradient !== null => 'a gradient',
            $paint->isOpaque() => $paint->colour->hex(),
            default => sprintf('%s at %.0f %%', $paint->colour->hex(), 100 * $paint->opacity),
        };
    }

    /** @param  list<string>  $names */
    private static function some(array $names): string
    {
        return implode(', ', array_slice($names, 0, self::MOST)).(count($names) > self::MOST ? sprintf(' and %d more', count($names) - self::MOST) : '');
    }
}
