<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\BoxGrid;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Groups;
use NeatEdge\Core\Geometry\Shape;

/**
 * Flat art cut into clusters that lie further from each other than a cure reaches: what is made of one changes nothing of another, and each is tried
 * and tried again by itself. A piece may lie in many of them, each with its own outlines.
 */
final class Clusters
{
    /** @var list<array{int, Contour}> number of the piece, and an outline of it */
    private array $lines = [];

    /** By number of the outline. */
    private readonly Groups $groups;

    private readonly BoxGrid $grid;

    /**
     * @param  float  $reach  mm round an outline that a cure of it reaches
     * @param  list<Shape>  $together  what stays in one cluster wherever it lies, by its very outlines
     */
    public function __construct(private readonly Artwork $flat, float $reach, array $together)
    {
        $boxes = $byLine = [];
        foreach ($flat->pieces as $i => $piece) {
            foreach ($piece->isSolid() ? $piece->shape->contours : [] as $contour) {
                $byLine[spl_object_id($contour)] = count($this->lines);
                $boxes[] = $contour->box()->grown($reach);
                $this->lines[] = [$i, $contour];
            }
        }
        $this->groups = new Groups(array_keys($this->lines));
        $this->grid = new BoxGrid($boxes);
        foreach ($boxes as $k => $box) {
            foreach ($this->grid->touching($box) as $other) {
                $this->groups->join($k, $other);
            }
        }
        foreach ($together as $shape) {
            $first = null;
            foreach ($shape->contours as $contour) {
                $k = $byLine[spl_object_id($contour)] ?? null;
                $first ??= $k;
                $k === null || $first === null ?: $this->groups->join($first, $k);
            }
        }
    }

    /** The cluster that a place lies in, or null when it lies in none. */
    public function at(float $x, float $y): ?int
    {
        $found = $this->grid->at($x, $y);

        return $found === [] ? null : $this->groups->of($found[0]);
    }

    /**
     * The art of some of them, each by itself.
     *
     * @param  list<int>  $wanted
     * @return array<int, array{Artwork, list<int>}> by cluster: its art, and the number in the whole of each of its pieces
     */
    public function arts(array $wanted): array
    {
        $own = array_fill_keys($wanted, []);
        foreach ($this->lines as $k => [$i, $contour]) {
            $cluster = $this->groups->of($k);
            if (isset($own[$cluster])) {
                $own[$cluster][$i][] = $contour;
            }
        }
        $arts = [];
        foreach ($own as $cluster => $byPiece) {
            $pieces = [];
            foreach ($byPiece as $i => $contours) {
                $pieces[] = $this->flat->pieces[$i]->withShape(new Shape($contours, $this->flat->pieces[$i]->shape->rule));
            }
            $arts[$cluster] = [$this->flat->with(pieces: $pieces, apart: $this->flat->apart), array_keys($byPiece)];
        }

        return $arts;
    }

    /**
     * The whole with other art in place of some of them.
     *
     * @param  array<int, array{Artwork, list<int>}>  $arts  as arts() gave them, made otherwise
     */
    public function with(array $arts): Artwork
    {
        $kept = $changed = [];
        foreach ($this->lines as $k => [$i, $contour]) {
            isset($arts[$this->groups->of($k)]) ? $changed[$i] = true : $kept[$i][] = $contour;
        }
        foreach ($arts as [$art, $numbers]) {
            foreach ($numbers as $k => $i) {
                $kept[$i] = [...$kept[$i] ?? [], ...$art->pieces[$k]->shape->contours];
            }
        }

        return $this->flat->with(pieces: array_map(
            static fn (Piece $piece, int $i): Piece => isset($changed[$i]) ? $piece->withShape(new Shape($kept[$i] ?? [], $piece->shape->rule)) : $piece,
            $this->flat->pieces, array_keys($this->flat->pieces),
        ), apart: $this->flat->apart);
    }
}
