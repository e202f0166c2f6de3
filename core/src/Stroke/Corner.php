<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Pen;

/** The way round the outer side of a corner of a stroke, as its join says. */
final readonly class Corner
{
    private float $half;

    public function __construct(private StrokeStyle $style)
    {
        $this->half = $style->width / 2;
    }

    /**
     * The way round the outer side of a corner.
     *
     * @param  float|null  $turn  radians, where the directions leave open to which side a line turns back
     * @return non-empty-list<list<float>>
     */
    public function round(float $x, float $y, float $ax, float $ay, float $bx, float $by, ?float $turn = null): array
    {
        $cross = $ax * $by - $ay * $bx;
        $dot = $ax * $bx + $ay * $by;
        $turn ??= atan2($cross, $dot);
        // The outer side lies against the turn.
        $d = $turn > 0 ? -$this->half : $this->half;
        $from = [$x - $d * $ay, $y + $d * $ax];
        $to = [$x - $d * $by, $y + $d * $bx];
        if ($this->style->join === Join::Round) {
            $pen = new Pen;
            $pen->moveTo(...$from);
            $pen->arcTo($this->half, $this->half, 0, false, $turn > 0, ...$to);

            return self::drawn($pen) ?: [self::straight($from, $to)];
        }
        $reach = 1 / max(1e-9, cos($turn / 2));
        if ($this->style->join === Join::Miter && $reach <= $this->style->miterLimit && $dot > -0.99999) {
            $k = $d / (1 + $dot);
            $tip = [$x - $k * ($ay + $by), $y + $k * ($ax + $bx)];

            return [self::straight($from, $tip), self::straight($tip, $to)];
        }
        if ($this->style->join === Join::MiterClip) {
            return $this->clippedMiter($x, $y, $from, $to, [$ax, $ay], [$bx, $by], $turn);
        }

        return [self::straight($from, $to)];
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @return list<float>
     */
    public static function straight(array $from, array $to): array
    {
        return [...$from, ...$from, ...$to, ...$to];
    }

    /** @return list<list<float>> nothing where the pen did not come away from its place */
    public static function drawn(Pen $pen): array
    {
        $contours = $pen->contours();

        return $contours === [] ? [] : $contours[0]->segments();
    }

    /**
     * A miter cut off square at the miter limit instead of at the corner.
     *
     * @source SVG 2, 13.5.6 "Computing the shape of the stroke": line join region of miter-clip.
     *
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @param  array{float, float}  $a  direction before
     * @param  array{float, float}  $b  direction after
     * @return non-empty-list<list<float>>
     */
    private function clippedMiter(float $x, float $y, array $from, array $to, array $a, array $b, float $turn): array
    {
        $half = abs($turn) / 2;
        $limit = $this->style->miterLimit * $this->half;
        $full = $this->half / max(1e-9, cos($half));
        // How far each side runs on beyond its end before it meets the clip.
        $along = sin($half) < 1e-9 ? 0.0 : min($this->half * tan(min($half, M_PI_2 - 1e-9)), ($limit - $this->half * cos($half)) / sin($half));
        if ($along <= 0.0) {
            return [self::straight($from, $to)];
        }
        $p = [$from[0] + $along * $a[0], $from[1] + $along * $a[1]];
        $q = [$to[0] - $along * $b[0], $to[1] - $along * $b[1]];
        if ($full <= $limit) {
            return [self::straight($from, $p), self::straight($p, $to)];
        }

        return [self::straight($from, $p), self::straight($p, $q), self::straight($q, $to)];
    }

    /**
     * Whether on the inner side both strips cover the way from one end to the other, being long enough: then it need not go over the line.
     *
     * @param  list<float>  $before
     * @param  list<float>  $after
     * @param  float  $turn  radians
     */
    public function isCovered(array $before, array $after, float $turn): bool
    {
        $reach = $this->half * abs(sin($turn)) + 1e-9;
        $short = min(hypot($before[6] - $before[0], $before[7] - $before[1]), hypot($after[6] - $after[0], $after[7] - $after[1]));

        return abs($turn) < 1.0 && $short > 2 * $reach && Cubic::isLine($before) && Cubic::isLine($after);
    }
}
