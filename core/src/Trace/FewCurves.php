<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\CurveFit;
use NeatEdge\Core\Patience\Patience;

/**
 * One smooth stretch of a border as the lines and curves that cost least: each costs its price, and none may leave the places by more than chance explains.
 *
 * @source I. Horst and J. Beichl, "A simple algorithm for efficient piecewise linear approximation of space curves", 1997:
 *         the shortest way over candidate joints
 *
 * @phpstan-type Joint array{i: int, x: float, y: float, dx: float, dy: float, turned: float, extreme: bool}
 */
final class FewCurves
{
    /**
     * Dots that a line and a curve may leave places by, however little noise there is: of 72 drawings at 512 dots, half as much gives an eighth more nodes
     * and edges that are nearer by a fiftieth of a dot.
     */
    private const LEAST_LINE = 0.3;

    private const LEAST_CURVE = 0.4;

    /** Price of a line beside that of a curve: where both fit, it is a line. */
    private const LINE = 0.75;

    /** What a joint where the border lies farthest to a side is worth. */
    private const EXTREME = 0.12;

    /** What a fit that just holds costs more than one that is exact. */
    private const LOOSE = 0.25;

    /** Radians that one curve turns by at most: a quarter of a round and a little. */
    private const QUARTER = 1.75;

    /** Places that a curve is tried on; the one that is kept is fitted to all. */
    private const TRIED = 20;

    /** Places by which a line is told without the corners that it leads to, and dots that those may lie beside it. */
    private const TOLD = 5;

    private const CORNER = 0.2;

    /** How much farther than it may a curve lies off once lines beside it say how it begins and ends. */
    private const AFTER_ALL = 1.3;

    /** Radians that a border turns by along a line that is none. */
    private const STRAIGHT = 0.02;

    /** Joints that are tried on one stretch at most. */
    private const JOINTS = 64;

    private float $line;

    private float $curve;

    /** @param  float  $closeness  1 as chance asks for; more keeps closer and takes more nodes */
    public function __construct(private readonly float $noise, float $closeness = 1.0)
    {
        $this->line = max(self::LEAST_LINE, 3.0 * $noise) / $closeness;
        $this->curve = max(self::LEAST_CURVE, 3.2 * $noise) / $closeness;
    }

    /**
     * @param  Way  $way  a stretch without corners; its ends are kept where it is open
     * @return list<list<float>> segments, see Cubic
     */
    public function along(Way $way): array
    {
        $places = $way->places;
        $n = count($places);
        if ($n < 2) {
            return [];
        }
        if (! $way->closed && ($n === 2 || $this->isStraight($places, 0, $n - 1))) {
            return [Cubic::line($places[0][0], $places[0][1], $places[$n - 1][0], $places[$n - 1][1])];
        }
        if ($way->closed) {
            $way = $way->from($this->farthest($places));
            $places = [...$way->places, $way->places[0]];
        }
        $joints = $this->joints($way, $places);
        $chosen = $this->cheapest($joints, $places);

        return $this->segments($chosen, $places, $way->closed);
    }

    /** @param  list<array{float, float}>  $places */
    private function farthest(array $places): int
    {
        $xs = array_column($places, 0);

        return $xs === [] ? 0 : (int) array_search(max($xs), $xs, true);
    }

    /**
     * @param  list<array{float, float}>  $places  of a closed way with its first again
     * @return list<Joint>
     */
    private function joints(Way $way, array $places): array
    {
        $last = count($places) - 1;
        $reach = 3.5 + 30 * max(0.0, $this->noise - 0.03);
        $reach = min($reach, $way->length / 4);
        $gap = max(2.0, $way->length / self::JOINTS);
        $all = [];
        $turned = 0.0;
        for ($i = 0; $i <= $last; $i++) {
            Patience::ask(2);
            $around = $way->around($way->closed && $i === $last ? 0 : $i, -$reach, $reach);
            [$x, $y, $dx, $dy] = count($around) > 2 ? Local::at($around) : [...$places[$i], 0.0, 0.0];
            if ($dx === 0.0 && $dy === 0.0) {
                [$a, $b] = [$places[max(0, $i - 1)], $places[min($last, $i + 1)]];
                $long = max(1e-9, hypot($b[0] - $a[0], $b[1] - $a[1]));
                [$dx, $dy] = [($b[0] - $a[0]) / $long, ($b[1] - $a[1]) / $long];
            }
            if (! $way->closed && ($i === 0 || $i === $last)) {
                [$x, $y] = $places[$i];
            }
            $extreme = false;
            if ($i > 0) {
                $before = $all[$i - 1];
                $turned += abs(atan2($before['dx'] * $dy - $before['dy'] * $dx, $before['dx'] * $dx + $before['dy'] * $dy));
                $extreme = ($before['dx'] >= 0) !== ($dx >= 0) || ($before['dy'] >= 0) !== ($dy >= 0);
            }
            $all[] = ['i' => $i, 'x' => $x, 'y' => $y, 'dx' => $dx, 'dy' => $dy, 'turned' => $turned, 'extreme' => $extreme];
        }
        $kept = [];
        $at = -INF;
        foreach ($all as $i => $joint) {
            $s = $i === $last && $way->closed ? $way->length : $way->at[$i];
            if ($i === 0 || $i === $last || ($joint['extreme'] && $s - $at > 1.0) || $s - $at >= $gap) {
                $kept[] = $joint;
                $at = $s;
            }
        }

        return $kept;
    }

    /**
     * @param  list<Joint>  $joints
     * @param  list<array{float, float}>  $places
     * @return list<array{Joint, bool}> joints on the cheapest way, each with whether a line leads to it
     */
    private function cheapest(array $joints, array $places): array
    {
        $m = count($joints);
        $cost = array_fill(0, $m, INF);
        $from = array_fill(0, $m, [0, false]);
        $cost[0] = 0.0;
        for ($i = 0; $i < $m - 1; $i++) {
            $misses = 0;
            for ($k = $i + 1; $k < $m && $misses < 3; $k++) {
                Patience::ask(16);
                [$price, $line] = $this->price($joints[$i], $joints[$k], $places);
                if ($price === INF) {
                    $misses++;
                    // One step is always possible.
                    if ($k > $i + 1) {
                        continue;
                    }
                    [$price, $line] = [1.5, false];
                } else {
                    $misses = 0;
                }
                $price += $cost[$i] - ($joints[$k]['extreme'] ? self::EXTREME : 0.0);
                if ($price < $cost[$k]) {
                    $cost[$k] = $price;
                    $from[$k] = [$i, $line];
                }
            }
        }
        $chosen = [];
        for ($k = $m - 1; $k > 0; $k = $from[$k][0]) {
            $chosen[] = [$joints[$k], $from[$k][1]];
        }
        $chosen[] = [$joints[0], false];

        return array_reverse($chosen);
    }

    /**
     * @param  Joint  $a
     * @param  Joint  $b
     * @param  list<array{float, float}>  $places
     * @return array{float, bool} INF where neither a line nor a curve holds
     */
    private function price(array $a, array $b, array $places): array
    {
        if ($b['i'] - $a['i'] > 2 && $this->isStraight($places, $a['i'], $b['i'])) {
            return [self::LINE, true];
        }
        if (self::QUARTER + 4 * $this->noise < $b['turned'] - $a['turned']) {
            return [INF, false];
        }
        [, $far] = CurveFit::through($this->some($a, $b, $places), [$a['dx'], $a['dy']], [$b['dx'], $b['dy']], null, 0.3 * $this->curve);

        return $far > $this->curve ? [INF, false] : [1 + self::LOOSE * $far / $this->curve, false];
    }

    /**
     * @param  Joint  $a
     * @param  Joint  $b
     * @param  list<array{float, float}>  $places
     * @return list<array{float, float}>
     */
    private function some(array $a, array $b, array $places, int $most = self::TRIED): array
    {
        $some = [[$a['x'], $a['y']]];
        $step = max(1, intdiv($b['i'] - $a['i'], $most));
        for ($i = $a['i'] + 1; $i < $b['i']; $i += $step) {
            $some[] = $places[$i];
        }
        $some[] = [$b['x'], $b['y']];

        return $some;
    }

    /**
     * Whether places lie on a line; the first and the last of all are corners, which were told less well than the rest and are moved onto it later.
     *
     * @param  list<array{float, float}>  $places
     */
    private function isStraight(array $places, int $from, int $to): bool
    {
        if ($this->isOnChord($places, $from, $to)) {
            return true;
        }
        $ends = [$from === 0 ? 1 : $from, $to === count($places) - 1 ? $to - 1 : $to];
        if ($ends === [$from, $to] || $ends[1] - $ends[0] < self::TOLD || ! $this->isOnChord($places, ...$ends)) {
            return false;
        }
        [$mx, $my, $dx, $dy] = self::lineThrough($places, ...$ends);
        foreach ([$from, $to] as $i) {
            if (abs(($places[$i][0] - $mx) * $dy - ($places[$i][1] - $my) * $dx) > self::CORNER + $this->line) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<array{float, float}>  $places */
    private function isOnChord(array $places, int $from, int $to): bool
    {
        [$ax, $ay] = $places[$from];
        [$dx, $dy] = [$places[$to][0] - $ax, $places[$to][1] - $ay];
        $long = sqrt($dx * $dx + $dy * $dy);
        if ($long < 1e-9) {
            return false;
        }
        // Chance shifts the ends as it does the rest; what bends leaves to one side.
        $limit = $this->line * $long;
        $sum = 0.0;
        for ($i = $from + 1; $i < $to; $i++) {
            $off = ($places[$i][0] - $ax) * $dy - ($places[$i][1] - $ay) * $dx;
            if ($off > $limit || $off < -$limit) {
                return false;
            }
            $sum += $off;
        }

        return abs($sum) / max(1, $to - $from - 1) <= 0.6 * $limit;
    }

    /**
     * @param  list<array{Joint, bool}>  $chosen
     * @param  list<array{float, float}>  $places
     * @return list<list<float>>
     */
    private function segments(array $chosen, array $places, bool $closed): array
    {
        do {
            [$segments, $bent] = $this->drawn($chosen, $places, $closed);
            foreach ($chosen as $k => [$joint]) {
                $chosen[$k] = in_array($k, $bent, true) ? [$joint, false] : $chosen[$k];
            }
        } while ($bent !== []);

        return $segments;
    }

    /**
     * @param  list<array{Joint, bool}>  $chosen
     * @param  list<array{float, float}>  $places
     * @return array{list<list<float>>, list<int>} and the lines into which a curve beside them does not go on smoothly: they were short parts of it
     */
    private function drawn(array $chosen, array $places, bool $closed): array
    {
        $last = count($chosen) - 1;
        [$at, $ways] = self::joined($chosen, $places, $closed);
        $segments = $bent = [];
        for ($k = 1; $k <= $last; $k++) {
            [$a, $b] = [$at[$k - 1], $at[$k]];
            if ($chosen[$k][1]) {
                $segments[] = Cubic::line($a['x'], $a['y'], $b['x'], $b['y']);

                continue;
            }
            $beside = [$k > 1 ? $k - 1 : ($closed ? $last : 0), $k < $last ? $k + 1 : ($closed ? 1 : 0)];
            $some = $this->some($a, $b, $places, 80);
            [$fitted, $far] = CurveFit::through($some, $ways[$beside[0]] ?? [$a['dx'], $a['dy']], $ways[$beside[1]] ?? [$b['dx'], $b['dy']]);
            if ($far > self::AFTER_ALL * $this->curve) {
                [$own, $near] = CurveFit::through($some, [$a['dx'], $a['dy']], [$b['dx'], $b['dy']]);
                // Better a slight corner than a curve beside its places.
                $fitted = $near < $far / 2 ? $own : $fitted;
                foreach ($beside as $line) {
                    if (isset($ways[$line]) && $this->bends($chosen[$line - 1][0], $chosen[$line][0], $places)) {
                        $bent[] = $line;
                    }
                }
            }
            $segments[] = $fitted;
        }

        return [$segments, $bent];
    }

    /**
     * A line lies as its places have it, and what meets it goes on in its direction.
     *
     * @param  list<array{Joint, bool}>  $chosen
     * @param  list<array{float, float}>  $places
     * @return array{list<Joint>, array<int, array{float, float}>} joints as they come to lie, and the direction of each line by the joint to which it leads
     */
    private static function joined(array $chosen, array $places, bool $closed): array
    {
        $last = count($chosen) - 1;
        $at = array_column($chosen, 0);
        /** @var list<Joint> $at */
        $ways = [];
        for ($k = 1; $k <= $last; $k++) {
            if ($chosen[$k][1]) {
                [$mx, $my, $dx, $dy] = self::lineThrough($places, $at[$k - 1]['i'], $at[$k]['i']);
                $ways[$k] = [$dx, $dy];
                foreach ([$k - 1, $k] as $end) {
                    if ($closed || ($end > 0 && $end < $last)) {
                        $s = ($at[$end]['x'] - $mx) * $dx + ($at[$end]['y'] - $my) * $dy;
                        $at[$end] = [...$at[$end], 'x' => $mx + $s * $dx, 'y' => $my + $s * $dy];
                    }
                }
            }
        }
        if ($closed) {
            $end = isset($ways[$last]) ? $last : 0;
            $place = ['x' => $at[$end]['x'], 'y' => $at[$end]['y']];
            $at[0] = [...$at[0], ...$place];
            $at[$last] = [...$at[$last], ...$place];
        }

        return [array_values($at), $ways];
    }

    /**
     * Whether what was taken for a line is a short part of a curve: as one it lies as near, going on as the border does at its ends.
     *
     * @param  Joint  $a
     * @param  Joint  $b
     * @param  list<array{float, float}>  $places
     */
    private function bends(array $a, array $b, array $places): bool
    {
        [, $far] = CurveFit::through($this->some($a, $b, $places, 80), [$a['dx'], $a['dy']], [$b['dx'], $b['dy']]);

        return $far <= $this->curve && $b['turned'] - $a['turned'] > self::STRAIGHT;
    }

    /**
     * The line of least squares across.
     *
     * @param  list<array{float, float}>  $places
     * @return array{float, float, float, float} its middle and its direction of travel
     */
    public static function lineThrough(array $places, int $from, int $to): array
    {
        $n = $to - $from + 1;
        $mx = $my = 0.0;
        for ($i = $from; $i <= $to; $i++) {
            $mx += $places[$i][0];
            $my += $places[$i][1];
        }
        $mx /= $n;
        $my /= $n;
        $xx = $xy = $yy = 0.0;
        for ($i = $from; $i <= $to; $i++) {
            [$dx, $dy] = [$places[$i][0] - $mx, $places[$i][1] - $my];
            $xx += $dx * $dx;
            $xy += $dx * $dy;
            $yy += $dy * $dy;
        }
        $angle = atan2(2 * $xy, $xx - $yy) / 2;
        [$dx, $dy] = [cos($angle), sin($angle)];
        if ($dx * ($places[$to][0] - $places[$from][0]) + $dy * ($places[$to][1] - $places[$from][1]) < 0) {
            [$dx, $dy] = [-$dx, -$dy];
        }

        return [$mx, $my, $dx, $dy];
    }
}
