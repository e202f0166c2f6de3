<?php

declare(strict_types=1);

namespace App\Http;

use Closure;
use LogicException;

/**
 * How much CPU time a request may compute for: past it the work is given up, nothing is stored, and a sentence says so. The
 * clock is never asked: on a busy machine an answer comes late, and comes.
 */
final class Budget
{
    /** What opcache calls the JIT of traces. */
    private const TRACING = 5;

    /**
     * @template T
     *
     * @param  Closure(): T  $work  computation only: it may be broken off anywhere
     * @param  string  $what  that takes too long, as the sentence begins
     * @param  (Closure(): bool)|null  $goesOn  asked every second: whether anybody still waits for it
     * @return T
     *
     * @throws BudgetSpent|GivenUp
     */
    public static function within(string $what, Closure $work, ?Closure $goesOn = null): mixed
    {
        if (self::losesItsPlace()) {
            throw new LogicException('The JIT of whole functions loses its place when a signal comes: serve with opcache.jit=tracing.');
        }
        $seconds = (int) config('neat-edge.request_seconds');
        $before = pcntl_async_signals(true);
        $handler = pcntl_signal_get_handler(SIGALRM);
        $end = self::spent() + $seconds;
        pcntl_signal(SIGALRM, static function () use ($what, $seconds, $end, $goesOn): void {
            if (self::spent() >= $end - 0.01) {
                throw BudgetSpent::after($what, $seconds);
            }
            if ($goesOn !== null && ! $goesOn()) {
                throw GivenUp::forALater();
            }
            pcntl_alarm(1);
        });
        pcntl_alarm($seconds > 0 ? 1 : 0);
        try {
            return $work();
        } finally {
            pcntl_alarm(0);
            pcntl_signal(SIGALRM, $handler);
            pcntl_async_signals($before);
        }
    }

    /** @return float seconds of CPU of this process, user and system */
    private static function spent(): float
    {
        $u = getrusage() ?: [];

        return ($u['ru_utime.tv_sec'] ?? 0) + ($u['ru_stime.tv_sec'] ?? 0) + (($u['ru_utime.tv_usec'] ?? 0) + ($u['ru_stime.tv_usec'] ?? 0)) / 1e6;
    }

    /**
     * With opcache.jit=function (PHP 8.2.36) a loop that a signal's handler was called from goes on with other values than it had: measured with a signal every
     * few milliseconds, a path came out cut short and arrays were read beyond their ends. With opcache.jit=tracing 50,000 signals changed nothing.
     */
    private static function losesItsPlace(): bool
    {
        static $loses = null;
        $jit = $loses === null && function_exists('opcache_get_status') ? (opcache_get_status(false)['jit'] ?? []) : [];

        return $loses ??= ($jit['on'] ?? false) === true && ($jit['kind'] ?? 0) !== self::TRACING;
    }
}
