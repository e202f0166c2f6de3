<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Edit\Local;

/** D3: moves one handle; at a smooth node the other turns with it, at an even one it also grows with it. */
final readonly class MoveHandle implements Local
{
    public function __construct(private string $id, private int $contour, private int $node, private bool $out, private float $x, private float $y, private bool $free)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Move a handle', 'Bends what is beside it.', [Field::words('piece', 'Piece', Field::PIECE), Field::words('nodes', 'Nodes', Field::NODES), Field::flag('out', 'The one that leads on', false), Field::length('x', 'To, across', 0.0, -1e5), Field::length('y', 'To, down', 0.0, -1e5), Field::flag('free', 'Alone', false)], 0);
    }

    public static function from(Input $input): self
    {
        [$contour, $node] = $input->places('nodes')[0] ?? throw EditRefused::because('Choose a handle first.');

        return new self($input->text('piece'), $contour, $node, $input->flag('out'), $input->length('x'), $input->length('y'), $input->flag('free'));
    }

    public function label(): string
    {
        return 'Move a handle';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, function (array $contours): array {
            $path = new NodePath($contours[$this->contour] ?? throw EditRefused::because('That node is not there any more.'));
            $path->hold($this->node);
            $kind = $path->kind($this->node);
            $other = $path->handle($this->node, ! $this->out);
            [$x, $y] = $path->at($this->node);
            $vector = [$this->x - $x, $this->y - $y];
            $path->setHandle($this->node, $this->out, $vector);
            $long = hypot(...$vector);
            if (! $this->free && $kind !== 'corner' && $other !== null && $long > 1e-9) {
                $length = $kind === 'even' ? $long : hypot(...$other);
                $path->setHandle($this->node, ! $this->out, [-$vector[0] / $long * $length, -$vector[1] / $long * $length]);
            }
            $contours[$this->contour] = $path->contour();

            return $contours;
        });
    }
}
