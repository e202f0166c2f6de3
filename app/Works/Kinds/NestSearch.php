<?php

declare(strict_types=1);

namespace App\Works\Kinds;

use App\Works\Hold;
use Closure;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Patience\Stopped;
use NeatEdge\Core\Sheet\Nest\Placement;

/** A search sheet by sheet, each for its share of the seconds: what is found is told as it goes. */
final class NestSearch
{
    /** Seconds between tellings. */
    private const LOOK = 0.3;

    /** @var array<string, array{length: float, tried: int}> the best so far, by sheet */
    public array $progress = [];

    public bool $stopped = false;

    /** Sheets that are done. */
    private int $done = 0;

    /** Whether the sheet that is searched is laid in any way. */
    private bool $isLaid = false;

    private float $begun = 0.0;

    private float $look = 0.0;

    /**
     * @param  float  $each  seconds for a sheet
     * @param  int  $of  sheets
     */
    public function __construct(private readonly Hold $hold, private readonly float $each, private readonly int $of)
    {
    }

    /**
     * @param  Closure(Closure(float, int): bool): list<Placement>  $lay  what is given to it says whether it goes on; see Nesting
     * @return list<Placement>|null null where it was stopped before the sheet was laid in any way: it is left as it lay
     */
    public function of(string $sheet, Closure $lay): ?array
    {
        [$this->isLaid, $this->begun, $this->look] = [false, microtime(true), 0.0];
        try {
            $found = Patience::with($this->ask(...), fn (): array => $lay(fn (float $length, int $tried): bool => $this->goesOn($sheet, $length, $tried)));
        } catch (Stopped) {
            return null;
        }
        $this->done++;

        return $found;
    }

    private function goesOn(string $sheet, float $length, int $tried): bool
    {
        $this->isLaid = true;
        $this->progress[$sheet] = ['length' => round($length, 1), 'tried' => $tried];
        $now = microtime(true);
        if ($now >= $this->look) {
            $this->look = $now + self::LOOK;
            $this->hold->keep(['outcome' => ['progress' => $this->progress]]);
            try {
                $share = ($this->done + ($now - $this->begun) / $this->each) / $this->of;
                $this->hold->tell($this->done, $this->of, "{$tried} tried", min(1.0, $share));
            } catch (Stopped) {
                $this->stopped = true;
            }
        }

        return ! $this->stopped && $now - $this->begun < $this->each;
    }

    /** Once there is a best, the search ends with it. @throws Stopped */
    private function ask(): void
    {
        $this->stopped = $this->stopped || $this->hold->isStopped();
        $this->stopped && ! $this->isLaid && throw new Stopped;
    }
}
