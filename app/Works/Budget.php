<?php

declare(strict_types=1);

namespace App\Works;

use Closure;
use NeatEdge\Core\Patience\Patience;

/**
 * How much CPU time a request may compute for: past it the work is given up, nothing is stored, and a sentence says so. The
 * clock is never asked: on a busy machine an answer comes late, and comes. The core asks at the heads of its loops; no signal breaks into it.
 */
final class Budget
{
    /** Seconds of CPU between two looks at whether anybody still waits. */
    private const LOOK = 0.2;

    /**
     * @template T
     *
     * @param  Closure(): T  $work  computation only: it may be broken off anywhere
     * @param  string  $what  that takes too long, as the sentence begins
     * @param  (Closure(): bool)|null  $goesOn  whether anybody still waits for it
     * @return T
     *
     * @throws BudgetSpent|GivenUp
     */
    public static function within(string $what, Closure $work, ?Closure $goesOn = null): mixed
    {
        $seconds = (int) config('neat-edge.request_seconds');
        $end = self::spent() + $seconds;
        $look = 0.0;

        return Patience::with(static function () use ($what, $seconds, $end, $goesOn, &$look): void {
            $now = self::spent();
            if ($now >= $end) {
                throw BudgetSpent::after($what, $seconds);
            }
            if ($goesOn !== null && $now >= $look) {
                $look = $now + self::LOOK;
                if (! $goesOn()) {
                    throw GivenUp::forALater();
                }
            }
        }, $work);
    }

    /** @return float seconds of CPU of this process, user and system */
    private static function spent(): float
    {
        $u = getrusage() ?: [];

        return ($u['ru_utime.tv_sec'] ?? 0) + ($u['ru_stime.tv_sec'] ?? 0) + (($u['ru_utime.tv_usec'] ?? 0) + ($u['ru_stime.tv_usec'] ?? 0)) / 1e6;
    }
}
