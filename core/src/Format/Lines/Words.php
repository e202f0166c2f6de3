<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Lines;

use NeatEdge\Core\Geometry\Matrix;

/** Letters of a drawing in lines, as it states them: they begin at the origin of a space with y upwards, that the matrix leads out of into mm. */
final readonly class Words
{
    /**
     * @param  float  $height  of capital letters, in that space
     * @param  string  $family  of the font, as the file names it
     * @param  string  $align  start, middle or end
     * @param  string  $stand  base, bottom, middle or top: what of the letters stands at the origin
     * @param  float  $leading  from line to line, in heights
     * @param  float|null  $fit  how long the line must be, in that space; as it comes when null
     * @param  float|null  $wrap  how long a line may be before its words go on in the next; any length when null
     */
    public function __construct(
        public string $text,
        public float $height,
        public Matrix $matrix,
        public string $family = 'sans-serif',
        public bool $bold = false,
        public bool $italic = false,
        public string $align = 'start',
        public string $stand = 'base',
        public float $leading = 5 / 3,
        public ?float $fit = null,
        public ?float $wrap = null,
    ) {
    }

    public function transformed(Matrix $matrix): self
    {
        return new self(
            $this->text, $this->height, $matrix->after($this->matrix), $this->family, $this->bold, $this->italic, $this->align, $this->stand,
            $this->leading, $this->fit, $this->wrap,
        );
    }
}
