<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Patience\Patience;

/**
 * Traces the borders between faces of different labels as loops of runs. A run is a stretch of one source contour,
 * (contour, g at its start, g at its end, first vertex, last vertex), unwrapped where it passes the contour's start.
 */
final class Borders
{
    private const SAME = 1e-9;

    /**
     * @param  array<int, int>  $labels  by face
     * @param  list<int>  $segments  by contour
     * @param  list<list<int>>|null  $groups  by label: the regions that it belongs to; each label is one when null
     * @return array<int, list<list<array{int, float, float, int, int}>>> label or region => loops => runs
     */
    public static function trace(Chords $edges, Faces $faces, array $labels, array $segments, ?array $groups = null): array
    {
        $within = [];
        foreach ($groups ?? [] as $label => $list) {
            foreach ($list as $group) {
                $within[$group][$label] = true;
            }
        }
        $next = $faces->next;
        $a = $edges->a;
        $b = $edges->b;
        $contour = $edges->contour;
        $ga = $edges->ga;
        $gb = $edges->gb;
        $cycleLabel = [];
        foreach ($faces->face as $c => $face) {
            // A face that no walk reached cannot be: every face has an edge to one that was reached.
            $cycleLabel[$c] = $labels[$face];
        }
        $head = $faces->head;
        $onward = $faces->onward;
        $side = [];
        foreach ($faces->cycle as $d => $c) {
            Patience::ask();
            $side[] = $cycleLabel[$c];
        }
        $done = [];
        $out = [];
        foreach ($side as $begin => $label) {
            Patience::ask(2);
            if ($label < 0 || $side[$begin ^ 1] === $label) {
                continue;
            }
            foreach ($groups[$label] ?? [$label] as $group) {
                $same = $within[$group] ??= [$label => true];
                if (isset($same[$side[$begin ^ 1]]) || isset($done[$group][$begin])) {
                    continue;
                }
                $runs = [];
                $runContour = -1;
                $g0 = $g1 = 0.0;
                $from = $to = -1;
                $forward = true;
                $d = $begin;
                do {
                    $done[$group][$d] = true;
                    $last = $head[$d ^ 1] ^ 1;
                    for ($h = $head[$d]; ; $h = $next[$h]) {
                        $e = $h >> 1;
                        $c = $contour[$e];
                        if ($h & 1) {
                            $s = $gb[$e];
                            $t = $ga[$e];
                            $v = $b[$e];
                            $w = $a[$e];
                        } else {
                            $s = $ga[$e];
                            $t = $gb[$e];
                            $v = $a[$e];
                            $w = $b[$e];
                        }
                        $joined = false;
                        if ($c === $runContour && $forward === ($t > $s)) {
                            if ($g1 === $s) {
                                $g1 = $t;
                                $to = $w;
                                $joined = true;
                            } else {
                                $n = $segments[$c];
                                $turns = round(($g1 - $s) / $n) * $n;
                                if (abs($g1 - $s - $turns) < self::SAME) {
                                    $g1 = $t + $turns;
                                    $to = $w;
                                    $joined = true;
                                }
                            }
                        }
                        if (! $joined) {
                            if ($runContour >= 0) {
                                $runs[] = [$runContour, $g0, $g1, $from, $to];
                            }
                            [$runContour, $g0, $g1, $from, $to, $forward] = [$c, $s, $t, $v, $w, $t > $s];
                        }
                        if ($h === $last) {
                            break;
                        }
                    }
                    $d = $onward[$d];
                    while (isset($same[$side[$d ^ 1]])) {
                        $d = $onward[$d ^ 1];
                    }
                } while ($d !== $begin);
                $runs[] = [$runContour, $g0, $g1, $from, $to];
                $out[$group][] = self::ring($runs, $segments);
            }
        }

        return $out;
    }

    /**
     * Joins the last run with the first, where the trace began in the middle of one.
     *
     * @param  non-empty-list<array{int, float, float, int, int}>  $runs
     * @param  list<int>  $segments
     * @return list<array{int, float, float, int, int}>
     */
    private static function ring(array $runs, array $segments): array
    {
        $k = count($runs) - 1;
        if ($k === 0) {
            return $runs;
        }
        [$c, $g0, $g1, $from] = $runs[$k];
        [$d, $s, $t, , $to] = $runs[0];
        $n = $segments[$c];
        if ($c !== $d || ($g1 > $g0) !== ($t > $s)) {
            return $runs;
        }
        $turns = round(($g1 - $s) / $n) * $n;
        if (abs($g1 - $s - $turns) >= self::SAME) {
            return $runs;
        }
        $runs[0] = [$c, $g0, $t + $turns, $from, $to];
        array_pop($runs);

        return $runs;
    }
}
