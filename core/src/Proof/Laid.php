<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Flat\Merging;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Prepare\Widths;
use NeatEdge\Core\Seen\Extent;

/** Art in a place of a thing: how wide it is there in truth, how far off the middle, and how far the thing is turned. */
final readonly class Laid
{
    /**
     * @param  Artwork  $art  as it is seen
     * @param  float  $width  mm in truth
     * @param  float  $x  mm in truth, to the right of the middle of the place
     * @param  float  $y  mm in truth, below it
     * @param  float  $turn  degrees by which a round thing is turned
     */
    public function __construct(public Artwork $art, public float $width, public float $x = 0.0, public float $y = 0.0, public float $turn = 0.0)
    {
    }

    /** @return list<Field> what is said of it */
    public static function fields(): array
    {
        return [
            Field::length('width', 'Width on the thing', 0.0, 0.0, 'in true size; as wide as the art where that fits, when nought', 20_000.0),
            Field::length('x', 'Off the middle, across', 0.0, -20_000.0, '', 20_000.0),
            Field::length('y', 'Off the middle, down', 0.0, -20_000.0, '', 20_000.0),
            Field::number('turn', 'Thing turned by, °', 0.0, -360.0, 360.0),
        ];
    }

    /** @param  array<string, mixed>  $typed */
    public static function of(Artwork $art, Place $place, array $typed): self
    {
        $values = Values::read(self::fields(), $typed);
        $box = self::boxOf($art);
        $width = $values->length('width');
        if ($width <= 0.0) {
            // As it is, unless the place is smaller.
            $width = $box->width() * min(1.0, $place->width / max(1e-9, $box->width()), $place->height / max(1e-9, $box->height()));
        }

        return new self($art, $width, $values->length('x'), $values->length('y'), $values->number('turn'));
    }

    /**
     * Where on a page of art a place in true size lies.
     *
     * @param  Box  $box  of the art on its page
     * @return array{float, float} mm of the page
     */
    public static function onPage(Box $box, float $width, float $x, float $y, float $s, float $t): array
    {
        $scale = max(1e-9, $width / max(1e-9, $box->width()));

        return [$box->middle()->x + ($s - $x) / $scale, $box->middle()->y + ($t - $y) / $scale];
    }

    /** What is seen of the art, mm of its page. */
    public function box(): Box
    {
        return self::boxOf($this->art);
    }

    private static function boxOf(Artwork $art): Box
    {
        return Extent::of($art) ?? new Box(0.0, 0.0, 1.0, 1.0);
    }

    /** From its page to the place: mm in truth about the middle of that. */
    public function flat(): Matrix
    {
        $box = $this->box();
        $scale = $this->width / max(1e-9, $box->width());
        $middle = $box->middle();

        return new Matrix($scale, 0.0, 0.0, $scale, $this->x - $scale * $middle->x, $this->y - $scale * $middle->y);
    }

    /** How many times as large it lies there as it was drawn. */
    public function scale(): float
    {
        return $this->width / max(1e-9, $this->box()->width());
    }

    /**
     * F2: how wide its narrowest line is on the thing.
     *
     * @param  float  $limit  mm on the thing
     * @return float|null mm on the thing; null where none is under the limit
     */
    public function narrowest(float $limit): ?float
    {
        $scale = $this->scale();
        $least = null;
        foreach (Widths::of(Merging::laid($this->art), new Limits($limit / max(1e-9, $scale), 0.0))->lines as $places) {
            foreach ($places as $place) {
                $least = min($least ?? INF, $place->width * $scale);
            }
        }

        return $least;
    }

    public function height(): float
    {
        $box = $this->box();

        return $this->width * $box->height() / max(1e-9, $box->width());
    }
}
