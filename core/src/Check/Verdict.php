<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Measure\LookDifference;

/** C12: what is true of a prepared job, in one sentence, and whether a shop can send it as it is. */
final readonly class Verdict
{
    /** Distance of two colours (CIEDE2000) under which nobody tells them apart. */
    private const UNSEEN = 2.0;

    /** Kinds of findings that a sentence names. */
    private const NAMED = 5;

    /**
     * @param  list<string>  $open  what stands between the job and the machine, one sentence each
     * @param  bool  $empty  whether there is nothing that could be ready or not
     * @param  bool  $stale  whether the first of them is that the job was changed since
     */
    private function __construct(public string $sentence, public array $open, public bool $empty = false, private bool $stale = false)
    {
    }

    /**
     * @param  LookDifference  $look  between what came in, as it was understood, and what goes out
     * @param  int  $leftOut  things of the file that were left out or replaced
     * @param  int  $accepted  how many of them somebody accepted
     * @param  int  $findings  findings that nobody has accepted: what lies under a limit, and what the process cannot make
     * @param  int  $serious  of these the serious ones
     * @param  bool  $stale  whether the job was changed since
     * @param  bool  $empty  whether there is nothing to make
     * @param  array<string, int>  $kinds  how many there are of each kind of finding that is open
     * @param  string|null  $customer  what the customer's word stands against it, in one sentence
     */
    public static function of(
        LookDifference $look, int $leftOut, int $accepted, int $findings, bool $stale = false, bool $empty = false, int $serious = 0,
        array $kinds = [],
        ?string $customer = null,
    ): self {
        $things = $leftOut === 1 ? '1 thing that was' : "{$leftOut} things that were";
        if ($empty) {
            return new self('There is nothing to make yet', ['There is nothing to make.'], true);
        }
        $sentence = match (true) {
            $look->isNone() && $leftOut === 0 => 'Looks the same',
            $look->isNone() => "Looks the same but for {$things} left out or replaced",
            $leftOut === 0 => sprintf('Changed by %s mm²', self::area($look->seen)),
            default => sprintf('Changed by %s mm², beside %s left out or replaced', self::area($look->seen), $things),
        };
        if ($look->isRecoloured()) {
            $sentence .= sprintf(
                '; %s mm² in a colour that is %s the one before',
                self::area($look->recoloured),
                $look->distance < self::UNSEEN ? 'not distinguishable from' : sprintf('hardly distinguishable (distance %.1f) from', $look->distance),
            );
        }
        $open = [];
        if ($stale) {
            $open[] = 'The job was changed since it was prepared.';
        }
        $waiting = $leftOut - $accepted;
        if ($waiting > 0) {
            $open[] = $waiting === 1 ? '1 thing was left out or replaced, and nobody has accepted that.'
                : "{$waiting} things were left out or replaced, and nobody has accepted that.";
        }
        if ($findings > 0) {
            $open[] = ($findings === 1 ? '1 finding is open' : "{$findings} findings are open").match (true) {
                $serious === 0 => '',
                $serious === $findings => $findings === 1 ? ', a serious one' : ', all of them serious',
                default => ", {$serious} of them serious",
            }.self::named($kinds).'.';
        }

        if ($customer !== null) {
            $open[] = $customer;
        }

        return new self($sentence, $open, stale: $stale);
    }

    /** @param  array<string, int>  $kinds */
    private static function named(array $kinds): string
    {
        $labels = Inspection::catalogue();
        arsort($kinds);
        $named = array_map(static fn (string $kind, int $count): string => lcfirst($labels[$kind]->label ?? str_replace('-', ' ', $kind))
            .($count > 1 ? " ({$count})" : ''), array_keys($kinds), $kinds);
        $more = count($named) - self::NAMED;

        return $named === [] ? ''
            : ': '.implode(', ', array_slice($named, 0, self::NAMED)).($more > 0 ? ($more === 1 ? ' and one more kind' : " and {$more} more kinds") : '');
    }

    public function isReady(): bool
    {
        return $this->open === [];
    }

    /** @return array{sentence: string, ready: bool, open: list<string>, empty: bool, stale: bool} */
    public function toArray(): array
    {
        return ['sentence' => $this->sentence, 'ready' => $this->isReady(), 'open' => $this->open, 'empty' => $this->empty, 'stale' => $this->stale];
    }

    /** With as many digits as can be told. */
    private static function area(float $mm2): string
    {
        return number_format($mm2, $mm2 < 0.1 ? 3 : ($mm2 < 10 ? 2 : 1), '.', '');
    }
}
