<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\Step;

/** C4: open lines of which the ends nearly meet are closed; what is filled is closed as it is drawn. */
final readonly class CloseLines implements Step
{
    use Described;

    /** @param  float  $gap  mm between ends that are taken to meet */
    public function __construct(private float $gap = 0.5)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep(
            'close-lines',
            'Close lines',
            'Open lines of which the ends nearly meet are closed.',
            [Field::length('gap', 'Ends nearer than', 0.5, most: 1000.0)],
            6,
            looks: true,
            work: 0.02,
            cuts: true,
            apart: AboutStep::KEEPS,
            byPiece: AboutStep::DRAWN,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->length('gap'));
    }

    public function values(): array
    {
        return ['gap' => $this->gap];
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $artwork->withPieces(array_map(function (Piece $piece): Piece {
            $contours = array_map(fn (Contour $contour): Contour => $this->closed($contour, $piece->fill !== null), $piece->shape->contours);

            return $contours === $piece->shape->contours ? $piece : $piece->withShape(new Shape($contours, $piece->shape->rule));
        }, $artwork->pieces));
    }

    private function closed(Contour $contour, bool $filled): Contour
    {
        if ($contour->closed || $contour->segmentCount() < 2) {
            return $contour;
        }
        $c = $contour->coords;
        $n = count($c);
        $gap = hypot($c[$n - 2] - $c[0], $c[$n - 1] - $c[1]);
        if ($gap > $this->gap && ! $filled) {
            return $contour;
        }
        $segments = $contour->segments();
        if ($gap > 1e-9) {
            $segments[] = Cubic::line($c[$n - 2], $c[$n - 1], $c[0], $c[1]);
        }

        return Contour::ofSegments($segments, true);
    }
}
