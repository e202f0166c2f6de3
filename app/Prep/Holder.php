<?php

declare(strict_types=1);

namespace App\Prep;

/** Which process holds a piece of work: its number and when it began, for numbers are given out again. */
final class Holder
{
    public static function own(): string
    {
        $pid = (int) getmypid();

        return $pid.':'.self::begun($pid);
    }

    public static function isThere(?string $holder): bool
    {
        if (preg_match('/^(\d+):(.+)$/D', $holder ?? '', $m) !== 1) {
            return false;
        }

        return self::begun((int) $m[1]) === $m[2];
    }

    /** In ticks since the machine started and its start, or nothing where there is no such process. */
    private static function begun(int $pid): string
    {
        $stat = @file_get_contents("/proc/{$pid}/stat");
        // The name stands in brackets and may hold anything.
        $after = $stat === false ? [] : explode(' ', trim(substr($stat, (int) strrpos($stat, ')') + 1)));
        if (! isset($after[19])) {
            return '';
        }

        return substr(md5($after[19].' '.trim((string) @file_get_contents('/proc/sys/kernel/random/boot_id'))), 0, 16);
    }
}
