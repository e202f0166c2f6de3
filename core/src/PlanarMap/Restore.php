<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Patience\Patience;

/**
 * Gives the true curves back: from runs on the integer grid to contours of the original segments.
 *
 * Each vertex where two runs meet is moved onto the crossing of the two true curves, once, so that neighbours share it
 * bit for bit. The segments between are the originals, whole where nothing crossed them, else parts by blossoming.
 */
final class Restore
{
    /** How far beyond a run's other end a crossing may lie, in lengths of the run. */
    private const ROOM = 3.0;

    /** Half the least mean width of a loop, as a share of the flatness. */
    private const SLIVER = 0.002;

    /** @var array<int, array{float, float}> place of each junction, by vertex, mm */
    private array $places = [];

    /** @var array<int, true> junctions where no true crossing was found: the chords cross, the curves only run close */
    private array $doubtful = [];

    /** Segments shorter than this are nothing but rounding to a machine, mm. */
    private readonly float $short;

    /** Square of the distance at which two places are one: what floats can tell apart at this place on the bench. */
    private readonly float $met;

    /**
     * @param  float  $flatness  mm
     * @param  float  $beside  curves that run closer than this are not told apart, mm
     */
    public function __construct(
        private readonly Sources $sources,
        private readonly Chords $edges,
        private readonly float $flatness,
        private readonly float $beside,
    ) {
        $far = max(abs($sources->originX), abs($sources->originY)) + $sources->extent;
        $this->met = max(1e-11, 1e-15 * $far) ** 2;
        $this->short = min(PlanarMap::SHORTEST, PlanarMap::SHORTEST_SHARE * $sources->extent);
    }

    /**
     * Finds the places of all junctions of some loops: before any is drawn, so that a place is the same for all.
     *
     * @param  list<list<array{int, float, float, int, int}>>  $loops
     */
    public function settleAll(array $loops): void
    {
        foreach ($loops as $runs) {
            Patience::ask(4 * count($runs));
            $k = count($runs);
            if ($k === 1 && $this->isWhole($runs[0])) {
                continue;
            }
            for ($i = 0; $i < $k; $i++) {
                $this->settle($runs[$i], $runs[$i + 1 < $k ? $i + 1 : 0]);
            }
        }
    }

    /** @param  array{int, float, float, int, int}  $run */
    private function isWhole(array $run): bool
    {
        return abs(abs($run[2] - $run[1]) - $this->sources->segments[$run[0]]) < 1e-6;
    }

    /**
     * @param  list<array{int, float, float, int, int}>  $runs
     * @return Contour|null null where the loop is thinner than the flatness lets anyone know
     */
    public function contour(array $runs): ?Contour
    {
        if (count($runs) === 1 && $this->isWhole($runs[0])) {
            $whole = new Contour($this->sources->coords[$runs[0][0]], true);

            return $this->isSliver($whole) ? null : ($runs[0][2] > $runs[0][1] ? $whole : $whole->reversed());
        }
        $doubt = false;
        foreach ($runs as $run) {
            $doubt = $doubt || isset($this->doubtful[$run[3]]);
        }
        if ($doubt) {
            $runs = $this->threaded($runs);
        }
        $coords = [];
        foreach ($runs as $run) {
            $this->draw($run, $coords);
        }
        $coords = self::withoutNeedlessJoints($coords);
        if (count($coords) < 8) {
            return null;
        }
        $contour = new Contour($coords, true);

        return $this->isSliver($contour) ? null : $contour;
    }

    /**
     * Where two curves run so close that only their chords cross, back and forth, one curve stands for both: the lower
     * numbered, so that the neighbour across the border chooses the same.
     *
     * @param  list<array{int, float, float, int, int}>  $runs
     * @return list<array{int, float, float, int, int}>
     */
    private function threaded(array $runs): array
    {
        $k = count($runs);
        for ($first = 0; $first < $k && isset($this->doubtful[$runs[$first][3]]); $first++);
        if ($first > 0 && $first < $k) {
            $runs = [...array_slice($runs, $first), ...array_slice($runs, 0, $first)];
        }
        $threaded = [];
        for ($i = 0; $i < $k; $i = $j) {
            // A chain of runs on at most two contours, joined by doubtful junctions.
            $a = $b = $runs[$i][0];
            for ($j = $i + 1; $j < $k && isset($this->doubtful[$runs[$j][3]]); $j++) {
                $c = $runs[$j][0];
                if ($c !== $a && $c !== $b) {
                    if ($a !== $b) {
                        break;
                    }
                    $b = $c;
                }
            }
            $chain = array_slice($runs, $i, $j - $i);
            array_push($threaded, ...($a === $b || count($chain) < 3 ? $chain : $this->oneThread($chain, min($a, $b))));
        }

        return $threaded;
    }

    /**
     * @param  list<array{int, float, float, int, int}>  $chain
     * @return list<array{int, float, float, int, int}> with everything between the contour's first and last run on that contour
     */
    private function oneThread(array $chain, int $contour): array
    {
        $on = array_keys(array_filter($chain, static fn (array $run): bool => $run[0] === $contour));
        $i = $on[0];
        $j = $on[count($on) - 1];
        [, $start, , $from] = $chain[$i];
        $n = $this->sources->segments[$contour];
        $forward = $chain[$i][2] > $start;
        $g = $chain[$i][2];
        foreach ($on as $k) {
            [, $g0, $g1] = $chain[$k];
            if (($g1 > $g0) !== $forward) {
                return $chain;
            }
            // Unwrapped to follow on; a step back or a leap means that the curves do not run side by side.
            $turns = round(($g - $g0) / $n) * $n;
            $leap = ($g0 + $turns - $g) * ($forward ? 1 : -1);
            if ($k !== $i && ($leap < -1e-6 || $leap > 0.75 || ! $this->isBeside($chain[$k - 1], $contour, $g, $g0 + $turns))) {
                return $chain;
            }
            $g = $k === $i ? $g1 : $g1 + $turns;
        }
        if (abs($g - $start) > $n) {
            return $chain;
        }

        return [...array_slice($chain, 0, $i), [$contour, $start, $g, $from, $chain[$j][4]], ...array_slice($chain, $j + 1)];
    }

    /**
     * Whether a run stays beside a stretch of a contour.
     *
     * @param  array{int, float, float, int, int}  $run
     */
    private function isBeside(array $run, int $contour, float $from, float $to): bool
    {
        foreach ([0.25, 0.5, 0.75] as $share) {
            [$x, $y] = $this->at($run[0], $run[1] + $share * ($run[2] - $run[1]));
            [$px, $py] = $this->at($contour, $this->nearest($contour, $from + $share * ($to - $from), $x, $y));
            if (hypot($px - $x, $py - $y) > $this->beside) {
                return false;
            }
        }

        return true;
    }

    /** Whether a loop is narrower, on the average, than anybody can know. */
    private function isSliver(Contour $contour): bool
    {
        $area = abs($contour->area());
        if ($area > 100 * $this->flatness * $this->sources->extent) {
            return false;
        }

        return $area < self::SLIVER * $this->flatness * $contour->roughLength();
    }

    /**
     * @param  array{int, float, float, int, int}  $in
     * @param  array{int, float, float, int, int}  $out
     */
    private function settle(array $in, array $out): void
    {
        $v = $in[4];
        if (isset($this->places[$v])) {
            return;
        }
        [$c, , $g] = $in;
        [$d, $h] = $out;
        $gridX = $this->edges->x[$v] / $this->sources->scale + $this->sources->originX;
        $gridY = $this->edges->y[$v] / $this->sources->scale + $this->sources->originY;
        $gNode = abs($g - round($g)) < 1e-9;
        $hNode = abs($h - round($h)) < 1e-9;
        if ($gNode && $hNode) {
            [$x, $y] = $this->at($c, $g);
            $this->places[$v] = [$x, $y];

            return;
        }
        $place = $this->crossing($c, $g, $in[1], $d, $h, $out[2], $gridX, $gridY);
        if ($place !== null && ($gNode || $hNode)) {
            // A node that lies on the other curve is where they meet; the crossing found farther off is another one.
            $near = 4 / $this->sources->scale;
            $node = $gNode ? $this->at($c, $g) : $this->at($d, $h);
            if (abs($place[0] - $node[0]) + abs($place[1] - $node[1]) > 2 * $near) {
                $on = $gNode ? $this->at($d, $this->nearest($d, $h, ...$node)) : $this->at($c, $this->nearest($c, $g, ...$node));
                if (abs($on[0] - $node[0]) + abs($on[1] - $node[1]) < $near) {
                    $place = $node;
                }
            }
        }
        if ($place === null && ! $gNode && ! $hNode) {
            $this->doubtful[$v] = true;
        }
        $this->places[$v] = $place ?? $this->fallback($c, $g, $gNode, $d, $h, $hNode, $gridX, $gridY);
    }

    /**
     * The crossing of two true curves near a vertex, by Newton's method that may walk over nodes.
     *
     * @param  float  $from  g at the start of the run that comes in
     * @param  float  $to  h at the end of the run that goes out: the crossing lies before the next
     * @return array{float, float}|null
     */
    private function crossing(int $c, float $g, float $from, int $d, float $h, float $to, float $gridX, float $gridY): ?array
    {
        $g0 = $g;
        $h0 = $h;
        // Its neighbour may move the same way, so there is some room beyond the end.
        $from -= self::ROOM * ($g - $from);
        $to += self::ROOM * ($to - $h);
        for ($k = 0; $k < 16; $k++) {
            [$ax, $ay, $adx, $ady] = $this->jet($c, $g);
            [$bx, $by, $bdx, $bdy] = $this->jet($d, $h);
            $ex = $bx - $ax;
            $ey = $by - $ay;
            $det = $adx * $bdy - $ady * $bdx;
            $size = sqrt(($adx * $adx + $ady * $ady) * ($bdx * $bdx + $bdy * $bdy));
            if (abs($det) < 1e-7 * $size || $size === 0.0) {
                return null;
            }
            if ($ex * $ex + $ey * $ey < $this->met) {
                $far = hypot($ax - $gridX, $ay - $gridY);
                // Both chords lie within the flatness of their curves: the flatter the crossing, the farther it may lie.
                if ($far > 100 * $this->flatness || $far * abs($det) > 2.5 * $this->flatness * $size || ($c === $d && abs($g - $h) < 1e-7)
                    || ($g0 > $from ? $g < $from : $g > $from) || ($h0 < $to ? $h > $to : $h < $to)) {
                    return null;
                }
                // A crossing that falls on a node is that node.
                foreach ([[$c, $g], [$d, $h]] as [$on, $at]) {
                    [$x, $y] = $this->at($on, round($at));
                    if (abs($x - $ax) < 1e-8 && abs($y - $ay) < 1e-8) {
                        return [$x, $y];
                    }
                }

                return [$ax, $ay];
            }
            $stepG = ($ex * $bdy - $ey * $bdx) / $det;
            $stepH = ($ex * $ady - $ey * $adx) / $det;
            $long = max(abs($stepG), abs($stepH));
            $damp = $long > 0.25 ? 0.25 / $long : 1.0;
            $g += $damp * $stepG;
            $h += $damp * $stepH;
            if (abs($g - $g0) > 1.0 || abs($h - $h0) > 1.0) {
                return null;
            }
        }

        return null;
    }

    /** @return array{float, float} */
    private function fallback(int $c, float $g, bool $gNode, int $d, float $h, bool $hNode, float $gridX, float $gridY): array
    {
        if ($gNode) {
            return $this->at($c, $g);
        }
        if ($hNode) {
            return $this->at($d, $h);
        }
        [$ax, $ay] = $this->at($c, $this->nearest($c, $g, $gridX, $gridY));
        [$bx, $by] = $this->at($d, $this->nearest($d, $h, $gridX, $gridY));

        return [($ax + $bx) / 2, ($ay + $by) / 2];
    }

    /** @return array{float, float} */
    private function at(int $c, float $g): array
    {
        [$x, $y] = $this->jet($c, $g);

        return [$x, $y];
    }

    /** @return array{float, float, float, float} place and derivative at g */
    private function jet(int $c, float $g): array
    {
        $n = $this->sources->segments[$c];
        $s = (int) floor($g);
        $t = $g - $s;
        $s %= $n;
        if ($s < 0) {
            $s += $n;
        }
        $p = $this->sources->coords[$c];
        $i = 6 * $s;
        $x0 = $p[$i];
        $y0 = $p[$i + 1];
        $x1 = $p[$i + 2];
        $y1 = $p[$i + 3];
        $x2 = $p[$i + 4];
        $y2 = $p[$i + 5];
        $x3 = $p[$i + 6];
        $y3 = $p[$i + 7];
        if ($x1 === $x0 && $y1 === $y0 && $x2 === $x3 && $y2 === $y3) {
            return [$x0 + ($x3 - $x0) * $t, $y0 + ($y3 - $y0) * $t, $x3 - $x0, $y3 - $y0];
        }
        if ($t === 0.0) {
            return [$x0, $y0, 3 * ($x1 - $x0), 3 * ($y1 - $y0)];
        }
        $u = 1 - $t;
        $a = $u * $u;
        $b = $u * $t;
        $d = $t * $t;

        return [
            $a * $u * $x0 + 3 * $a * $t * $x1 + 3 * $u * $d * $x2 + $d * $t * $x3,
            $a * $u * $y0 + 3 * $a * $t * $y1 + 3 * $u * $d * $y2 + $d * $t * $y3,
            3 * $a * ($x1 - $x0) + 6 * $b * ($x2 - $x1) + 3 * $d * ($x3 - $x2),
            3 * $a * ($y1 - $y0) + 6 * $b * ($y2 - $y1) + 3 * $d * ($y3 - $y2),
        ];
    }

    /** The g of the place on a contour nearest to a point, sought near a first guess. */
    private function nearest(int $c, float $g, float $x, float $y): float
    {
        $start = $g;
        for ($k = 0; $k < 12; $k++) {
            [$px, $py, $dx, $dy] = $this->jet($c, $g);
            $speed = $dx * $dx + $dy * $dy;
            if ($speed < 1e-24) {
                break;
            }
            $step = (($x - $px) * $dx + ($y - $py) * $dy) / $speed;
            $step = max(-0.25, min(0.25, $step));
            $g += $step;
            if (abs($step) < 1e-12) {
                break;
            }
        }
        [$px, $py] = $this->at($c, $g);
        [$qx, $qy] = $this->at($c, $start);

        return ($px - $x) ** 2 + ($py - $y) ** 2 <= ($qx - $x) ** 2 + ($qy - $y) ** 2 && abs($g - $start) <= 1.0 ? $g : $start;
    }

    /**
     * Adds a run's segments.
     *
     * @param  array{int, float, float, int, int}  $run
     * @param  list<float>  $coords
     */
    private function draw(array $run, array &$coords): void
    {
        [$c, $g0, $g1, $v, $w] = $run;
        [$ax, $ay] = $this->places[$v];
        [$bx, $by] = $this->places[$w];
        $forward = $g1 > $g0;
        $r0 = self::onNode($this->nearest($c, $g0, $ax, $ay));
        $r1 = self::onNode($this->nearest($c, $g1, $bx, $by));
        if ($coords === []) {
            $coords = [$ax, $ay];
        }
        $n = count($coords);
        [$coords[$n - 2], $coords[$n - 1]] = [$ax, $ay];
        if ($forward ? $r1 <= $r0 : $r1 >= $r0) {
            // Shorter than the junctions moved: a straight step from one to the other.
            array_push($coords, $ax, $ay, $bx, $by, $bx, $by);

            return;
        }
        $count = $this->sources->segments[$c];
        $p = $this->sources->coords[$c];
        $begin = $n;
        $step = $forward ? 1 : -1;
        $s = $forward ? (int) floor($r0) : (int) ceil($r0) - 1;
        $stretches = [];
        $g = $r0;
        while ($forward ? $g < $r1 : $g > $r1) {
            $t0 = $g - $s;
            $t1 = $forward ? min(1.0, $r1 - $s) : max(0.0, $r1 - $s);
            $stretches[] = [array_slice($p, 6 * ((($s % $count) + $count) % $count), 8), $t0, $t1];
            $g = $s + ($forward ? 1.0 : 0.0);
            $s += $step;
        }
        $stretches = $this->withoutShortEnds($stretches);
        $last = count($stretches) - 1;
        foreach ($stretches as [$seg, $t0, $t1]) {
            if ($forward) {
                $seg = Cubic::part($seg, $t0, $t1);
            } else {
                $seg = Cubic::part($seg, $t1, $t0);
                $seg = [$seg[6], $seg[7], $seg[4], $seg[5], $seg[2], $seg[3], $seg[0], $seg[1]];
            }
            array_push($coords, $seg[2], $seg[3], $seg[4], $seg[5], $seg[6], $seg[7]);
        }
        $wasStart = $last >= 0 ? Cubic::placeOn($stretches[0][0], $stretches[0][1]) : [$ax, $ay];
        $wasEnd = $last >= 0 ? Cubic::placeOn($stretches[$last][0], $stretches[$last][2]) : [$bx, $by];
        // The ends lie on the junctions, their handles move along; a line stays a line.
        $this->shift($coords, $begin, $ax, $ay, $wasStart, true);
        $this->shift($coords, count($coords) - 6, $bx, $by, $wasEnd, false);
    }

    /**
     * A stretch too short to be cut, between a junction and the next node, is left to its neighbour, which is led on so
     * far where it runs on smoothly.
     *
     * @param  list<array{list<float>, float, float}>  $stretches  segment, t at start, t at end
     * @return list<array{list<float>, float, float}>
     */
    private function withoutShortEnds(array $stretches): array
    {
        if (count($stretches) > 1) {
            [$seg, $t0, $t1] = $stretches[0];
            [$next, $from, $to] = $stretches[1];
            $led = abs($t1 - $t0) < 0.5 && $this->isShort($seg, $t0, $t1) ? self::led($seg, $t0, $t1, $next, $from, $to > $from) : 0.0;
            if ($led !== 0.0) {
                array_splice($stretches, 0, 2, [[$next, $from - $led, $to]]);
            }
        }
        $last = count($stretches) - 1;
        if ($last > 0) {
            [$seg, $t0, $t1] = $stretches[$last];
            [$before, $from, $to] = $stretches[$last - 1];
            $led = abs($t1 - $t0) < 0.5 && $this->isShort($seg, $t0, $t1) ? self::led($seg, $t0, $t1, $before, $to, $to > $from) : 0.0;
            if ($led !== 0.0) {
                array_splice($stretches, $last - 1, 2, [[$before, $from, $to + $led]]);
            }
        }

        return $stretches;
    }

    /** @param  list<float>  $seg */
    private function isShort(array $seg, float $t0, float $t1): bool
    {
        [$ax, $ay] = Cubic::placeOn($seg, $t0);
        [$bx, $by] = Cubic::placeOn($seg, $t1);

        return ($bx - $ax) ** 2 + ($by - $ay) ** 2 < $this->short ** 2;
    }

    /**
     * How much further, in its own parameter, a neighbour must go to make up for a short stretch; nothing at a corner.
     *
     * @param  list<float>  $seg
     * @param  list<float>  $neighbour
     */
    private static function led(array $seg, float $t0, float $t1, array $neighbour, float $at, bool $forward): float
    {
        [$dx, $dy] = Cubic::speedOn($neighbour, $at);
        $speed = hypot($dx, $dy);
        [$ax, $ay] = Cubic::placeOn($seg, $t0);
        [$bx, $by] = Cubic::placeOn($seg, $t1);
        $along = ($bx - $ax) * $dx + ($by - $ay) * $dy;
        $across = ($bx - $ax) * $dy - ($by - $ay) * $dx;
        $length = hypot($bx - $ax, $by - $ay) / max(1e-12, $speed);
        if ($speed < 1e-9 || abs($across) > 0.02 * abs($along) || $length > 0.1) {
            return 0.0;
        }

        return $forward ? $length : -$length;
    }

    /**
     * @param  list<float>  $coords
     * @param  array{float, float}  $was
     */
    private function shift(array &$coords, int $i, float $x, float $y, array $was, bool $start): void
    {
        [$wx, $wy] = $was;
        $k = $start ? $i : $i + 2;
        $coords[$k] += $x - $wx;
        $coords[$k + 1] += $y - $wy;
        if (! $start) {
            [$coords[$i + 4], $coords[$i + 5]] = [$x, $y];
        }
        // Rounding must not turn a line into a flat curve.
        $sx = $coords[$i - 2];
        $sy = $coords[$i - 1];
        $ex = $coords[$i + 4];
        $ey = $coords[$i + 5];
        if (abs($coords[$i] - $sx) + abs($coords[$i + 1] - $sy) + abs($coords[$i + 2] - $ex) + abs($coords[$i + 3] - $ey) < 1e-12) {
            [$coords[$i], $coords[$i + 1], $coords[$i + 2], $coords[$i + 3]] = [$sx, $sy, $ex, $ey];
        }
    }

    private static function onNode(float $g): float
    {
        $node = round($g);

        return abs($g - $node) < 1e-9 ? $node : $g;
    }

    /**
     * Drops segments without length and joints between two lines that run on straight.
     *
     * @param  list<float>  $c
     * @return list<float>
     */
    private static function withoutNeedlessJoints(array $c): array
    {
        $segments = [];
        for ($i = 0, $last = count($c) - 2; $i < $last; $i += 6) {
            $line = $c[$i + 2] === $c[$i] && $c[$i + 3] === $c[$i + 1] && $c[$i + 4] === $c[$i + 6] && $c[$i + 5] === $c[$i + 7];
            if (! $line || abs($c[$i + 6] - $c[$i]) >= 1e-9 || abs($c[$i + 7] - $c[$i + 1]) >= 1e-9) {
                $segments[] = [$line, array_slice($c, $i, 8)];
            }
        }
        $joined = self::joined($segments);
        if ($joined === []) {
            return [];
        }
        $coords = [$joined[0][1][0], $joined[0][1][1]];
        foreach ($joined as [$line, $s]) {
            $n = count($coords);
            // A dropped speck may leave the start a hair away: the chain's own end counts.
            $line
                ? array_push($coords, $coords[$n - 2], $coords[$n - 1], $s[6], $s[7], $s[6], $s[7])
                : array_push($coords, $s[2], $s[3], $s[4], $s[5], $s[6], $s[7]);
        }
        $n = count($coords);
        if (abs($coords[$n - 2] - $coords[0]) < 1e-6 && abs($coords[$n - 1] - $coords[1]) < 1e-6) {
            if ($coords[$n - 4] === $coords[$n - 2] && $coords[$n - 3] === $coords[$n - 1]) {
                [$coords[$n - 4], $coords[$n - 3]] = [$coords[0], $coords[1]];
            }
            [$coords[$n - 2], $coords[$n - 1]] = [$coords[0], $coords[1]];
        }

        return $coords;
    }

    /**
     * Lines that run on straight, as one; round the start too.
     *
     * @param  list<array{bool, list<float>}>  $segments  whether each is a line
     * @return list<array{bool, list<float>}>
     */
    private static function joined(array $segments): array
    {
        $joined = [];
        foreach ($segments as [$line, $s]) {
            $last = array_pop($joined);
            if ($last !== null && $line && $last[0] && self::straight($last[1], $s)) {
                $joined[] = [true, self::through($last[1], $s)];
            } else {
                array_push($joined, ...($last === null ? [] : [$last]), ...[[$line, $s]]);
            }
        }
        $k = count($joined) - 1;
        if ($k > 1 && $joined[0][0] && $joined[$k][0] && self::straight($joined[$k][1], $joined[0][1])) {
            $joined[0] = [true, self::through($joined[$k][1], $joined[0][1])];
            array_pop($joined);
        }

        return $joined;
    }

    /**
     * @param  list<float>  $p
     * @param  list<float>  $q
     */
    private static function straight(array $p, array $q): bool
    {
        $dx = $q[6] - $p[0];
        $dy = $q[7] - $p[1];
        $length = sqrt($dx * $dx + $dy * $dy);
        $off = abs($dx * ($p[7] - $p[1]) - $dy * ($p[6] - $p[0]));

        return $length > 0 && $off <= 1e-7 * $length
            && ($p[6] - $p[0]) * ($q[6] - $q[0]) + ($p[7] - $p[1]) * ($q[7] - $q[1]) > 0;
    }

    /**
     * @param  list<float>  $p
     * @param  list<float>  $q
     * @return list<float>
     */
    private static function through(array $p, array $q): array
    {
        return [$p[0], $p[1], $p[0], $p[1], $q[6], $q[7], $q[6], $q[7]];
    }
}
