<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Measure\Inscribed;

/** Moves each of the chosen pieces, groups as one, away from a common place: parts that lie against one another get a gap. */
final readonly class PullApart implements Edit
{
    /**
     * @param  list<string>  $ids
     * @param  array{float, float}|null  $from  the middle of all when null
     */
    public function __construct(private array $ids, private float $by, private ?array $from)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Pull apart', 'Each moves away from the middle of all, by a distance.', [
            Field::signed('by', 'By', 2.0), Field::words('from', 'Away from', Field::PLACE, help: 'the middle of all when left out'),
        ], 2, About::JOIN, 'Z');
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->length('by'), $values->place('from'));
    }

    public function label(): string
    {
        return 'Pull apart';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids, 2);
        $middle = Chosen::box($chosen)->middle();
        [$x, $y] = $this->from ?? [$middle->x, $middle->y];
        $moves = [];
        foreach (Chosen::units($artwork, $chosen) as $unit) {
            // A bent part lies where it is thick, not in the middle of its box.
            [$ux, $uy, $radius] = count($unit) === 1 ? Inscribed::in($unit[0]->shape, 0.05) : [0.0, 0.0, 0.0];
            if ($radius <= 0.0) {
                $at = Chosen::box($unit)->middle();
                [$ux, $uy] = [$at->x, $at->y];
            }
            $long = hypot($ux - $x, $uy - $y);
            foreach ($unit as $piece) {
                $moves[$piece->id] = $long < 1e-6 ? Matrix::identity() : Matrix::translation($this->by * ($ux - $x) / $long, $this->by * ($uy - $y) / $long);
            }
        }

        return $artwork->mapped(static fn (Piece $piece): Piece => $piece->transformed($moves[$piece->id]), $chosen);
    }
}
