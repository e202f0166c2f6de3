<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Paint;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Measure\Colour;

/** D10: everything of one colour - fills, strokes and colours in gradients - in another. Locked pieces stay as they are. */
final readonly class Recolour implements Edit
{
    public function __construct(private Colour $from, private Colour $to)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Recolour',
            'Everything of one colour at once.',
            [Field::colour('colour', 'Colour')->needed(), Field::colour('to', 'To')->needed()],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->colour('colour') ?? Colour::ink(), $values->colour('to') ?? Colour::ink());
    }

    public function label(): string
    {
        return 'Recolour';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $changed = false;
        $pieces = array_map(function (Piece $piece) use ($artwork, &$changed): Piece {
            if ($piece->place->locked || ($artwork->layer($piece->place->layer)->locked ?? false)) {
                return $piece;
            }
            $fill = $piece->fill === null ? null : $this->paint($piece->fill);
            $line = $piece->stroke === null ? null : $this->paint($piece->stroke->paint);
            if ($fill === $piece->fill && $line === $piece->stroke?->paint) {
                return $piece;
            }
            $changed = true;

            return $piece->with(fill: $fill, stroke: $line === null ? null : $piece->stroke?->with(paint: $line));
        }, $artwork->pieces);

        return $changed ? $artwork->withPieces($pieces) : throw Refused::because(sprintf('Nothing that can be changed is %s.', $this->from->hex()));
    }

    private function paint(Paint $paint): Paint
    {
        $from = $this->from->hex();
        $gradient = $paint->gradient;
        if ($gradient !== null) {
            if (! in_array($from, array_map(static fn (array $stop): string => $stop[1]->hex(), $gradient->stops), true)) {
                return $paint;
            }
            $stops = array_map(fn (array $stop): array => [$stop[0], $stop[1]->hex() === $from ? $this->to : $stop[1], $stop[2]], $gradient->stops);

            return Paint::gradient(new Gradient($gradient->kind, $gradient->axis, $stops, $gradient->matrix, $gradient->spread));
        }

        return $paint->picture === null && $paint->colour->hex() === $from ? new Paint($this->to, $paint->opacity) : $paint;
    }
}
