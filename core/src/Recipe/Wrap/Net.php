<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Wrap;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Warp;

/**
 * P12: a frame of several knots: lines across and down, each a row of cubics from knot to knot, whose inner ones stand for places of the art that need not
 * be evenly spaced. Between four knots lies a patch of the four cubics round it, so that a line more, laid through a net as it stands, changes nothing of it.
 *
 * @source S. A. Coons, "Surfaces for computer-aided design of space forms", 1967: the bilinearly blended patch over four boundary curves
 */
final readonly class Net
{
    /** Knots a line. */
    public const MOST = 6;

    /** Share of the art that two lines are apart at least. */
    private const CLOSE = 0.01;

    /** Places a side of a patch at which it is tried for folds. */
    private const TRIED = 6;

    /**
     * @param  list<float>  $columns  shares of the width of what is bent at which knots stand: 0, those between, rising, 1
     * @param  list<float>  $rows  the same of its height
     * @param  list<list<list<float>>>  $across  by row: cubics from knot to knot, left to right, mm on the bench
     * @param  list<list<list<float>>>  $down  by column: downwards
     */
    private function __construct(public array $columns, public array $rows, public array $across, public array $down)
    {
    }

    /** Straight lines over what is to be bent, evenly spaced. */
    public static function straight(Box $box, int $across, int $down): self
    {
        $shares = static fn (int $knots): array => array_map(static fn (int $k): float => $k / ($knots - 1), range(0, $knots - 1));

        return self::over([
            Cubic::line($box->left, $box->top, $box->right, $box->top), Cubic::line($box->left, $box->bottom, $box->right, $box->bottom),
            Cubic::line($box->left, $box->top, $box->left, $box->bottom), Cubic::line($box->right, $box->top, $box->right, $box->bottom),
        ])->with($shares($across), $shares($down));
    }

    /**
     * A frame of four sides as a net of one patch.
     *
     * @param  list<list<float>>  $sides  see Wrap
     */
    public static function over(array $sides): self
    {
        [$top, $bottom, $left, $right] = array_map(self::handled(...), $sides);

        return new self([0.0, 1.0], [0.0, 1.0], [[$top], [$bottom]], [[$left], [$right]]);
    }

    /**
     * @param  list<Contour>  $lines  those across, the upper first, then those down, the left first: open, from knot to knot
     * @param  list<float>  $columns  shares at which the inner lines down stand; evenly spaced when empty
     * @param  list<float>  $rows  the same across
     *
     * @throws Refused where they are no net
     */
    public static function ofLines(array $lines, array $columns = [], array $rows = []): self
    {
        $wide = count(($lines[0] ?? null)?->segments() ?? []);
        $high = count($lines) - $wide - 2;
        $segments = array_map(static fn (Contour $line): array => array_values($line->segments()), $lines);
        [$across, $down] = [array_slice($segments, 0, max(0, $high + 1)), array_slice($segments, max(0, $high + 1))];
        $isNet = $wide >= 1 && $high >= 1 && $wide < self::MOST && $high < self::MOST
            && array_filter($across, static fn (array $line): bool => count($line) !== $wide) === []
            && array_filter($down, static fn (array $line): bool => count($line) !== $high) === [];
        if (! $isNet) {
            throw Refused::because(sprintf('A net has two to %d lines across, then two to %d down, each from knot to knot.', self::MOST, self::MOST));
        }
        for ($row = 0; $row <= $high; $row++) {
            for ($column = 0; $column <= $wide; $column++) {
                [$x, $y] = self::knotOn($across[$row], $column);
                [$px, $py] = self::knotOn($down[$column], $row);
                if (hypot($x - $px, $y - $py) > 0.01) {
                    throw Refused::because(sprintf('Lines of a net meet in its knots; at %.1f, %.1f they do not.', $x, $y));
                }
                // Typed with few digits they may miss by a hair.
                $down[$column] = self::knotMoved($down[$column], $row, $x, $y);
            }
        }

        return new self(self::shares($columns, $wide), self::shares($rows, $high), self::allHandled($across), self::allHandled($down));
    }

    /**
     * @param  list<list<list<float>>>  $lines
     * @return list<list<list<float>>>
     */
    private static function allHandled(array $lines): array
    {
        return array_map(static fn (array $line): array => array_map(self::handled(...), $line), $lines);
    }

    /**
     * @param  list<float>  $inner
     * @return list<float>
     */
    private static function shares(array $inner, int $cells): array
    {
        if ($inner === []) {
            return array_map(static fn (int $k): float => $k / $cells, range(0, $cells));
        }
        $shares = [0.0, ...$inner, 1.0];
        for ($k = 1, $n = count($shares); $k < $n; $k++) {
            if ($n !== $cells + 1 || $shares[$k] - $shares[$k - 1] < self::CLOSE) {
                throw Refused::because('Each inner line of a net stands at a place of its own within the art, one after the other.');
            }
        }

        return $shares;
    }

    /** @return Shape its lines, those across and then those down, as ofLines() takes them */
    public function lines(): Shape
    {
        return new Shape(array_map(static fn (array $line): Contour => Contour::ofSegments($line, false), [...$this->across, ...$this->down]));
    }

    /** @return array{columns: list<float>, rows: list<float>, lines: list<list<float>>} */
    public function stored(): array
    {
        return [
            'columns' => $this->columns, 'rows' => $this->rows,
            'lines' => array_map(static fn (Contour $line): array => $line->coords, $this->lines()->contours),
        ];
    }

    /** @param  array{columns: list<float|int>, rows: list<float|int>, lines: list<list<float|int>>}  $data */
    public static function read(array $data): self
    {
        $floats = static fn (array $numbers): array => array_values(array_map(floatval(...), $numbers));

        return self::ofLines(
            array_values(array_map(static fn (array $coords): Contour => new Contour($floats($coords), false), $data['lines'])),
            array_slice($floats($data['columns']), 1, -1),
            array_slice($floats($data['rows']), 1, -1),
        );
    }

    /** @return array{float, float} where a place goes, mm; its shares of width and height may lie beyond 0 and 1 */
    public function at(float $u, float $v): array
    {
        [$i, $s] = self::cell($this->columns, $u);
        [$k, $t] = self::cell($this->rows, $v);

        return $this->in($i, $k, $s, $t);
    }

    /** @return array{float, float} in a patch, by its own shares */
    private function in(int $i, int $k, float $s, float $t): array
    {
        [$top, $bottom, $left, $right] = [$this->across[$k][$i], $this->across[$k + 1][$i], $this->down[$i][$k], $this->down[$i + 1][$k]];
        [$tx, $ty] = Cubic::at($top, $s);
        [$bx, $by] = Cubic::at($bottom, $s);
        [$lx, $ly] = Cubic::at($left, $t);
        [$rx, $ry] = Cubic::at($right, $t);
        $corners = static fn (int $c): float => (1 - $t) * ((1 - $s) * $top[$c] + $s * $top[6 + $c]) + $t * ((1 - $s) * $bottom[$c] + $s * $bottom[6 + $c]);

        return [
            (1 - $t) * $tx + $t * $bx + (1 - $s) * $lx + $s * $rx - $corners(0),
            (1 - $t) * $ty + $t * $by + (1 - $s) * $ly + $s * $ry - $corners(1),
        ];
    }

    /**
     * @param  list<float>  $shares
     * @return array{int, float} the cell of a share, and the share within it
     */
    private static function cell(array $shares, float $at): array
    {
        $cell = count($shares) - 2;
        while ($cell > 0 && $at < $shares[$cell]) {
            $cell--;
        }

        return [$cell, ($at - $shares[$cell]) / ($shares[$cell + 1] - $shares[$cell])];
    }

    /** A shape, bent: first cut where its lines cross those of the net, at which the net may bend otherwise. @param  float  $deviation  mm */
    public function bent(Shape $shape, Box $box, float $deviation): Shape
    {
        $cuts = [
            ...array_map(static fn (float $u): array => [1.0, 0.0, -($box->left + $u * $box->width())], array_slice($this->columns, 1, -1)),
            ...array_map(static fn (float $v): array => [0.0, 1.0, -($box->top + $v * $box->height())], array_slice($this->rows, 1, -1)),
        ];
        $cut = new Shape(array_map(static fn (Contour $contour): Contour => self::cut($contour, $cuts), $shape->contours), $shape->rule);
        [$width, $height] = [max(1e-12, $box->width()), max(1e-12, $box->height())];

        return Warp::shape($cut, fn (float $x, float $y): array => $this->at(($x - $box->left) / $width, ($y - $box->top) / $height), $deviation);
    }

    /** @param  list<array{float, float, float}>  $cuts  lines a x + b y + c = 0 */
    private static function cut(Contour $contour, array $cuts): Contour
    {
        $pieces = [];
        foreach ($contour->closedSegments() as $s) {
            $stops = [0.0, 1.0];
            foreach ($cuts as [$a, $b, $c]) {
                array_push($stops, ...Cubic::crossings($s, $a, $b, $c, 1e-7));
            }
            sort($stops);
            for ($k = 1, $n = count($stops); $k < $n; $k++) {
                if ($stops[$k] - $stops[$k - 1] < 1e-9) {
                    continue;
                }
                [$ax, $ay] = Cubic::placeOn($s, $stops[$k - 1]);
                [$bx, $by] = Cubic::placeOn($s, $stops[$k]);
                $pieces[] = $n === 2 ? $s : (Cubic::isLine($s) ? Cubic::line($ax, $ay, $bx, $by) : Cubic::part($s, $stops[$k - 1], $stops[$k]));
            }
        }

        return $pieces === [] ? $contour : Contour::ofSegments($pieces, $contour->closed);
    }

    /**
     * With lines at these places, each laid through the net as it stands: what is bent by it stays as it is where all lines that it had are among them.
     *
     * @param  list<float>  $columns
     * @param  list<float>  $rows
     */
    public function with(array $columns, array $rows): self
    {
        $across = $down = [];
        foreach ($rows as $v) {
            $line = [];
            for ($i = 1; $i < count($columns); $i++) {
                $line[] = $this->curve($columns[$i - 1], $v, $columns[$i], $v);
            }
            $across[] = $line;
        }
        foreach ($columns as $u) {
            $line = [];
            for ($k = 1; $k < count($rows); $k++) {
                $line[] = $this->curve($u, $rows[$k - 1], $u, $rows[$k]);
            }
            $down[] = $line;
        }

        return new self(array_values($columns), array_values($rows), $across, $down);
    }

    /**
     * The image of a straight stretch across or down, within one patch: a cubic, for a patch is one along each of its lines. Four places of it say all.
     *
     * @return list<float>
     */
    private function curve(float $u, float $v, float $u2, float $v2): array
    {
        // Of two patches that meet at an end, the one in which the stretch lies.
        [$i] = self::cell($this->columns, ($u + $u2) / 2);
        [$k] = self::cell($this->rows, ($v + $v2) / 2);
        $at = fn (float $share): array => $this->in(
            $i, $k,
            ($u + ($u2 - $u) * $share - $this->columns[$i]) / ($this->columns[$i + 1] - $this->columns[$i]),
            ($v + ($v2 - $v) * $share - $this->rows[$k]) / ($this->rows[$k + 1] - $this->rows[$k]),
        );
        [[$ax, $ay], [$bx, $by], [$cx, $cy], [$dx, $dy]] = [$at(0.0), $at(1 / 3), $at(2 / 3), $at(1.0)];

        return [
            $ax, $ay, (-5 * $ax + 18 * $bx - 9 * $cx + 2 * $dx) / 6, (-5 * $ay + 18 * $by - 9 * $cy + 2 * $dy) / 6,
            (2 * $ax - 9 * $bx + 18 * $cx - 5 * $dx) / 6, (2 * $ay - 9 * $by + 18 * $cy - 5 * $dy) / 6, $dx, $dy,
        ];
    }

    /** One more line down, through a place of a line across. @throws Refused where there are as many as can be or one stands there */
    public function withColumnAt(float $x, float $y): self
    {
        return $this->with(self::more($this->columns, self::nearest($this->across, $this->columns, $x, $y)), $this->rows);
    }

    /** One more line across, through a place of a line down. @throws Refused see withColumnAt() */
    public function withRowAt(float $x, float $y): self
    {
        return $this->with($this->columns, self::more($this->rows, self::nearest($this->down, $this->rows, $x, $y)));
    }

    /**
     * @param  list<float>  $shares
     * @return list<float>
     */
    private static function more(array $shares, float $at): array
    {
        if (count($shares) >= self::MOST) {
            throw Refused::because(sprintf('A net has at most %d lines each way.', self::MOST));
        }
        foreach ($shares as $share) {
            if (abs($share - $at) < self::CLOSE) {
                throw Refused::because('A line of the net stands there already.');
            }
        }
        $all = [...$shares, $at];
        sort($all);

        return $all;
    }

    /**
     * The share of the art for which the nearest place on any of the lines stands.
     *
     * @param  list<list<list<float>>>  $lines
     * @param  list<float>  $shares
     */
    private static function nearest(array $lines, array $shares, float $x, float $y): float
    {
        $best = [INF, 0.0];
        foreach ($lines as $line) {
            foreach ($line as $cell => $s) {
                for ($k = 0; $k <= 200; $k++) {
                    [$px, $py] = Cubic::at($s, $k / 200);
                    $far = hypot($px - $x, $py - $y);
                    if ($far < $best[0]) {
                        $best = [$far, $shares[$cell] + ($shares[$cell + 1] - $shares[$cell]) * $k / 200];
                    }
                }
            }
        }

        return $best[1];
    }

    /** The knot nearest to a place runs through smoothly, both ways: on both its sides the art spreads as fast. */
    public function smoothAt(float $x, float $y): self
    {
        $best = [INF, 0, 0];
        for ($row = 0; $row < count($this->rows); $row++) {
            for ($column = 0; $column < count($this->columns); $column++) {
                [$px, $py] = self::knotOn($this->across[$row], $column);
                $far = hypot($px - $x, $py - $y);
                $best = $far < $best[0] ? [$far, $row, $column] : $best;
            }
        }
        [, $row, $column] = $best;
        [$across, $down] = [$this->across, $this->down];
        $across[$row] = self::smooth($across[$row], $this->columns, $column);
        $down[$column] = self::smooth($down[$column], $this->rows, $row);

        return new self($this->columns, $this->rows, $across, $down);
    }

    /**
     * @param  list<list<float>>  $line
     * @param  list<float>  $shares
     * @return list<list<float>>
     */
    private static function smooth(array $line, array $shares, int $knot): array
    {
        if (! isset($line[$knot - 1], $line[$knot])) {
            return $line;
        }
        [$before, $after] = [$shares[$knot] - $shares[$knot - 1], $shares[$knot + 1] - $shares[$knot]];
        [$in, $out] = [$line[$knot - 1], $line[$knot]];
        // Three times a handle is the speed by the share of its own cell.
        $speedX = (($out[0] - $in[4]) / $before + ($out[2] - $out[0]) / $after) / 2;
        $speedY = (($out[1] - $in[5]) / $before + ($out[3] - $out[1]) / $after) / 2;
        $line[$knot - 1] = [$in[0], $in[1], $in[2], $in[3], $out[0] - $speedX * $before, $out[1] - $speedY * $before, $in[6], $in[7]];
        $line[$knot] = [$out[0], $out[1], $out[0] + $speedX * $after, $out[1] + $speedY * $after, $out[4], $out[5], $out[6], $out[7]];

        return $line;
    }

    /** @return list<array{float, float}> places on the bench where it folds over itself, one a patch at most */
    public function folds(): array
    {
        $folds = [];
        $h = 1e-4;
        for ($i = 0; $i < count($this->columns) - 1; $i++) {
            for ($k = 0; $k < count($this->rows) - 1; $k++) {
                for ($n = 0; $n < (self::TRIED + 1) ** 2; $n++) {
                    [$s, $t] = [($n % (self::TRIED + 1)) / self::TRIED * (1 - $h), intdiv($n, self::TRIED + 1) / self::TRIED * (1 - $h)];
                    [$x, $y] = $this->in($i, $k, $s, $t);
                    [$ux, $uy] = $this->in($i, $k, $s + $h, $t);
                    [$vx, $vy] = $this->in($i, $k, $s, $t + $h);
                    if (($ux - $x) * ($vy - $y) - ($uy - $y) * ($vx - $x) <= 0.0) {
                        $folds[] = [$x, $y];
                        break;
                    }
                }
            }
        }

        return $folds;
    }

    /**
     * A straight side with handles to pull it by.
     *
     * @param  list<float>  $s
     * @return list<float>
     */
    public static function handled(array $s): array
    {
        return Cubic::isLine($s) ? [
            $s[0], $s[1], (2 * $s[0] + $s[6]) / 3, (2 * $s[1] + $s[7]) / 3, ($s[0] + 2 * $s[6]) / 3, ($s[1] + 2 * $s[7]) / 3, $s[6], $s[7],
        ] : $s;
    }

    /**
     * @param  list<list<float>>  $line
     * @return array{float, float}
     */
    private static function knotOn(array $line, int $knot): array
    {
        return isset($line[$knot]) ? [$line[$knot][0], $line[$knot][1]] : [$line[$knot - 1][6], $line[$knot - 1][7]];
    }

    /**
     * @param  list<list<float>>  $line
     * @return list<list<float>>
     */
    private static function knotMoved(array $line, int $knot, float $x, float $y): array
    {
        if (isset($line[$knot])) {
            [$line[$knot][0], $line[$knot][1]] = [$x, $y];
        }
        if (isset($line[$knot - 1])) {
            [$line[$knot - 1][6], $line[$knot - 1][7]] = [$x, $y];
        }

        return $line;
    }
}
