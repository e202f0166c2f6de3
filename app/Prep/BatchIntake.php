<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Batch;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Process\Process;
use Throwable;
use ZipArchive;

/** Takes files in as a batch: all of them, or nothing. */
final class BatchIntake
{
    private const MOST_FILES = 1000;

    /** Bytes of a name without its ending. */
    private const LONGEST = 170;

    /** Of all files together, unpacked. */
    private const MOST_BYTES = 200_000_000;

    /**
     * @param  list<array{string, string}>  $files  drawings and ZIP files with such, each as its name, perhaps with folders before it, and where it lies
     *
     * @throws ValidationException
     */
    public static function take(string $title, Preset $preset, Process $process, string $width, string $sizes, array $files): Batch
    {
        if (trim($width) !== '') {
            Length::positive($width);
        }
        self::holdSizes($sizes);
        $contents = $not = [];
        foreach ($files as [$name, $file]) {
            if (preg_match('/\.zip$/iD', $name) === 1) {
                self::unpack($file, $contents, $not);
            } elseif (Incoming::takes($name)) {
                $contents[self::free($name, $contents)] = (string) file_get_contents($file);
            } else {
                $not[] = mb_scrub($name);
            }
        }
        if ($contents === []) {
            throw ValidationException::withMessages(['files' => 'There is no SVG, DXF, PLT, PDF or PostScript file among these.']);
        }
        if (count($contents) > self::MOST_FILES || array_sum(array_map(strlen(...), $contents)) > self::MOST_BYTES) {
            throw ValidationException::withMessages(['files' => sprintf(
                'A batch takes at most %d files of %d MB together.',
                self::MOST_FILES,
                intdiv(self::MOST_BYTES, 1_000_000),
            )]);
        }
        $batch = Batch::query()->create([
            'title' => $title,
            'process' => $process->key(),
            'preset' => $preset->name,
            'width' => trim($width),
            'files' => count($contents),
            'not_taken' => array_values(array_unique($not)),
        ]);
        try {
            foreach ($contents as $name => $bytes) {
                $batch->files()->write("in/{$name}", $bytes);
            }
            $batch->files()->write('preset.json', PresetJson::encode($preset));
            if (trim($sizes) !== '') {
                $batch->files()->write('sizes.csv', $sizes);
            }
        } catch (Throwable $problem) {
            rescue(static fn () => $batch->files()->remove(), report: false);
            $batch->delete();
            throw $problem;
        }

        return $batch->refresh();
    }

    /**
     * @param  array<string, string>  $contents  brought up to date
     * @param  list<string>  $not  names of what is of no format that is read, brought up to date
     */
    private static function unpack(string $path, array &$contents, array &$not): void
    {
        $zip = new ZipArchive;
        if ($path === '' || $zip->open($path) !== true) {
            throw ValidationException::withMessages(['files' => 'The ZIP cannot be opened.']);
        }
        $sum = 0;
        // No more is unpacked of a file than it says that it has.
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $about = $zip->statIndex($i);
            $name = is_array($about) ? (string) $about['name'] : '';
            if (str_ends_with($name, '/') || str_starts_with(basename($name), '.') || str_starts_with($name, '__MACOSX/')) {
                continue;
            }
            if (! Incoming::takes($name)) {
                $not[] = mb_scrub($name);

                continue;
            }
            $size = is_array($about) ? (int) $about['size'] : 0;
            $sum += $size;
            if ($sum > self::MOST_BYTES || count($contents) >= self::MOST_FILES) {
                throw ValidationException::withMessages(['files' => sprintf(
                    'A batch takes at most %d files of %d MB together.',
                    self::MOST_FILES,
                    intdiv(self::MOST_BYTES, 1_000_000),
                )]);
            }
            $contents[self::free($name, $contents)] = $size < 1 ? '' : (string) $zip->getFromIndex($i, $size);
        }
        $zip->close();
    }

    /**
     * A name of letters that every disk takes and no other file has: where two come out alike, the later has its folder before it, or a number behind it.
     *
     * @param  array<string, string>  $taken  by name
     */
    private static function free(string $name, array $taken): string
    {
        $parts = array_values(array_filter(
            explode('/', str_replace('\\', '/', mb_scrub($name))),
            static fn (string $part): bool => ! in_array($part, ['', '.', '..'], true),
        ));
        $used = array_fill_keys(array_map(static fn (int|string $one): string => mb_strtolower((string) $one), array_keys($taken)), true);
        $plain = self::plain(array_slice($parts, -1));
        $free = isset($used[mb_strtolower($plain)]) ? self::plain($parts) : $plain;
        for ($k = 2; isset($used[mb_strtolower($free)]); $k++) {
            $free = pathinfo($plain, PATHINFO_FILENAME)." ({$k}).".pathinfo($plain, PATHINFO_EXTENSION);
        }

        return $free;
    }

    /** @param  list<string>  $parts  of a path */
    private static function plain(array $parts): string
    {
        $plain = ltrim((string) preg_replace('/[^\p{L}\p{M}\p{N}_.\- ()]+/u', '_', implode(' - ', $parts)), '. ');
        // Disks count bytes, not letters.
        $stem = rtrim(mb_strcut(pathinfo($plain, PATHINFO_FILENAME), 0, self::LONGEST));

        return ($stem === '' ? 'file' : $stem).'.'.strtolower(pathinfo($plain, PATHINFO_EXTENSION));
    }

    private static function holdSizes(string $text): void
    {
        foreach (preg_split('/\R/', trim($text)) ?: [] as $i => $line) {
            $row = str_getcsv($line, ',', '"', '');
            $size = trim((string) ($row[1] ?? ''));
            if (trim($line) === '' || ($i === 0 && strtolower($size) === 'width')) {
                continue;
            }
            try {
                Length::positive($size);
            } catch (InvalidLength $invalid) {
                throw ValidationException::withMessages(['sizes' => sprintf('Line %d of the sizes: %s', $i + 1, $invalid->getMessage())]);
            }
        }
    }
}
