<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use Random\Engine\Mt19937;
use Random\Randomizer;
use SplPriorityQueue;

/**
 * Plays work that comes, workers that do it, and hosts that fail: what somebody waits for goes before what nobody does, nothing that was begun is broken off
 * but
 * by a host that fails, and what that had is begun again by another.
 *
 * @phpstan-type Kind array{rate: float, seconds: float, spread: float, urgent: bool}
 * @phpstan-type Work array{float, float, bool}
 */
final class Queues
{
    /** Workers of a host. */
    public const HOST = 4;

    /** Hours in which a host fails once, in the mean, and seconds for which it is gone. */
    private const FAILS = 500.0;

    private const GONE = 90.0;

    /** @var SplPriorityQueue<float, array{string, int, float}> what happens to whom and when, the nearest first */
    private SplPriorityQueue $events;

    private readonly Randomizer $random;

    /** @var array<int, Work> what workers do: when it came, how long it takes, whether somebody waits for it */
    private array $at = [];

    /** @var array<int, float> when workers are done with it */
    private array $ends = [];

    /** @var list<int> workers with nothing to do */
    private array $free;

    /** @var array{array<int, Work>, array<int, Work>} what nobody waits for, and what somebody does */
    private array $waiting = [[], []];

    /** @var array{int, int} the first of each */
    private array $heads = [0, 0];

    /** @var array{list<float>, list<float>} s, of both */
    private array $waits = [[], []];

    /**
     * @param  list<Kind>  $kinds  how often a second it comes, seconds that it takes in the mean, spread of their logarithms
     * @param  bool  $exponential  whether times of work are as Erlang has them, rather than spread about their mean
     */
    public function __construct(private readonly array $kinds, private readonly int $workers, private readonly bool $exponential = false)
    {
        $this->random = new Randomizer(new Mt19937(1917));
        $this->free = range(0, $workers - 1);
        $this->events = new SplPriorityQueue;
    }

    /** @return array{list<float>, list<float>} waits of what nobody waits for, and of what somebody does; s, the shortest first */
    public function play(float $seconds, bool $fails = false): array
    {
        foreach ($this->kinds as $number => $kind) {
            $this->next('comes', $number, $this->pause($kind['rate']));
        }
        foreach ($fails ? range(0, intdiv($this->workers, self::HOST) - 1) : [] as $host) {
            $this->next('fails', $host, $this->pause(1 / (3600 * self::FAILS)));
        }
        while (! $this->events->isEmpty()) {
            /** @var array{string, int, float} $event */
            $event = $this->events->extract();
            [$what, $number, $now] = $event;
            if ($now > $seconds) {
                break;
            }
            match ($what) {
                'comes' => $this->comes($number, $now),
                'ends' => $this->ends($number, $now),
                'fails' => $this->fails($number, $now),
                default => $this->comesBack($number, $now),
            };
            $this->begin($now);
        }
        sort($this->waits[0]);
        sort($this->waits[1]);

        return $this->waits;
    }

    private function comes(int $number, float $now): void
    {
        $kind = $this->kinds[$number];
        $takes = $this->exponential ? $this->pause(1 / $kind['seconds']) : $this->spread($kind['seconds'], $kind['spread']);
        $this->waiting[$kind['urgent'] ? 1 : 0][] = [$now, $takes, $kind['urgent']];
        $this->next('comes', $number, $now + $this->pause($kind['rate']));
    }

    private function ends(int $worker, float $now): void
    {
        // One whose host failed meanwhile ends nothing.
        if (($this->ends[$worker] ?? null) === $now) {
            unset($this->at[$worker], $this->ends[$worker]);
            $this->free[] = $worker;
        }
    }

    private function fails(int $host, float $now): void
    {
        foreach ($this->at as $worker => $work) {
            if (intdiv($worker, self::HOST) === $host) {
                $this->waiting[$work[2] ? 1 : 0][] = $work;
                unset($this->at[$worker], $this->ends[$worker]);
            }
        }
        $this->free = array_values(array_filter($this->free, static fn (int $worker): bool => intdiv($worker, self::HOST) !== $host));
        $this->next('comes back', $host, $now + self::GONE);
    }

    private function comesBack(int $host, float $now): void
    {
        array_push($this->free, ...range($host * self::HOST, ($host + 1) * self::HOST - 1));
        $this->next('fails', $host, $now + $this->pause(1 / (3600 * self::FAILS)));
    }

    /** Whoever has nothing to do takes what came first, of what somebody waits for before the rest. */
    private function begin(float $now): void
    {
        foreach ([1, 0] as $class) {
            while ($this->free !== [] && isset($this->waiting[$class][$this->heads[$class]])) {
                $work = $this->waiting[$class][$this->heads[$class]];
                unset($this->waiting[$class][$this->heads[$class]]);
                $this->heads[$class]++;
                $worker = (int) array_pop($this->free);
                $this->waits[$class][] = $now - $work[0];
                $this->at[$worker] = $work;
                $this->ends[$worker] = $now + $work[1];
                $this->next('ends', $worker, $now + $work[1]);
            }
        }
    }

    private function next(string $what, int $number, float $at): void
    {
        $this->events->insert([$what, $number, $at], -$at);
    }

    /** Seconds to the next of what comes so often a second. */
    private function pause(float $rate): float
    {
        return -log(1 - $this->random->getInt(0, 999_999_999) / 1e9) / $rate;
    }

    /** Seconds about a mean, lognormal: most are short, a few long. */
    private function spread(float $mean, float $spread): float
    {
        $normal = sqrt(-2 * log(1 - $this->random->getInt(0, 999_999_999) / 1e9)) * cos(2 * M_PI * $this->random->getInt(0, 999_999_999) / 1e9);

        return $mean * exp($spread * $normal - $spread * $spread / 2);
    }
}
