<?php

declare(strict_types=1);

namespace App\Works;

use App\Models\Work;
use NeatEdge\Core\Device\Paused;
use NeatEdge\Core\Patience\Stopped;

/**
 * What a process has of a work that it took: a lease that it renews as it goes, and the number under which it took it. All that it stores is stored
 * under that number, so that one that was thought dead and comes back changes nothing.
 */
final class Hold
{
    /** Seconds that a lease lasts, and after which it is renewed. */
    public const LEASE = 8.0;

    private const RENEW = 1.0;

    /** Share done from which on the rest can be told. */
    private const TOLD = 0.08;

    /** How much of it the end is put off by at most when a part takes longer than was thought: it counts down, and does not jump. */
    private const LATER = 0.3;

    private float $renewed;

    private bool $isStopped = false;

    public function __construct(public readonly Work $work, private readonly int $fence)
    {
        $this->renewed = microtime(true);
    }

    /**
     * How far it is. Who holds it no more, or was asked to end, goes no further.
     *
     * @param  float|null  $share  0 to 1; by the parts when not told
     *
     * @throws Stopped|Paused|Lost
     */
    public function tell(int $done, int $of, string $doing = '', ?float $share = null): void
    {
        $share ??= $of > 0 ? $done / $of : 0.0;
        $now = microtime(true);
        $ends = $this->work->ends_at;
        if ($share >= self::TOLD && $this->work->began_at !== null) {
            $end = $now + ($now - $this->work->began_at) * (1 - $share) / $share;
            $ends = $ends === null || $end < $ends ? $end : $ends + self::LATER * ($end - $ends);
        }
        $this->keep(['done' => min($done, $of), 'of' => $of, 'doing' => mb_substr($doing, 0, 120), 'share' => $share, 'ends_at' => $ends]);
        $this->end();
    }

    /**
     * Stores something of it, if it is still held.
     *
     * @param  array<string, mixed>  $columns
     *
     * @throws Lost
     */
    public function keep(array $columns): void
    {
        $this->renewed = microtime(true);
        $columns += ['lease_until' => $this->renewed + self::LEASE];
        // As they are stored, and all of them: others may have written in between.
        $stored = array_intersect_key($this->work->fill($columns)->getAttributes(), $columns);
        $this->work->setRawAttributes($this->work->getRawOriginal());
        if (Work::query()->whereKey($this->work->id)->where('fence', $this->fence)->where('state', 'running')->update($stored) === 0) {
            throw new Lost("Another process has this work ({$this->work->id}) now.");
        }
        // Only what is stored is so.
        $this->work->setRawAttributes([...$this->work->getRawOriginal(), ...$stored], true);
    }

    /** Asked in the middle of computing: what somebody asked meanwhile is heard, about once in a second. @throws Stopped|Paused|Lost */
    public function goesOn(): void
    {
        $this->isDue() && $this->end();
    }

    /** The same for what ends by itself when it is asked to, and keeps its best: whether it was asked to stop. @throws Lost */
    public function isStopped(): bool
    {
        return $this->isStopped = ($this->isDue() && $this->asked() === 'stop') || $this->isStopped;
    }

    /** Whether the lease was to be renewed, and is. @throws Lost */
    private function isDue(): bool
    {
        if (microtime(true) - $this->renewed < self::RENEW) {
            return false;
        }
        $this->keep([]);

        return true;
    }

    /** What somebody asked of it meanwhile: stop, pause or nothing. */
    private function asked(): string
    {
        return (string) Work::query()->whereKey($this->work->id)->value('asked');
    }

    /** @throws Stopped|Paused */
    private function end(): void
    {
        match ($this->asked()) {
            'stop' => throw new Stopped,
            'pause' => throw new Paused,
            default => null,
        };
    }
}
