<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\Step;

/** The result at another width, its strokes along. */
final readonly class ScaleTo implements Step
{
    use Described;

    /** @param  float  $width  mm of the page; as it is when nought */
    public function __construct(private float $width)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep(
            'scale',
            'Scale to size',
            'The result at another width.',
            [Field::length('width', 'Width', 0.0, 0.0, 'as it is when nought')],
            5,
            looks: true,
            work: 0.05,
            cuts: true,
            apart: AboutStep::KEEPS,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->length('width'));
    }

    public function values(): array
    {
        return ['width' => $this->width];
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $this->width > 0 ? $artwork->atWidth($this->width) : $artwork;
    }
}
