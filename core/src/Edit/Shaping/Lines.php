<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\LinePlace;

/** The lines of some pieces in one row, each with where it belongs. */
final readonly class Lines
{
    /**
     * @param  list<Contour>  $contours
     * @param  list<Piece>  $pieces  whose contour each is
     * @param  list<int>  $numbers  which of its contours
     */
    private function __construct(public array $contours, public array $pieces, public array $numbers)
    {
    }

    /** @param  iterable<Piece>  $pieces */
    public static function of(iterable $pieces): self
    {
        $contours = $owners = $numbers = [];
        foreach ($pieces as $piece) {
            foreach ($piece->shape->contours as $i => $contour) {
                if ($contour->segmentCount() > 0) {
                    $contours[] = $contour;
                    $owners[] = $piece;
                    $numbers[] = $i;
                }
            }
        }

        return new self($contours, $owners, $numbers);
    }

    /**
     * Of the chosen pieces, or of all that can be touched when none is chosen.
     *
     * @param  list<string>  $ids
     */
    public static function chosen(Artwork $artwork, array $ids): self
    {
        return self::of(self::pieces($artwork, $ids));
    }

    /**
     * @param  list<string>  $ids
     * @return list<Piece> those, or all that can be touched
     */
    public static function pieces(Artwork $artwork, array $ids): array
    {
        return $ids !== [] ? array_values(Chosen::in($artwork, $ids)) : array_values(array_filter(
            $artwork->pieces,
            static fn (Piece $piece): bool => ! $artwork->hides($piece)
                && ! $piece->place->locked
                && ! ($artwork->layer($piece->place->layer)->locked ?? false),
        ));
    }

    /** The line nearest to a place, of those that a test lets through; null where there is none. */
    public function nearest(float $x, float $y, ?callable $which = null): ?int
    {
        $best = null;
        $least = INF;
        foreach ($this->contours as $k => $contour) {
            if ($which !== null && ! $which($k)) {
                continue;
            }
            [, $px, $py] = LinePlace::nearest($contour, $x, $y);
            $d = hypot($px - $x, $py - $y);
            if ($d < $least) {
                [$best, $least] = [$k, $d];
            }
        }

        return $best;
    }
}
