<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** How parts of a document become plain data and back: a recipe says which parts it has, and knows no format. */
interface Stored
{
    /** @return array<string, mixed> */
    public function shape(Shape $shape): array;

    /** @param  array<string, mixed>  $data */
    public function toShape(array $data): Shape;

    /** @return array<mixed> */
    public function contour(Contour $contour): array;

    /** @param  array<mixed>  $data */
    public function toContour(array $data): Contour;

    /** @return list<float> */
    public function matrix(Matrix $matrix): array;

    /** @param  array<mixed>  $data */
    public function toMatrix(array $data): Matrix;

    /** @return array<string, mixed> */
    public function piece(Piece $piece): array;

    /** @param  array<string, mixed>  $data */
    public function toPiece(array $data): Piece;
}
