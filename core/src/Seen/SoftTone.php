<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftDrawing;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Tolerance;
use WeakMap;

/**
 * How much of a soft drawing is seen where, worked out on a lattice a quarter of its least deviation wide. It is for dots of a screen and for the line along
 * which an edge is hardened; pictures of dots for people are made by another program.
 *
 * @source CSS Masking 1, 7 (luminance masks); Filter Effects 1 (order of filter, clip, mask, opacity)
 */
final class SoftTone
{
    /** Cells of a deviation: as many as make three boxes of eight, eight and nine cells spread just as far as the Gaussian that they stand for. */
    private const FINE = 4.1433;

    /** Cells across where nothing is blurred. */
    private const ACROSS = 400;

    /** Cells at most. */
    private const MOST = 1_000_000;

    /** @var WeakMap<SoftDrawing, ToneGrid>|null */
    private static ?WeakMap $known = null;

    private function __construct(private readonly ToneGrid $bare, private readonly Tolerance $tolerance)
    {
    }

    public static function of(SoftDrawing $drawing): ToneGrid
    {
        self::$known ??= new WeakMap;

        return self::$known[$drawing] ??= self::made($drawing);
    }

    private static function made(SoftDrawing $drawing): ToneGrid
    {
        $boxes = array_values(array_filter(array_map(static fn (Piece $piece): ?Box => Extent::piece($piece, new Tolerance), $drawing->pieces)));
        $box = Box::around(...$boxes) ?? new Box(0.0, 0.0, 1.0, 1.0);
        $tolerance = Tolerance::forExtent(max($box->width(), $box->height(), 1e-3));
        // A cell of bare ground all round, so that no line of a level leaves the lattice.
        $box = $box->grown(4 * $drawing->look->edge);
        $edges = self::edges($drawing->look);
        $longest = max($box->width(), $box->height(), 1e-6);
        $cell = $edges === [] ? $longest / self::ACROSS : max(min($edges) / self::FINE, $longest / 3000);
        $cell = max($cell, sqrt($box->width() * $box->height() / self::MOST));
        $self = new self(ToneGrid::over($box->grown(2 * $cell), $cell), $tolerance);

        return $self->looked($self->drawn($drawing->pieces), $drawing->look)[0];
    }

    /** @return list<float> all deviations in it, mm */
    private static function edges(SoftLook $look): array
    {
        $edges = $look->edge > 0 ? [$look->edge] : [];
        foreach ($look->clips as $clip) {
            foreach ($clip as $piece) {
                array_push($edges, ...($piece->soft === null ? [] : self::edges($piece->soft)));
            }
        }

        return $edges;
    }

    /**
     * @param  list<Piece>  $pieces
     * @return array{ToneGrid, ToneGrid} how much is covered, and how much light there is in that
     */
    private function drawn(array $pieces): array
    {
        $all = [$this->bare, $this->bare];
        foreach ($pieces as $piece) {
            $own = [$this->bare, $this->bare];
            if ($piece->fill !== null) {
                $own = self::over($own, self::painted($this->bare->covered($piece->shape), $piece->fill));
            }
            if ($piece->stroke !== null) {
                $own = self::over($own, self::painted($this->bare->covered(Painted::region($piece, $this->tolerance)), $piece->stroke->paint));
            }
            $all = self::over($all, $piece->soft === null ? $own : $this->looked($own, $piece->soft));
        }

        return $all;
    }

    /**
     * @param  array{ToneGrid, ToneGrid}  $layer
     * @return array{ToneGrid, ToneGrid}
     */
    private function looked(array $layer, SoftLook $look): array
    {
        if ($look->edge > 0.0) {
            $layer = array_map(static fn (ToneGrid $grid): ToneGrid => $grid->blurred($look->edge), $layer);
        }
        $fade = $look->fade;
        if ($fade !== null) {
            $layer = array_map(
                static fn (ToneGrid $grid): ToneGrid => $grid->changed(
                    static fn (float $tone, float $x, float $y): float => $tone * Shade::at($fade, $x, $y)[3],
                ),
                $layer,
            );
        }
        foreach ($look->clips as $clip) {
            $light = $this->drawn($clip)[1];
            $through = static fn (float $tone, float $seen): float => $tone * $seen;
            $layer = array_map(static fn (ToneGrid $grid): ToneGrid => $grid->with($light, $through), $layer);
        }

        return $layer;
    }

    /**
     * @param  array{ToneGrid, ToneGrid}  $below
     * @param  array{ToneGrid, ToneGrid}  $above
     * @return array{ToneGrid, ToneGrid}
     */
    private static function over(array $below, array $above): array
    {
        $through = static fn (ToneGrid $grid): ToneGrid => $grid->with($above[0], static fn (float $tone, float $over): float => $tone * (1 - $over));
        $sum = static fn (float $a, float $b): float => $a + $b;

        return [$through($below[0])->with($above[0], $sum), $through($below[1])->with($above[1], $sum)];
    }

    /** @return array{ToneGrid, ToneGrid} */
    private static function painted(ToneGrid $area, Paint $paint): array
    {
        $gradient = $paint->gradient;
        if ($gradient === null) {
            $light = $paint->opacity * self::lightOf($paint->colour->red, $paint->colour->green, $paint->colour->blue);

            return [
                $paint->opacity >= 1.0 ? $area : $area->changed(static fn (float $tone): float => $tone * $paint->opacity),
                $light >= 1.0 ? $area : $area->changed(static fn (float $tone): float => $tone * $light),
            ];
        }

        return [
            $area->changed(static fn (float $tone, float $x, float $y): float => $tone * Shade::at($gradient, $x, $y)[3]),
            $area->changed(static function (float $tone, float $x, float $y) use ($gradient): float {
                [$red, $green, $blue, $opacity] = Shade::at($gradient, $x, $y);

                return $tone * $opacity * self::lightOf($red, $green, $blue);
            }),
        ];
    }

    /** @return float 0 to 1 */
    private static function lightOf(float $red, float $green, float $blue): float
    {
        return (0.2125 * $red + 0.7154 * $green + 0.0721 * $blue) / 255;
    }
}
