<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Cubic;

/** D3: adds a node anywhere on a line, which keeps its shape. */
final readonly class AddNode implements Local
{
    public function __construct(private string $id, private int $contour, private int $segment, private float $t)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Add a node',
            'Anywhere on a line.',
            [
                Field::words('piece', 'Piece', Field::PIECE),
                Field::words('segments', 'Segments', Field::NODES),
                Field::share('t', 'How far along', 0.5, 0.0001, 0.9999),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        [$contour, $segment] = $values->nodes('segments')[0] ?? throw Refused::because('Choose a place on a line first.');

        return new self($values->text('piece'), $contour, $segment, $values->number('t'));
    }

    public function label(): string
    {
        return 'Add a node';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, function (array $contours): array {
            Nodes::byContour([[$this->contour, $this->segment]], $contours, true);
            $path = new NodePath($contours[$this->contour]);
            $s = $path->segments[$this->segment];
            $first = Cubic::part($s, 0.0, $this->t);
            $second = Cubic::part($s, $this->t, 1.0);
            [$second[0], $second[1]] = [$first[6], $first[7]];
            array_splice($path->segments, $this->segment, 1, [$first, Cubic::isLine($s) ? Cubic::line($first[6], $first[7], $s[6], $s[7]) : $second]);
            $contours[$this->contour] = $path->contour();

            return $contours;
        });
    }
}
