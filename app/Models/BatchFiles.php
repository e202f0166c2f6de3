<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Storage;
use League\Flysystem\FilesystemException;
use RuntimeException;

/**
 * The files of a batch by their names: those that came in under "in", what came of each in a folder under "out", and what they go through. They lie in a folder
 * (NEAT_EDGE_BATCHES), or, where contents are on a store that several hosts share, beside these.
 */
final readonly class BatchFiles
{
    /** Says that they lie beside the contents. */
    public const STORE = 'store';

    public function __construct(private int $batch)
    {
    }

    public static function disk(): Filesystem
    {
        static $disks = [];
        $root = (string) config('neat-edge.batches');
        $settings = $root === self::STORE
            ? [...(array) config('filesystems.disks.contents'), 'root' => 'batches']
            : ['driver' => 'local', 'root' => $root, 'throw' => true];

        return $disks[serialize($settings)] ??= Storage::build($settings);
    }

    /** Whether each has a path on this host. */
    public static function areHere(): bool
    {
        return config('neat-edge.batches') !== self::STORE;
    }

    /** Where one lies, of those that are here. */
    public function path(string $name = ''): string
    {
        return rtrim((string) config('neat-edge.batches'), '/')."/{$this->own($name)}";
    }

    public function has(string $name): bool
    {
        return self::disk()->exists($this->own($name));
    }

    /** @throws RuntimeException when it is not there */
    public function read(string $name): string
    {
        return (string) self::disk()->get($this->own($name));
    }

    /** @return array<mixed>|null of a file that has some; null when it is not there, or is none */
    public function table(string $name): ?array
    {
        $data = $this->has($name) ? json_decode($this->read($name), true) : null;

        return is_array($data) ? $data : null;
    }

    /** @throws DiskFull when there is no room */
    public function write(string $name, string $bytes): void
    {
        try {
            self::disk()->put($this->own($name), $bytes);
        } catch (FilesystemException $broke) {
            throw new DiskFull('The files cannot be stored; the disk may be full.', previous: $broke);
        }
    }

    /** @return list<string> names of files in a folder */
    public function names(string $folder): array
    {
        return array_map(basename(...), array_values(self::disk()->files($this->own($folder))));
    }

    /** A folder with all in it; the whole batch when empty. */
    public function remove(string $folder = ''): void
    {
        self::disk()->deleteDirectory($this->own($folder));
    }

    private function own(string $name): string
    {
        return rtrim("{$this->batch}/{$name}", '/');
    }
}
