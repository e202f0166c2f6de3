<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

/**
 * Twelve people at work for an hour on the servers of a shop: what these take of memory stays where it was, nothing fails and nothing is lost. Memory is that
 * of each process and its share of what several have in common. NEAT_EDGE_MINUTES makes it shorter.
 */
final class Soak
{
    private const MINUTES = 60;

    private const PEOPLE = 12;

    /** Seconds between two looks. */
    private const LOOK = 10.0;

    /** Shares of the time that are held against each other: the first of all is for warming up. */
    private const EARLY = [0.1, 0.25];

    private const LATE = [0.85, 1.0];

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        if (posix_geteuid() !== 0) {
            yield ['many hours at work', 'not measured', 'root: a database has a user of its own'];

            return;
        }
        $seconds = 60 * (float) (getenv('NEAT_EDGE_MINUTES') ?: self::MINUTES);
        $floor = new Floor(random_int(31_000, 39_000));
        $crowd = new Crowd(self::PEOPLE);
        $crowd->come();
        /** @var list<array{float, array<string, float>}> $looks share of the time, and MB by program */
        $looks = [];
        $looked = -self::LOOK;
        $crowd->work($seconds, static function (float $at) use ($floor, $seconds, &$looks, &$looked): void {
            $floor->keepUp();
            if ($at - $looked >= self::LOOK) {
                $looked = $at;
                $looks[] = [$at / $seconds, $floor->memory()];
            }
        });
        [$lost, $pieces] = $crowd->lost();
        yield [
            sprintf('%d people for %.0f min: edits, prepared, laid out', self::PEOPLE, $seconds / 60),
            "{$crowd->edits}, {$crowd->prepared}, {$crowd->laid}",
            '',
        ];
        yield ['answers that were no acknowledgement, begun again', array_sum($crowd->failed).', '.array_sum($floor->again), '0, 0'];
        yield ["places of {$pieces} pieces that are not as acknowledged", (string) $lost, '0'];
        foreach (array_keys($looks[0][1] ?? []) as $program) {
            [$early, $late] = array_map(static fn (array $between): float => self::median($looks, (string) $program, $between), [self::EARLY, self::LATE]);
            $most = max(0.0, ...array_map(static fn (array $look): float => $look[1][$program] ?? 0.0, $looks));
            yield [
                "memory of {$program}: early, late, most, MB",
                sprintf('%.0f, %.0f, %.0f', $early, $late, $most),
                sprintf('late at most 1.1 times early: %.2f', $early > 0 ? $late / $early : 0),
            ];
        }
    }

    /**
     * @param  list<array{float, array<string, float>}>  $looks
     * @param  array{float, float}  $between
     */
    private static function median(array $looks, string $program, array $between): float
    {
        $some = array_map(
            static fn (array $look): float => $look[1][$program] ?? 0.0,
            array_values(array_filter($looks, static fn (array $look): bool => $look[0] >= $between[0] && $look[0] <= $between[1])),
        );
        sort($some);

        return $some === [] ? 0.0 : Timed::share($some, 0.5);
    }
}
