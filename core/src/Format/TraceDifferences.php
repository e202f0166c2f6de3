<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use GdImage;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Trace\Options;
use NeatEdge\Core\Trace\Scan;
use NeatEdge\Core\Trace\Traced;

/**
 * Where the curves do not look as the picture does: both as dots, by a renderer that is not ours. A dot differs where it is off by more of what its
 * surroundings span than an edge within the noise would make it.
 */
final class TraceDifferences
{
    /** Share of what the colours around a dot span by which it may be off, clean and JPEG: an edge so many dots off. */
    private const SHARE = 0.6;

    private const SHARE_LOSSY = 0.7;

    /** Values (0 to 255) by which a dot may be off whatever lies around it. */
    private const LEAST = 24;

    /** Dots that hang together of the smallest difference that is told. */
    private const DOTS = 3;

    /** Dots of a picture that is drawn less fine. */
    private const LARGE = 1_200_000;

    /** Dots of a side of a box: what runs along a line is covered by several. */
    private const CELL = 12;

    /** Places that are told, the largest first. */
    private const MOST = 200;

    /**
     * @param  Scan  $scan  that was traced, see Tracing::ready()
     * @return list<non-empty-list<array{float, float, float, float}>> of each place, the largest first, the boxes that cover it: left, top, width, height, dots
     *
     * @throws Refused where no picture can be made
     */
    public static function of(Scan $scan, Traced $traced, Options $options, MakesDots $dots): array
    {
        if ($traced->parts === []) {
            return [];
        }
        $drawn = self::drawn($scan, $traced, $dots);
        [$w, $h] = [min($scan->width, imagesx($drawn)), min($scan->height, imagesy($drawn))];
        $left = self::left($traced, $options);
        $share = $scan->lossy ? self::SHARE_LOSSY : self::SHARE;
        $differs = [];
        for ($y = 0; $y < $h; $y++) {
            Patience::ask($w);
            for ($x = 0; $x < $w; $x++) {
                $i = $y * $scan->width + $x;
                $off = self::far($scan->dots[$i], (int) imagecolorat($drawn, $x, $y));
                if ($off > self::LEAST && $off > $share * self::span($scan, $x, $y) && ! self::isLeft($scan->dots[$i], $left)) {
                    $differs[$i] = true;
                }
            }
        }

        return self::places($differs, $scan->width);
    }

    /**
     * In finer dots without mixed ones, which are mixed then: pieces that share a border would have a light seam otherwise.
     *
     * @throws Refused
     */
    private static function drawn(Scan $scan, Traced $traced, MakesDots $dots): GdImage
    {
        $fine = $scan->width * $scan->height > self::LARGE ? 2 : 4;
        $svg = preg_replace('/<svg /', '<svg shape-rendering="crispEdges" ', Writer::write(self::laid($traced)), 1) ?? '';
        $image = @imagecreatefromstring($dots->png($svg, $fine * $scan->width));
        $small = imagecreatetruecolor(max(1, $scan->width), max(1, $scan->height));
        if ($image === false) {
            throw Refused::because('The picture cannot be made.');
        }
        imagecopyresampled($small, $image, 0, 0, 0, 0, $scan->width, $scan->height, $fine * $scan->width, $fine * $scan->height);

        return $small;
    }

    /** On its ground, as large as it is in dots. */
    private static function laid(Traced $traced): Artwork
    {
        $art = $traced->artwork((float) $traced->whole);
        $ground = $traced->ground === null ? Colour::parse('#ffffff') : $traced->inks[$traced->ground]->colour;
        $sheet = Shape::of(Contour::rectangle(0.0, 0.0, $art->width, $art->height));

        return $ground === null ? $art : $art->with(pieces: [new Piece('ground', $sheet, new Paint($ground)), ...$art->pieces]);
    }

    /** @return list<array{int, bool}> each colour of the picture, 0xRRGGBB, and whether it gives no piece, or another's */
    private static function left(Traced $traced, Options $options): array
    {
        $left = [];
        foreach ($traced->inks as $i => $ink) {
            $choice = $options->choices[$i] ?? null;
            $colour = $ink->colour->red << 16 | $ink->colour->green << 8 | $ink->colour->blue;
            $left[] = [$colour, $ink->clear || ($choice !== null && $i !== $traced->ground && ($choice->drop || $choice->into !== null))];
        }

        return array_filter(array_column($left, 1)) === [] ? [] : $left;
    }

    /** @param  list<array{int, bool}>  $inks */
    private static function isLeft(int $dot, array $inks): bool
    {
        [$least, $is] = [PHP_INT_MAX, false];
        foreach ($inks as [$colour, $left]) {
            $far = self::far($dot, $colour);
            if ($far < $least) {
                [$least, $is] = [$far, $left];
            }
        }

        return $is;
    }

    /** The most that a channel is off by. */
    private static function far(int $a, int $b): int
    {
        return max(abs(($a >> 16 & 255) - ($b >> 16 & 255)), abs(($a >> 8 & 255) - ($b >> 8 & 255)), abs(($a & 255) - ($b & 255)));
    }

    /** What a dot and those around it span. */
    private static function span(Scan $scan, int $x, int $y): int
    {
        $most = 0;
        $own = $scan->dots[$y * $scan->width + $x];
        for ($v = max(0, $y - 1); $v <= min($scan->height - 1, $y + 1); $v++) {
            for ($u = max(0, $x - 1); $u <= min($scan->width - 1, $x + 1); $u++) {
                $most = max($most, self::far($own, $scan->dots[$v * $scan->width + $u]));
            }
        }

        return $most;
    }

    /**
     * @param  array<int, true>  $differs  dots
     * @return list<non-empty-list<array{float, float, float, float}>>
     */
    private static function places(array $differs, int $width): array
    {
        $places = [];
        while ($differs !== []) {
            $todo = [(int) array_key_first($differs)];
            unset($differs[$todo[0]]);
            $boxes = [];
            $count = 0;
            while ($todo !== []) {
                $i = array_pop($todo);
                [$x, $y] = [$i % $width, intdiv($i, $width)];
                $count++;
                $cell = intdiv($y, self::CELL) * $width + intdiv($x, self::CELL);
                [$left, $top, $right, $bottom] = $boxes[$cell] ?? [$x, $y, $x + 1, $y + 1];
                $boxes[$cell] = [min($left, $x), min($top, $y), max($right, $x + 1), max($bottom, $y + 1)];
                foreach ([-$width - 1, -$width, -$width + 1, -1, 1, $width - 1, $width, $width + 1] as $step) {
                    if (isset($differs[$i + $step]) && abs(($i + $step) % $width - $x) <= 1) {
                        unset($differs[$i + $step]);
                        $todo[] = $i + $step;
                    }
                }
            }
            if ($count >= self::DOTS) {
                $places[] = [$count, array_values(array_map(
                    static fn (array $box): array => [(float) $box[0], (float) $box[1], (float) ($box[2] - $box[0]), (float) ($box[3] - $box[1])],
                    $boxes,
                ))];
            }
        }
        usort($places, static fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return array_map(static fn (array $place): array => $place[1], array_slice($places, 0, self::MOST));
    }
}
