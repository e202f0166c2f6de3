<?php

declare(strict_types=1);

namespace App\Models;

use App\Backup\Archive;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Storage;
use League\Flysystem\FilesystemException;
use RuntimeException;

/**
 * Large contents, each once, by the hash of its bytes, on the disk "contents" of config/filesystems.php: a folder, or whatever Laravel can put in its place.
 * A row names the hash. What no row names goes an hour later (Prep/Pruning), so that what is being stored just now is safe.
 */
final class Contents
{
    /** Seconds for which contents that nobody names are left alone. */
    public const FRESH = 3600;

    /** How a column says that its bytes lie here; the hash follows, in hexadecimal digits. */
    public const MARK = 'contents:sha256:';

    /** Binary columns whose bytes may lie here, and columns that name a hash by itself. */
    public const COLUMNS = [
        'sources' => 'svg', 'versions' => 'artwork', 'step_results' => 'artwork', 'reference_pictures' => 'bytes', 'sendings' => 'content',
        'approvals' => 'picture',
    ];

    public static function disk(): Filesystem
    {
        return Storage::disk('contents');
    }

    /**
     * @return string the hash
     *
     * @throws DiskFull when there is no room: nothing half written is left under the name
     */
    public static function put(string $bytes): string
    {
        $hash = hash('sha256', $bytes);
        $path = self::path($hash);
        $disk = self::disk();
        if ($disk->exists($path) && $disk->size($path) === strlen($bytes) && $disk->lastModified($path) > time() - self::FRESH / 2) {
            return $hash;
        }
        self::write($path, $bytes);

        return $hash;
    }

    /** Puts a file on the disk in one, whoever else writes it. @throws DiskFull */
    public static function write(string $path, string $bytes): void
    {
        $disk = self::disk();
        // A folder shows what is half written under its name; a store that puts a thing there whole or not at all needs no other name first.
        $isWhole = (bool) config('filesystems.disks.contents.whole', false);
        $part = $isWhole ? $path : $path.'.'.bin2hex(random_bytes(4));
        try {
            $disk->put($part, $bytes);
            $isWhole || $disk->move($part, $path);
        } catch (FilesystemException $broke) {
            $isWhole || rescue(static fn (): bool => $disk->delete($part), report: false);
            throw new DiskFull('What was to be kept could not be written: the disk is full, or may not be written to.', previous: $broke);
        }
    }

    /** @throws ContentsLost when it is not there, or not what it was */
    public static function get(string $hash): string
    {
        $path = self::path($hash);
        $bytes = self::disk()->exists($path) ? (string) self::disk()->get($path) : null;
        if ($bytes === null || hash('sha256', $bytes) !== $hash) {
            throw new ContentsLost("Contents {$hash} ".($bytes === null ? 'are not kept any more.' : 'are not what was kept.'));
        }

        return $bytes;
    }

    public static function has(string $hash): bool
    {
        return self::disk()->exists(self::path($hash));
    }

    /** Takes away what no row names and nobody put there lately; returns how many. */
    public static function prune(): int
    {
        // What a backup is about to copy is named by the moment that it copies.
        if (! Cache::lock(Archive::LOCK, 1)->get(static fn (): bool => true)) {
            return 0;
        }
        $named = Database::named(self::COLUMNS, self::MARK);
        $gone = 0;
        foreach (self::disk()->directories('kept') as $folder) {
            foreach (self::disk()->files($folder) as $path) {
                $name = basename($path);
                if (! isset($named[$name]) && self::disk()->lastModified($path) < time() - self::FRESH) {
                    $gone += self::disk()->delete($path) ? 1 : 0;
                }
            }
        }

        return $gone;
    }

    private static function path(string $hash): string
    {
        if (preg_match('/^[0-9a-f]{64}$/', $hash) !== 1) {
            throw new RuntimeException('That names no contents.');
        }

        return 'kept/'.substr($hash, 0, 2)."/{$hash}";
    }
}
