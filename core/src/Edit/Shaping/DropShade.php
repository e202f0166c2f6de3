<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Offset;

/**
 * P11: a shade behind the chosen pieces: what they sweep when they are moved, or a moved copy, cut by the pieces themselves and a gap round them. The
 * sweep of a shape along a vector is the shape, its copy, and what each segment sweeps between; a segment is cut where it runs along the vector.
 */
final readonly class DropShade implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(
        private array $ids,
        private float $angle,
        private float $distance,
        private float $gap,
        private bool $sweep,
        private Colour $colour,
    ) {
    }

    public static function about(string $kind): About
    {
        return new About('Drop shade', 'A shade behind, cut by the piece and a gap round it.', [
            Field::angle('angle', 'Angle', 45.0),
            Field::length('distance', 'Distance', 3.0, 1e-4, most: 10_000.0),
            Field::length('gap', 'Gap', 0.0, most: 1000.0),
            Field::choice('shade', 'As', 'sweep', ['sweep' => 'A sweep', 'copy' => 'A moved copy']), Field::colour('fill', 'Colour', '#26231d'),
            ...Leftovers::fields(),
        ], under: About::BORDERS, key: 'D');
    }

    public static function from(Values $values): self
    {
        return new self(
            $values->pieces(), $values->number('angle'), $values->length('distance'), $values->length('gap'),
            $values->choice('shade') === 'sweep', $values->colour('fill') ?? Colour::ink(),
        );
    }

    public function label(): string
    {
        return 'Drop shade';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        $tolerance = $artwork->tolerance();
        $shapes = array_values(array_map(static fn (Piece $piece): Shape => Outlined::whole($piece, $artwork), $chosen));
        $whole = Combine::weld($shapes, $tolerance);
        if ($whole->isEmpty()) {
            throw Refused::unpainted();
        }
        $x = $this->distance * cos(deg2rad($this->angle));
        $y = $this->distance * sin(deg2rad($this->angle));
        $copy = $whole->transformed(Matrix::translation($x, $y));
        $shade = $this->sweep ? Combine::weld([$whole, $copy, ...self::swept($whole, $x, $y)], $tolerance) : $copy;
        $shade = Combine::cutAway($shade, [$this->gap > 0.0 ? Offset::outset($whole, $this->gap, 'round', $tolerance) : $whole], $tolerance);
        if ($shade->isEmpty()) {
            throw Refused::because('The gap is as wide as the shade: nothing of it would be left.');
        }
        $lowest = array_values($chosen)[0];
        $piece = new Piece(
            FreeIds::in($artwork)->next(),
            $shade,
            new Paint($this->colour),
            null,
            'Shade',
            null,
            new Place($lowest->place->layer, $lowest->place->groups),
        );

        return Outlined::replaced($artwork, [$lowest->id => [$piece, $lowest]]);
    }

    /** @return list<Shape> what each part of the outline sweeps */
    private static function swept(Shape $shape, float $x, float $y): array
    {
        $out = [];
        foreach ($shape->contours as $contour) {
            foreach ($contour->segments() as $s) {
                $across = array_map(static fn (int $i): float => $s[$i] * $y - $s[$i + 1] * $x, [0, 2, 4, 6]);
                $cuts = Cubic::isLine($s) ? [] : Cubic::turns(...$across);
                sort($cuts);
                $from = 0.0;
                foreach ([...$cuts, 1.0] as $to) {
                    $p = $from === 0.0 && $to === 1.0 ? $s : Cubic::part($s, $from, $to);
                    $from = $to;
                    if (abs(($p[6] - $p[0]) * $y - ($p[7] - $p[1]) * $x) < 1e-12) {
                        continue;
                    }
                    $out[] = new Shape([Contour::ofSegments([
                        $p, Cubic::line($p[6], $p[7], $p[6] + $x, $p[7] + $y),
                        [$p[6] + $x, $p[7] + $y, $p[4] + $x, $p[5] + $y, $p[2] + $x, $p[3] + $y, $p[0] + $x, $p[1] + $y],
                        Cubic::line($p[0] + $x, $p[1] + $y, $p[0], $p[1]),
                    ], true)], FillRule::Nonzero);
                }
            }
        }

        return $out;
    }
}
