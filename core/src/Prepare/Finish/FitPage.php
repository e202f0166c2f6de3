<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Cure\Flat;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\Step;
use NeatEdge\Core\Seen\Extent;

/** What lies outside the page is cut off, or the page becomes that of the art. */
final readonly class FitPage implements Step
{
    use Described;

    private const HOW = ['cut' => 'Cut off what lies outside', 'page' => 'The page is that of the art'];

    public function __construct(private string $how = 'cut')
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep('fit-page', 'Fit to the page', 'What lies outside the page is cut off, or the page becomes that of the art.', [Field::choice('how', 'How', 'cut', self::HOW)], 45, looks: true, work: 0.3);
    }

    public static function from(Input $input): self
    {
        return new self($input->choice('how', array_keys(self::HOW), 'cut'));
    }

    public function values(): array
    {
        return ['how' => $this->how];
    }

    public function apply(Artwork $artwork): Artwork
    {
        if ($this->how === 'page') {
            $box = Extent::of($artwork);

            return $box === null || $box->width() <= 0 || $box->height() <= 0 ? $artwork : $artwork->framed($box)->with(apart: $artwork->apart);
        }
        $flat = Flat::of($artwork);
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

        return $flat->with(pieces: $pieces, apart: $flat->apart);
    }
}
