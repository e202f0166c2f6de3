<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof;

use NeatEdge\Core\Artwork\PlaceOfArt;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Proof\Surface\Angled;
use NeatEdge\Core\Proof\Surface\Flat;
use NeatEdge\Core\Proof\Surface\Round;
use NeatEdge\Core\Proof\Surface\Surface;
use NeatEdge\Core\Proof\Surface\Wrapped;
use NeatEdge\Core\Recipe\Wrap\RoundThing;
use NeatEdge\Core\Recipe\Wrap\Wrap;

/**
 * F1: where art lies on a thing: the area of the picture in which it is seen, how that bends it, and what size it has in truth. A shape on the picture says the
 * area; on something round its box is the thing's diameter and height.
 */
final readonly class Place
{
    /** mm that what is bent may leave its true image by. */
    private const DEVIATION = 0.02;

    /** mm in truth over which it is told how the surface goes on. */
    private const HAIR = 0.01;

    /** Straight parts that stand for a segment of a seam. */
    private const SEAM_PARTS = 16;

    /**
     * @param  string  $layer  id
     * @param  Shape  $area  on the picture, mm
     * @param  float  $width  mm in truth that can be printed across
     * @param  float  $height  mm in truth that can be printed down
     * @param  list<Shape>  $seams  lines on the picture over which nothing should be printed
     * @param  bool  $isUnwrapped  whether it was to lie as its shape is wrapped, which it is not
     */
    private function __construct(
        public string $layer,
        public string $name,
        public Shape $area,
        public float $width,
        public float $height,
        private Surface $surface,
        private array $seams,
        private bool $isUnwrapped,
    ) {
    }

    /**
     * @param  array<string, mixed>  $typed
     * @param  Recipe|null  $recipe  how the shape of the area was made
     * @param  list<Shape>  $seams  lines on the picture
     */
    public static function of(string $layer, string $name, Shape $area, array $typed, ?Recipe $recipe = null, array $seams = []): self
    {
        $values = Values::read(PlaceOfArt::fields(), $typed);
        $kind = $values->choice('lies');
        $box = $area->box() ?? new Box(0.0, 0.0, 1.0, 1.0);
        [$width, $height] = [$values->length('width'), $values->length('height')];
        $round = $values->length('round');
        $wrap = $recipe?->change(Wrap::class);
        $surface = match (true) {
            $kind === 'round' => new Round(
                $box,
                new RoundThing($round, $values->length('below') ?: $round, $values->length('tall'), $values->number('above')),
                self::DEVIATION,
            ),
            $kind === 'angle' => new Angled($area, $box, $width, $height, self::DEVIATION),
            $kind === 'wrapped' && $recipe !== null && $wrap !== null => new Wrapped($wrap, $recipe->matrix, $width, $height),
            default => new Flat($box, $width),
        };

        return new self($layer, $name, $area, $width, $height, $surface, $seams, $kind === 'wrapped' && $wrap === null);
    }

    /** Whether it can be turned to show what lies farther round. */
    public function turns(): bool
    {
        return $this->surface->round() > 0.0;
    }

    /**
     * A shape that lies flat, in true size about the middle of the place, as it is seen on the picture; empty where it faces away.
     *
     * @param  float  $turn  degrees
     * @param  bool  $asLines  whether closed outlines are lines, too, which end where they are no longer seen
     */
    public function seen(Shape $flat, float $turn, bool $asLines = false): Shape
    {
        return $this->surface->seen($flat, $turn, $asLines);
    }

    /** Whether all of a flat shape is seen. @param  float  $turn  degrees */
    public function holds(Shape $flat, float $turn): bool
    {
        return $this->surface->holds($flat, $turn);
    }

    /**
     * The inverse of what the thing does to what lies flat: where on that a place of the picture lies.
     *
     * @return array{float, float}|null mm in truth from the middle of the place; null where none of it is seen there
     */
    public function flat(float $x, float $y, float $turn): ?array
    {
        return (new Inside($this->area))->holds($x, $y) ? $this->back($x, $y, $turn) : null;
    }

    /** @return array{float, float}|null see flat(), also beside the area */
    private function back(float $x, float $y, float $turn): ?array
    {
        // Newton: what is bent is bent smoothly.
        [$s, $t] = $this->surface->guess($x, $y, $turn);
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
        [$px, $py] = $this->surface->at($x, $y, $turn);
        [$rx, $ry] = $this->surface->at($x + self::HAIR, $y, $turn);
        [$dx, $dy] = $this->surface->at($x, $y + self::HAIR, $turn);
        [$a, $b, $c, $d] = [($rx - $px) / self::HAIR, ($ry - $py) / self::HAIR, ($dx - $px) / self::HAIR, ($dy - $py) / self::HAIR];

        return new Matrix($a, $b, $c, $d, $px - $a * $x - $c * $y, $py - $b * $x - $d * $y);
    }

    /**
     * What does not fit, in whole sentences: it is shown all the same.
     *
     * @return list<string>
     */
    public function says(Laid $laid): array
    {
        [$width, $height, $round] = [$laid->width, $laid->height(), $this->surface->round()];
        $says = [];
        if ($round > 0 && $width > $round) {
            $says[] = sprintf('The art is longer than once round the thing, %.0f mm: it meets itself.', $round);
        } elseif ($width > $this->width + 0.01) {
            $says[] = sprintf('The art is wider than can be printed there: %.0f mm of %.0f mm.', $width, $this->width);
        }
        if ($height > $this->height + 0.01) {
            $says[] = sprintf('The art is higher than can be printed there: %.0f mm of %.0f mm.', $height, $this->height);
        }
        if ($this->isOverSeam($laid)) {
            $says[] = 'The art lies over a seam.';
        }
        if ($this->isUnwrapped) {
            $says[] = 'The shape of the place is not wrapped: art lies flat there.';
        }

        return $says;
    }

    private function isOverSeam(Laid $laid): bool
    {
        if ($this->seams === []) {
            return false;
        }
        $flat = $laid->flat();
        $seams = array_map($this->unbent(...), $this->seams);
        foreach ($laid->art->pieces as $piece) {
            $shape = $piece->shape->transformed($flat);
            foreach ($seams as $seam) {
                if (Seam::isMet($seam, $shape, $piece->fill !== null)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<list<array{float, float}>> lines of the picture as they lie in truth, when nothing is turned */
    private function unbent(Shape $lines): array
    {
        $unbent = [];
        foreach ($lines->contours as $contour) {
            $run = [];
            foreach ($contour->closedSegments() as $s) {
                for ($k = 0; $k <= self::SEAM_PARTS; $k++) {
                    // What faces away leads nowhere.
                    $at = $this->back(...Cubic::placeOn($s, $k / self::SEAM_PARTS), turn: 0.0);
                    $run = $at === null ? $run : [...$run, $at];
                }
            }
            $unbent[] = $run;
        }

        return $unbent;
    }
}
