<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Shape;

/** What is cut or printed in one colour. */
final readonly class Sheet
{
    /**
     * @param  list<Piece>  $pieces  areas
     * @param  list<Piece>  $cuts  lines that are cut once
     */
    private function __construct(public Paint $paint, public array $pieces, public array $cuts, private float $width, private float $height)
    {
    }

    /** @return list<self> one for each paint, in the order in which they first appear, the lowest first */
    public static function allOf(Artwork $artwork): array
    {
        $paints = $areas = $cuts = [];
        foreach ($artwork->pieces as $piece) {
            if ($piece->fill !== null) {
                $paints[$piece->fill->key()] ??= $piece->fill;
                $areas[$piece->fill->key()][] = $piece;
            } elseif ($piece->stroke !== null && $piece->stroke->cut) {
                $paints[$piece->stroke->paint->key()] ??= $piece->stroke->paint;
                $cuts[$piece->stroke->paint->key()][] = $piece;
            }
        }
        $sheets = [];
        foreach ($paints as $key => $paint) {
            $sheets[] = new self($paint, $areas[$key] ?? [], $cuts[$key] ?? [], $artwork->width, $artwork->height);
        }

        return $sheets;
    }

    /** The sheet alone, on the page of the whole, so that sheets lie on one another. */
    public function artwork(): Artwork
    {
        return new Artwork($this->width, $this->height, [...$this->pieces, ...$this->cuts]);
    }

    /** @return list<Shape> */
    public function shapes(): array
    {
        return array_map(static fn (Piece $piece): Shape => $piece->shape, $this->pieces);
    }

    public function box(): ?Box
    {
        return Box::around(...array_filter(array_map(static fn (Piece $piece): ?Box => $piece->box(), [...$this->pieces, ...$this->cuts])));
    }

    /** Separate parts that come away from the sheet: outer contours, holes not counted. */
    public function partCount(): int
    {
        $count = 0;
        foreach ($this->shapes() as $shape) {
            $areas = array_map(static fn ($contour): float => $contour->area(), $shape->contours);
            $sign = array_sum($areas) >= 0 ? 1 : -1;
            $count += count(array_filter($areas, static fn (float $area): bool => $area * $sign > 0));
        }

        return $count;
    }

    public function nodeCount(): int
    {
        return array_sum(array_map(static fn (Shape $shape): int => $shape->nodeCount(), $this->shapes()));
    }

    /** mm that a blade travels along all outlines and single cuts. */
    public function cutLength(): float
    {
        return array_sum(array_map(static fn (Piece $piece): float => $piece->shape->length(), [...$this->pieces, ...$this->cuts]));
    }

    /** mm² */
    public function area(): float
    {
        return array_sum(array_map(static fn (Shape $shape): float => $shape->area(), $this->shapes()));
    }

    /** A name for a file: the number of the sheet and its colour. */
    public function fileName(int $number): string
    {
        $kind = match (true) {
            $this->paint->gradient !== null => '-gradient',
            $this->paint->picture !== null => '-picture',
            default => '',
        };

        return sprintf(
            'sheet-%d-%s%s%s.svg',
            $number,
            substr($this->paint->colour->hex(), 1),
            $kind,
            $this->paint->opacity > 0.9999 ? '' : sprintf('-%d', (int) round(100 * $this->paint->opacity)),
        );
    }

    /** @return array<string, mixed> lengths in mm, area in mm² */
    public function toArray(): array
    {
        $box = $this->box();

        return [
            'colour' => $this->paint->colour->hex(),
            'opacity' => round($this->paint->opacity, 4),
            'key' => $this->paint->key(),
            'paint' => $this->paint->gradient !== null ? 'gradient' : ($this->paint->picture !== null ? 'picture' : 'flat'),
            'width_mm' => $box === null ? 0.0 : round($box->width(), 4),
            'height_mm' => $box === null ? 0.0 : round($box->height(), 4),
            'pieces' => $this->partCount(),
            'single_cuts' => array_sum(array_map(static fn (Piece $cut): int => count($cut->shape->contours), $this->cuts)),
            'nodes' => $this->nodeCount(),
            'cut_length_mm' => round($this->cutLength(), 3),
            'area_mm2' => round($this->area(), 3),
        ];
    }
}
