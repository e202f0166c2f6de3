<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Edit\ShowsMarks;
use NeatEdge\Core\Flat\Cleaning;
use NeatEdge\Core\Geometry\Shape;

/** P10: takes out doubled nodes, tiny segments and needless nodes of the chosen pieces, within a deviation; what would go is shown. */
final readonly class CleanPieces implements Edit, ShowsMarks
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private float $deviation)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Clean nodes',
            'Doubled, crowded and needless nodes go, within a deviation.',
            [Field::length('deviation', 'Deviation', 0.02, 1e-4, most: 10.0)],
            under: About::CLEAN,
            key: 'L',
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->length('deviation'));
    }

    public function label(): string
    {
        return 'Clean nodes';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $by = [];
        foreach (Chosen::in($artwork, $this->ids) as $piece) {
            $shape = $this->cleaned($piece->shape);
            if ($shape->nodeCount() < $piece->shape->nodeCount()) {
                $by[$piece->id] = [$piece->withShape($shape)];
            }
        }

        return $by === [] ? throw Refused::because('There is no node that is not needed, within that deviation.') : Outlined::replaced($artwork, $by);
    }

    private function cleaned(Shape $shape): Shape
    {
        return (new Cleaning($this->deviation))->shape($shape);
    }

    public function marks(Artwork $artwork): array
    {
        $marks = [];
        foreach (Chosen::in($artwork, $this->ids) as $piece) {
            $kept = [];
            foreach (self::nodes($this->cleaned($piece->shape)) as [$x, $y]) {
                $kept[sprintf('%.5f %.5f', $x, $y)] = true;
            }
            foreach (self::nodes($piece->shape) as [$x, $y]) {
                if (! isset($kept[sprintf('%.5f %.5f', $x, $y)])) {
                    $marks[] = new Mark('node', $x, $y);
                }
            }
        }

        return $marks;
    }

    /** @return iterable<array{float, float}> */
    private static function nodes(Shape $shape): iterable
    {
        foreach ($shape->contours as $contour) {
            foreach ($contour->segments() as $s) {
                yield [$s[0], $s[1]];
            }
        }
    }
}
