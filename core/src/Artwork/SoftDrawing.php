<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Measure\Colour;
use WeakMap;

/** What a soft piece paints, as a paint: it stays as it was drawn, whatever part of it a step of preparation leaves to be seen. */
final class SoftDrawing
{
    /** @var WeakMap<self, string>|null */
    private static ?WeakMap $keys = null;

    /** @param  non-empty-list<Piece>  $pieces  plain and hard, the lowest first: a fill, or a fill and its line */
    public function __construct(public readonly array $pieces, public readonly SoftLook $look)
    {
    }

    public function transformed(Matrix $matrix): self
    {
        return new self(array_map(static fn (Piece $piece): Piece => $piece->transformed($matrix), $this->pieces), $this->look->transformed($matrix));
    }

    /** The paint that stands for it where only one can be shown: that of what lies uppermost and is no line, if anything is none. */
    public function mainPaint(): Paint
    {
        foreach (array_reverse($this->pieces) as $piece) {
            if ($piece->fill !== null) {
                return $piece->fill;
            }
        }

        return $this->pieces[0]->stroke->paint ?? new Paint(new Colour(0, 0, 0));
    }

    /** The same for drawings that look the same. */
    public function key(): string
    {
        self::$keys ??= new WeakMap;

        return self::$keys[$this] ??= 'soft-'.hash('xxh128', serialize([$this->pieces, $this->look]));
    }
}
