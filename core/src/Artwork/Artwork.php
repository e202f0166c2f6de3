<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Tolerance;

/** A document: a page in mm and the pieces on it, the lowest first. Never changed, only replaced. */
final readonly class Artwork
{
    /** @var non-empty-list<Layer> */
    public array $layers;

    /**
     * @param  list<Piece>  $pieces  layer by layer, and those of a group together
     * @param  list<Layer>  $layers  the lowest first; one when none is given
     * @param  array<string, string>  $groups  names by the id of a group
     * @param  list<Guide>  $guides
     * @param  list<LineStep>|null  $line  by which it is prepared; as is usual for its process when null
     * @param  int  $numbered  the highest number of an id that is in use beside those of the pieces: where they are but a part of what lies on a bench
     * @param  bool  $apart  whether it is known that no two solid pieces overlap; with other pieces it is known no more
     */
    public function __construct(
        public float $width,
        public float $height,
        public array $pieces,
        array $layers = [],
        public array $groups = [],
        public array $guides = [],
        public ?Reference $reference = null,
        public bool $apart = false,
        public ?array $line = null,
        public int $numbered = 0,
    ) {
        $this->layers = $layers === [] ? [new Layer(Layer::FIRST, 'Art')] : $layers;
    }

    /** @param  list<Piece>  $pieces */
    public function withPieces(array $pieces): self
    {
        return $this->with(pieces: $pieces);
    }

    /** The same with some properties, by their names, replaced. */
    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...(isset($changes['pieces']) ? ['apart' => false] : []), ...$changes];

        return new self(...$all);
    }

    /**
     * @param  callable(Piece): Piece  $change
     * @param  array<string, mixed>  $only  by id of the pieces to change
     */
    public function mapped(callable $change, array $only): self
    {
        $pieces = $this->pieces;
        foreach ($pieces as $i => $piece) {
            if (isset($only[$piece->id])) {
                $pieces[$i] = $change($piece);
            }
        }

        return $this->withPieces($pieces);
    }

    /** Scaled so that the page has the given width; strokes scale with it. */
    public function atWidth(float $width): self
    {
        $factor = $width / $this->width;
        if (abs($factor - 1) < 1e-12) {
            return $this;
        }
        $matrix = Matrix::scaling($factor, $factor);

        return $this->with(
            width: $width,
            height: $this->height * $factor,
            pieces: array_map(static fn (Piece $piece): Piece => $piece->transformed($matrix), $this->pieces),
            guides: array_map(static fn (Guide $guide): Guide => new Guide($guide->id, $guide->upright, $guide->at * $factor), $this->guides),
            reference: $this->reference?->with(
                x: $this->reference->x * $factor,
                y: $this->reference->y * $factor,
                width: $this->reference->width * $factor,
                height: $this->reference->height * $factor,
            ),
        );
    }

    /** With another page: the given part of the bench, which then begins at its corner. */
    public function framed(Box $page): self
    {
        $matrix = Matrix::translation(-$page->left, -$page->top);

        return $this->with(
            width: $page->width(),
            height: $page->height(),
            pieces: array_map(static fn (Piece $piece): Piece => $piece->transformed($matrix), $this->pieces),
            guides: array_map(
                static fn (Guide $guide): Guide => new Guide($guide->id, $guide->upright, $guide->at - ($guide->upright ? $page->left : $page->top)),
                $this->guides,
            ),
            reference: $this->reference?->with(x: $this->reference->x - $page->left, y: $this->reference->y - $page->top),
        );
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

    public function layer(string $id): ?Layer
    {
        foreach ($this->layers as $layer) {
            if ($layer->id === $id) {
                return $layer;
            }
        }

        return null;
    }

    /** Whether a piece is hidden, itself or by its layer. */
    public function hides(Piece $piece): bool
    {
        return $piece->place->hidden || ($this->layer($piece->place->layer)->hidden ?? false);
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
