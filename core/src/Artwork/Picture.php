<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Matrix;

/** A picture of dots, kept as it was referred to: its bytes in a data: address, or the name of a file beside the drawing. It is never opened. */
final readonly class Picture
{
    /** How it may fill its frame. */
    public const FIT = '/^(none|xM(in|id|ax)YM(in|id|ax))(\s+(meet|slice))?$/D';

    /** Whether it is the picture itself, or a file that lies beside the drawing: nothing else may be referred to. */
    public static function isReference(string $text): bool
    {
        return preg_match('~^data:image/(png|jpeg|jpg|gif|webp);base64,[A-Za-z0-9+/]+={0,2}$~iD', $text) === 1
            || (strlen($text) <= 1000 && preg_match('~^[\w.\-][\w .\-]*(/[\w.\-][\w .\-]*)*$~uD', $text) === 1 && ! str_contains($text, '..'));
    }

    /**
     * @param  string  $reference  data:image/png, jpeg, gif or webp in base64, or a relative file name
     * @param  float  $width  of its frame, from 0, in its own space
     * @param  float  $height  of its frame, from 0, in its own space
     * @param  Matrix  $matrix  from its own space to mm
     * @param  string  $fit  how it fills the frame: a preserveAspectRatio of SVG
     */
    public function __construct(
        public string $reference,
        public float $width,
        public float $height,
        public Matrix $matrix,
        public string $fit = 'xMidYMid meet',
    ) {
    }

    public function transformed(Matrix $matrix): self
    {
        return new self($this->reference, $this->width, $this->height, $matrix->after($this->matrix), $this->fit);
    }

    public function key(): string
    {
        $m = $this->matrix;

        return 'picture-'.hash(
            'xxh128',
            $this->reference.$this->fit.sprintf(
                ' %.6f %.6f %.6f %.6f %.6f %.6f %.6f %.6f',
                $this->width,
                $this->height,
                $m->a,
                $m->b,
                $m->c,
                $m->d,
                $m->e,
                $m->f,
            ),
        );
    }
}
