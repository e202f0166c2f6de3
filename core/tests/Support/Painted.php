<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

use Closure;

/** Pictures of dots painted from a rule of colour by place, so that what they show is known exactly. */
final class Painted
{
    /** Places that are asked in a dot, along a side. */
    private const FINE = 8;

    /**
     * @param  int<1, max>  $width
     * @param  int<1, max>  $height
     * @param  Closure(float, float): int  $colour  0xRRGGBB at a place in dots; less than none where it is clear
     * @param  int|null  $quality  of JPEG; PNG when null
     * @param  bool  $light  whether light itself is mixed along edges, as a lens does
     */
    public static function picture(int $width, int $height, Closure $colour, ?int $quality = null, bool $light = false): string
    {
        $image = imagecreatetruecolor($width, $height);
        imagealphablending($image, false);
        imagesavealpha($image, true);
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                imagesetpixel($image, $x, $y, self::dot($x, $y, $colour, $light));
            }
        }
        ob_start();
        $quality === null ? imagepng($image) : imagejpeg($image, null, $quality);

        return (string) ob_get_clean();
    }

    /** @param  Closure(float, float): int  $colour */
    private static function dot(int $x, int $y, Closure $colour, bool $light): int
    {
        $corners = [$colour($x + 0.01, $y + 0.01), $colour($x + 0.99, $y + 0.01), $colour($x + 0.01, $y + 0.99), $colour($x + 0.99, $y + 0.99), $colour($x + 0.5, $y + 0.5)];
        if (count(array_unique($corners)) === 1) {
            return $corners[0] < 0 ? 127 << 24 : $corners[0];
        }
        $sum = [0.0, 0.0, 0.0];
        $solid = 0;
        for ($v = 0; $v < self::FINE; $v++) {
            for ($u = 0; $u < self::FINE; $u++) {
                $one = $colour($x + ($u + 0.5) / self::FINE, $y + ($v + 0.5) / self::FINE);
                if ($one >= 0) {
                    $solid++;
                    foreach ([16, 8, 0] as $k => $shift) {
                        $value = ($one >> $shift & 255) / 255;
                        $sum[$k] += $light ? $value ** 2.2 : $value;
                    }
                }
            }
        }
        $dot = (int) round(127 * (1 - $solid / self::FINE ** 2)) << 24;
        foreach ([16, 8, 0] as $k => $shift) {
            $value = $solid === 0 ? 0.0 : $sum[$k] / $solid;
            $dot |= (int) round(255 * ($light ? $value ** (1 / 2.2) : $value)) << $shift;
        }

        return $dot;
    }

    /** By librsvg, on white. */
    public static function drawing(string $svg, int $width, ?int $quality = null): string
    {
        $process = proc_open(['rsvg-convert', '-w', (string) $width, '-b', 'white'], [['pipe', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']], $pipes);
        if ($process === false) {
            throw new \RuntimeException('rsvg-convert cannot be started.');
        }
        fwrite($pipes[0], $svg);
        fclose($pipes[0]);
        $png = (string) stream_get_contents($pipes[1]);
        proc_close($process);
        if ($quality === null) {
            return $png;
        }
        ob_start();
        imagejpeg(imagecreatefromstring($png) ?: throw new \RuntimeException('librsvg gave no picture.'), null, $quality);

        return (string) ob_get_clean();
    }
}
