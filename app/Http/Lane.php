<?php

declare(strict_types=1);

namespace App\Http;

use App\Works\Budget;

/**
 * A lane of previews of one page: one at a time, the latest wins. Who is latest stands in one of a fixed number of small files; a preview that is not
 * any more stops within a second (see Budget).
 */
final class Lane
{
    /** Files that are kept; two lanes that fall on one never take each other's place. */
    private const FILES = 512;

    private function __construct(private readonly string $path, private readonly string $name, private readonly string $own)
    {
    }

    /** @param  string  $page  what tells one open page from another */
    public static function enter(int $job, string $lane, string $page): self
    {
        $name = hash('xxh128', "{$job} {$lane} {$page}");
        $folder = storage_path('framework/lanes');
        if (! is_dir($folder)) {
            @mkdir($folder, 0775, true);
        }
        $self = new self($folder.'/'.hexdec(substr($name, 0, 6)) % self::FILES, $name, bin2hex(random_bytes(8)));
        @file_put_contents($self->path, "{$self->name} {$self->own}", LOCK_EX);

        return $self;
    }

    /** Whether no later preview of the same lane has come. */
    public function isLatest(): bool
    {
        $now = explode(' ', (string) @file_get_contents($this->path));

        return $now[0] !== $this->name || ($now[1] ?? '') === $this->own;
    }
}
