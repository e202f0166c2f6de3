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
        $shade = $this->sweep ? Combine::weld([self::swept($whole, $x, $y)], $tolerance) : $whole->transformed(Matrix::translation($x, $y));
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

    /**
     * What a shape covers on its way, in contours that may lie over each other.
     *
     * What looks ahead sweeps a strip, what looks back nothing that is not covered. The winding numbers of all strips and of the shape add up to that of its
     * outline with all that looks ahead moved on.
     *
     * @param  Shape  $shape  an outcome of a planar map: what encloses runs clockwise on the bench
     */
    private static function swept(Shape $shape, float $x, float $y): Shape
    {
        $swept = [];
        foreach ($shape->contours as $contour) {
            $laid = [];
            foreach ($contour->closedSegments() as $s) {
                $across = array_map(static fn (int $i): float => $s[$i] * $y - $s[$i + 1] * $x, [0, 2, 4, 6]);
                $cuts = Cubic::isLine($s) ? [] : Cubic::turns(...$across);
                sort($cuts);
                $from = 0.0;
                foreach ([...$cuts, 1.0] as $to) {
                    $part = $from === 0.0 && $to === 1.0 ? $s : Cubic::part($s, $from, $to);
                    $from = $to;
                    $ahead = ($part[6] - $part[0]) * $y - ($part[7] - $part[1]) * $x < -1e-12;
                    self::lay($laid, $ahead ? [
                        $part[0] + $x, $part[1] + $y, $part[2] + $x, $part[3] + $y, $part[4] + $x, $part[5] + $y, $part[6] + $x, $part[7] + $y,
                    ] : $part);
                }
            }
            if ($laid !== []) {
                $swept[] = Contour::ofSegments($laid, true);
            }
        }

        return new Shape($swept, FillRule::Nonzero);
    }

    /**
     * One segment more, and the way to it where it does not begin where the last one ended.
     *
     * @param  list<list<float>>  $laid
     * @param  list<float>  $s
     */
    private static function lay(array &$laid, array $s): void
    {
        $last = $laid[count($laid) - 1] ?? null;
        if ($last !== null && hypot($last[6] - $s[0], $last[7] - $s[1]) > 1e-9) {
            $laid[] = Cubic::line($last[6], $last[7], $s[0], $s[1]);
        }
        $laid[] = $s;
    }
}
