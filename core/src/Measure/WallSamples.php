<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

use NeatEdge\Core\Geometry\Cubic;

/** Places along those stretches of walls that have another wall near, close enough to measure widths by. */
final class WallSamples
{
    /** Degrees between the normals that are tried at a corner which points into the material. */
    private const FAN = 15.0;

    /** @var list<float> */
    public array $x = [];

    /** @var list<float> */
    public array $y = [];

    /** @var list<float> unit normal, into the material (or out of it, for gaps) */
    public array $nx = [];

    /** @var list<float> */
    public array $ny = [];

    /** @var list<int> */
    public array $contour = [];

    /** @var list<float> way along its contour, mm */
    public array $way = [];

    /** @var list<float> mm of wall that each stands for; nothing where several stand on one corner */
    public array $share = [];

    /** @var list<array{int, float}> segment and parameter of each sample */
    public array $source = [];

    private readonly float $side;

    /** @param  float  $step  mm between places, at most */
    public function __construct(private readonly Walls $walls, private readonly float $step, private readonly bool $gaps)
    {
        $this->side = $walls->side * ($gaps ? -1.0 : 1.0);
        $this->sample();
    }

    /** Places on the stretches that have another wall near on the side that is asked for. */
    private function sample(): void
    {
        $walls = $this->walls;
        $near = $walls->near;
        $wanted = $this->gaps ? Walls::OUTSIDE : Walls::INSIDE;
        $x = $walls->x;
        $y = $walls->y;
        foreach ($walls->segments as $c => $segments) {
            $first = $walls->first[$c];
            $end = $walls->first[$c + 1];
            for ($i = $first; $i < $end; $i++) {
                $next = $i + 1 < $end ? $i + 1 : $first;
                $before = $i > $first ? $i - 1 : $end - 1;
                if ((($near[$i] | $near[$next]) & $wanted) === 0) {
                    continue;
                }
                $segment = $walls->segment[$i];
                $s = $segments[$segment];
                if ($walls->t[$i] === 0.0) {
                    $this->corner($c, $segment, $segments[$walls->segment[$before]], $s, $i);
                }
                $t0 = $walls->t[$i];
                $t1 = $walls->t[$next] > $t0 && $walls->segment[$next] === $segment ? $walls->t[$next] : 1.0;
                $long = sqrt(($x[$next] - $x[$i]) ** 2 + ($y[$next] - $y[$i]) ** 2);
                $n = max(1, (int) ceil($long / $this->step));
                for ($k = 0; $k < $n; $k++) {
                    $t = $t0 + ($t1 - $t0) * ($k + 0.5) / $n;
                    [$dx, $dy] = Cubic::speedOn($s, $t);
                    $speed = sqrt($dx * $dx + $dy * $dy);
                    if ($speed < 1e-12) {
                        continue;
                    }
                    [$px, $py] = Cubic::placeOn($s, $t);
                    $this->add(
                        $px, $py, -$this->side * $dy / $speed, $this->side * $dx / $speed, $c, $walls->way[$i] + $long * ($k + 0.5) / $n, $long / $n,
                        $segment, $t,
                    );
                }
            }
        }
    }

    /**
     * A corner that points into the material is a wall with many normals: two such corners may be all that a neck has.
     *
     * @param  list<float>  $in  the segment before
     * @param  list<float>  $out
     */
    private function corner(int $c, int $segment, array $in, array $out, int $i): void
    {
        [$ax, $ay] = self::direction($in, 1.0);
        [$bx, $by] = self::direction($out, 0.0);
        $turn = atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by);
        // Turning away from the material, normals diverge.
        if (abs($turn) >= deg2rad(self::FAN) && $turn * $this->side >= 0) {
            return;
        }
        if (abs($turn) < deg2rad(self::FAN)) {
            $long = hypot($bx, $by);
            $this->add($out[0], $out[1], -$this->side * $by / $long, $this->side * $bx / $long, $c, $this->walls->way[$i], 0.0, $segment, 0.0);

            return;
        }
        $from = atan2($ay, $ax);
        for ($k = 0, $n = (int) ceil(abs($turn) / deg2rad(self::FAN)); $k <= $n; $k++) {
            $angle = $from + $turn * $k / $n;
            $this->add($out[0], $out[1], -$this->side * sin($angle), $this->side * cos($angle), $c, $this->walls->way[$i], 0.0, $segment, 0.0);
        }
    }

    /**
     * @param  list<float>  $s
     * @return array{float, float} of a segment at one of its ends
     */
    private static function direction(array $s, float $t): array
    {
        $ends = $t === 0.0 ? [[2, 0], [4, 0], [6, 0]] : [[6, 4], [6, 2], [6, 0]];
        foreach ($ends as [$to, $from]) {
            [$dx, $dy] = [$s[$to] - $s[$from], $s[$to + 1] - $s[$from + 1]];
            if (abs($dx) + abs($dy) > 1e-9) {
                return [$dx, $dy];
            }
        }

        return [1.0, 0.0];
    }

    private function add(float $x, float $y, float $nx, float $ny, int $contour, float $way, float $share, int $segment, float $t): void
    {
        $this->x[] = $x;
        $this->y[] = $y;
        $this->nx[] = $nx;
        $this->ny[] = $ny;
        $this->contour[] = $contour;
        $this->way[] = $way;
        $this->share[] = $share;
        $this->source[] = [$segment, $t];
    }
}
