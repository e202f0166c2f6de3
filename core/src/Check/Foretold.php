<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

/**
 * What a remedy comes to before it is kept: how many places of those that it is about it cures, how many it leaves, and what there is afterwards that was
 * not there before.
 *
 * @phpstan-type Row array<string, mixed>
 */
final readonly class Foretold
{
    /** mm by which a place may have moved and still be the same. */
    private const NEAR = 0.5;

    /** @param  array<string, int>  $makes  how many anew, by kind of finding */
    private function __construct(public int $cures, public int $leaves, public array $makes)
    {
    }

    /**
     * @param  list<Row>  $before  as Finding::toArray() gives them; those that are only good to know are not counted
     * @param  list<Row>  $after
     * @param  list<int>  $asked  numbers of those before that the remedy is about
     */
    public static function between(array $before, array $after, array $asked): self
    {
        $was = self::cells($before);
        $is = self::cells($after);
        $mine = array_flip($asked);
        $cures = $leaves = 0;
        $moved = $makes = [];
        foreach ($before as $number => $row) {
            $stays = self::among($row, $after, $is);
            if (isset($mine[$number])) {
                $stays ? $leaves++ : $cures++;
            } elseif (! $stays) {
                $moved[self::name($row)] = 1 + ($moved[self::name($row)] ?? 0);
            }
        }
        foreach ($after as $row) {
            if ($row['severity'] === Severity::Note->value || self::among($row, $before, $was)) {
                continue;
            }
            // One that the remedy is not about and that is gone from its place has only moved.
            if (($moved[self::name($row)] ?? 0) > 0) {
                $moved[self::name($row)]--;
            } else {
                $makes[(string) $row['kind']] = 1 + ($makes[(string) $row['kind']] ?? 0);
            }
        }

        return new self($cures, $leaves, $makes);
    }

    /** Whether it is a better remedy than another: more is cured, and less made, than by that. */
    public function isBetterThan(self $other): bool
    {
        return $this->gain() > $other->gain();
    }

    private function gain(): int
    {
        return $this->cures - array_sum($this->makes);
    }

    /** @return array{cures: int, leaves: int, makes: list<array{kind: string, label: string, count: int}>} */
    public function toArray(): array
    {
        $labels = Inspection::catalogue();

        return [
            'cures' => $this->cures,
            'leaves' => $this->leaves,
            'makes' => array_map(
                static fn (string $kind, int $count): array => ['kind' => $kind, 'label' => $labels[$kind]->label ?? $kind, 'count' => $count],
                array_keys($this->makes),
                $this->makes,
            ),
        ];
    }

    /**
     * Numbers of rows by kind and sheet, so that each is compared with its own only, by its left edge.
     *
     * @param  list<Row>  $rows
     * @return array<string, array{list<float>, list<array{int, array{float, float, float, float}}>, float}> left edges and boxes in their order, and the
     *     width of the widest
     */
    private static function cells(array $rows): array
    {
        $own = [];
        foreach ($rows as $i => $row) {
            $own[self::name($row)][] = [$i, self::box($row)];
        }
        $cells = [];
        foreach ($own as $name => $list) {
            usort($list, static fn (array $a, array $b): int => $a[1][0] <=> $b[1][0]);
            $widest = max(array_map(static fn (array $one): float => is_finite($one[1][2]) ? $one[1][2] - $one[1][0] : 0.0, $list));
            $cells[$name] = [array_map(static fn (array $one): float => $one[1][0], $list), $list, $widest];
        }

        return $cells;
    }

    /**
     * Whether a finding of its kind lies on its sheet where it does.
     *
     * @param  Row  $row
     * @param  list<Row>  $rows
     * @param  array<string, array{list<float>, list<array{int, array{float, float, float, float}}>, float}>  $cells
     */
    private static function among(array $row, array $rows, array $cells): bool
    {
        [$lefts, $list, $widest] = $cells[self::name($row)] ?? [[], [], 0.0];
        [$left, $top, $right, $bottom] = self::box($row);
        if (! is_finite($left)) {
            return $list !== [];
        }
        // The first whose box can reach to it.
        [$low, $high] = [0, count($lefts)];
        while ($low < $high) {
            $mid = intdiv($low + $high, 2);
            $lefts[$mid] < $left - $widest - self::NEAR ? $low = $mid + 1 : $high = $mid;
        }
        for (; $low < count($lefts) && $lefts[$low] <= $right + self::NEAR; $low++) {
            [, [$l, $t, $r, $b]] = $list[$low];
            if ($r >= $left - self::NEAR && $l <= $right + self::NEAR && $b >= $top - self::NEAR && $t <= $bottom + self::NEAR) {
                return true;
            }
        }

        return false;
    }

    /** @param  Row  $row */
    private static function name(array $row): string
    {
        return $row['kind'].'|'.($row['sheet'] ?? '');
    }

    /**
     * @param  Row  $row
     * @return array{float, float, float, float} where it lies, mm; without end for what has no place
     */
    private static function box(array $row): array
    {
        $points = array_merge(...[[], ...($row['ribbon'] ?? [])]);
        if (isset($row['at'])) {
            $points[] = $row['at'];
        }
        if ($points === []) {
            return [-INF, -INF, INF, INF];
        }
        $x = array_map(static fn (array $point): float => (float) $point[0], $points);
        $y = array_map(static fn (array $point): float => (float) $point[1], $points);

        return [min($x), min($y), max($x), max($y)];
    }
}
