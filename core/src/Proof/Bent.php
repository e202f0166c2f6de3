<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof;

use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftDrawing;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Patience\Patience;

/** Art in a place of a thing as it is seen there: outlines are bent, those of clips and soft drawings too; paints follow as far as a matrix can. */
final readonly class Bent
{
    private Inside $area;

    /** @param  float  $turn  degrees */
    public function __construct(private Place $place, private float $turn)
    {
        $this->area = new Inside($place->area);
    }

    /**
     * Flat in true size, then as the thing bends it, within what can be seen of the place.
     *
     * @return list<Piece>
     */
    public function art(Laid $laid): array
    {
        $flat = $laid->flat();
        $pieces = [];
        foreach ($laid->art->pieces as $piece) {
            Patience::ask(64);
            array_push($pieces, ...$this->pieces($piece->transformed($flat)));
        }

        return $pieces;
    }

    /**
     * A piece that lies flat, as it is seen: of what is cut by the edge of the place, fill and stroke apart, for the one is closed there and the other ends.
     *
     * @return list<Piece>
     */
    private function pieces(Piece $piece): array
    {
        if ($piece->fill !== null && $piece->stroke !== null && ! $this->place->holds($piece->shape, $this->turn)) {
            return [...$this->pieces($piece->with(stroke: null)), ...$this->pieces($piece->with(fill: null))];
        }
        $bent = $this->bent($piece);
        if ($bent === null) {
            return [];
        }

        return [$this->isWithin($bent->shape) ? $bent : $bent->with(clip: new Piece('area', $this->place->area, new Paint(new Colour(255, 255, 255))))];
    }

    /** @return Piece|null null for what faces away or lies beyond the place */
    private function bent(Piece $piece): ?Piece
    {
        $own = $piece->box()?->middle();
        $shape = $this->place->seen($piece->shape, $this->turn, $piece->fill === null);
        if ($own === null || $shape->isEmpty()) {
            return null;
        }
        $near = $this->place->near($own->x, $own->y, $this->turn);
        $fill = $piece->fill;
        $drawing = $fill?->soft === null ? null : $this->drawing($fill->soft, $near);
        if ($fill?->soft !== null && $drawing === null) {
            return null;
        }

        return $piece->with(
            shape: $shape,
            recipe: null,
            fill: $drawing === null ? $fill?->transformed($near) : new Paint($fill->colour, $fill->opacity, soft: $drawing),
            stroke: $piece->stroke?->transformed($near, true),
            soft: $piece->soft === null ? null : $this->look($piece->soft, $near),
        );
    }

    private function drawing(SoftDrawing $drawing, Matrix $near): ?SoftDrawing
    {
        $pieces = array_values(array_filter(array_map($this->bent(...), $drawing->pieces)));

        return $pieces === [] ? null : new SoftDrawing($pieces, $this->look($drawing->look, $near));
    }

    private function look(SoftLook $look, Matrix $near): SoftLook
    {
        $clips = [];
        foreach ($look->clips as $clip) {
            $bent = array_values(array_filter(array_map($this->bent(...), $clip)));
            // Through a clip of which nothing is seen there, nothing is.
            $clips[] = $bent === [] ? [$clip[0]->with(shape: new Shape([]), recipe: null)] : $bent;
        }

        return new SoftLook($look->edge * $near->meanScale(), $look->fade?->transformed($near), $clips);
    }

    /** Whether a shape lies wholly in the area, as far as its box tells: most do, and are not cut. */
    private function isWithin(Shape $shape): bool
    {
        $box = $shape->box() ?? new Box(0.0, 0.0, 0.0, 0.0);
        foreach ([[0, 0], [1, 0], [1, 1], [0, 1], [0.5, 0], [0.5, 1], [0, 0.5], [1, 0.5]] as [$u, $v]) {
            if (! $this->area->holds($box->left + $u * $box->width(), $box->top + $v * $box->height())) {
                return false;
            }
        }

        return true;
    }
}
