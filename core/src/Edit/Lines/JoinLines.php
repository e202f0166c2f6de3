<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Geometry\Contour;

/** D3: joins two lines at those of their ends that lie nearest to one another; one line alone is closed. */
final readonly class JoinLines implements Edit
{
    /**
     * @param  list<string>  $ids
     * @param  float  $near  mm up to which two ends become one node
     */
    public function __construct(private array $ids, private float $near)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Join two lines', 'At their nearest ends; one line alone is closed.', [Field::length('near', 'Melt within', 0.05, most: 10.0)]);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->length('near'));
    }

    public function label(): string
    {
        return 'Join lines';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = array_keys(Chosen::in($artwork, $this->ids));
        if (count($chosen) === 1) {
            return (new CloseLine($chosen[0]))->apply($artwork);
        }
        if (count($chosen) !== 2) {
            throw Refused::because('Choose the two lines that are to be joined.');
        }
        [$a, $b] = array_map(fn (string $id): array => self::ends(OnContours::of($artwork->piece($id) ?? throw Refused::missingPiece($id))), $chosen);
        $best = null;
        foreach ($a as $one) {
            foreach ($b as $other) {
                $far = hypot($one[2] - $other[2], $one[3] - $other[3]);
                if ($best === null || $far < $best[0]) {
                    $best = [$far, $one, $other];
                }
            }
        }
        if ($best === null) {
            throw Refused::because('Only the ends of open lines can be joined.');
        }

        return (new JoinEnds([$chosen[0], $best[1][0], $best[1][1]], $chosen[1], $best[2][0], $best[2][1], $this->near))->apply($artwork);
    }

    /**
     * @param  list<Contour>  $contours
     * @return list<array{int, int, float, float}> contour, node, x, y
     */
    private static function ends(array $contours): array
    {
        $ends = [];
        foreach ($contours as $k => $contour) {
            if (! $contour->closed) {
                $last = count($contour->coords) - 2;
                $ends[] = [$k, 0, $contour->coords[0], $contour->coords[1]];
                $ends[] = [$k, $contour->segmentCount(), $contour->coords[$last], $contour->coords[$last + 1]];
            }
        }

        return $ends;
    }
}
