<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

/**
 * Which shape with a name a closed border is within its own noise, if any. The simplest that holds is taken.
 *
 * @source I. Kåsa, "A circle fitting procedure and its error analysis", 1976, improved by Gauss and Newton; ellipses by their moments of area
 */
final class Models
{
    /** Dots: mean square root and greatest that places may be off, clean; and in noise, times it. */
    private const MEAN = [0.1, 1.5];

    private const MOST = [0.36, 4.5];

    /** Dots of the smallest half axis that can be told from a polygon. */
    private const LEAST = 1.4;

    /** Dots of a radius below which a corner may be sharp. */
    private const BLUNT = 2.2;

    /** Beside a corner that is sharp the dots of both sides are mixed. */
    private const SPOILED = 1.6;

    /** @param  list<string>  $kinds  that are looked for */
    public static function of(Way $way, float $noise, array $kinds): ?Model
    {
        if (! $way->closed || count($way->places) < 6 || $kinds === []) {
            return null;
        }
        $moments = self::moments($way->places);
        $circle = in_array('circle', $kinds, true) ? null : self::circle($way->places);
        if ($circle !== null && self::holds($circle, $way->places, $noise)) {
            // What is a circle and is not to be is no ellipse either.
            return null;
        }
        foreach ($kinds as $kind) {
            $model = match ($kind) {
                'circle' => self::circle($way->places),
                'ellipse' => $moments === null ? null : self::ellipse($moments),
                default => $moments === null ? null : self::rectangle($way, $moments),
            };
            // The dots of a sharp corner look a little round.
            if ($model !== null && $model->radius > 0 && $model->radius < self::BLUNT && self::holds($model->with(radius: 0.0), $way->places, $noise)) {
                $model = $model->with(radius: 0.0);
            }
            if ($model !== null && self::holds($model, $way->places, $noise)) {
                return self::level($model, $way->places, $noise);
            }
        }

        return null;
    }

    /** @param  list<array{float, float}>  $places */
    public static function holds(Model $model, array $places, float $noise): bool
    {
        if (min($model->width, $model->height) < 2 * self::LEAST) {
            return false;
        }
        $limit = max(self::MOST[0], self::MOST[1] * $noise);
        [$sum, $count] = [0.0, 0];
        $sharp = $model->kind === 'rectangle' && $model->radius < self::SPOILED ? self::SPOILED + 0.5 * $model->radius : 0.0;
        $angle = deg2rad($model->turn);
        foreach ($places as [$x, $y]) {
            if ($sharp > 0) {
                [$dx, $dy] = [$x - $model->x, $y - $model->y];
                $u = abs($dx * cos($angle) + $dy * sin($angle)) - $model->width / 2;
                $v = abs($dy * cos($angle) - $dx * sin($angle)) - $model->height / 2;
                if (hypot($u, $v) < $sharp) {
                    continue;
                }
            }
            $off = abs($model->off($x, $y));
            if ($off > $limit) {
                return false;
            }
            $sum += $off * $off;
            $count++;
        }

        return $count > 4 && sqrt($sum / $count) <= max(self::MEAN[0], self::MEAN[1] * $noise);
    }

    /** @param  list<array{float, float}>  $places */
    private static function circle(array $places): ?Model
    {
        $n = count($places);
        $mx = array_sum(array_column($places, 0)) / $n;
        $my = array_sum(array_column($places, 1)) / $n;
        $uu = $uv = $vv = $uq = $vq = $q = 0.0;
        foreach ($places as [$x, $y]) {
            [$u, $v] = [$x - $mx, $y - $my];
            $s = $u * $u + $v * $v;
            $uu += $u * $u;
            $uv += $u * $v;
            $vv += $v * $v;
            $uq += $u * $s;
            $vq += $v * $s;
            $q += $s;
        }
        $det = $uu * $vv - $uv * $uv;
        if ($det < 1e-9) {
            return null;
        }
        $cx = ($uq * $vv - $vq * $uv) / $det / 2;
        $cy = ($vq * $uu - $uq * $uv) / $det / 2;
        $r = sqrt($cx * $cx + $cy * $cy + $q / $n);
        [$cx, $cy] = [$cx + $mx, $cy + $my];
        for ($round = 0; $round < 3; $round++) {
            // Distances to the middle are linear in its place and the radius, nearly.
            $rows = [0.0, 0.0, 0.0, 0.0, 0.0];
            $right = [0.0, 0.0, 0.0];
            foreach ($places as [$x, $y]) {
                $far = max(1e-9, sqrt(($x - $cx) ** 2 + ($y - $cy) ** 2));
                [$ex, $ey] = [($x - $cx) / $far, ($y - $cy) / $far];
                $rows[0] += $ex * $ex;
                $rows[1] += $ex * $ey;
                $rows[2] += $ey * $ey;
                $rows[3] += $ex;
                $rows[4] += $ey;
                $right[0] += $ex * ($far - $r);
                $right[1] += $ey * ($far - $r);
                $right[2] += $far - $r;
            }
            // The radius is done away with first.
            $a = $rows[0] - $rows[3] * $rows[3] / $n;
            $b = $rows[1] - $rows[3] * $rows[4] / $n;
            $c = $rows[2] - $rows[4] * $rows[4] / $n;
            $u = $right[0] - $rows[3] * $right[2] / $n;
            $v = $right[1] - $rows[4] * $right[2] / $n;
            $det = $a * $c - $b * $b;
            if ($det < 1e-9) {
                return null;
            }
            [$dx, $dy] = [($u * $c - $v * $b) / $det, ($a * $v - $b * $u) / $det];
            $cx += $dx;
            $cy += $dy;
            $r += ($right[2] - $rows[3] * $dx - $rows[4] * $dy) / $n;
        }

        return $r > 0 && $r < 1e6 ? new Model('circle', $cx, $cy, 2 * $r, 2 * $r) : null;
    }

    /**
     * @param  list<array{float, float}>  $places
     * @return array{float, float, float, float, float, float}|null area, middle, and second moments about it by the area: of x, of both, of y
     */
    private static function moments(array $places): ?array
    {
        [$ox, $oy] = $places[0];
        $area = $sx = $sy = $xx = $xy = $yy = 0.0;
        for ($i = 0, $n = count($places); $i < $n; $i++) {
            [$ax, $ay] = [$places[$i][0] - $ox, $places[$i][1] - $oy];
            [$bx, $by] = [$places[($i + 1) % $n][0] - $ox, $places[($i + 1) % $n][1] - $oy];
            $cross = $ax * $by - $bx * $ay;
            $area += $cross / 2;
            $sx += $cross * ($ax + $bx) / 6;
            $sy += $cross * ($ay + $by) / 6;
            $xx += $cross * ($ax * $ax + $ax * $bx + $bx * $bx) / 12;
            $yy += $cross * ($ay * $ay + $ay * $by + $by * $by) / 12;
            $xy += $cross * ($ax * (2 * $ay + $by) + $bx * ($ay + 2 * $by)) / 24;
        }
        if (abs($area) < 6) {
            return null;
        }
        [$mx, $my] = [$sx / $area, $sy / $area];

        return [abs($area), $mx + $ox, $my + $oy, $xx / $area - $mx * $mx, $xy / $area - $mx * $my, $yy / $area - $my * $my];
    }

    /** @param  array{float, float, float, float, float, float}  $moments */
    private static function ellipse(array $moments): ?Model
    {
        [, $x, $y, $xx, $xy, $yy] = $moments;
        $mean = ($xx + $yy) / 2;
        $spread = sqrt((($xx - $yy) / 2) ** 2 + $xy * $xy);
        if ($mean <= $spread) {
            return null;
        }

        return new Model('ellipse', $x, $y, 4 * sqrt($mean + $spread), 4 * sqrt($mean - $spread), rad2deg(atan2(2 * $xy, $xx - $yy) / 2));
    }

    /** @param  array{float, float, float, float, float, float}  $moments */
    private static function rectangle(Way $way, array $moments): ?Model
    {
        [$area, $x, $y] = $moments;
        $turn = self::direction($way);
        [$cos, $sin] = [cos($turn), sin($turn)];
        $turned = array_map(static fn (array $place): array => [
            ($place[0] - $x) * $cos + ($place[1] - $y) * $sin,
            ($place[1] - $y) * $cos - ($place[0] - $x) * $sin,
        ], $way->places);
        $us = array_map(abs(...), array_column($turned, 0));
        $vs = array_map(abs(...), array_column($turned, 1));
        if ($us === [] || $vs === []) {
            return null;
        }
        [$a, $b] = [max($us), max($vs)];
        // The middle half of each side lies straight, whatever its corners are.
        $side = static function (array $far, array $along, float $most, float $half): ?float {
            $sum = 0.0;
            $count = 0;
            foreach ($far as $i => $one) {
                if ($one > 0.75 * $most && $along[$i] < 0.5 * $half) {
                    $sum += $one;
                    $count++;
                }
            }

            return $count < 2 ? null : $sum / $count;
        };
        $width = $side($us, $vs, $a, $b);
        $height = $side($vs, $us, $b, $a);
        if ($width === null || $height === null) {
            return null;
        }
        $radius = sqrt(max(0.0, (4 * $width * $height - $area) / (4 - M_PI)));
        $radius = $radius < 1.1 ? 0.0 : min($radius, $width, $height);

        return new Model('rectangle', $x, $y, 2 * $width, 2 * $height, rad2deg($turn), $radius);
    }

    /** @return float radians, -π/4 to π/4: the direction that most of a border has, or has square to it */
    private static function direction(Way $way): float
    {
        $n = count($way->places);
        $sums = [];
        $angles = [];
        for ($i = 0; $i < $n; $i++) {
            [$ax, $ay] = $way->places[$i];
            [$bx, $by] = $way->places[($i + 4) % $n];
            $angle = atan2($by - $ay, $bx - $ax);
            $angle -= M_PI_2 * round($angle / M_PI_2);
            $angles[] = $angle;
            $bin = (int) round($angle / 0.035);
            $sums[$bin] = ($sums[$bin] ?? 0) + 1;
        }
        arsort($sums);
        $middle = 0.035 * array_key_first($sums);
        $sum = $count = 0.0;
        foreach ($angles as $angle) {
            $off = $angle - $middle;
            $off -= M_PI_2 * round($off / M_PI_2);
            if (abs($off) < 0.05) {
                $sum += $off;
                $count++;
            }
        }

        return $count > 0 ? $middle + $sum / $count : $middle;
    }

    /**
     * Level where its places allow that, too.
     *
     * @param  list<array{float, float}>  $places
     */
    private static function level(Model $model, array $places, float $noise): Model
    {
        $near = 90 * round($model->turn / 90);
        if ($model->turn === $near) {
            return $model;
        }
        $turned = ((int) round($model->turn / 90)) % 2 !== 0;
        $level = $model->with(turn: 0.0, width: $turned ? $model->height : $model->width, height: $turned ? $model->width : $model->height);
        // It moves its farthest place by so much.
        $moves = abs(deg2rad($model->turn - $near)) * max($model->width, $model->height) / 2;

        return $moves < max(0.3, 3 * $noise) && self::holds($level, $places, $noise) ? $level : $model;
    }
}
