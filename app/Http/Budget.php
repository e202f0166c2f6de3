<?php

declare(strict_types=1);

namespace App\Http;

use Closure;

/** How long a request may compute: past it the work is given up, nothing is stored, and a sentence says so. */
final class Budget
{
    /**
     * @template T
     *
     * @param  Closure(): T  $work  computation only: it may be broken off anywhere
     * @param  string  $what  that takes too long, as the sentence begins
     * @return T
     *
     * @throws BudgetSpent
     */
    public static function within(string $what, Closure $work): mixed
    {
        $seconds = (int) config('neat-edge.request_seconds');
        $before = pcntl_async_signals(true);
        $handler = pcntl_signal_get_handler(SIGALRM);
        pcntl_signal(SIGALRM, static fn () => throw BudgetSpent::after($what, $seconds));
        pcntl_alarm($seconds);
        try {
            return $work();
        } finally {
            pcntl_alarm(0);
            pcntl_signal(SIGALRM, $handler);
            pcntl_async_signals($before);
        }
    }
}
