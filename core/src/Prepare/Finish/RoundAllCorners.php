<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Cure\Flat;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\Step;
use NeatEdge\Core\Recipe\Corners\RoundCorners;

/** Corners sharper than a blade or a screen gives become round, on both sides of a border alike; where three pieces meet a corner stays. */
final readonly class RoundAllCorners implements Step
{
    use Described;

    /** @param  float  $radius  mm */
    public function __construct(private float $radius)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep(
            'round-corners',
            'Round corners',
            'All corners get a radius, on both sides of a border alike.',
            [Field::length('radius', 'Radius', 0.3, most: 1000.0)],
            75,
            ['merge-by-colour' => 'Corners are those of what becomes one piece: merge before.'],
            true,
            0.2,
            apart: AboutStep::MAKES,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->length('radius'));
    }

    public function values(): array
    {
        return ['radius' => $this->radius];
    }

    public function apply(Artwork $artwork): Artwork
    {
        $flat = Flat::of($artwork);
        $meet = [];
        foreach ($flat->pieces as $piece) {
            $own = [];
            foreach ($piece->shape->contours as $contour) {
                for ($k = 0, $n = $contour->segmentCount(); $k < $n; $k++) {
                    $own[self::place($contour->coords[6 * $k], $contour->coords[6 * $k + 1])] = true;
                }
            }
            foreach ($own as $key => $_) {
                $meet[$key] = ($meet[$key] ?? 0) + 1;
            }
        }

        return $flat->with(apart: true, pieces: array_map(fn (Piece $piece): Piece => $this->rounded($piece, $meet), $flat->pieces));
    }

    /** @param  array<string, int>  $meet  how many pieces have a node at a place */
    private function rounded(Piece $piece, array $meet): Piece
    {
        $corners = [];
        foreach ($this->radius > 0 ? $piece->shape->contours : [] as $c => $contour) {
            for ($k = 0, $n = $contour->segmentCount(); $k < $n; $k++) {
                if (($meet[self::place($contour->coords[6 * $k], $contour->coords[6 * $k + 1])] ?? 0) < 3) {
                    $corners[] = [$c, $k, $this->radius];
                }
            }
        }

        return $corners === [] ? $piece : $piece->withShape((new RoundCorners($corners))->on($piece->shape));
    }

    private static function place(float $x, float $y): string
    {
        return (int) round($x * 1e4).' '.(int) round($y * 1e4);
    }
}
