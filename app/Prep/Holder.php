<?php

declare(strict_types=1);

namespace App\Prep;

/** Which process holds a piece of work: its machine, its number and when it began, for numbers are given out again. */
final class Holder
{
    public static function own(): string
    {
        $pid = (int) getmypid();

        return self::machine().':'.$pid.':'.self::begun($pid);
    }

    /** Whether it is a process of this machine, which can be asked for. */
    public static function isHere(?string $holder): bool
    {
        return str_starts_with($holder ?? '', self::machine().':') || ($holder ?? '') === '';
    }

    public static function isThere(?string $holder): bool
    {
        return preg_match('/^([^:]+):(\d+):(.+)$/D', $holder ?? '', $m) === 1 && $m[1] === self::machine() && self::begun((int) $m[2]) === $m[3];
    }

    /** This host and no other, though another may be called alike: names of machines that were copied are. */
    public static function machine(): string
    {
        $name = (string) config('neat-edge.host') ?: (string) gethostname();

        return str_replace(':', '-', mb_substr($name, 0, 60)).'-'.substr(md5(self::boot()), 0, 6);
    }

    /** What the system that was begun here calls itself until it ends. */
    private static function boot(): string
    {
        return trim((string) @file_get_contents('/proc/sys/kernel/random/boot_id'));
    }

    /** @return float seconds of CPU that a process took so far; nothing of one that is not there */
    public static function spent(int $pid): float
    {
        // User and system time are the 14th and 15th field, in hundredths of a second.
        $after = self::stat($pid);

        return ((int) ($after[11] ?? 0) + (int) ($after[12] ?? 0)) / 100;
    }

    /** In ticks since the machine started and its start, or nothing where there is no such process. */
    private static function begun(int $pid): string
    {
        $after = self::stat($pid);
        // One that died and was not seen to is there no more.
        if (! isset($after[19]) || $after[0] === 'Z') {
            return '';
        }

        return substr(md5($after[19].' '.self::boot()), 0, 16);
    }

    /** @return list<string> what the system says of a process, from its third field on; empty where there is none */
    private static function stat(int $pid): array
    {
        $stat = @file_get_contents("/proc/{$pid}/stat");

        // The name stands in brackets and may hold anything.
        return $stat === false ? [] : explode(' ', trim(substr($stat, (int) strrpos($stat, ')') + 1)));
    }
}
