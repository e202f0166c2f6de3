<?php

declare(strict_types=1);

namespace NeatEdge\Devices;

use RuntimeException;

/** Reads the pages of a PDF far enough to expose them: paths filled and stroked, in whatever ink. */
final class PdfPages
{
    /** @return list<Page> */
    public static function of(string $bytes): array
    {
        if (! str_starts_with($bytes, '%PDF-') || ! str_contains(substr($bytes, -64), '%%EOF')) {
            throw new RuntimeException('this is no whole PDF');
        }
        $objects = [];
        if (preg_match_all('/(?:^|\n)(\d+) 0 obj\n(.*?)\nendobj/s', $bytes, $found, PREG_SET_ORDER) === false || $found === []) {
            throw new RuntimeException('the PDF has no objects');
        }
        foreach ($found as [, $number, $body]) {
            $objects[(int) $number] = $body;
        }
        $pages = [];
        foreach ($objects as $body) {
            if (preg_match('/\/Type \/Pages\b.*?\/Kids \[([^\]]*)\]/s', $body, $m) === 1) {
                preg_match_all('/(\d+) 0 R/', $m[1], $kids);
                foreach ($kids[1] as $kid) {
                    $pages[] = self::page($objects[(int) $kid] ?? '', $objects);
                }
            }
        }

        return $pages === [] ? throw new RuntimeException('the PDF has no pages') : $pages;
    }

    /** @param  array<int, string>  $objects */
    private static function page(string $body, array $objects): Page
    {
        if (preg_match(
            '/\/MediaBox \[\s*([-\d.]+) ([-\d.]+) ([-\d.]+) ([-\d.]+)\s*\]/',
            $body,
            $box,
        ) !== 1 || preg_match('/\/Contents (\d+) 0 R/', $body, $contents) !== 1) {
            throw new RuntimeException('a page has no size or no contents');
        }
        $stream = $objects[(int) $contents[1]] ?? '';
        $at = strpos($stream, "stream\n");
        $end = strrpos($stream, "\nendstream");
        $text = $at === false || $end === false ? false : @gzuncompress(substr($stream, $at + 7, $end - $at - 7), 200_000_000);
        if ($text === false) {
            throw new RuntimeException('the contents of a page cannot be unpacked');
        }
        $page = new Page(((float) $box[3] - (float) $box[1]) * 25.4 / 72, ((float) $box[4] - (float) $box[2]) * 25.4 / 72);
        self::draw($text, $page);

        return $page;
    }

    private static function draw(string $text, Page $page): void
    {
        $stack = [];
        $matrix = [1.0, 0.0, 0.0, 1.0, 0.0, 0.0];
        $width = 1.0;
        $numbers = [];
        $d = '';
        $at = strtok($text, " \n\r\t");
        while ($at !== false) {
            $word = $at;
            $at = strtok(" \n\r\t");
            if (is_numeric($word)) {
                $numbers[] = (float) $word;

                continue;
            }
            $n = $numbers;
            $numbers = str_starts_with($word, '/') ? $numbers : [];
            switch ($word) {
                case 'q': $stack[] = [$matrix, $width];
                    break;
                case 'Q': [$matrix, $width] = array_pop($stack) ?? [$matrix, $width];
                    break;
                case 'cm': $matrix = self::times($n, $matrix);
                    break;
                case 'w': $width = $n[0] ?? 1.0;
                    break;
                case 'm': $d .= 'M'.self::place($matrix, $n, 0);
                    break;
                case 'l': $d .= 'L'.self::place($matrix, $n, 0);
                    break;
                case 'c': $d .= 'C'.self::place($matrix, $n, 0).' '.self::place($matrix, $n, 2).' '.self::place($matrix, $n, 4);
                    break;
                case 'h': $d .= 'Z';
                    break;
                case 'f': case 'F': case 'f*':
                    $page->add("<path d=\"{$d}\" fill=\"#111\"".($word === 'f*' ? ' fill-rule="evenodd"' : '').'/>');
                    $d = '';
                    break;
                case 'S':
                    $page->add(sprintf(
                        '<path d="%s" fill="none" stroke="#111" stroke-width="%.4F"/>',
                        $d,
                        $width * sqrt(abs($matrix[0] * $matrix[3] - $matrix[1] * $matrix[2])),
                    ));
                    $d = '';
                    break;
                case 'n': $d = '';
                    break;
                default:
            }
        }
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function times(array $a, array $b): array
    {
        if (count($a) < 6) {
            return $b;
        }

        return [
            $a[0] * $b[0] + $a[1] * $b[2],
            $a[0] * $b[1] + $a[1] * $b[3],
            $a[2] * $b[0] + $a[3] * $b[2],
            $a[2] * $b[1] + $a[3] * $b[3],
            $a[4] * $b[0] + $a[5] * $b[2] + $b[4],
            $a[4] * $b[1] + $a[5] * $b[3] + $b[5],
        ];
    }

    /**
     * @param  list<float>  $m
     * @param  list<float>  $n
     */
    private static function place(array $m, array $n, int $i): string
    {
        [$x, $y] = [$n[$i] ?? 0.0, $n[$i + 1] ?? 0.0];

        return sprintf('%.4F %.4F', $m[0] * $x + $m[2] * $y + $m[4], $m[1] * $x + $m[3] * $y + $m[5]);
    }
}
