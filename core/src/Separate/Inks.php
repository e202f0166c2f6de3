<?php

declare(strict_types=1);

namespace NeatEdge\Core\Separate;

use Closure;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\Colours\Tints;
use NeatEdge\Core\Seen\Shade;
use NeatEdge\Core\Seen\SoftTone;
use NeatEdge\Core\Stroke\Offset;

/** X3: the inks that art is printed in, and what each covers: whole areas as they are seen, tints and gradients as dots. */
final readonly class Inks
{
    /** Colour distance (CIEDE2000) up to which a stop of a gradient is taken for an ink, or for the bare cloth. */
    private const SAME = 12.0;

    /**
     * @param  list<Colour>  $inks  the lowest first
     * @param  array<string, array<string, float>>  $shares  how much of which inks gives a colour that is none, by hex
     */
    private function __construct(public array $inks, private Colour $ground, private array $shares)
    {
    }

    /**
     * @param  Colour  $ground  of the cloth or paper
     * @param  list<string>  $named  #rrggbb of colours that somebody says are inks: none of them is a tint of another
     * @param  bool  $tints  whether a colour that is another one thinned becomes dots of that
     */
    public static function of(Artwork $result, Colour $ground, array $named = [], bool $tints = true): self
    {
        $flat = $other = [];
        foreach ($result->pieces as $piece) {
            $paint = $piece->fill?->soft?->mainPaint() ?? $piece->fill;
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
        $grounds = array_values(array_column(
            array_map(static fn (Colour $colour): array => [$colour->hex(), $colour], [$ground, new Colour(255, 255, 255)]),
            1,
            0,
        ));
        $shares = [];
        foreach ($tints ? Tints::of(array_map(strval(...), array_keys($flat)), $grounds, $named) : [] as $hex => [$ink, $share]) {
            $shares[$hex] = [$ink => $share];
            unset($flat[$hex]);
        }
        foreach ($other as $hex => $colour) {
            // A stop that is neither an ink, nor a tint, nor a mixture of two, nor the cloth is an ink of its own.
            $near = array_filter([...array_values($flat), $ground], static fn (Colour $ink): bool => $ink->distanceTo($colour) <= self::SAME);
            $hexes = array_map(strval(...), array_keys($flat));
            $mixed = ! $tints || isset($flat[$hex]) ? null : (Tints::of([...$hexes, $hex], $grounds, $hexes)[$hex] ?? null);
            $shares[$hex] ??= $mixed === null ? ($tints && $near === [] ? Tints::between($colour, $hexes, $grounds) ?? [] : []) : [$mixed[0] => $mixed[1]];
            if ($near === [] && $shares[$hex] === []) {
                $flat[$hex] = $colour;
            }
        }

        return new self(array_values($flat), $ground, array_filter($shares));
    }

    /** What has tints or gradients, of all inks: it needs white beneath as they do. */
    public function shaded(Artwork $result): Shape
    {
        $shapes = array_map(
            static fn (Piece $piece): Shape => $piece->shape,
            array_values(array_filter(
                $result->pieces,
                fn (Piece $piece): bool => $piece->fill !== null
                    && $piece->fill->picture === null
                    && ($piece->fill->gradient !== null || $piece->fill->soft !== null || isset($this->shares[$piece->fill->colour->hex()])),
            )),
        );

        return $shapes === [] ? new Shape([]) : Combine::weld($shapes, $result->tolerance());
    }

    /** What an ink covers wholly. */
    public function solid(int $ink, Artwork $result): Shape
    {
        $shapes = array_map(
            static fn (Piece $piece): Shape => $piece->shape,
            array_values(array_filter(
                $result->pieces,
                fn (Piece $piece): bool => $piece->fill !== null
                    && $piece->fill->isFlatColour()
                    && $piece->fill->isOpaque()
                    && $piece->fill->colour->hex() === $this->inks[$ink]->hex(),
            )),
        );

        return count($shapes) === 1 ? $shapes[0] : ($shapes === [] ? new Shape([]) : Combine::weld($shapes, $result->tolerance()));
    }

    /**
     * What an ink covers in part, as dots.
     *
     * @return list<Piece>
     */
    public function tints(int $ink, Artwork $result, Halftone $halftone, bool $cut): array
    {
        $tints = [];
        foreach ($result->pieces as $piece) {
            $cover = $piece->fill === null ? null : $this->covered($piece->fill, $ink);
            if ($cover === null) {
                continue;
            }
            $tolerance = Tolerance::forExtent(max($result->width, $result->height));
            // Dots that are cut at an edge come from both its sides: those alone that stand inside would leave the edge too light.
            $dots = $halftone->dots($cut ? Offset::outset($piece->shape, $halftone->pitch(), 'round', $tolerance) : $piece->shape, $cover);
            if ($cut && ! $dots->isEmpty()) {
                $dots = Combine::keepOverlap([$dots, $piece->shape], $tolerance);
            }
            if (! $dots->isEmpty()) {
                $tints[] = $piece->with(shape: $dots, fill: new Paint($this->inks[$ink]), stroke: null);
            }
        }

        return $tints;
    }

    /** @return (Closure(float, float): float)|null how much of an ink a paint takes at a place; null for what is whole, and where it takes none */
    private function covered(Paint $paint, int $ink): ?Closure
    {
        if ($paint->picture !== null) {
            return null;
        }
        if ($paint->soft !== null) {
            $main = $paint->soft->mainPaint();
            $share = $main->gradient === null ? $main->opacity * $this->shareOf($main->colour, $ink) : 0.0;
            $inside = $main->gradient === null ? ($share > 0 ? static fn (): float => $share : null) : $this->cover($main->gradient, $ink);
            $tone = $inside === null ? null : SoftTone::of($paint->soft);
            // What is seen of it is one field of tone with what it is painted with.
            $whole = $main->gradient === null ? $paint->opacity * $share / max(1e-9, $main->opacity) : $paint->opacity;

            return $tone === null ? null : static fn (float $x, float $y): float => $tone->at($x, $y)
                * ($main->gradient === null ? $whole : $paint->opacity * $inside($x, $y) / max(1e-9, Shade::at($main->gradient, $x, $y)[3]));
        }
        if ($paint->gradient !== null) {
            return $this->cover($paint->gradient, $ink);
        }
        $flat = $paint->opacity * $this->shareOf($paint->colour, $ink);

        return $flat > 0 && $flat < 0.9999 ? static fn (): float => $flat : null;
    }

    /** @return (Closure(float, float): float)|null how much of an ink a gradient takes at a place; null when none anywhere */
    private function cover(Gradient $gradient, int $ink): ?Closure
    {
        $shares = array_map(fn (array $stop): float => $stop[2] * $this->shareOf($stop[1], $ink), $gradient->stops);
        if (max($shares) <= 0) {
            return null;
        }
        // The gradient once more, with cover for its colours.
        $grey = array_map(
            static fn (array $stop, float $share): array => [$stop[0], new Colour((int) round(255 * $share), 0, 0), 1.0],
            $gradient->stops,
            $shares,
        );
        $covers = new Gradient($gradient->kind, $gradient->axis, $grey, $gradient->matrix, $gradient->spread);

        return static fn (float $x, float $y): float => Shade::at($covers, $x, $y)[0] / 255;
    }

    /** How much of an ink a colour takes, 0 to 1. */
    private function shareOf(Colour $colour, int $ink): float
    {
        $shares = $this->shares[$colour->hex()] ?? null;

        return $shares === null ? ($this->nearest($colour) === $ink ? 1.0 : 0.0) : ($shares[$this->inks[$ink]->hex()] ?? 0.0);
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
