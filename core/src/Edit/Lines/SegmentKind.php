<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Contour;

/** D3: turns lines into curves that look the same, or curves into straight lines. */
final readonly class SegmentKind implements Local
{
    /** @param  list<list<int>>  $segments  contour and segment of each */
    public function __construct(private string $id, private array $segments, private bool $line)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Line or curve',
            'Of chosen segments.',
            [
                Field::words('piece', 'Piece', Field::PIECE),
                Field::words('segments', 'Segments', Field::NODES),
                Field::choice('to', 'To', 'line', ['line' => 'Line', 'curve' => 'Curve']),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->text('piece'), $values->nodes('segments'), $values->choice('to') === 'line');
    }

    public function label(): string
    {
        return $this->line ? 'Make straight' : 'Make a curve';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, function (array $contours): array {
            foreach (Nodes::byContour($this->segments, $contours, true) as $k => $segments) {
                $path = new NodePath($contours[$k]);
                foreach ($segments as $segment) {
                    $this->line ? $path->straighten($segment) : $path->curve($segment);
                }
                $contours[$k] = $path->contour();
            }

            return $contours;
        });
    }
}
