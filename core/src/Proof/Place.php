<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof;

use NeatEdge\Core\Artwork\PlaceOfArt;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Warp;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Recipe\Wrap\Perspective;
use NeatEdge\Core\Recipe\Wrap\RoundThing;

/**
 * F1: where art lies on a thing: the area of the picture in which it is seen, how that bends it, and what size it has in truth. A shape on the picture says the
 * area; on something round its box is the thing's diameter and height.
 */
final readonly class Place
{
    /** mm that what is bent may leave its true image by. */
    private const DEVIATION = 0.02;

    /**
     * @param  string  $layer  id
     * @param  Shape  $area  on the picture, mm
     * @param  float  $width  mm in truth that can be printed across
     * @param  float  $height  mm in truth that can be printed down
     * @param  RoundThing|null  $thing  in truth, as it stands when nothing is turned
     * @param  float  $scale  mm of the picture to a mm in truth
     */
    private function __construct(
        public string $layer,
        public string $name,
        public string $kind,
        public Shape $area,
        private Box $box,
        public float $width,
        public float $height,
        private ?RoundThing $thing,
        private ?Perspective $corners,
        private float $scale,
    ) {
    }

    /** @param  array<string, mixed>  $typed */
    public static function of(string $layer, string $name, Shape $area, array $typed): self
    {
        $values = Values::read(PlaceOfArt::fields(), $typed);
        $kind = $values->choice('lies');
        $box = $area->box() ?? new Box(0.0, 0.0, 1.0, 1.0);
        $top = $values->length('round');
        $bottom = $values->length('below') ?: $top;
        $corners = $kind === 'angle' ? self::corners($area, $box) : null;

        return new self(
            $layer,
            $name,
            $kind,
            $area,
            $box,
            $values->length('width'),
            $values->length('height'),
            $kind === 'round' ? new RoundThing($top, $bottom, $values->length('tall'), $values->number('above')) : null,
            $corners,
            $kind === 'round' ? $box->width() / max($top, $bottom) : $box->width() / $values->length('width'),
        );
    }

    /** The four corners of an area, clockwise from the upper left; those of its box where it has others. */
    private static function corners(Shape $area, Box $box): Perspective
    {
        $coords = $area->contours[0]->coords ?? [];
        $nodes = [];
        for ($i = 0, $n = count($coords) - 2; $i < $n; $i += 6) {
            $nodes[] = [$coords[$i], $coords[$i + 1]];
        }
        if (count($nodes) !== 4) {
            $nodes = [[$box->left, $box->top], [$box->right, $box->top], [$box->right, $box->bottom], [$box->left, $box->bottom]];
        }
        // Upper left is where both are least; the rest follow round, clockwise.
        $middle = $box->middle();
        usort($nodes, static fn (array $a, array $b): int => atan2($a[1] - $middle->y, $a[0] - $middle->x) <=> atan2($b[1] - $middle->y, $b[0] - $middle->x));

        return new Perspective(array_merge(...$nodes));
    }

    /** Whether it can be turned to show what lies farther round. */
    public function turns(): bool
    {
        return $this->thing !== null;
    }

    /**
     * A shape that lies flat, in true size about the middle of the place, as it is seen on the picture; empty where it faces away.
     *
     * @param  float  $turn  degrees
     */
    public function seen(Shape $flat, float $turn): Shape
    {
        if ($this->thing === null) {
            return $this->corners === null ? $flat->transformed($this->flatMatrix())
                : Warp::shape($flat, fn (float $x, float $y): array => $this->corners->at($x / $this->width + 0.5, $y / $this->height + 0.5), self::DEVIATION);
        }
        $thing = $this->turned($turn);
        $kept = $thing->kept($flat);
        $matrix = new Matrix($this->scale, 0.0, 0.0, $this->scale, ...$this->front());

        return $kept->isEmpty() ? $kept : Warp::shape($kept, $thing->at(...), self::DEVIATION / max(1e-6, $this->scale))->transformed($matrix);
    }

    /**
     * The inverse of what the thing does to what lies flat: where on that a place of the picture lies.
     *
     * @return array{float, float}|null mm in truth from the middle of the place; null where none of it is seen there
     */
    public function flat(float $x, float $y, float $turn): ?array
    {
        if (! (new Inside($this->area))->holds($x, $y)) {
            return null;
        }
        // Newton, from where it would lie if nothing were bent: what is bent is bent smoothly.
        $middle = $this->box->middle();
        [$s, $t] = [($x - $middle->x) / $this->scale, ($y - $middle->y) / $this->scale];
        if ($this->thing !== null) {
            $radius = max($this->thing->top, $this->thing->bottom) / 2;
            $s = $radius * (asin(max(-0.999, min(0.999, $s / $radius))) - deg2rad($turn));
        }
        for ($round = 0; $round < 40; $round++) {
            $near = $this->near($s, $t, $turn);
            $at = $near->apply($s, $t);
            [$dx, $dy] = [$x - $at->x, $y - $at->y];
            if (hypot($dx, $dy) < 1e-4) {
                return [$s, $t];
            }
            $det = $near->a * $near->d - $near->b * $near->c;
            if (abs($det) < 1e-12) {
                return null;
            }
            $s += ($near->d * $dx - $near->c * $dy) / $det;
            $t += ($near->a * $dy - $near->b * $dx) / $det;
        }

        return null;
    }

    /** What the bend does near a place, as a matrix: for paints, which are not bent. */
    public function near(float $x, float $y, float $turn): Matrix
    {
        if ($this->thing === null && $this->corners === null) {
            return $this->flatMatrix();
        }
        [$left, $top] = $this->front();
        $thing = $this->thing === null ? null : $this->turned($turn);
        $at = function (float $x, float $y) use ($thing, $left, $top): array {
            if ($thing === null) {
                return $this->corners?->at($x / $this->width + 0.5, $y / $this->height + 0.5) ?? [$x, $y];
            }
            [$u, $v] = $thing->at($x, $y);

            return [$left + $this->scale * $u, $top + $this->scale * $v];
        };
        [$px, $py] = $at($x, $y);
        $hair = 0.01;
        [$rx, $ry] = $at($x + $hair, $y);
        [$dx, $dy] = $at($x, $y + $hair);
        [$a, $b, $c, $d] = [($rx - $px) / $hair, ($ry - $py) / $hair, ($dx - $px) / $hair, ($dy - $py) / $hair];

        return new Matrix($a, $b, $c, $d, $px - $a * $x - $c * $y, $py - $b * $x - $d * $y);
    }

    /**
     * Where the middle of the place is seen from the front. Looked down on, what is round sags there, so that it lies lower than the middle of its box.
     *
     * @return array{float, float} mm of the picture
     */
    private function front(): array
    {
        $middle = $this->box->middle();
        $sag = $this->thing === null ? 0.0 : max($this->thing->top, $this->thing->bottom) / 2 * sin(deg2rad($this->thing->above));

        return [$middle->x, $middle->y + $this->scale * $sag / 2];
    }

    private function flatMatrix(): Matrix
    {
        $middle = $this->box->middle();

        return new Matrix($this->scale, 0.0, 0.0, $this->scale, $middle->x, $middle->y);
    }

    private function turned(float $turn): RoundThing
    {
        $thing = $this->thing ?? throw new \LogicException;

        return new RoundThing($thing->top, $thing->bottom, $thing->height, $thing->above, $turn);
    }

    /** @return float mm in truth once round it; nothing where it is not round */
    public function round(): float
    {
        return $this->thing === null ? 0.0 : M_PI * ($this->thing->top + $this->thing->bottom) / 2;
    }

    /**
     * What does not fit, in whole sentences: it is shown all the same.
     *
     * @return list<string>
     */
    public function says(float $width, float $height): array
    {
        $says = [];
        if ($this->round() > 0 && $width > $this->round()) {
            $says[] = sprintf('The art is longer than once round the thing, %.0f mm: it meets itself.', $this->round());
        } elseif ($width > $this->width + 0.01) {
            $says[] = sprintf('The art is wider than can be printed there: %.0f mm of %.0f mm.', $width, $this->width);
        }
        if ($height > $this->height + 0.01) {
            $says[] = sprintf('The art is higher than can be printed there: %.0f mm of %.0f mm.', $height, $this->height);
        }

        return $says;
    }
}
