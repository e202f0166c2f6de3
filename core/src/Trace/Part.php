<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Trace\Repeated\Again;

/** What lies together of one colour, its holes cut out. */
final readonly class Part
{
    /**
     * @param  int  $ink  number of its colour
     * @param  non-empty-list<Contour>  $contours  the outer one first; dots
     * @param  Model|null  $model  what it is where it is a shape with a name and has no hole
     * @param  int  $dots  of the picture
     * @param  float|null  $line  how wide it is where its contours are the middle of a line, in dots
     * @param  Cap  $cap  how such a line ends
     * @param  Again|null  $again  how it comes again where it is drawn once
     */
    public function __construct(
        public int $ink,
        public array $contours,
        public ?Model $model,
        public int $dots,
        public ?float $line = null,
        public Cap $cap = Cap::Butt,
        public ?Again $again = null,
    ) {
    }

    public function repeated(Again $again): self
    {
        return new self($this->ink, $this->contours, $this->model, $this->dots, $this->line, $this->cap, $again);
    }
}
