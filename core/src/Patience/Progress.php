<?php

declare(strict_types=1);

namespace NeatEdge\Core\Patience;

use Closure;

/** How far a computation is. Who starts it hands over what is told; loops whose rounds take long tell at their heads. Without it nothing is told. */
final class Progress
{
    private static ?Closure $told = null;

    /**
     * @template T
     *
     * @param  Closure(int, int, string): void  $told  parts that are done, of how many, what is done now; may throw to end the work
     * @param  Closure(): T  $work
     * @return T
     */
    public static function with(Closure $told, Closure $work): mixed
    {
        $before = self::$told;
        self::$told = $told;
        try {
            return $work();
        } finally {
            self::$told = $before;
        }
    }

    /** At the head of a loop whose rounds take long. @param  string  $doing  what is done now, in a word or two */
    public static function tell(int $done, int $of, string $doing = ''): void
    {
        if (self::$told !== null) {
            (self::$told)($done, $of, $doing);
        }
    }
}
