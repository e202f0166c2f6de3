<?php

declare(strict_types=1);

namespace App\Backup;

use Illuminate\Support\Facades\File;
use Throwable;

/** Backups that the shop makes by itself, and keeps some of. */
final class Kept
{
    private const FAILED = 'failed.txt';

    public static function folder(): string
    {
        return (string) config('neat-edge.backups');
    }

    /** @param  string  $why  nightly, before-migration, before-restore: only nightly ones take each other's place */
    public static function path(string $why): string
    {
        return self::folder().'/'.now()->format('Y-m-d-His')."-{$why}.zip";
    }

    /** One more, and the oldest go that are one too many; where it fails, that is kept until one does not. */
    public static function make(string $why): string
    {
        $path = self::path($why);
        try {
            Archive::write($path);
        } catch (Throwable $broke) {
            File::ensureDirectoryExists(self::folder());
            File::put(self::folder().'/'.self::FAILED, now()->toIso8601String()."\n".$broke->getMessage());
            throw $broke;
        }
        File::delete(self::folder().'/'.self::FAILED);
        $all = File::glob(self::folder()."/*-{$why}.zip");
        rsort($all);
        foreach (array_slice($all, max(1, (int) config('neat-edge.backups_kept'))) as $old) {
            File::delete($old);
        }

        return $path;
    }

    /** @return array{kept: list<array{name: string, at: string, bytes: int}>, failed: string|null} the newest first; when the last one failed since */
    public static function all(): array
    {
        $kept = [];
        $paths = File::glob(self::folder().'/*.zip');
        rsort($paths);
        foreach ($paths as $path) {
            $kept[] = ['name' => basename($path), 'at' => date(DATE_ATOM, (int) filemtime($path)), 'bytes' => (int) filesize($path)];
        }
        $failed = self::folder().'/'.self::FAILED;

        return ['kept' => $kept, 'failed' => is_file($failed) ? strtok(File::get($failed), "\n") ?: null : null];
    }
}
