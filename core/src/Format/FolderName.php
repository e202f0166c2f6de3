<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

/** What a folder is called that is made for a file. */
final class FolderName
{
    /** Bytes that every disk takes, with what is put behind them. */
    private const LONGEST = 180;

    /** A name that no other file's folder has: where letters had to be changed or cut, a part of the hash of the file's name stands behind them. */
    public static function of(string $file): string
    {
        $short = mb_strcut((string) preg_replace('/[^\w.\- ]+/u', '_', mb_scrub($file)), 0, self::LONGEST);

        return $short === $file ? $file : "{$short}-".substr(hash('sha256', $file), 0, 10);
    }
}
