<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Geometry\Contour;

/** D3: moves nodes, their handles with them; a handle between two of them keeps its shape. */
final readonly class MoveNodes implements Local
{
    /** @param  list<list<int>>  $nodes  contour and node of each */
    public function __construct(private string $id, private array $nodes, private float $x, private float $y)
    {
    }

    public static function from(Input $input): self
    {
        return new self($input->text('piece'), $input->places('nodes'), $input->length('x', 0.0), $input->length('y', 0.0));
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
