<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof\Surface;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Convex;
use NeatEdge\Core\Recipe\Wrap\Wrap;

/** As the shape of the place itself was wrapped by hand: cloth in folds, a bulge, whatever a net was pulled over. */
final readonly class Wrapped implements Surface
{
    /** Places each way from which a look back begins: a net goes otherwise in each of its patches. */
    private const TRIED = 24;

    /** From mm in truth to the space of the base that was wrapped. */
    private Matrix $toBase;

    /** From the bench on which it was wrapped to the picture. */
    private Matrix $fromBench;

    /**
     * @param  Matrix  $onPicture  where the base lies now
     * @param  float  $width  mm in truth, of what the frame was laid round
     * @param  float  $height  mm in truth
     */
    public function __construct(private Wrap $wrap, private Matrix $onPicture, private float $width, private float $height)
    {
        $box = $wrap->box;
        $onBench = new Matrix($box->width() / $width, 0.0, 0.0, $box->height() / $height, $box->middle()->x, $box->middle()->y);
        $this->toBase = $wrap->lay->inverse()->after($onBench);
        $this->fromBench = $onPicture->after($wrap->lay->inverse());
    }

    public function at(float $x, float $y, float $turn): array
    {
        $box = $this->wrap->box;
        $at = $this->fromBench->apply(...$this->wrap->at(
            $box->middle()->x + $x * $box->width() / $this->width,
            $box->middle()->y + $y * $box->height() / $this->height,
        ));

        return [$at->x, $at->y];
    }

    public function seen(Shape $flat, float $turn, bool $asLines): Shape
    {
        // Beyond its frame a net says nothing.
        $kept = Convex::rectangle($this->width, $this->height)->kept($flat, $asLines);

        return $kept->isEmpty() ? $kept : $this->wrap->on($kept->transformed($this->toBase))->transformed($this->onPicture);
    }

    public function holds(Shape $flat, float $turn): bool
    {
        return Convex::rectangle($this->width, $this->height)->holds($flat);
    }

    public function guess(float $x, float $y, float $turn): array
    {
        $best = [INF, 0.0, 0.0];
        for ($k = 0; $k < (self::TRIED + 1) ** 2; $k++) {
            $s = ($k % (self::TRIED + 1) / self::TRIED - 0.5) * $this->width;
            $t = (intdiv($k, self::TRIED + 1) / self::TRIED - 0.5) * $this->height;
            [$px, $py] = $this->at($s, $t, $turn);
            $far = hypot($px - $x, $py - $y);
            $best = $far < $best[0] ? [$far, $s, $t] : $best;
        }

        return [$best[1], $best[2]];
    }

    public function round(): float
    {
        return 0.0;
    }
}
