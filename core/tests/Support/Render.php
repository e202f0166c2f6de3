<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

use RuntimeException;

/** Pictures of SVG text by renderers that we did not write (librsvg, resvg), and whether two of them look the same. */
final class Render
{
    /** A channel must differ by more than this, of 255, to count: below it is anti-aliasing. */
    private const CLEAR = 40;

    /** So many pairs of pixels side by side that hang together are a thin line that was lost; an edge that moved by less than a pixel is one wide. */
    private const RUN = 8;

    /** So much finer are pictures drawn and averaged where edges that pieces share show. */
    private const FINER = 4;

    /** No art has this colour, so that nothing and white are not the same. */
    private const GROUND = '#e9d3f1';

    private static bool $lines = true;

    /** @var array{string, int}|null the original rendered last: it is compared with several outcomes in a row */
    private static ?array $original = null;

    /** @var array{int, int, list<string>} */
    private static array $picture = [0, 0, []];

    /**
     * Whether two drawings look the same: by librsvg, and where that sees a difference, by resvg, since each has
     * habits of its own at joins; and where both see one, drawn four times finer and averaged. Along an edge that two
     * pieces share, a renderer blends the ground in, and that shows as a line where there is none.
     *
     * @param  bool  $lines  whether thin lines count; not where letters stand on a bent line, which no two renderers set alike
     */
    public static function looksSame(string $original, string $outcome, int $width, bool $lines = true): bool
    {
        self::$lines = $lines;
        if (self::$original !== [$original, $width]) {
            self::$picture = self::byLibrsvg($original, $width);
            self::$original = [$original, $width];
        }

        return self::differing(self::$picture, self::byLibrsvg($outcome, $width)) === []
            || self::differing(self::byResvg($original, $width), self::byResvg($outcome, $width)) === []
            || self::differing(self::byLibrsvg($original, $width, self::FINER), self::byLibrsvg($outcome, $width, self::FINER)) === []
            || self::differing(self::byResvg($original, $width, self::FINER), self::byResvg($outcome, $width, self::FINER)) === [];
    }

    /**
     * @param  list<array{int, int}>  $places  x, y of pixels
     * @return list<array{int, int, int}> red, green and blue there, as librsvg paints them
     */
    public static function colours(string $svg, int $width, array $places): array
    {
        [, , $rows] = self::byLibrsvg($svg, $width);

        // A BMP has blue first.
        return array_map(
            static fn (array $at): array => [ord($rows[$at[1]][3 * $at[0] + 2]), ord($rows[$at[1]][3 * $at[0] + 1]), ord($rows[$at[1]][3 * $at[0]])],
            $places,
        );
    }

    /** @return array{int, int, list<string>} width, height, and rows of three bytes a pixel */
    private static function byLibrsvg(string $svg, int $width, int $finer = 1): array
    {
        return self::picture(['rsvg-convert', '-w', (string) ($width * $finer), '-f', 'png', '--unlimited', '-b', self::GROUND], $svg, $finer);
    }

    /** @return array{int, int, list<string>} */
    private static function byResvg(string $svg, int $width, int $finer = 1): array
    {
        return self::picture(['node', __DIR__.'/resvg.mjs', (string) ($width * $finer), self::GROUND], $svg, $finer);
    }

    /**
     * @param  list<string>  $command
     * @return array{int, int, list<string>}
     *
     * @throws RuntimeException where the renderer gives no picture
     */
    private static function picture(array $command, string $svg, int $finer = 1): array
    {
        $process = proc_open(
            $command,
            [['pipe', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            null,
            ['FONTCONFIG_FILE' => self::fontconfig()] + getenv(),
        );
        if ($process === false) {
            throw new RuntimeException("{$command[0]} cannot be started.");
        }
        fwrite($pipes[0], $svg);
        fclose($pipes[0]);
        $png = (string) stream_get_contents($pipes[1]);
        fclose($pipes[1]);
        proc_close($process);
        $image = $png === '' ? false : imagecreatefromstring($png);
        if ($image === false) {
            throw new RuntimeException("{$command[0]} gives no picture.");
        }
        imagepalettetotruecolor($image);
        if ($finer > 1) {
            $small = imagecreatetruecolor(max(1, intdiv(imagesx($image), $finer)), max(1, intdiv(imagesy($image), $finer)));
            imagecopyresampled($small, $image, 0, 0, 0, 0, imagesx($small), imagesy($small), imagesx($small) * $finer, imagesy($small) * $finer);
            $image = $small;
        }
        ob_start();
        imagebmp($image, null, false);
        $raw = (string) ob_get_clean();
        /** @var array{1: int} $offset */
        $offset = unpack('V', substr($raw, 10, 4));
        $w = imagesx($image);
        $h = imagesy($image);
        $wide = intdiv(3 * $w + 3, 4) * 4;
        $rows = [];
        for ($y = 0; $y < $h; $y++) {
            // A BMP begins with its lowest row.
            $rows[] = substr($raw, $offset[1] + ($h - 1 - $y) * $wide, 3 * $w);
        }

        return [$w, $h, $rows];
    }

    /** Renderers see the fonts that ship with the application, and no others. */
    private static function fontconfig(): string
    {
        $path = sys_get_temp_dir().'/neat-edge-fonts-'.getmypid().'.conf';
        if (! is_file($path)) {
            $alias = static fn (string $generic, string $family): string => "<alias><family>{$generic}</family><prefer><family>{$family}</family></prefer></alias>";
            file_put_contents($path, '<?xml version="1.0"?><!DOCTYPE fontconfig SYSTEM "fonts.dtd"><fontconfig><dir>'.dirname(__DIR__, 2)
                .'/fonts</dir><cachedir>'.sys_get_temp_dir().'/neat-edge-fontconfig</cachedir>'
                .$alias('sans-serif', 'DejaVu Sans').$alias('serif', 'DejaVu Serif').$alias('monospace', 'DejaVu Sans Mono').'</fontconfig>');
            register_shutdown_function(static fn () => @unlink($path));
        }

        return $path;
    }

    /**
     * Pixels that differ clearly, with all eight of their neighbours: what is left of the difference mask when it is
     * shrunk by one pixel. Where that is nothing, pixels of thin lines that differ strongly.
     *
     * @param  array{int, int, list<string>}  $a
     * @param  array{int, int, list<string>}  $b
     * @return list<array{int, int}>
     */
    private static function differing(array $a, array $b): array
    {
        [$w, $h, $rowsA] = $a;
        [$wB, $hB, $rowsB] = $b;
        if (abs($wB - $w) > 1 || abs($hB - $h) > 1) {
            throw new RuntimeException(sprintf('The pictures are of different size: %d x %d and %d x %d.', $w, $h, $wB, $hB));
        }
        $mask = [];
        for ($y = 0; $y < min($h, $hB); $y++) {
            if ($rowsA[$y] !== $rowsB[$y]) {
                $row = self::differingInRow($rowsA[$y], $rowsB[$y]);
                if ($row !== []) {
                    $mask[$y] = $row;
                }
            }
        }
        $out = [];
        foreach ($mask as $y => $row) {
            foreach ($row as $x => $_) {
                for ($dy = -1; $dy <= 1; $dy++) {
                    if (! isset($mask[$y + $dy][$x - 1], $mask[$y + $dy][$x], $mask[$y + $dy][$x + 1])) {
                        continue 2;
                    }
                }
                $out[] = [$x, $y];
            }
        }

        return $out === [] && self::$lines ? self::lines($mask) : $out;
    }

    /**
     * @param  array<int, array<int, true>>  $mask  by y and x
     * @return list<array{int, int}> one pixel of each line that was lost
     */
    private static function lines(array $mask): array
    {
        $pairs = [];
        foreach ($mask as $y => $row) {
            foreach ($row as $x => $_) {
                if (isset($row[$x + 1], $mask[$y + 1][$x], $mask[$y + 1][$x + 1])) {
                    $pairs[$y][$x] = true;
                }
            }
        }
        $mask = $pairs;
        $out = [];
        while (($y = array_key_first($mask)) !== null) {
            $x = array_key_first($mask[$y]);
            if ($x === null) {
                unset($mask[$y]);

                continue;
            }
            unset($mask[$y][$x]);
            $stack = [[$x, $y]];
            $count = 0;
            while ($stack !== []) {
                [$px, $py] = array_pop($stack);
                $count++;
                for ($ny = $py - 1; $ny <= $py + 1; $ny++) {
                    for ($nx = $px - 1; $nx <= $px + 1; $nx++) {
                        if (isset($mask[$ny][$nx])) {
                            unset($mask[$ny][$nx]);
                            $stack[] = [$nx, $ny];
                        }
                    }
                }
            }
            if ($count >= self::RUN) {
                $out[] = [$x, $y];
            }
        }

        return $out;
    }

    /** @return array<int, true> by x */
    private static function differingInRow(string $a, string $b): array
    {
        $out = [];
        $other = $a ^ $b;
        $end = strlen($other);
        for ($at = strspn($other, "\0"); $at < $end; $at += strspn($other, "\0", $at)) {
            if (abs(ord($a[$at]) - ord($b[$at])) > self::CLEAR) {
                $out[intdiv($at, 3)] = true;
            }
            $at++;
        }

        return $out;
    }
}
