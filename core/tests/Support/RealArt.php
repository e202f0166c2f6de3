<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

use RuntimeException;

/** Artwork of others, from packages that are only there for tests. */
final class RealArt
{
    private const SETS = [
        'icons' => 'feather-icons/dist/icons',
        'strokes' => 'heroicons/24/outline',
        'emoji' => '@twemoji/svg',
        'round-flags' => 'circle-flags/flags',
        'flags' => 'flag-icons/flags/4x3',
        'weather' => '@bybas/weather-icons/production/fill/all',
        'weather-lines' => '@bybas/weather-icons/production/line/all',
        'map-signs' => '@mapbox/maki/icons',
    ];

    /** @return array<string, string> name => SVG, spread evenly over the set */
    public static function of(string $set, int $count): array
    {
        $files = glob(dirname(__DIR__, 3).'/node_modules/'.self::SETS[$set].'/*.svg') ?: [];
        if (count($files) < $count) {
            throw new RuntimeException("The set \"{$set}\" is not installed; run npm ci.");
        }
        $out = [];
        for ($k = 0; $k < $count; $k++) {
            $file = $files[intdiv($k * count($files), $count)];
            $out[basename($file, '.svg')] = (string) file_get_contents($file);
        }

        return $out;
    }
}
