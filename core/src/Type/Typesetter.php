<?php

declare(strict_types=1);

namespace NeatEdge\Core\Type;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** Lays letters out as outlines: D8. A straight text begins at the origin, on its first baseline. */
final class Typesetter
{
    public static function shape(Setting $setting, FontShelf $shelf): Shape
    {
        return self::set($setting, $shelf)[0];
    }

    /** @return array{Shape, int} the outlines, and how many letters did not fit their line and were left out */
    public static function set(Setting $setting, FontShelf $shelf): array
    {
        [$font] = $shelf->find([$setting->family], $setting->bold, $setting->italic);
        $lines = preg_split('/\R/u', mb_scrub($setting->text)) ?: [''];
        $contours = [];
        $cut = 0;
        $along = $setting->along === null ? null : new LineAlong([$setting->inside ? $setting->along->reversed() : $setting->along]);
        foreach ($lines as $i => $line) {
            $placed = self::placed($line, $font, $setting);
            // The space after the last letter is no part of the line.
            $width = max(0.0, $placed['width'] - $setting->spacing);
            $start = match ($setting->align) {
                'middle' => -$width / 2,
                'end' => -$width,
                default => 0.0,
            };
            $down = $i * $setting->leading * $setting->size;
            foreach ($placed['glyphs'] as [$glyph, $x, $advance]) {
                $matrix = $along === null
                    ? new Matrix($setting->size, 0, 0, $setting->size, $start + $x, $down)
                    : self::onLine($along, $setting, $font, $start + $x, $advance, $down);
                $outline = $font->outline($glyph);
                if ($matrix === null) {
                    $cut += $outline === [] ? 0 : 1;

                    continue;
                }
                foreach ($outline as $contour) {
                    $contours[] = $contour->transformed($matrix);
                }
            }
        }

        return [new Shape($contours), $cut];
    }

    /**
     * Where a slide stops by itself on a line: both ends, the quarters, and where the line is highest and lowest.
     *
     * @return list<float>
     */
    public static function stops(Contour $line): array
    {
        $along = new LineAlong([$line]);
        $high = $low = null;
        for ($i = 0; $i <= 720; $i++) {
            $at = $along->at($along->length * $i / 720);
            if ($at !== null) {
                $high = $high === null || $at[1] < $high[1] - 1e-9 ? [$i / 720, $at[1]] : $high;
                $low = $low === null || $at[1] > $low[1] + 1e-9 ? [$i / 720, $at[1]] : $low;
            }
        }
        $stops = [0.0, 0.25, 0.5, 0.75, 1.0];
        if ($line->closed && $high !== null && $low !== null) {
            array_push($stops, $high[0], $low[0]);
        }
        sort($stops);

        return $stops;
    }

    /** The place where a text on a closed line is read best: its highest, or standing inside its lowest; the middle of an open one. */
    public static function bestSlide(Contour $line, bool $inside): float
    {
        if (! $line->closed) {
            return 0.5;
        }
        $along = new LineAlong([$inside ? $line->reversed() : $line]);
        $best = [0.5, INF];
        for ($i = 0; $i < 720; $i++) {
            $at = $along->at($along->length * $i / 720);
            $height = ($inside ? -1 : 1) * ($at[1] ?? INF);
            if ($height < $best[1] - 1e-9) {
                $best = [$i / 720, $height];
            }
        }

        return $best[0];
    }

    /** @return array{glyphs: list<array{int, float, float}>, width: float} glyph, x of its origin, advance; mm */
    private static function placed(string $line, Font $font, Setting $setting): array
    {
        $x = 0.0;
        $before = null;
        $glyphs = [];
        foreach (mb_str_split($line) as $character) {
            $glyph = $font->glyph(mb_ord($character));
            if ($before !== null) {
                $x += $font->kern($before, $glyph) * $setting->size;
            }
            $advance = $font->advance($glyph) * $setting->size;
            $glyphs[] = [$glyph, $x, $advance];
            $x += $advance + $setting->spacing;
            $before = $glyph;
        }

        return ['glyphs' => $glyphs, 'width' => $x];
    }

    /** A letter is turned about the middle of its advance; one that would stand beyond the ends of an open line is left out. */
    private static function onLine(LineAlong $along, Setting $setting, Font $font, float $x, float $advance, float $down): ?Matrix
    {
        $at = $setting->slide * $along->length + $x + $advance / 2;
        if ($along->closed && $along->length > 0) {
            $at = fmod(fmod($at, $along->length) + $along->length, $along->length);
        }
        $place = $along->at($at);
        if ($place === null) {
            return null;
        }
        [$px, $py, $dx, $dy] = $place;
        $rise = $down - $setting->distance + $setting->size * match ($setting->stand) {
            'on' => $font->xHeight / 2,
            'below' => $font->ascent,
            default => 0.0,
        };

        return (new Matrix($setting->size * $dx, $setting->size * $dy, -$setting->size * $dy, $setting->size * $dx, $px - $dy * $rise, $py + $dx * $rise))
            ->after(Matrix::translation(-$advance / 2 / $setting->size, 0));
    }
}
