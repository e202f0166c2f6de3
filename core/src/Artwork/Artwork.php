<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Tolerance;

/** A document: a page in mm and the pieces on it, the lowest first. Never changed, only replaced. */
final readonly class Artwork
{
    /** @param  list<Piece>  $pieces */
    public function __construct(public float $width, public float $height, public array $pieces)
    {
    }

    /** @param  list<Piece>  $pieces */
    public function withPieces(array $pieces): self
    {
        return new self($this->width, $this->height, $pieces);
    }

    /** Scaled so that the page has the given width; strokes scale with it. */
    public function atWidth(float $width): self
    {
        $factor = $width / $this->width;
        if (abs($factor - 1) < 1e-12) {
            return $this;
        }
        $matrix = Matrix::scaling($factor, $factor);
        $pieces = [];
        foreach ($this->pieces as $piece) {
            $stroke = $piece->stroke;
            if ($stroke !== null) {
                $stroke = $stroke->pen === null
                    ? new Stroke($stroke->paint->transformed($matrix), $stroke->style->scaled($factor))
                    : new Stroke($stroke->paint->transformed($matrix), $stroke->style, $matrix->after($stroke->pen));
            }
            $pieces[] = new Piece($piece->id, $piece->shape->transformed($matrix), $piece->fill?->transformed($matrix), $stroke, $piece->name);
        }

        return new self($width, $this->height * $factor, $pieces);
    }

    /** How exact the engine works on art of this page. */
    public function tolerance(): Tolerance
    {
        return Tolerance::forExtent(max($this->width, $this->height));
    }

    public function piece(string $id): ?Piece
    {
        foreach ($this->pieces as $piece) {
            if ($piece->id === $id) {
                return $piece;
            }
        }

        return null;
    }

    public function nodeCount(): int
    {
        $sum = 0;
        foreach ($this->pieces as $piece) {
            $sum += $piece->shape->nodeCount();
        }

        return $sum;
    }
}
