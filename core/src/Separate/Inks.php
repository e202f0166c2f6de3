<?php

declare(strict_types=1);

namespace NeatEdge\Core\Separate;

use Closure;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Colour;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Seen\Shade;

/** X3: the inks that art is printed in, and what each covers: whole areas as they are seen, tints and gradients as dots. */
final readonly class Inks
{
    /** Colour distance (CIEDE2000) up to which a stop of a gradient is taken for an ink, or for the bare cloth. */
    private const SAME = 12.0;

    /** @param  list<Colour>  $inks  the lowest first */
    private function __construct(public array $inks, private Colour $ground)
    {
    }

    /** @param  Colour  $ground  of the cloth or paper */
    public static function of(Artwork $result, Colour $ground): self
    {
        $flat = $other = [];
        foreach ($result->pieces as $piece) {
            $paint = $piece->fill;
            if ($paint === null || $paint->picture !== null) {
                continue;
            }
            if ($paint->gradient === null) {
                $flat[$paint->colour->hex()] ??= $paint->colour;
            } else {
                foreach ($paint->gradient->stops as [, $colour, $opacity]) {
                    if ($opacity > 0.02) {
                        $other[$colour->hex()] ??= $colour;
                    }
                }
            }
        }
        foreach ($other as $hex => $colour) {
            // A stop that is neither an ink nor the cloth is an ink of its own.
            $near = array_filter([...array_values($flat), $ground], static fn (Colour $ink): bool => $ink->distanceTo($colour) <= self::SAME);
            if ($near === []) {
                $flat[$hex] = $colour;
            }
        }

        return new self(array_values($flat), $ground);
    }

    /** What an ink covers wholly. */
    public function solid(int $ink, Artwork $result): Shape
    {
        $shapes = array_map(static fn (Piece $piece): Shape => $piece->shape, array_values(array_filter($result->pieces, fn (Piece $piece): bool => $piece->fill !== null && $piece->fill->isFlatColour() && $piece->fill->isOpaque() && $piece->fill->colour->hex() === $this->inks[$ink]->hex())));

        return count($shapes) === 1 ? $shapes[0] : ($shapes === [] ? new Shape([]) : Combine::weld($shapes, $result->tolerance()));
    }

    /**
     * What an ink covers in part, as dots.
     *
     * @return list<Piece>
     */
    public function tints(int $ink, Artwork $result, Halftone $halftone, bool $cut): array
    {
        $out = [];
        foreach ($result->pieces as $piece) {
            $paint = $piece->fill;
            if ($paint === null || $paint->picture !== null || ($paint->isFlatColour() && $paint->isOpaque())) {
                continue;
            }
            $cover = $paint->gradient === null
                ? ($paint->colour->hex() === $this->inks[$ink]->hex() ? static fn (): float => $paint->opacity : null)
                : $this->cover($paint->gradient, $ink);
            if ($cover === null) {
                continue;
            }
            $dots = $halftone->dots($piece->shape, $cover);
            if ($cut && ! $dots->isEmpty()) {
                $dots = Combine::keepOverlap([$dots, $piece->shape], Tolerance::forExtent(max($result->width, $result->height)));
            }
            if (! $dots->isEmpty()) {
                $out[] = $piece->with(shape: $dots, fill: new Paint($this->inks[$ink]), stroke: null);
            }
        }

        return $out;
    }

    /** @return (Closure(float, float): float)|null how much of an ink a gradient takes at a place; null when none anywhere */
    private function cover(Gradient $gradient, int $ink): ?Closure
    {
        $shares = array_map(fn (array $stop): float => $stop[2] * ($this->nearest($stop[1]) === $ink ? 1.0 : 0.0), $gradient->stops);
        if (max($shares) <= 0) {
            return null;
        }
        // The gradient once more, with cover for its colours.
        $grey = array_map(static fn (array $stop, float $share): array => [$stop[0], new Colour((int) round(255 * $share), 0, 0), 1.0], $gradient->stops, $shares);
        $covers = new Gradient($gradient->kind, $gradient->axis, $grey, $gradient->matrix, $gradient->spread);

        return static fn (float $x, float $y): float => Shade::at($covers, $x, $y)[0] / 255;
    }

    /** The ink that a colour is; null when it is the bare cloth. */
    private function nearest(Colour $colour): ?int
    {
        $best = [null, $this->ground->distanceTo($colour)];
        foreach ($this->inks as $i => $ink) {
            $d = $ink->distanceTo($colour);
            $best = $d <= $best[1] ? [$i, $d] : $best;
        }

        return $best[0];
    }
}
