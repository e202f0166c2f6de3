<?php

declare(strict_types=1);

namespace NeatEdge\Core\Process;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Sheet\Make\Making;

/**
 * How a job is made: all that is said of one way. A new process is one class and one line in Processes. The limits are what
 * shops commonly hold; a ticket may override them.
 */
abstract readonly class Process
{
    /** A fixed word for scripts and what is stored. */
    abstract public function key(): string;

    abstract public function label(): string;

    /** What it is, in a few words beside its label. */
    abstract public function says(): string;

    /** What it holds, and what it cannot take. */
    abstract public function limits(): Limits;

    /** The line that ships for it. */
    abstract public function preset(): Preset;

    /** @return class-string<Making> what is made of a result */
    abstract public function making(): string;

    /** The kind of machine that makes it. */
    abstract public function machine(): string;

    /** The format in which its files usually leave. */
    abstract public function format(): string;

    /** @return list<string> kinds of what a shop has that a ticket of it names, beside a machine */
    abstract public function uses(): array;

    /** Whether each colour is a sheet of its own, of a material of its own. */
    public function sheetsByColour(): bool
    {
        return false;
    }

    /** Whether two are the same way. */
    final public function is(self $other): bool
    {
        return $other->key() === $this->key();
    }

    /** @return list<Field> what the shop chooses */
    final public function fields(): array
    {
        return $this->making()::fields();
    }

    /**
     * @param  array<mixed>  $typed  by name
     * @return array<string, float|string|bool>
     *
     * @throws Refused
     */
    final public function values(array $typed, string $unit = 'mm'): array
    {
        return Values::read($this->fields(), $typed, $unit)->all();
    }

    /**
     * For what is printed on others, what lies under it.
     *
     * @param  array<string, float|string|bool>  $values  of its fields
     * @return array<string, Artwork> by the ink, #rrggbb
     *
     * @throws Refused
     */
    public function under(PrepLine $line, Artwork $source, array $values): array
    {
        return [];
    }
}
