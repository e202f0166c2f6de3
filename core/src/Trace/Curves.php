<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Trace\Repeated\Again;

/**
 * All borders of a picture as curves whose ends they share: a node is told once, and whoever ends there goes with it.
 *
 * @phpstan-import-type Strand from Strands
 */
final class Curves
{
    /** Dots around a meeting whose places three colours have spoiled. */
    private const SPOILED = 1.2;

    /** Places of a border of which its own noise can be told. */
    private const OWN = 24;

    /** @var list<array{float, float}> */
    public array $nodes = [];

    /**
     * Of each chain: nodes of its segments, what their handles are off from them, and whether it is a line.
     *
     * @var array<int, list<array{int, int, float, float, float, float, bool}>>
     */
    public array $chains = [];

    /** @var array<int, Model> of each chain that is closed and a shape with a name */
    public array $models = [];

    /** @var list<array{Model, float}> shapes with a name whose border others meet, drawn in parts, and how far each leaves its dots' places */
    public array $met = [];

    /** @var array<int, float> how far each of them leaves its dots' places */
    public array $off = [];

    /** @var list<Again> what was found to come again */
    public array $again = [];

    /** @var array<string, int> nodes where borders meet, by the corner of dots */
    private array $meeting = [];

    /** @var array<int, float> how far along the places of the strand that is being fitted each of its chains begins */
    private array $starts = [];

    /** @var array<int, true> nodes that lie on a shape with a name, or on the frame: they stay */
    public array $kept = [];

    /**
     * @param  list<Chain>  $chains
     * @param  array<int, list<array{float, float}>>  $places  what the dots say of each
     * @param  array<string, array{float, float}>  $ends
     * @param  list<string>  $kinds  of shapes with a name that are looked for
     * @param  float  $keen  see Corners
     */
    public function __construct(array $chains, public readonly array $places, array $ends, float $noise, float $closeness, array $kinds, float $keen = 1.0)
    {
        $parts = [];
        foreach (Strands::of($chains, $places, $ends) as $strand) {
            Patience::ask(64);
            $first = $chains[$strand['chains'][0][0]];
            if ($first->isFrame()) {
                $this->frame($first, $strand['chains'][0][0], $places, $ends, $parts);

                continue;
            }
            $way = $this->way($strand, $chains, $places, $ends);
            // Two colours that differ little are told less well than the rest.
            $own = count($way->places) < self::OWN ? $noise : max($noise, Noise::of([$way->places]));
            $border = new Border($way, $own, $closeness, $kinds, $keen);
            if (count($strand['chains']) === 1) {
                $parts[$strand['chains'][0][0]] = $border->segments;
                if ($border->model !== null && $strand['closed']) {
                    $this->models[$strand['chains'][0][0]] = $border->model;
                    $this->off[$strand['chains'][0][0]] = $border->off();
                }
            } else {
                $this->split($strand, $border, $chains, $ends, $parts);
                if ($border->model !== null) {
                    $this->met[] = [$border->model, $border->off()];
                }
            }
        }
        $this->told($chains, $ends, $parts);
    }

    /**
     * @param  Strand  $strand
     * @param  list<Chain>  $chains
     * @param  array<int, list<array{float, float}>>  $places
     * @param  array<string, array{float, float}>  $ends
     */
    private function way(array $strand, array $chains, array $places, array $ends): Way
    {
        $all = [];
        $this->starts = [];
        $long = 0.0;
        $count = count($strand['chains']);
        foreach ($strand['chains'] as $k => [$i, $forward]) {
            $chain = $chains[$i];
            $own = $forward ? $places[$i] : array_reverse($places[$i]);
            if ($chain->closed) {
                return new Way($own, true);
            }
            [$from, $to] = self::corners($chain, $forward);
            [$a, $b] = [$ends[$from], $ends[$to]];
            $this->starts[$k] = $long + ($all === [] ? 0.0 : hypot($all[count($all) - 1][0] - $a[0], $all[count($all) - 1][1] - $a[1]));
            if ($k === 0 && ! $strand['closed']) {
                $all[] = $a;
            }
            foreach ($own as $place) {
                if (min(hypot($place[0] - $a[0], $place[1] - $a[1]), hypot($place[0] - $b[0], $place[1] - $b[1])) > self::SPOILED) {
                    $last = $all[count($all) - 1] ?? $place;
                    $long += hypot($place[0] - $last[0], $place[1] - $last[1]);
                    $all[] = $place;
                }
            }
            if ($k === $count - 1 && ! $strand['closed']) {
                $all[] = $b;
            }
        }

        return new Way($all, $strand['closed'] && count($all) > 3);
    }

    /** @return array{string, string} the corners of dots between which a chain is travelled */
    private static function corners(Chain $chain, bool $forward): array
    {
        [$ex, $ey] = $chain->end();
        $corners = ["{$chain->x} {$chain->y}", "{$ex} {$ey}"];

        return $forward ? $corners : array_reverse($corners);
    }

    /**
     * @param  array<int, list<array{float, float}>>  $places
     * @param  array<string, array{float, float}>  $ends
     * @param  array<int, list<list<float>>>  $parts
     */
    private function frame(Chain $chain, int $i, array $places, array $ends, array &$parts): void
    {
        $own = $places[$i];
        $last = count($own) - 1;
        $turns = [$own[0]];
        for ($k = 1; $k < $last; $k++) {
            if ($chain->steps[$k] !== $chain->steps[$k - 1]) {
                $turns[] = $own[$k];
            }
        }
        $turns[] = $own[$last];
        if (! $chain->closed) {
            [$from, $to] = self::corners($chain, true);
            [$turns[0], $turns[count($turns) - 1]] = [$ends[$from], $ends[$to]];
        }
        $segments = [];
        for ($k = 1; $k < count($turns); $k++) {
            $segments[] = Cubic::line($turns[$k - 1][0], $turns[$k - 1][1], $turns[$k][0], $turns[$k][1]);
        }
        $parts[$i] = $segments;
    }

    /**
     * The curves of a strand cut where others meet it; what meets it ends on it.
     *
     * @param  Strand  $strand
     * @param  list<Chain>  $chains
     * @param  array<string, array{float, float}>  $ends
     * @param  array<int, list<list<float>>>  $parts
     *
     * @param-out  array<int, list<list<float>>>  $parts
     */
    private function split(array $strand, Border $border, array $chains, array &$ends, array &$parts): void
    {
        $segments = $border->segments;
        $count = count($strand['chains']);
        $cuts = [];
        [$lengths, $begins] = self::lengths($segments, $border->way);
        foreach ($strand['chains'] as $k => [$i, $forward]) {
            [$from] = self::corners($chains[$i], $forward);
            if ($k > 0 || $strand['closed']) {
                // About so far along the curves: a strand may come back to where it was.
                $about = $this->starts[$k] - $begins;
                $about -= $strand['closed'] ? $border->way->length * floor($about / $border->way->length) : 0.0;
                $cuts[] = [self::nearest($segments, $ends[$from], $lengths, $about * end($lengths) / $border->way->length, $strand['closed']), $from];
            }
        }
        foreach ($cuts as [$at, $corner]) {
            $k = min(count($segments) - 1, (int) floor($at));
            $ends[$corner] = Cubic::placeOn($segments[$k], $at - $k);
        }
        $total = (float) count($segments);
        foreach ($strand['chains'] as $k => [$i, $forward]) {
            if ($strand['closed']) {
                [$from, $to] = [$cuts[$k][0], $cuts[($k + 1) % $count][0]];
                $round = static fn (): array => [...self::between($segments, $from, $total), ...self::between($segments, 0.0, $to)];
                $piece = $to > $from ? self::between($segments, $from, $to) : $round();
            } else {
                $piece = self::between($segments, $k === 0 ? 0.0 : $cuts[$k - 1][0], $k === $count - 1 ? $total : $cuts[$k][0]);
            }
            $parts[$i] = $forward ? $piece : self::reversed($piece);
        }
    }

    /**
     * @param  list<list<float>>  $segments
     * @return array{non-empty-list<float>, float} the way along the curves to the start of each and to the end, and how far along the places they begin
     */
    private static function lengths(array $segments, Way $way): array
    {
        $lengths = [0.0];
        foreach ($segments as $segment) {
            $lengths[] = end($lengths) + Cubic::length($segment);
        }
        $begins = 0.0;
        $least = INF;
        foreach ($way->places as $i => [$x, $y]) {
            $far = ($x - $segments[0][0]) ** 2 + ($y - $segments[0][1]) ** 2;
            if ($far < $least) {
                [$least, $begins] = [$far, $way->at[$i]];
            }
        }

        return [$lengths, $way->closed ? $begins : 0.0];
    }

    /**
     * @param  list<list<float>>  $segments
     * @param  array{float, float}  $place
     * @param  non-empty-list<float>  $lengths  the way along the curves to the start of each and to the end
     * @param  float  $about  how far along them it is sought
     * @return float number of a segment and the share of it
     */
    private static function nearest(array $segments, array $place, array $lengths, float $about, bool $closed): float
    {
        $count = count($segments);
        $total = $lengths[$count];
        $reach = max(5.0, 0.04 * $total);
        $best = 0.0;
        $least = INF;
        for ($k = 0; $k < $count; $k++) {
            for ($step = 0; $step < 64; $step++) {
                $t = $step / 64;
                $off = abs($lengths[$k] + $t * ($lengths[$k + 1] - $lengths[$k]) - $about);
                if (min($off, $closed ? $total - $off : INF) > $reach) {
                    continue;
                }
                [$x, $y] = Cubic::placeOn($segments[$k], $t);
                $far = ($x - $place[0]) ** 2 + ($y - $place[1]) ** 2;
                if ($far < $least) {
                    [$least, $best] = [$far, $k + $t];
                }
            }
        }
        for ($step = 1 / 128; $step > 1e-4; $step /= 2) {
            foreach ([$best - $step, $best + $step] as $at) {
                $k = (int) floor($at);
                if ($k < 0 || $k >= $count) {
                    continue;
                }
                [$x, $y] = Cubic::placeOn($segments[$k], $at - $k);
                $far = ($x - $place[0]) ** 2 + ($y - $place[1]) ** 2;
                if ($far < $least) {
                    [$least, $best] = [$far, $at];
                }
            }
        }

        return $best;
    }

    /**
     * @param  list<list<float>>  $segments
     * @return list<list<float>>
     */
    public static function between(array $segments, float $from, float $to): array
    {
        $found = [];
        for ($k = (int) floor($from); $k < count($segments) && $k < $to; $k++) {
            [$a, $b] = [max(0.0, $from - $k), min(1.0, $to - $k)];
            if ($b - $a > 1e-3) {
                $found[] = Cubic::part($segments[$k], $a, $b);
            }
        }
        if ($found === []) {
            $k = min(count($segments) - 1, (int) floor($from));
            $found[] = Cubic::part($segments[$k], min(0.999, $from - $k), min(1.0, $from - $k + 0.001));
        }

        return $found;
    }

    /**
     * @param  list<list<float>>  $segments
     * @return list<list<float>>
     */
    public static function reversed(array $segments): array
    {
        return array_map(static fn (array $s): array => [$s[6], $s[7], $s[4], $s[5], $s[2], $s[3], $s[0], $s[1]], array_reverse($segments));
    }

    /**
     * @param  list<Chain>  $chains
     * @param  array<string, array{float, float}>  $ends
     * @param  array<int, list<list<float>>>  $parts
     */
    private function told(array $chains, array $ends, array $parts): void
    {
        foreach ($ends as $corner => $place) {
            $this->meeting[$corner] = count($this->nodes);
            $this->nodes[] = $place;
        }
        foreach ($chains as $i => $chain) {
            $segments = $parts[$i] ?? [];
            $last = count($segments) - 1;
            [$from, $to] = self::corners($chain, true);
            $first = $chain->closed ? count($this->nodes) : $this->meeting[$from];
            if ($chain->closed && $segments !== []) {
                $this->nodes[] = [$segments[0][0], $segments[0][1]];
            }
            $this->chains[$i] = [];
            $before = $first;
            foreach ($segments as $k => $s) {
                $after = $k < $last ? count($this->nodes) : ($chain->closed ? $first : $this->meeting[$to]);
                if ($k < $last) {
                    $this->nodes[] = [$s[6], $s[7]];
                }
                $this->chains[$i][] = [$before, $after, $s[2] - $s[0], $s[3] - $s[1], $s[4] - $s[6], $s[5] - $s[7], Cubic::isLine($s)];
                if ($chain->isFrame() || isset($this->models[$i])) {
                    $this->kept[$before] = $this->kept[$after] = true;
                }
                $before = $after;
            }
        }
    }

    /** @return list<list<float>> see Cubic; dots */
    public function segments(int $chain, bool $forward = true): array
    {
        $segments = [];
        if (isset($this->models[$chain])) {
            $contour = $this->models[$chain]->contour();
            // As it was travelled.
            $segments = $this->turnsRight($chain) ? $contour->closedSegments() : $contour->reversed()->closedSegments();
        } else {
            foreach ($this->chains[$chain] as [$from, $to, $ax, $ay, $bx, $by, $line]) {
                [$x, $y] = $this->nodes[$from];
                [$u, $v] = $this->nodes[$to];
                $segments[] = $line ? Cubic::line($x, $y, $u, $v) : [$x, $y, $x + $ax, $y + $ay, $u + $bx, $v + $by, $u, $v];
            }
        }

        return $forward ? $segments : self::reversed($segments);
    }

    /** @return array{int, int} nodes at its ends, which are one where it is closed */
    public function ends(int $chain): array
    {
        $segments = $this->chains[$chain];

        return [$segments[0][0], $segments[count($segments) - 1][1]];
    }

    public function turnsRight(int $chain): bool
    {
        $sum = 0.0;
        foreach ($this->chains[$chain] as [$from, $to, $ax, $ay, $bx, $by]) {
            [$x, $y] = $this->nodes[$from];
            [$u, $v] = $this->nodes[$to];
            $sum += Cubic::doubleArea([$x, $y, $x + $ax, $y + $ay, $u + $bx, $v + $by, $u, $v]);
        }

        return $sum > 0;
    }

    /**
     * Draws a chain anew: its ends stay the nodes that they are, and come to lie where it ends now.
     *
     * @param  non-empty-list<list<float>>  $segments  see Cubic; dots, as it runs
     */
    public function redraw(int $chain, array $segments): void
    {
        [$first, $end] = $this->ends($chain);
        $last = count($segments) - 1;
        $this->nodes[$first] = [$segments[0][0], $segments[0][1]];
        $this->chains[$chain] = [];
        $before = $first;
        foreach ($segments as $k => $s) {
            $after = $k < $last ? count($this->nodes) : $end;
            $this->nodes[$after] = $k === $last && $end === $first ? $this->nodes[$first] : [$s[6], $s[7]];
            $this->chains[$chain][] = [$before, $after, $s[2] - $s[0], $s[3] - $s[1], $s[4] - $s[6], $s[5] - $s[7], Cubic::isLine($s)];
            $before = $after;
        }
    }

    /** Notes what was drawn after what. */
    public function comesAgain(Again $again): void
    {
        foreach ($this->again as $i => $one) {
            $both = $one->with($again);
            if ($both !== null) {
                $this->again[$i] = $both;

                return;
            }
        }
        $this->again[] = $again;
    }

    /** @return array<int, true> chains that are drawn after others, or others after them */
    public function settled(): array
    {
        $settled = [];
        foreach ($this->again as $again) {
            $settled += $again->chains();
        }

        return $settled;
    }

    /** How many nodes there are, each told once. */
    public function nodeCount(): int
    {
        $count = 0;
        foreach ($this->chains as $segments) {
            $count += count($segments);
        }

        return $count;
    }
}
