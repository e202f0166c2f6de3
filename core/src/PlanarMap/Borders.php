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

    /** @var list<int> label on the left of each half of a chain */
    private readonly array $side;

    /** @var array<int, array<int, true>> halves of chains that were traced, by group */
    private array $done = [];

    /**
     * @param  array<int, int>  $labels  by face
     * @param  list<int>  $segments  by contour
     */
    private function __construct(private readonly Chords $edges, private readonly Faces $faces, array $labels, private readonly array $segments)
    {
        // A face that no walk reached cannot be: every face has an edge to one that was reached.
        $ofCycle = array_map(static fn (int $face): int => $labels[$face], $faces->face);
        $side = [];
        foreach ($faces->cycle as $d => $c) {
            ($d & 127) === 0 && Patience::ask(128);
            $side[] = $ofCycle[$c];
        }
        $this->side = $side;
    }

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
        $self = new self($edges, $faces, $labels, $segments);
        $loops = [];
        foreach ($self->side as $begin => $label) {
            Patience::ask(2);
            $beyond = $self->side[$begin ^ 1];
            if ($label < 0 || $beyond === $label) {
                continue;
            }
            foreach ($groups[$label] ?? [$label] as $group) {
                $same = $within[$group] ??= [$label => true];
                if (! isset($same[$beyond]) && ! isset($self->done[$group][$begin])) {
                    $loops[$group][] = $self->ring($self->loop($begin, $group, $same));
                }
            }
        }

        return $loops;
    }

    /**
     * @param  int  $begin  half of a chain
     * @param  array<int, true>  $same  labels of the group
     * @return list<array{int, float, float, int, int}>
     */
    private function loop(int $begin, int $group, array $same): array
    {
        $runs = [];
        $d = $begin;
        do {
            $this->done[$group][$d] = true;
            $this->run($runs, $this->faces->head[$d], $this->faces->head[$d ^ 1] ^ 1);
            $d = $this->faces->onward[$d];
            while (isset($same[$this->side[$d ^ 1]])) {
                $d = $this->faces->onward[$d ^ 1];
            }
        } while ($d !== $begin);

        return $runs;
    }

    /**
     * Goes along a chain, on with the last run or with new ones.
     *
     * @param  list<array{int, float, float, int, int}>  $runs
     * @param  int  $start  half-edge with which it begins
     * @param  int  $last  half-edge with which it ends
     */
    private function run(array &$runs, int $start, int $last): void
    {
        $next = $this->faces->next;
        $a = $this->edges->a;
        $b = $this->edges->b;
        $contour = $this->edges->contour;
        $ga = $this->edges->ga;
        $gb = $this->edges->gb;
        [$now, $g0, $g1, $from, $to] = array_pop($runs) ?? [-1, 0.0, 0.0, -1, -1];
        for ($h = $start; ; $h = $next[$h]) {
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
            $on = $c === $now && ($g1 > $g0) === ($t > $s) ? $this->turns($g1, $s, $c) : null;
            if ($on !== null) {
                $g1 = $t + $on;
                $to = $w;
            } else {
                if ($now >= 0) {
                    $runs[] = [$now, $g0, $g1, $from, $to];
                }
                [$now, $g0, $g1, $from, $to] = [$c, $s, $t, $v, $w];
            }
            if ($h === $last) {
                break;
            }
        }
        $runs[] = [$now, $g0, $g1, $from, $to];
    }

    /** Whole turns round a contour between where a run ends and where an edge begins; null where they lie in different places. */
    private function turns(float $end, float $begin, int $contour): ?float
    {
        if ($end === $begin) {
            return 0.0;
        }
        $n = $this->segments[$contour];
        $turns = round(($end - $begin) / $n) * $n;

        return abs($end - $begin - $turns) < self::SAME ? $turns : null;
    }

    /**
     * Joins the last run with the first, where the trace began in the middle of one.
     *
     * @param  list<array{int, float, float, int, int}>  $runs
     * @return list<array{int, float, float, int, int}>
     */
    private function ring(array $runs): array
    {
        $k = count($runs) - 1;
        if ($k < 1) {
            return $runs;
        }
        [$c, $g0, $g1, $from] = $runs[$k];
        [$d, $s, $t, , $to] = $runs[0];
        $turns = $c === $d && ($g1 > $g0) === ($t > $s) ? $this->turns($g1, $s, $c) : null;
        if ($turns !== null) {
            $runs[0] = [$c, $g0, $t + $turns, $from, $to];
            array_pop($runs);
        }

        return $runs;
    }
}
