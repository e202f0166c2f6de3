<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Batch;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Check\Process;
use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Prepare\Preset;
use Throwable;
use ZipArchive;

/** Takes files in as a batch: all of them, or nothing. */
final class BatchIntake
{
    private const MOST_FILES = 1000;

    /** Of all files together, unpacked. */
    private const MOST_BYTES = 200_000_000;

    /**
     * @param  list<UploadedFile>  $files  SVG files and ZIP files with such
     *
     * @throws ValidationException
     */
    public static function take(string $title, Preset $preset, Process $process, string $width, string $sizes, array $files): Batch
    {
        if (trim($width) !== '') {
            Length::positive($width);
        }
        self::holdSizes($sizes);
        $contents = [];
        foreach ($files as $file) {
            if (preg_match('/\.zip$/iD', $file->getClientOriginalName()) === 1) {
                $contents += self::unpacked($file->getRealPath() ?: '');
            } elseif (preg_match('/\.svgz?$/iD', $file->getClientOriginalName()) === 1) {
                $contents[self::name($file->getClientOriginalName())] = (string) $file->get();
            }
        }
        if ($contents === []) {
            throw ValidationException::withMessages(['files' => 'There is no SVG file among these.']);
        }
        if (count($contents) > self::MOST_FILES || array_sum(array_map(strlen(...), $contents)) > self::MOST_BYTES) {
            throw ValidationException::withMessages(['files' => sprintf('A batch takes at most %d files of %d MB together.', self::MOST_FILES, intdiv(self::MOST_BYTES, 1_000_000))]);
        }
        $batch = Batch::query()->create(['title' => $title, 'status' => 'new', 'process' => $process->value, 'preset' => $preset->name, 'width' => trim($width), 'files' => count($contents)]);
        try {
            File::ensureDirectoryExists($batch->folder('in'));
            foreach ($contents as $name => $bytes) {
                if (file_put_contents($batch->folder('in')."/{$name}", $bytes) !== strlen($bytes)) {
                    throw ValidationException::withMessages(['files' => 'The files cannot be stored; the disk may be full.']);
                }
            }
            file_put_contents($batch->folder('preset.json'), PresetJson::encode($preset));
            if (trim($sizes) !== '') {
                file_put_contents($batch->folder('sizes.csv'), $sizes);
            }
        } catch (Throwable $problem) {
            File::deleteDirectory($batch->folder());
            $batch->delete();
            throw $problem;
        }
        DB::table('batches')->where('id', $batch->id)->update(['status' => 'waiting']);

        return $batch->refresh();
    }

    /** @return array<string, string> by name */
    private static function unpacked(string $path): array
    {
        $zip = new ZipArchive;
        if ($path === '' || $zip->open($path) !== true) {
            throw ValidationException::withMessages(['files' => 'The ZIP cannot be opened.']);
        }
        $out = [];
        $sum = 0;
        // No more is unpacked of a file than it says that it has.
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $about = $zip->statIndex($i);
            $name = is_array($about) ? (string) $about['name'] : '';
            if (preg_match('/\.svgz?$/iD', $name) !== 1 || str_starts_with(basename($name), '.')) {
                continue;
            }
            $size = is_array($about) ? (int) $about['size'] : 0;
            $sum += $size;
            if ($sum > self::MOST_BYTES || count($out) >= self::MOST_FILES) {
                throw ValidationException::withMessages(['files' => sprintf('A batch takes at most %d files of %d MB together.', self::MOST_FILES, intdiv(self::MOST_BYTES, 1_000_000))]);
            }
            $out[self::name($name)] = $size < 1 ? '' : (string) $zip->getFromIndex($i, $size);
        }
        $zip->close();

        return $out;
    }

    /** A name without folders, of letters that every disk takes. */
    private static function name(string $name): string
    {
        $name = mb_substr((string) preg_replace('/[^\w.\- ]+/u', '_', basename(str_replace('\\', '/', mb_scrub($name)))), 0, 120);

        return ltrim($name, '.') === '' ? 'file.svg' : ltrim($name, '.');
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
