<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Response;
use RuntimeException;
use ZipArchive;

/** Several files as one. */
final class Zips
{
    /**
     * @param  array<string, string>  $files  bytes by name
     * @param  iterable<string, string>  $more  paths of files on the disk, by their names in the ZIP
     */
    public static function of(array $files, string $name, iterable $more = []): Response
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
            $bytes = (string) file_get_contents($path);
        } finally {
            @unlink($path);
        }

        return new Response($bytes, 200, ['Content-Type' => 'application/zip', 'Content-Disposition' => "attachment; filename=\"{$name}.zip\""]);
    }
}
