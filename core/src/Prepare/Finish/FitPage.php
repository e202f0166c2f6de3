<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Cure\Flat;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\UnderLimits;
use NeatEdge\Core\Seen\Extent;
use NeatEdge\Core\Seen\SingleCuts;

/** What lies outside the page is cut off, or the page becomes that of the art, or all of it becomes as small as the bed needs. */
final readonly class FitPage implements UnderLimits
{
    use Described;

    private const HOW = ['cut' => 'Cut off what lies outside', 'page' => 'The page is that of the art', 'bed' => 'As small as the bed needs'];

    /**
     * @param  float  $bedWidth  mm, of the bed that is fitted to; 0: as on the ticket
     * @param  float  $bedHeight  mm; nought for a roll
     */
    public function __construct(private string $how = 'cut', private float $bedWidth = 0.0, private float $bedHeight = 0.0)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep(
            'fit-page',
            'Fit to the page',
            'What lies outside the page is cut off, the page becomes that of the art, or the whole becomes as small as the bed needs.',
            [
                Field::choice('how', 'How', 'cut', self::HOW),
                Field::length('bedWidth', 'Bed width', 0.0, 0.0, '0: as on the ticket'),
                Field::length('bedHeight', 'Bed height', 0.0, 0.0, 'nought for a roll'),
            ],
            45,
            looks: true,
            work: 0.3,
            cuts: true,
            apart: AboutStep::KEEPS,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->choice('how'), $values->length('bedWidth'), $values->length('bedHeight'));
    }

    public function values(): array
    {
        return ['how' => $this->how, 'bedWidth' => $this->bedWidth, 'bedHeight' => $this->bedHeight];
    }

    public function under(Limits $limits): static
    {
        return $this->bedWidth > 0 ? $this : new self($this->how, $limits->bedWidth, $limits->bedHeight);
    }

    public function apply(Artwork $artwork): Artwork
    {
        if ($this->how === 'bed') {
            $factor = $this->fitting($artwork);

            return $factor >= 1.0 ? $artwork : $artwork->atWidth($artwork->width * $factor);
        }
        if ($this->how === 'page') {
            $box = Extent::of($artwork);

            return $box === null || $box->width() <= 0 || $box->height() <= 0 ? $artwork : $artwork->framed($box);
        }
        [$painted, $cuts] = SingleCuts::apart($artwork);
        $flat = Flat::of($painted);
        $page = Shape::of(Contour::rectangle(0.0, 0.0, $flat->width, $flat->height));
        $pieces = [];
        foreach ($flat->pieces as $piece) {
            $box = $piece->box();
            $within = $box !== null && $box->left >= 0 && $box->top >= 0 && $box->right <= $flat->width && $box->bottom <= $flat->height;
            $shape = $within ? $piece->shape : Combine::keepOverlap([$piece->shape, $page], $flat->tolerance());
            if (! $shape->isEmpty()) {
                $pieces[] = $within ? $piece : $piece->withShape($shape);
            }
        }

        $within = array_map(static fn (Piece $cut): Piece => $cut->withShape(SingleCuts::within($cut->shape, $page)), $cuts);

        return SingleCuts::laidOn(
            $flat->with(pieces: $pieces, apart: true),
            array_values(array_filter($within, static fn (Piece $cut): bool => ! $cut->shape->isEmpty())),
        );
    }

    /** By how much the art must be smaller to fit the bed, turned or not: the larger of both ways. */
    private function fitting(Artwork $artwork): float
    {
        $box = $this->bedWidth > 0 ? Extent::of($artwork) : null;
        if ($box === null || $box->width() <= 0 || $box->height() <= 0) {
            return 1.0;
        }
        $long = $this->bedHeight > 0 ? $this->bedHeight : INF;

        return max(min($this->bedWidth / $box->width(), $long / $box->height()), min($this->bedWidth / $box->height(), $long / $box->width()));
    }
}
