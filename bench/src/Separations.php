<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Process\ScreenPrint;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Tests\Support\RealArt;
use RuntimeException;
use Throwable;

/**
 * Plates as Ghostscript separates one PDF of all of them, beside what librsvg draws of each plate's own SVG: every option at all demo jobs, and the usual
 * ones at
 * a hundred files of others. Neither reader is ours.
 */
final class Separations
{
    /** mm across. */
    private const WIDTH = 90.0;

    /** Dots an inch, of 4 by 4 parts each, of the separations from which the true area is told. */
    private const FINE = [600, 1200];

    /** Share of what is due, and mm² under which a plate is dust. */
    private const OFF = 0.001;

    private const DUST = 0.02;

    /** Share of what finer pixels changed that is not told: a plate of small dots is all edge. */
    private const OPEN = 0.2;

    private string $folder = '';

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $this->folder = sys_get_temp_dir().'/neat-edge-plates-'.getmypid();
        mkdir($this->folder);
        try {
            $options = [
                'as usual' => [],
                'white under' => ['underbase' => 'yes', 'trap' => '0.2mm'],
                'no trap' => ['trap' => '0'],
                'wide trap, choke 0.4' => ['trap' => '0.4mm', 'underbase' => 'yes', 'choke' => '0.4mm'],
                'black over' => ['blackOver' => 'yes', 'underbase' => 'yes'],
                'no tints' => ['tints' => ''],
                'line dots, whole' => ['dot' => 'line', 'cutDots' => '', 'ruling' => '30'],
                'oval dots, least kept' => ['dot' => 'oval', 'keepLeast' => 'yes', 'leastDot' => '0.2mm'],
            ];
            foreach ($options as $name => $values) {
                // Thirty-six inks once are enough.
                yield $this->row(
                    "demo jobs, {$name}",
                    array_filter($this->demo(), static fn (string $file): bool => $values === [] || $file !== 'harbour-dial.json', ARRAY_FILTER_USE_KEY),
                    $values,
                );
            }
            $art = static fn (string $set, int $count): array => array_map(
                static fn (string $svg): callable => static fn (): Artwork => Reader::read($svg)->artwork,
                RealArt::of($set, $count),
            );
            foreach (['emoji' => 40, 'round-flags' => 20, 'map-signs' => 20, 'weather' => 20] as $set => $count) {
                yield $this->row("{$count} of {$set}, white under", $art($set, $count), ['underbase' => 'yes', 'trap' => '0.2mm']);
            }
        } finally {
            array_map(unlink(...), glob("{$this->folder}/*") ?: []);
            rmdir($this->folder);
        }
    }

    /** @return array<string, callable(): Artwork> */
    private function demo(): array
    {
        $scenes = [];
        foreach (glob(dirname(__DIR__, 2).'/database/demo/*.{svg,json}', GLOB_BRACE) ?: [] as $file) {
            $text = (string) file_get_contents($file);
            $scenes[basename($file)] = str_ends_with($file, '.svg')
                ? static fn (): Artwork => Reader::read($text)->artwork
                : static fn (): Artwork => ArtworkJson::decode($text);
        }

        return $scenes;
    }

    /**
     * @param  array<string, callable(): Artwork>  $files
     * @param  array<string, string>  $values
     * @return array{string, string, string}
     */
    private function row(string $name, array $files, array $values): array
    {
        $plates = 0;
        $worst = [0.0, ''];
        $off = [];
        foreach ($files as $file => $read) {
            try {
                foreach ($this->compared($read(), $values) as $ink => [$due, $inked, $open]) {
                    $plates++;
                    $share = max(0.0, abs($inked - $due) - self::DUST - $open) / max($due, 1e-9);
                    $worst = $share > $worst[0] ? [$share, "{$file}: {$ink}"] : $worst;
                    if ($share > self::OFF) {
                        $off[] = sprintf('%s %s %.3f for %.3f', $file, $ink, $inked, $due);
                    }
                }
            } catch (Throwable $failure) {
                $off[] = "{$file}: {$failure->getMessage()}";
            }
        }
        foreach ($off as $one) {
            fwrite(STDERR, "  {$one}\n");
        }

        return [
            $name,
            sprintf('%d of %d plates off, worst %.3f %%', count($off), $plates, 100 * $worst[0]),
            'within 0.1 %'.($worst[1] === '' ? '' : " ({$worst[1]})"),
        ];
    }

    /**
     * @param  array<string, string>  $values
     * @return array<string, array{float, float, float}> by ink: mm² of its own SVG, of its separation, and what its pixels leave open
     */
    private function compared(Artwork $art, array $values): array
    {
        $result = PrepLine::usual()->outcome(Seen::of($art->atWidth(self::WIDTH)));
        $layouts = (new Order(
            $result,
            'Plates',
            (new ScreenPrint)->making(),
            (new ScreenPrint)->limits(),
            (new ScreenPrint)->values(['marks' => '', ...$values]),
        ))->layouts();
        $files = Export::files($layouts, 'pdf', Formats::make('pdf'), true);
        file_put_contents("{$this->folder}/all.pdf", reset($files));
        array_map(unlink(...), glob("{$this->folder}/*.tif") ?: []);
        foreach (self::FINE as $fine) {
            $this->tool([
                'gs', '-q', '-dNOPAUSE', '-dBATCH', '-dSAFER', '-dMaxSpots=60', '-sDEVICE=tiffsep', '-dGraphicsAlphaBits=4', "-r{$fine}",
                "-sOutputFile={$this->folder}/{$fine}.tif",
                "{$this->folder}/all.pdf",
            ]);
        }
        $compared = [];
        foreach ($layouts as $layout) {
            $inks = array_values(array_filter($layout->layers, static fn (Layer $layer): bool => $layer->role === Role::Plate));
            if ($inks === []) {
                continue;
            }
            // Every part of a pixel that is touched is inked: what that adds halves when they do.
            $ink = $inks[0]->name;
            [$coarse, $fine] = array_map(fn (int $fine): float => $this->inked("{$this->folder}/{$fine}({$ink}).tif", $fine), self::FINE);
            $compared[$ink] = [$this->drawn($layout), 2 * $fine - $coarse, self::OPEN * abs($fine - $coarse)];
        }

        return $compared;
    }

    /** mm² of a plate as librsvg draws its SVG. */
    private function drawn(Layout $layout): float
    {
        $svg = "{$this->folder}/plate.svg";
        file_put_contents($svg, Formats::bytes(Formats::make('svg'), [$layout]));
        $this->tool(['rsvg-convert', '-w', (string) (int) round($layout->width * 60), $svg, '-o', "{$svg}.png"]);
        $sum = $this->tool([
            '/usr/bin/python3',
            '-c',
            "import sys\nfrom PIL import Image\nImage.MAX_IMAGE_PIXELS=None\nim = Image.open(sys.argv[1]).convert('RGBA')\nprint(sum(v * n for v, n in"
                .' enumerate(im.split()[3].histogram())) / 255.0)',
            "{$svg}.png",
        ]);

        return (float) $sum / 3_600;
    }

    private function inked(string $tiff, float $resolution): float
    {
        $sum = $this->tool([
            '/usr/bin/python3',
            '-c',
            "import sys\nfrom PIL import Image\nImage.MAX_IMAGE_PIXELS=None\nim = Image.open(sys.argv[1]).convert('L')\nprint(sum((255 - v) * n for v, n"
                .' in enumerate(im.histogram())) / 255.0)',
            $tiff,
        ]);

        return (float) $sum * (25.4 / $resolution) ** 2;
    }

    /** @param  list<string>  $words */
    private function tool(array $words): string
    {
        exec(implode(' ', array_map(escapeshellarg(...), $words)).' 2>&1', $lines, $code);

        return $code === 0 ? implode("\n", $lines) : throw new RuntimeException("{$words[0]}: ".implode(' ', array_slice($lines, 0, 3)));
    }
}
