<?php

declare(strict_types=1);

namespace NeatEdge\Pages;

use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Format\Pages;

/** Pages of PDF files by Poppler, those of PostScript by Ghostscript before: each in a process with bounds, see Confined. */
final class PageReader implements Pages
{
    private const MOST_BYTES = 60_000_000;

    /** Pictures of pages to choose from are made of so many, each this high, pixels. */
    public const MOST_PICTURES = 24;

    private const HIGH = 220;

    public function page(string $bytes, int $page): array
    {
        return $this->within(function (string $folder, Confined $run) use ($bytes, $page): array {
            [$pages, $json] = self::laid($folder, $run, $bytes);
            if ($page < 1 || $page > $pages) {
                throw FileRefused::because(sprintf('There is no page %d: the file has %s.', $page, $pages === 1 ? '1 page' : "{$pages} pages"));
            }
            // Else a page whose size is no whole number of points is made smaller by up to a point.
            $run->run(
                ['pdftocairo', '-svg', '-noshrink', '-nocenter', '-f', (string) $page, '-l', (string) $page, 'in.pdf', 'out.svg'],
                "Page {$page} of the file",
            );
            $svg = is_file("{$folder}/out.svg") ? (string) file_get_contents("{$folder}/out.svg") : '';
            if ($svg === '') {
                throw FileRefused::because(sprintf('Page %d of the file came out empty.', $page));
            }
            [$notes, $boxes] = Kept::of($json, $page);
            $shown = $boxes['/CropBox'] ?? $boxes['/MediaBox'] ?? null;
            $trim = $boxes['/TrimBox'] ?? null;
            if ($trim !== null && $shown !== null && array_filter(
                array_map(static fn (float $a, float $b): float => abs($a - $b), $trim, $shown),
                static fn (float $off): bool => $off > 0.5,
            ) !== []) {
                $notes[] = [
                    'page-note',
                    sprintf(
                        'The page is to be trimmed to %.2f × %.2f mm; all of it was taken.',
                        ($trim[2] - $trim[0]) * 25.4 / 72,
                        ($trim[3] - $trim[1]) * 25.4 / 72,
                    ),
                ];
            }

            return ['svg' => $svg, 'pages' => $pages, 'notes' => $notes];
        });
    }

    /**
     * Small pictures to choose a page by.
     *
     * @return list<string> PNG, the first page first; fewer than there are pages where these are many
     *
     * @throws FileRefused
     */
    public function pictures(string $bytes): array
    {
        return $this->within(function (string $folder, Confined $run) use ($bytes): array {
            [$pages] = self::laid($folder, $run, $bytes);
            $run->run(
                [
                    'pdftoppm', '-png', '-cropbox', '-scale-to', (string) self::HIGH, '-f', '1', '-l', (string) min($pages, self::MOST_PICTURES),
                    'in.pdf', 'page',
                ],
                'The file',
            );
            $files = glob("{$folder}/page-*.png") ?: [];
            sort($files);

            return array_map(static fn (string $path): string => (string) file_get_contents($path), $files);
        });
    }

    /** @return array{int, string} how many pages the PDF has that lies in the folder now, and its objects */
    private static function laid(string $folder, Confined $run, string $bytes): array
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw FileRefused::because(sprintf('The file is larger than %d MB.', intdiv(self::MOST_BYTES, 1_000_000)));
        }
        $start = strpos(substr($bytes, 0, 1024), '%PDF-');
        if ($start === false) {
            file_put_contents("{$folder}/in.ps", $bytes);
            $run->run(
                [
                    'gs', '-q', '-dSAFER', '-dNOPAUSE', '-dBATCH', '-dEPSCrop', '-dAutoRotatePages=/None', '-dCompatibilityLevel=1.7',
                    '-dEncodeColorImages=true', '-sDEVICE=pdfwrite', '-sOutputFile=in.pdf', 'in.ps',
                ],
                'The PostScript file',
            );
            if (! is_file("{$folder}/in.pdf")) {
                throw FileRefused::because('The PostScript file shows no page.');
            }
        } else {
            file_put_contents("{$folder}/in.pdf", substr($bytes, $start));
        }
        $told = $run->run(['pdfinfo', 'in.pdf'], 'The PDF file');
        $pages = preg_match('/^Pages:\s+(\d+)/m', $told, $found) === 1 ? (int) $found[1] : 0;
        if ($pages < 1) {
            throw FileRefused::because('The PDF file has no pages.');
        }
        try {
            $json = $run->run(['qpdf', '--json=2', '--json-stream-data=none', '--warning-exit-0', '--decode-level=none', 'in.pdf'], 'The PDF file');
        } catch (FileRefused) {
            // What another reader shows is shown, though its objects cannot be told.
            $json = '';
        }

        return [$pages, $json];
    }

    /**
     * @template T
     *
     * @param  \Closure(string, Confined): T  $work  in a folder that goes afterwards
     * @return T
     */
    private function within(\Closure $work): mixed
    {
        $folder = sys_get_temp_dir().'/neat-edge-page-'.bin2hex(random_bytes(8));
        if (! @mkdir($folder, 0700)) {
            throw FileRefused::because('The file cannot be read: there is no room for it on the disk.');
        }
        try {
            return $work($folder, new Confined($folder));
        } finally {
            foreach (glob("{$folder}/*") ?: [] as $path) {
                @unlink($path);
            }
            @rmdir($folder);
        }
    }
}
