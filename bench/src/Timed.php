<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use RuntimeException;

/** CPU time of whole processes, user and system, as the operating system counts it. */
final class Timed
{
    /**
     * @param  list<string>  $command
     * @return float seconds
     */
    public static function cpu(array $command): float
    {
        $before = self::spent(1);
        $process = proc_open($command, [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes);
        $code = $process === false ? -1 : proc_close($process);
        if ($code !== 0) {
            throw new RuntimeException(implode(' ', array_slice($command, 0, 4))." ended with {$code}.");
        }

        return self::spent(1) - $before;
    }

    /** @return float seconds of this process so far */
    public static function here(): float
    {
        return self::spent(0);
    }

    /** @param  int  $whose  of this process, or 1: of all that were started from here and have ended @return float seconds */
    private static function spent(int $whose): float
    {
        $u = getrusage($whose) ?: [];

        return $u['ru_utime.tv_sec'] + $u['ru_stime.tv_sec'] + ($u['ru_utime.tv_usec'] + $u['ru_stime.tv_usec']) / 1e6;
    }

    /**
     * @param  list<float>  $times
     */
    public static function median(array $times): float
    {
        sort($times);

        return $times[intdiv(count($times), 2)];
    }

    /**
     * Below what so large a share of them lies; nought where there are none.
     *
     * @param  list<float>  $times  the shortest first
     */
    public static function share(array $times, float $share): float
    {
        return $times === [] ? 0.0 : $times[(int) min(count($times) - 1, floor($share * count($times)))];
    }
}
