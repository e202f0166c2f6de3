<?php

declare(strict_types=1);

namespace App\Prep;

use Throwable;

/** Why something broke off that nobody could foresee, in words that help; and that its end is stored whatever happens. */
final class Broken
{
    /** How often it is tried to store that something ended, and seconds between. */
    private const TRIES = 12;

    private const WAIT = 5.0;

    /**
     * Stores how a piece of work ended, also where the database or the disk that broke it off is still held or full. A worker that cannot
     * even do that ends: what it held is then taken up by the command that recovers, which runs before the next one begins.
     *
     * @param  callable(): mixed  $end
     */
    public static function ended(callable $end, float $wait = self::WAIT): void
    {
        for ($try = 1; ; $try++) {
            try {
                $end();

                return;
            } catch (Throwable $problem) {
                if ($try >= self::TRIES) {
                    if (app()->runningInConsole() && ! app()->runningUnitTests()) {
                        exit(1);
                    }
                    throw $problem;
                }
                usleep((int) (1e6 * $wait));
            }
        }
    }

    /** @param  string  $else  what is said where nothing is known; nothing when empty */
    public static function why(?Throwable $problem, string $else): string
    {
        $words = '';
        for ($at = $problem; $at !== null; $at = $at->getPrevious()) {
            $words .= ' '.$at->getMessage();
        }

        return match (true) {
            preg_match(
                '/database is locked|database table is locked|SQLSTATE\[HY000\].*\b5\b.*locked/i',
                $words,
            ) === 1 => 'The database was held by another for too long.',
            preg_match('/No space left|disk is full|database or disk is full|ENOSPC|\b13\b.*full/i', $words) === 1 => 'The disk is full.',
            preg_match('/Allowed memory size/i', $words) === 1 => 'It needed more memory than it may have.',
            $else === '' => '',
            default => rtrim($else, '.').'.',
        };
    }
}
