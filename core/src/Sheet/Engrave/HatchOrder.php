<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Engrave;

use NeatEdge\Core\Patience\Patience;

/**
 * The stretches of a fill in an order with little way between them: stretches that lie one under the other without a fork are one field, gone through there
 * and back,
 * and fields follow each other from the end of one to the nearest corner of another.
 */
final class HatchOrder
{
    /** Above so many fields they follow each other from the top; to look for the nearest would cost more than it saves. */
    private const MANY = 6000;

    /**
     * @param  list<list<array{float, float}>>  $rows  stretches by line, from and to, rising, apart from each other
     * @return list<array{int, float, float}> number of the line, where the head goes on and where it goes off
     */
    public static function of(array $rows, float $pitch): array
    {
        $fields = self::fields($rows);
        $order = [];
        $left = array_keys($fields);
        [$x, $y] = [0.0, 0.0];
        while ($left !== []) {
            Patience::ask(count($left));
            [$pick, $start, $least] = [0, 0, INF];
            foreach (count($left) > self::MANY ? [0 => $left[0]] : $left as $k => $i) {
                $field = $fields[$i];
                $first = $field[0];
                $last = $field[count($field) - 1];
                $upper = ($first[0] * $pitch - $y) ** 2;
                $lower = ($last[0] * $pitch - $y) ** 2;
                foreach ([
                    $upper + ($first[1] - $x) ** 2,
                    $upper + ($first[2] - $x) ** 2,
                    $lower + ($last[1] - $x) ** 2,
                    $lower + ($last[2] - $x) ** 2,
                ] as $corner => $way) {
                    if ($way < $least) {
                        [$pick, $start, $least] = [$k, $corner, $way];
                    }
                }
            }
            $field = $start < 2 ? $fields[$left[$pick]] : array_reverse($fields[$left[$pick]]);
            // The last takes the place of what was taken: no list is moved.
            $end = array_pop($left);
            if ($pick < count($left)) {
                $left[$pick] = $end;
            }
            $rising = $start % 2 === 0;
            foreach ($field as [$row, $from, $to]) {
                $order[] = $rising ? [$row, $from, $to] : [$row, $to, $from];
                [$x, $y] = [$rising ? $to : $from, $row * $pitch];
                $rising = ! $rising;
            }
        }

        return $order;
    }

    /**
     * @param  list<list<array{float, float}>>  $rows
     * @return list<non-empty-list<array{int, float, float}>>
     */
    private static function fields(array $rows): array
    {
        $fields = [];
        /** @var list<array{int, float, float}> $open  stretches of the line before: number of the field, from, to */
        $open = [];
        foreach ($rows as $row => $stretches) {
            Patience::ask(8);
            // Both lines rise: who lies over whom is found in one go along them.
            $above = array_fill(0, count($stretches), []);
            $below = array_fill(0, count($open), 0);
            for ($i = $j = 0; $i < count($open) && $j < count($stretches);) {
                if ($open[$i][1] < $stretches[$j][1] && $open[$i][2] > $stretches[$j][0]) {
                    $above[$j][] = $i;
                    $below[$i]++;
                }
                $open[$i][2] < $stretches[$j][1] ? $i++ : $j++;
            }
            $now = [];
            foreach ($stretches as $j => [$from, $to]) {
                $goesOn = count($above[$j]) === 1 && $below[$above[$j][0]] === 1;
                $field = $goesOn ? $open[$above[$j][0]][0] : count($fields);
                $fields[$field][] = [$row, $from, $to];
                $now[] = [$field, $from, $to];
            }
            $open = $now;
        }

        return array_values($fields);
    }
}
