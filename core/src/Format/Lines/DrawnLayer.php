<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Lines;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** What lies on one layer, or is drawn by one pen: in mm. */
final class DrawnLayer
{
    /** @var list<Contour> wishes to cut or to draw, of no width */
    public array $lines = [];

    /** @var list<DrawnLine> */
    public array $wide = [];

    /** @var list<Shape> */
    public array $areas = [];

    /** @var list<Words> */
    public array $words = [];

    /** @param  string|null  $colour  #rrggbb, where the file says which */
    public function __construct(public readonly string $name, public readonly ?string $colour = null)
    {
    }

    public function transformed(Matrix $matrix): self
    {
        $moved = new self($this->name, $this->colour);
        $moved->lines = array_map(static fn (Contour $line): Contour => $line->transformed($matrix), $this->lines);
        $moved->wide = array_map(static fn (DrawnLine $line): DrawnLine => $line->transformed($matrix), $this->wide);
        $moved->areas = array_map(static fn (Shape $area): Shape => $area->transformed($matrix), $this->areas);
        $moved->words = array_map(static fn (Words $words): Words => $words->transformed($matrix), $this->words);

        return $moved;
    }
}
