<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

use GdImage;
use RuntimeException;

/** Pictures of SVG text by a renderer that we did not write (librsvg), and how far two of them differ. */
final class Render
{
    /** A channel must differ by more than this, of 255, to count: below it is anti-aliasing. */
    private const CLEAR = 40;

    /** No art has this colour, so that nothing and white are not the same. */
    private const GROUND = '#e9d3f1';

    public static function png(string $svg, int $width): GdImage
    {
        $process = proc_open(['rsvg-convert', '-w', (string) $width, '-f', 'png', '--unlimited', '-b', self::GROUND], [['pipe', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']], $pipes);
        if ($process === false) {
            throw new RuntimeException('rsvg-convert cannot be started.');
        }
        fwrite($pipes[0], $svg);
        fclose($pipes[0]);
        $png = (string) stream_get_contents($pipes[1]);
        fclose($pipes[1]);
        proc_close($process);
        $image = $png === '' ? false : imagecreatefromstring($png);
        if ($image === false) {
            throw new RuntimeException('The SVG cannot be rendered.');
        }

        return $image;
    }

    /**
     * Pixels that differ clearly, with all eight of their neighbours: what is left of the difference mask when it is
     * shrunk by one pixel.
     */
    public static function difference(string $svgA, string $svgB, int $width): int
    {
        return count(self::differing(self::png($svgA, $width), self::png($svgB, $width)));
    }

    /** @return list<array{int, int}> */
    public static function differing(GdImage $a, GdImage $b): array
    {
        $w = imagesx($a);
        $h = imagesy($a);
        if (abs(imagesx($b) - $w) > 1 || abs(imagesy($b) - $h) > 1) {
            throw new RuntimeException(sprintf('The pictures are of different size: %d x %d and %d x %d.', $w, $h, imagesx($b), imagesy($b)));
        }
        $h = min($h, imagesy($b));
        $rowsA = self::rows($a, $w, $h);
        $rowsB = self::rows($b, $w, $h);
        $mask = [];
        for ($y = 0; $y < $h; $y++) {
            if ($rowsA[$y] === $rowsB[$y]) {
                continue;
            }
            $other = $rowsA[$y] ^ $rowsB[$y];
            $at = strspn($other, "\0");
            $end = strlen($other);
            while ($at < $end) {
                $x = intdiv($at, 3);
                for ($k = 3 * $x; $k < 3 * $x + 3; $k++) {
                    if (abs(ord($rowsA[$y][$k]) - ord($rowsB[$y][$k])) > self::CLEAR) {
                        $mask[$y][$x] = true;
                        break;
                    }
                }
                $at = 3 * ($x + 1);
                $at += strspn($other, "\0", $at);
            }
        }
        $out = [];
        foreach ($mask as $y => $row) {
            foreach ($row as $x => $_) {
                for ($dy = -1; $dy <= 1; $dy++) {
                    for ($dx = -1; $dx <= 1; $dx++) {
                        if (! isset($mask[$y + $dy][$x + $dx])) {
                            continue 3;
                        }
                    }
                }
                $out[] = [$x, $y];
            }
        }

        return $out;
    }

    /** @return list<string> rows of three bytes a pixel */
    private static function rows(GdImage $image, int $w, int $h): array
    {
        imagepalettetotruecolor($image);
        ob_start();
        imagebmp($image, null, false);
        $raw = (string) ob_get_clean();
        /** @var array{1: int} $offset */
        $offset = unpack('V', substr($raw, 10, 4));
        $wide = intdiv(3 * imagesx($image) + 3, 4) * 4;
        $tall = imagesy($image);
        $out = [];
        for ($y = 0; $y < $h; $y++) {
            // A BMP begins with its lowest row.
            $out[] = substr($raw, $offset[1] + ($tall - 1 - $y) * $wide, 3 * $w);
        }

        return $out;
    }
}
