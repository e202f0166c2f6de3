<?php

declare(strict_types=1);

namespace App\Prep;

use RuntimeException;
use ZipArchive;

/** Several files as one. */
final class Zip
{
    /**
     * @param  array<string, string>  $files  bytes by name
     * @param  iterable<string, string>  $more  paths of files on the disk, by their names in the ZIP
     */
    public static function bytes(array $files, iterable $more = []): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-');
        try {
            $zip = new ZipArchive;
            if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
                throw new RuntimeException('The ZIP cannot be made.');
            }
            foreach ($more as $file => $at) {
                $zip->addFile($at, $file);
            }
            foreach ($files as $file => $bytes) {
                $zip->addFromString($file, $bytes);
            }
            $zip->close();

            return (string) file_get_contents($path);
        } finally {
            @unlink($path);
        }
    }
}
