<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

/** The line to a machine. Who opened it knows how long to wait. */
interface Line
{
    /** @throws LineLost */
    public function say(string $bytes): void;

    /**
     * The next answer, without its end.
     *
     * @param  callable(): void|null  $meanwhile  done again and again while there is none; may throw
     *
     * @throws LineLost
     */
    public function answer(?callable $meanwhile = null): string;

    /** Whether an answer stands there already. */
    public function hasAnswer(): bool;
}
