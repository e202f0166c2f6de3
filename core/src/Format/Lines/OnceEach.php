<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Lines;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Point;

/**
 * Lines that lie over each other are one line: of straight ones whatever stretch another covers goes, of curves what is the same from end to end. What lies
 * doubled would be cut twice, or close into an outline that encloses nothing.
 */
final class OnceEach
{
    /** mm within which two lines are one. */
    public const SAME = 0.005;

    /** @var array<string, list<int>> numbers of straight stretches by cell */
    private array $cells = [];

    /** @var list<array{float, float, float, float}> */
    private array $straight = [];

    /** @var array<string, list<list<float>>> curves by the cells of their ends */
    private array $curves = [];

    private float $gone = 0.0;

    private ?Point $at = null;

    private function __construct(private readonly float $cell)
    {
    }

    /**
     * @param  list<Contour>  $lines
     * @param  list<Contour>  $there  that are there already, such as borders of areas: what lies on them goes
     * @return array{list<Contour>, float, Point|null} what is left, mm that lay doubled, and where the first did
     */
    public static function of(array $lines, array $there = []): array
    {
        $count = 0;
        $length = 0.0;
        foreach ([...$there, ...$lines] as $line) {
            $count += max(1, $line->segmentCount());
            $length += $line->roughLength();
        }
        $self = new self(max(20 * self::SAME, 2 * $length / max(1, $count)));
        foreach ($there as $line) {
            $self->left($line);
        }
        [$self->gone, $self->at] = [0.0, null];
        // Lines of many pieces first, so that they stay whole where a short one lies on them.
        $order = array_keys($lines);
        usort($order, static fn (int $a, int $b): int => [$lines[$b]->segmentCount(), $a] <=> [$lines[$a]->segmentCount(), $b]);
        $left = [];
        foreach ($order as $i) {
            $left[$i] = $self->left($lines[$i]);
        }
        ksort($left);

        return [array_merge(...$left), $self->gone, $self->at];
    }

    /** @return list<Contour> what no earlier line covers; it covers what comes later */
    private function left(Contour $line): array
    {
        $left = $run = $own = [];
        $whole = true;
        foreach ($line->closedSegments() as $segment) {
            if (hypot($segment[6] - $segment[0], $segment[7] - $segment[1]) < 1e-9 && Cubic::isLine($segment)) {
                continue;
            }
            $parts = Cubic::isLine($segment) ? $this->uncovered($segment) : ($this->isKnown($segment) ? [] : [$segment]);
            $whole = $whole && count($parts) === 1 && $parts[0] === $segment;
            foreach ($parts as $part) {
                $last = $run === [] ? null : $run[count($run) - 1];
                if ($last !== null && hypot($last[6] - $part[0], $last[7] - $part[1]) > 1e-9) {
                    $left[] = Contour::ofSegments($run, false);
                    $run = [];
                }
                $run[] = $part;
                $own[] = $part;
            }
            if ($parts === []) {
                $this->gone += Cubic::length($segment);
                $this->at ??= new Point(...Cubic::placeOn($segment, 0.5));
            }
            if ($parts === [] && $run !== []) {
                $left[] = Contour::ofSegments($run, false);
                $run = [];
            }
        }
        // A line does not cover itself while it is looked at: it may come back along its own way only at its end.
        foreach ($own as $part) {
            $this->put($part);
        }
        if ($whole) {
            return $own === [] ? [] : [$line];
        }

        return $run === [] ? $left : [...$left, Contour::ofSegments($run, false)];
    }

    /** @param  list<float>  $s */
    private function put(array $s): void
    {
        if (! Cubic::isLine($s)) {
            $this->curves[$this->name($s[0], $s[1])][] = $s;

            return;
        }
        $number = count($this->straight);
        $this->straight[] = [$s[0], $s[1], $s[6], $s[7]];
        foreach ($this->along($s[0], $s[1], $s[6], $s[7], 0) as $cell) {
            $this->cells[$cell][] = $number;
        }
    }

    /** @param  list<float>  $s */
    private function isKnown(array $s): bool
    {
        foreach ([$s, Cubic::reversed($s)] as $one) {
            for ($dx = -1; $dx <= 1; $dx++) {
                for ($dy = -1; $dy <= 1; $dy++) {
                    foreach ($this->curves[$this->name($one[0], $one[1], $dx, $dy)] ?? [] as $known) {
                        if (self::far($known, $one) < self::SAME) {
                            return true;
                        }
                    }
                }
            }
        }

        return false;
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return float mm that the ends and handles of two segments lie apart at most
     */
    private static function far(array $a, array $b): float
    {
        $most = 0.0;
        foreach ($a as $i => $value) {
            $most = max($most, abs($value - $b[$i]));
        }

        return $most;
    }

    /**
     * @param  list<float>  $s  a straight segment
     * @return list<list<float>> the stretches of it that lie on no known one; the segment itself where that is all
     */
    private function uncovered(array $s): array
    {
        [$ax, $ay, $bx, $by] = [$s[0], $s[1], $s[6], $s[7]];
        $long = hypot($bx - $ax, $by - $ay);
        [$ux, $uy] = [($bx - $ax) / $long, ($by - $ay) / $long];
        $seen = $covered = [];
        foreach ($this->along($ax, $ay, $bx, $by, 1) as $cell) {
            foreach ($this->cells[$cell] ?? [] as $number) {
                if (isset($seen[$number])) {
                    continue;
                }
                $seen[$number] = true;
                [$px, $py, $qx, $qy] = $this->straight[$number];
                if (abs(($px - $ax) * $uy - ($py - $ay) * $ux) > self::SAME || abs(($qx - $ax) * $uy - ($qy - $ay) * $ux) > self::SAME) {
                    continue;
                }
                $from = ($px - $ax) * $ux + ($py - $ay) * $uy;
                $to = ($qx - $ax) * $ux + ($qy - $ay) * $uy;
                [$from, $to] = [max(0.0, min($from, $to)), min($long, max($from, $to))];
                if ($to - $from > self::SAME) {
                    $covered[] = [$from, $to];
                }
            }
        }
        if ($covered === []) {
            return [$s];
        }
        sort($covered);
        $stretches = [];
        $at = 0.0;
        foreach ([...$covered, [$long, $long]] as [$from, $to]) {
            if ($from - $at > self::SAME) {
                $stretches[] = Cubic::line(
                    $ax + $ux * $at,
                    $ay + $uy * $at,
                    $from >= $long ? $bx : $ax + $ux * $from,
                    $from >= $long ? $by : $ay + $uy * $from,
                );
            }
            $at = max($at, $to);
        }
        if ($stretches !== []) {
            $this->gone += $long - array_sum(array_map(static fn (array $part): float => hypot($part[6] - $part[0], $part[7] - $part[1]), $stretches));
            $this->at ??= new Point($ax + $ux * ($covered[0][0] + $covered[0][1]) / 2, $ay + $uy * ($covered[0][0] + $covered[0][1]) / 2);
        }

        return $stretches;
    }

    /** @return list<string> cells that a straight line runs through, and so many round them */
    private function along(float $ax, float $ay, float $bx, float $by, int $round): array
    {
        $steps = max(1, (int) ceil(hypot($bx - $ax, $by - $ay) / $this->cell * 2));
        $cells = [];
        for ($k = 0; $k <= $steps; $k++) {
            [$x, $y] = [$ax + ($bx - $ax) * $k / $steps, $ay + ($by - $ay) * $k / $steps];
            for ($dx = -$round; $dx <= $round; $dx++) {
                for ($dy = -$round; $dy <= $round; $dy++) {
                    $cells[$this->name($x, $y, $dx, $dy)] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($cells));
    }

    private function name(float $x, float $y, int $dx = 0, int $dy = 0): string
    {
        return ((int) floor($x / $this->cell) + $dx).' '.((int) floor($y / $this->cell) + $dy);
    }
}
