<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Geometry\Contour;

/** D3: takes one segment out: a closed line opens there, an open one falls into two. */
final readonly class DeleteSegment implements Edit
{
    public function __construct(private string $id, private int $contour, private int $segment)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Delete a segment',
            'Opens the line there.',
            [Field::words('piece', 'Piece', Field::PIECE), Field::words('segments', 'Segments', Field::NODES)],
            0,
        );
    }

    public static function from(Values $values): self
    {
        [$contour, $segment] = $values->nodes('segments')[0] ?? throw Refused::because('Choose a segment first.');

        return new self($values->text('piece'), $contour, $segment);
    }

    public function label(): string
    {
        return 'Delete a segment';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, function (array $contours): array {
            Nodes::byContour([[$this->contour, $this->segment]], $contours, true);
            $out = [];
            foreach ($contours as $k => $contour) {
                if ($k !== $this->contour) {
                    $out[] = $contour;

                    continue;
                }
                $segments = $contour->segments();
                $before = array_slice($segments, 0, $this->segment);
                $after = array_slice($segments, $this->segment + 1);
                $parts = $contour->closed ? [[...$after, ...$before]] : [$before, $after];
                foreach ($parts as $part) {
                    if ($part !== []) {
                        $out[] = Contour::ofSegments($part, false);
                    }
                }
            }

            return $out;
        });
    }
}
