<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stored;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** Parts of a document as pieces store them. */
final class StoredParts implements Stored
{
    public function shape(Shape $shape): array
    {
        return PieceJson::shape($shape);
    }

    public function toShape(array $data): Shape
    {
        return PieceJson::toShape($data);
    }

    public function contour(Contour $contour): array
    {
        return PieceJson::contour($contour);
    }

    public function toContour(array $data): Contour
    {
        return PieceJson::toContour($data);
    }

    public function matrix(Matrix $matrix): array
    {
        return PieceJson::matrix($matrix);
    }

    public function toMatrix(array $data): Matrix
    {
        return new Matrix(...PieceJson::floats($data));
    }

    public function piece(Piece $piece): array
    {
        return PieceJson::of($piece);
    }

    public function toPiece(array $data): Piece
    {
        return PieceJson::to($data);
    }
}
