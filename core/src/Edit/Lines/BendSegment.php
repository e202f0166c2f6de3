<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Local;

/** D3: pulls a place on a segment elsewhere; both handles follow, the one that is nearer the more. A line becomes a curve. */
final readonly class BendSegment implements Local
{
    public function __construct(private string $id, private int $contour, private int $segment, private float $t, private float $x, private float $y)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Bend a segment',
            'Pull a line by a place on it.',
            [
                Field::words('piece', 'Piece', Field::PIECE),
                Field::words('segments', 'Segments', Field::NODES),
                Field::share('t', 'How far along', 0.5, 0.02, 0.98)->needed(),
                Field::signed('x', 'To, across')->needed(),
                Field::signed('y', 'To, down')->needed(),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        [$contour, $segment] = $values->nodes('segments')[0] ?? throw Refused::because('Choose a segment first.');

        return new self($values->text('piece'), $contour, $segment, $values->number('t'), $values->length('x'), $values->length('y'));
    }

    public function label(): string
    {
        return 'Bend a segment';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, function (array $contours): array {
            Nodes::byContour([[$this->contour, $this->segment]], $contours, true);
            $path = new NodePath($contours[$this->contour]);
            $path->curve($this->segment);
            $t = $this->t;
            $u = 1 - $t;
            // Of all changes of both handles that move the place by (x, y), the one in which they share by their weights.
            $b1 = 3 * $u * $u * $t;
            $b2 = 3 * $u * $t * $t;
            $whole = $b1 * $b1 + $b2 * $b2;
            $s = $path->segments[$this->segment];
            [$one, $two] = [$b1 / $whole, $b2 / $whole];
            $path->segments[$this->segment] = [
                $s[0], $s[1], $s[2] + $this->x * $one, $s[3] + $this->y * $one, $s[4] + $this->x * $two, $s[5] + $this->y * $two, $s[6], $s[7],
            ];
            $contours[$this->contour] = $path->contour();

            return $contours;
        });
    }
}
