<?php

declare(strict_types=1);

namespace App\Backup;

use Illuminate\Support\Facades\File;

/** What the tables have not come through yet. */
final class Pending
{
    /** Whether there is a shop whose tables are about to become others. */
    public static function changes(): bool
    {
        $schema = (new Rows)->schema();

        return $schema !== [] && array_diff(self::known(), $schema) !== [];
    }

    /** @return list<string> migrations that this version of the program knows, in their order */
    public static function known(): array
    {
        $known = array_map(static fn (string $file): string => basename($file, '.php'), File::glob(database_path('migrations/*.php')));
        sort($known);

        return $known;
    }
}
