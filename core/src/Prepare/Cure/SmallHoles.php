<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\BoxGrid;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Prepare\UnderLimits;

/** Holes too small to be weeded, or to stay open in print, are filled. A hole in which another colour lies is none: that is the island of the other. */
final readonly class SmallHoles implements TellsDeeds, UnderLimits
{
    use Described;

    /** @param  float  $size  mm: side of the square that has as much area; the limit of the ticket when nought */
    public function __construct(private float $size = 0.0, private ?Places $at = null)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep('fill-holes', 'Fill small holes', 'Holes too small to be weeded or to stay open are filled.', [
            Field::length('size', 'Smaller than a square of', 0.0, 0.0, 'as the ticket says when nought', 1000.0), Field::words('at', 'Only at', Field::PLACES),
        ], 62, ['merge-by-colour' => 'A hole is one only when its colour has been merged.'], true, 0.3, apart: AboutStep::MAKES);
    }

    public static function from(Values $values): self
    {
        return new self($values->length('size'), Places::from($values));
    }

    public function values(): array
    {
        return ['size' => $this->size, 'at' => $this->at?->text() ?? ''];
    }

    public function under(Limits $limits): static
    {
        return new self($this->size > 0 ? $this->size : $limits->hole, $this->at);
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $this->cure($artwork)->artwork;
    }

    public function cure(Artwork $artwork): Cured
    {
        $flat = Flat::of($artwork);
        $places = $this->at ?? Places::all();
        $patches = new Patches;
        $done = [];
        foreach (self::small($flat, $this->size) as [$i, $hole, $x, $y, $side]) {
            if ($places->lieIn($hole, new Point($x, $y))) {
                $patches->add($i, $hole);
                $done[] = ['kind' => 'small-hole', 'at' => [$x, $y], 'measured' => $side, 'how' => 'filled'];
            }
        }

        return new Cured($done === [] ? $flat : $patches->on($flat)[0], $done);
    }

    /**
     * @return list<array{int, Shape, float, float, float}> bare holes under a size: number of the piece, the hole, its middle, and the side of the square
     *     of its area
     */
    public static function small(Artwork $flat, float $size): array
    {
        $holes = [];
        $insides = [];
        $boxes = null;
        foreach ($size > 0 ? $flat->pieces : [] as $i => $piece) {
            foreach ($piece->isSolid() ? Parts::of($piece->shape) : [] as $part) {
                foreach (array_slice($part->contours, 1) as $contour) {
                    $hole = new Shape([$contour], FillRule::Evenodd);
                    if (abs($contour->area()) >= $size ** 2) {
                        continue;
                    }
                    [$x, $y] = Inscribed::in($hole, 0.05);
                    $boxes ??= new BoxGrid(array_map(static fn (Piece $piece): ?Box => $piece->box(), $flat->pieces));
                    foreach ($boxes->at($x, $y) as $k) {
                        if ($k !== $i && ($insides[$k] ??= new Inside($flat->pieces[$k]->shape))->holds($x, $y)) {
                            continue 2;
                        }
                    }
                    $holes[] = [$i, $hole, $x, $y, sqrt(abs($contour->area()))];
                }
            }
        }

        return $holes;
    }
}
