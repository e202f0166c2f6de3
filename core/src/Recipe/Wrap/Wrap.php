<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Wrap;

use NeatEdge\Core\Artwork\Change;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Stored;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Warp;

/**
 * P12: art bent by a frame of four curved sides.
 *
 * @source S. A. Coons, "Surfaces for computer-aided design of space forms", 1967: the bilinearly blended patch over four boundary curves
 */
final readonly class Wrap extends Change
{
    /** mm */
    private const DEVIATION = 0.015;

    /** mm, of what is laid round: where it turns away a cubic has much to follow. */
    private const ROUND_DEVIATION = 0.035;

    /** Places a side at which the frame is tried for folds. */
    private const TRIED = 16;

    /**
     * @param  Box  $box  on the bench, what the frame was laid round
     * @param  list<list<float>>  $sides  top, bottom (both left to right), left, right (both downwards): cubics on the bench, mm
     * @param  Matrix  $lay  from the space of the base to the bench, when it was wrapped
     * @param  array<string, float|string|bool>  $values  what the frame was made from
     * @param  RoundThing|null  $round  what it is laid round, instead of bent by the frame
     * @param  Perspective|null  $flat  how it is seen at an angle, instead
     * @param  Net|null  $net  a frame of more knots, instead
     */
    public function __construct(
        public Box $box,
        public array $sides,
        public Matrix $lay,
        public array $values = [],
        public ?RoundThing $round = null,
        public ?Perspective $flat = null,
        public ?Net $net = null,
    ) {
    }

    public static function kind(): string
    {
        return 'wrap';
    }

    public function stored(Stored $as): array
    {
        return [
            'box' => array_values(get_object_vars($this->box)), 'sides' => $this->sides, 'lay' => $as->matrix($this->lay), 'values' => $this->values,
            ...($this->round === null ? [] : ['round' => array_values(get_object_vars($this->round))]),
            ...($this->flat === null ? [] : ['flat' => $this->flat->corners]),
            ...($this->net === null ? [] : ['net' => $this->net->stored()]),
        ];
    }

    public static function read(array $data, Stored $as): self
    {
        $floats = static fn (array $numbers): array => array_values(array_map(floatval(...), $numbers));

        return new self(
            new Box(...$floats($data['box'])),
            array_values(array_map($floats, $data['sides'])),
            $as->toMatrix($data['lay']),
            $data['values'],
            isset($data['round']) ? new RoundThing(...$floats($data['round'])) : null,
            isset($data['flat']) ? new Perspective($floats($data['flat'])) : null,
            isset($data['net']) ? Net::read($data['net']) : null,
        );
    }

    public function told(Recipe $recipe): array
    {
        return ['shaped' => ['kind' => 'wrap', 'values' => $this->values]];
    }

    public function on(Shape $shape): Shape
    {
        if ($this->round !== null) {
            return self::laidRound($shape->transformed($this->lay), $this->round, $this->box->middle())->transformed($this->lay->inverse());
        }
        if ($this->net !== null) {
            return $this->net->bent($shape->transformed($this->lay), $this->box, self::DEVIATION)->transformed($this->lay->inverse());
        }

        return Warp::shape(
            $shape->transformed($this->lay),
            fn (float $x, float $y): array => $this->at($x, $y),
            self::DEVIATION,
        )->transformed($this->lay->inverse());
    }

    /** @param  Point  $middle  of the art, which is laid on the middle of the front */
    private static function laidRound(Shape $shape, RoundThing $thing, Point $middle): Shape
    {
        $flat = $thing->kept($shape->transformed(Matrix::translation(-$middle->x, -$middle->y)));

        return Warp::shape($flat, $thing->at(...), self::ROUND_DEVIATION)->transformed(Matrix::translation($middle->x, $middle->y));
    }

    /** @return array{float, float} where a place goes, mm */
    public function at(float $x, float $y): array
    {
        if ($this->round !== null) {
            $middle = $this->box->middle();
            [$s, $t] = $this->round->at($x - $middle->x, $y - $middle->y);

            return [$middle->x + $s, $middle->y + $t];
        }
        $u = ($x - $this->box->left) / max(1e-12, $this->box->width());
        $v = ($y - $this->box->top) / max(1e-12, $this->box->height());
        if ($this->flat !== null) {
            return $this->flat->at($u, $v);
        }
        if ($this->net !== null) {
            return $this->net->at($u, $v);
        }
        [$top, $bottom, $left, $right] = $this->sides;
        [$tx, $ty] = self::side($top, $u);
        [$bx, $by] = self::side($bottom, $u);
        [$lx, $ly] = self::side($left, $v);
        [$rx, $ry] = self::side($right, $v);
        $cornersX = (1 - $u) * (1 - $v) * $top[0] + $u * (1 - $v) * $top[6] + (1 - $u) * $v * $bottom[0] + $u * $v * $bottom[6];
        $cornersY = (1 - $u) * (1 - $v) * $top[1] + $u * (1 - $v) * $top[7] + (1 - $u) * $v * $bottom[1] + $u * $v * $bottom[7];

        return [
            (1 - $v) * $tx + $v * $bx + (1 - $u) * $lx + $u * $rx - $cornersX,
            (1 - $v) * $ty + $v * $by + (1 - $u) * $ly + $u * $ry - $cornersY,
        ];
    }

    /**
     * @param  list<float>  $s
     * @return array{float, float} on a side, also beyond its ends
     */
    private static function side(array $s, float $t): array
    {
        return Cubic::isLine($s) ? [$s[0] + ($s[6] - $s[0]) * $t, $s[1] + ($s[7] - $s[1]) * $t] : Cubic::at($s, $t);
    }

    /** @return array{float, float}|null a place where the frame folds over itself, mm; null where it does not */
    public function fold(): ?array
    {
        if ($this->round !== null) {
            return null;
        }
        if ($this->net !== null) {
            return $this->net->folds()[0] ?? null;
        }
        if ($this->flat !== null) {
            return $this->flat->isConvex() ? null : [$this->flat->corners[0], $this->flat->corners[1]];
        }
        $n = self::TRIED;
        $sign = 0.0;
        $h = 1e-4;
        for ($i = 0; $i <= $n; $i++) {
            for ($k = 0; $k <= $n; $k++) {
                $x = $this->box->left + $this->box->width() * $i / $n;
                $y = $this->box->top + $this->box->height() * $k / $n;
                $dx = $h * max(1e-9, $this->box->width());
                $dy = $h * max(1e-9, $this->box->height());
                [$px, $py] = $this->at($x, $y);
                [$qx, $qy] = $this->at($x + $dx, $y);
                [$rx, $ry] = $this->at($x, $y + $dy);
                $det = (($qx - $px) * ($ry - $py) - ($qy - $py) * ($rx - $px)) / ($dx * $dy);
                if ($det <= 1e-6 || ($sign !== 0.0 && $det * $sign < 0)) {
                    return [$px, $py];
                }
                $sign = $det;
            }
        }

        return null;
    }

    /**
     * A frame by number.
     *
     * @param  float  $amount  -1 to 1
     * @return list<list<float>> see the constructor
     */
    public static function frame(string $kind, Box $box, float $amount): array
    {
        [$l, $t, $r, $b] = [$box->left, $box->top, $box->right, $box->bottom];
        [$w, $h] = [$r - $l, $b - $t];
        $left = Cubic::line($l, $t, $l, $b);
        $right = Cubic::line($r, $t, $r, $b);
        if ($kind === 'cone') {
            // The upper side, or for less than nothing the lower, is shorter by the share.
            $in = abs($amount) * $w / 2;
            [$up, $down] = $amount >= 0 ? [$in, 0.0] : [0.0, $in];

            return [
                Cubic::line($l + $up, $t, $r - $up, $t), Cubic::line($l + $down, $b, $r - $down, $b),
                Cubic::line($l + $up, $t, $l + $down, $b), Cubic::line($r - $up, $t, $r - $down, $b),
            ];
        }
        $bow = static fn (float $y, float $first, float $second): array => [$l, $y, $l + $w / 3, $y - $first, $l + 2 * $w / 3, $y - $second, $r, $y];
        // A cubic whose handles rise by r rises by three quarters of it.
        [$rise, $swell, $wave] = [$amount * $w / 2 * 4 / 3, $amount * $h / 2 * 4 / 3, $amount * $h * 2];

        return match ($kind) {
            'arc' => [$bow($t, $rise, $rise), $bow($b, $rise, $rise), $left, $right],
            'arch' => [$bow($t, $rise, $rise), Cubic::line($l, $b, $r, $b), $left, $right],
            'bulge' => [$bow($t, $swell, $swell), $bow($b, -$swell, -$swell), $left, $right],
            default => [$bow($t, $wave, -$wave), $bow($b, $wave, -$wave), $left, $right],
        };
    }
}
