<?php

declare(strict_types=1);

namespace App\Prep;

use Closure;
use Illuminate\Support\Facades\File;
use RuntimeException;
use ZipArchive;

/** Several files as one. */
final class Zip
{
    /**
     * @param  array<string, string>  $files  bytes by name
     * @param  iterable<string, Closure(): string>  $more  what gives the bytes of further files, one by one, by their names in the ZIP
     */
    public static function bytes(array $files, iterable $more = []): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-');
        $folder = "{$path}-files";
        try {
            $zip = new ZipArchive;
            if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
                throw new RuntimeException('The ZIP cannot be made.');
            }
            File::makeDirectory($folder);
            $count = 0;
            // They lie on the disk until all are packed: together they may be more than there is memory.
            foreach ($more as $file => $bytes) {
                File::put($at = "{$folder}/".$count++, $bytes());
                $zip->addFile($at, $file);
            }
            foreach ($files as $file => $bytes) {
                $zip->addFromString($file, $bytes);
            }
            $zip->close();

            return (string) file_get_contents($path);
        } finally {
            @unlink($path);
            File::deleteDirectory($folder);
        }
    }
}
