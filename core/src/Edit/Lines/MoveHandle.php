<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Local;

/** D3: moves one handle; at a smooth node the other turns with it, at an even one it also grows with it. */
final readonly class MoveHandle implements Local
{
    public function __construct(
        private string $id,
        private int $contour,
        private int $node,
        private bool $out,
        private float $x,
        private float $y,
        private bool $free,
    ) {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Move a handle',
            'Bends what is beside it.',
            [
                Field::words('piece', 'Piece', Field::PIECE),
                Field::words('nodes', 'Nodes', Field::NODES),
                Field::flag('out', 'The one that leads on', false),
                Field::signed('x', 'To, across')->needed(),
                Field::signed('y', 'To, down')->needed(),
                Field::flag('free', 'Alone', false),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        [$contour, $node] = $values->nodes('nodes')[0] ?? throw Refused::because('Choose a handle first.');

        return new self($values->text('piece'), $contour, $node, $values->flag('out'), $values->length('x'), $values->length('y'), $values->flag('free'));
    }

    public function label(): string
    {
        return 'Move a handle';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, function (array $contours): array {
            $path = new NodePath($contours[$this->contour] ?? throw Refused::because('That node is not there any more.'));
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
