<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Contour;

/** D3: moves nodes, their handles with them; a handle between two of them keeps its shape. */
final readonly class MoveNodes implements Local
{
    /** @param  list<list<int>>  $nodes  contour and node of each */
    public function __construct(private string $id, private array $nodes, private float $x, private float $y)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Move nodes',
            'By a distance.',
            [
                Field::words('piece', 'Piece', Field::PIECE),
                Field::words('nodes', 'Nodes', Field::NODES),
                Field::signed('x', 'Right by'),
                Field::signed('y', 'Down by'),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->text('piece'), $values->nodes('nodes'), $values->length('x'), $values->length('y'));
    }

    public function label(): string
    {
        return count($this->nodes) === 1 ? 'Move a node' : 'Move nodes';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, function (array $contours): array {
            foreach (Nodes::byContour($this->nodes, $contours) as $k => $nodes) {
                $path = new NodePath($contours[$k]);
                $lines = $path->lines();
                foreach ($nodes as $node) {
                    $path->move($node, $this->x, $this->y, $lines);
                }
                $contours[$k] = $path->contour();
            }

            return $contours;
        });
    }
}
