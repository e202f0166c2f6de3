<?php

declare(strict_types=1);

namespace App\Works;

use App\Models\ShopJob;
use App\Models\Work;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use Throwable;

/** A kind of work: what it is asked for with, what it uses, and what it does. Adding one is this class and its line in Kinds. */
abstract class Kind
{
    /** Why, where its process is gone. */
    public const CUT_OFF = 'The server was stopped.';

    abstract public function key(): string;

    /** As the strip calls it. */
    abstract public function label(): string;

    /** Which workers take it: `quick` and `page` are waited for at the page, `later` is not, `batches` and `machines` have workers of their own. */
    abstract public function queue(): string;

    /** Whether somebody sits at the page and waits for it. */
    public function isWaitedFor(): bool
    {
        return in_array($this->queue(), ['quick', 'page'], true);
    }

    /** @return list<Field> what somebody may say who asks for it; see ask() */
    public function fields(): array
    {
        return [];
    }

    /**
     * Asked for with values of its fields, for a job; kinds that come of something else - of files that are dropped, of a sheet that is sent - are begun by
     * what takes that.
     *
     * @throws Refused
     */
    public function ask(ShopJob $job, Values $values): Work
    {
        throw Refused::because('That is not begun in this way.');
    }

    /** Whether it makes sheets and files of what is prepared, and sends them: whoever stands at the machines may ask for it too. */
    public function produces(): bool
    {
        return false;
    }

    /** Whether earlier ones of the same job that are not done yet are stopped by a new one: what they make would only be thrown away. */
    public function replaces(): bool
    {
        return false;
    }

    /** Whether it computes in a process of its own, whose memory and time are bounded. */
    public function apart(): bool
    {
        return false;
    }

    public function pauses(): bool
    {
        return false;
    }

    /** Whether one that ended as this did can be gone on with. */
    public function goesOn(Work $work): bool
    {
        return false;
    }

    /** Whether it is taken up by itself when the process that had it died. */
    public function resumes(): bool
    {
        return false;
    }

    /** What keeps it from being taken now, in words; null when nothing does. */
    public function heldUp(Work $work): ?string
    {
        return null;
    }

    /** Whether what was made by it is still there for who asks again. */
    public function isKept(Work $work): bool
    {
        return false;
    }

    /**
     * Does it. What is kept of it is told by the hold, or returned.
     *
     * @return array<string, mixed>|null the outcome, null where it was told already
     *
     * @throws Throwable Stopped or Paused when it was asked to end, Refused in words
     */
    abstract public function run(Work $work, Hold $hold): ?array;

    /** Why it broke off, with what is kept. @param  string  $why  one sentence; empty where nothing is known */
    final public function broke(Work $work, string $why): string
    {
        return $this->kept($work, $why === '' ? $this->brokeOff() : $why);
    }

    /** A sentence for where nothing is known. */
    abstract protected function brokeOff(): string;

    /** @param  string  $why  it broke off, one sentence; CUT_OFF where its process is gone */
    abstract protected function kept(Work $work, string $why): string;
}
