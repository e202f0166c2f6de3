<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** What holds inside an element while a drawing is walked. */
final readonly class Scope
{
    /**
     * @param  Matrix  $matrix  from user units to mm
     * @param  list<Shape>  $clips  in mm, all of which bound what is drawn
     * @param  list<string>  $uses  ids that are being used, outermost first
     */
    public function __construct(
        public Style $style,
        public Matrix $matrix,
        public Viewport $viewport,
        public array $clips = [],
        public array $uses = [],
        public int $depth = 0,
    ) {
    }

    public function inside(Style $style, Matrix $own): self
    {
        return new self($style, $this->matrix->after($own), $this->viewport, $this->clips, $this->uses, $this->depth + 1);
    }

    public function styled(Style $style): self
    {
        return new self($style, $this->matrix, $this->viewport, $this->clips, $this->uses, $this->depth);
    }

    public function clippedBy(Shape $clip): self
    {
        return new self($this->style, $this->matrix, $this->viewport, [...$this->clips, $clip], $this->uses, $this->depth);
    }

    /** Inside something that is defined elsewhere and cut as a whole afterwards. */
    public function unclipped(Style $style, Matrix $own): self
    {
        return new self($style, $this->matrix->after($own), $this->viewport, [], $this->uses, $this->depth + 1);
    }

    /** The same, nothing cut off yet: what is blurred is cut afterwards. */
    public function whole(): self
    {
        return new self($this->style, $this->matrix, $this->viewport, [], $this->uses, $this->depth);
    }

    public function showing(Viewport $viewport, Matrix $fit): self
    {
        return new self($this->style, $this->matrix->after($fit), $viewport, $this->clips, $this->uses, $this->depth);
    }

    public function using(string $id): self
    {
        return new self($this->style, $this->matrix, $this->viewport, $this->clips, [...$this->uses, $id], $this->depth);
    }

    /** In user units. */
    public function fontSize(): float
    {
        return $this->viewport->length($this->style->get('font-size'), 'o') ?? 16.0;
    }
}
