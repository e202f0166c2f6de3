<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Inscribed;

/** P6: parts a compound into its pieces, each outline with the holes right inside it. */
final readonly class SeparatePieces implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Separate pieces', 'Each outline, with the holes right inside it, becomes a piece of its own.', under: About::JOIN);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces());
    }

    public function label(): string
    {
        return 'Separate pieces';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        $parts = array_map(self::parts(...), $chosen);
        if (array_filter($parts, static fn (array $list): bool => count($list) > 1) === []) {
            throw Refused::because('It is one outline already.');
        }
        $free = FreeIds::in($artwork);
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            foreach ($parts[$piece->id] ?? [] as $i => [$shape, $hole]) {
                $part = $piece->withShape($shape)->with(id: $i === 0 ? $piece->id : $free->next());
                // What was a hole shows what was seen through it.
                $pieces[] = $hole && $part->fill !== null ? $part->with(fill: self::beneath($shape, $pieces, $piece->id)) : $part;
            }
            if (! isset($parts[$piece->id])) {
                $pieces[] = $piece;
            }
        }

        return Arrangement::settled($artwork->withPieces($pieces));
    }

    /**
     * What hangs together; where all of it does, or outlines lie on each other, each outline by itself.
     *
     * @return list<array{Shape, bool}> with whether it was a hole
     */
    private static function parts(Piece $piece): array
    {
        $parts = Parts::of($piece->shape);
        $contours = $piece->shape->contours;
        if (count($parts) > 1 && array_sum(array_map(static fn (Shape $part): int => count($part->contours), $parts)) === count($contours)) {
            return array_map(static fn (Shape $part): array => [$part, false], $parts);
        }
        $holes = array_merge(...array_map(static fn (Shape $part): array => array_slice($part->contours, 1), $parts));

        $rows = array_map(static fn (Contour $contour): array => [Shape::of($contour), in_array($contour, $holes, true)], $contours);
        // A hole lies on what it was a hole in.
        usort($rows, static fn (array $a, array $b): int => $a[1] <=> $b[1]);

        return $rows;
    }

    /** @param  list<Piece>  $pieces  the lowest first */
    private static function beneath(Shape $hole, array $pieces, string $but): Paint
    {
        [$x, $y] = Inscribed::in($hole, 0.05);
        foreach (array_reverse($pieces) as $piece) {
            if ($piece->id !== $but && $piece->fill !== null && Inscribed::holds($piece->shape, $x, $y)) {
                return $piece->fill;
            }
        }

        return new Paint(new Colour(255, 255, 255));
    }
}
