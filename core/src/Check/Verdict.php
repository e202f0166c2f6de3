<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Measure\LookDifference;

/** C12: what is true of a prepared job, in one sentence, and whether a shop can send it as it is. */
final readonly class Verdict
{
    /** @param  list<string>  $open  what stands between the job and the machine, one sentence each */
    private function __construct(public string $sentence, public array $open)
    {
    }

    /**
     * @param  LookDifference  $look  between what came in, as it was understood, and what goes out
     * @param  int  $leftOut  things of the file that were left out or replaced
     * @param  int  $accepted  how many of them somebody accepted
     * @param  int  $serious  serious findings
     * @param  bool  $stale  whether the job was changed since
     * @param  bool  $empty  whether there is nothing to make
     */
    public static function of(LookDifference $look, int $leftOut, int $accepted, int $serious, bool $stale = false, bool $empty = false): self
    {
        $things = $leftOut === 1 ? '1 thing that was' : "{$leftOut} things that were";
        $sentence = match (true) {
            $look->isNone() && $leftOut === 0 => 'Looks the same',
            $look->isNone() => "Looks the same but for {$things} left out or replaced",
            $leftOut === 0 => sprintf('Changed by %s mm²', self::area($look->seen)),
            default => sprintf('Changed by %s mm², beside %s left out or replaced', self::area($look->seen), $things),
        };
        $open = [];
        if ($empty) {
            $open[] = 'There is nothing to make.';
        }
        if ($stale) {
            $open[] = 'The job was changed since it was prepared.';
        }
        $waiting = $leftOut - $accepted;
        if ($waiting > 0) {
            $open[] = $waiting === 1 ? '1 thing was left out or replaced, and nobody has accepted that.' : "{$waiting} things were left out or replaced, and nobody has accepted that.";
        }
        if ($serious > 0) {
            $open[] = $serious === 1 ? '1 serious finding is open.' : "{$serious} serious findings are open.";
        }

        return new self($sentence, $open);
    }

    public function isReady(): bool
    {
        return $this->open === [];
    }

    /** @return array{sentence: string, ready: bool, open: list<string>} */
    public function toArray(): array
    {
        return ['sentence' => $this->sentence, 'ready' => $this->isReady(), 'open' => $this->open];
    }

    /** With as many digits as can be told. */
    private static function area(float $mm2): string
    {
        return number_format($mm2, $mm2 < 0.1 ? 3 : ($mm2 < 10 ? 2 : 1), '.', '');
    }
}
