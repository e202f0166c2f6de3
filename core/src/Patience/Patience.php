<?php

declare(strict_types=1);

namespace NeatEdge\Core\Patience;

use Closure;

/**
 * Whether a computation goes on. Who starts it hands over a question; long loops ask it at their heads, once in so many steps. It ends the
 * computation by throwing: nothing is half done then, for the core changes nothing that it was given. Without a question nothing is asked.
 */
final class Patience
{
    /** Steps between two questions: about a millisecond of the loops that ask. */
    private const STEPS = 2048;

    private static int $left = PHP_INT_MAX;

    private static ?Closure $question = null;

    /**
     * @template T
     *
     * @param  Closure(): void  $question  throws to end the work
     * @param  Closure(): T  $work
     * @return T
     */
    public static function with(Closure $question, Closure $work): mixed
    {
        [$left, $before] = [self::$left, self::$question];
        self::$left = self::STEPS;
        self::$question = $question;
        try {
            return $work();
        } finally {
            [self::$left, self::$question] = [$left, $before];
        }
    }

    /** At the head of a long loop. @param  int  $steps that its next round comes to */
    public static function ask(int $steps = 1): void
    {
        self::$left -= $steps;
        if (self::$left < 0) {
            self::asked();
        }
    }

    private static function asked(): void
    {
        self::$left = self::$question === null ? PHP_INT_MAX : self::STEPS;
        if (self::$question !== null) {
            (self::$question)();
        }
    }
}
