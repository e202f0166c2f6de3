<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Side;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Stroke\StrokeStyle;

/** How a drawn piece begins: its paints, its name and its layer. */
final readonly class NewPiece
{
    public function __construct(private ?Paint $fill, private ?Stroke $stroke, private string $layer)
    {
    }

    /**
     * @param  float  $width  mm, of its stroke when nothing is said
     * @return list<Field> what can be said of a new piece
     */
    public static function fields(float $width = 1.0): array
    {
        return [
            Field::colour('fill', 'Fill', none: true),
            Field::colour('line', 'Stroke', none: true),
            Field::length('lineWidth', 'Stroke width', $width, 0.001, most: 1000.0),
            Field::choice('side', 'Side', 'centre', ['centre' => 'Centre', 'inside' => 'Inside', 'outside' => 'Outside']), Field::words('layer', 'Layer'),
        ];
    }

    /** @param  bool  $open  whether it is a line, which has no fill unless one is asked for */
    public static function from(Values $values, bool $open = false): self
    {
        $colours = [];
        foreach (['fill', 'line'] as $name) {
            $colours[$name] = $values->none($name) ? 'none' : $values->colour($name);
        }
        $fill = $colours['fill'] ?? ($open ? 'none' : Colour::ink());
        $line = $colours['line'] ?? ($open ? Colour::ink() : 'none');
        $width = $values->length('lineWidth');

        return new self(
            $fill instanceof Colour ? new Paint($fill) : null,
            $line instanceof Colour ? new Stroke(new Paint($line), new StrokeStyle($width), side: Side::from($values->choice('side'))) : null,
            $values->text('layer'),
        );
    }

    /** A piece that is there, with these paints; one without any keeps its own. */
    public function painted(Piece $piece): Piece
    {
        return $this->fill === null && $this->stroke === null ? $piece : $piece->with(fill: $this->fill, stroke: $this->stroke);
    }

    /** @throws Refused when its layer is locked */
    public function laid(Artwork $artwork, string $name, Shape|Recipe $made, ?Stroke $stroke = null): Artwork
    {
        $layer = $artwork->layer($this->layer) ?? $artwork->layers[count($artwork->layers) - 1];
        if ($layer->locked) {
            throw Refused::locked($layer->name);
        }
        $shape = $made instanceof Recipe ? $made->shape() : $made;
        $piece = new Piece(
            FreeIds::in($artwork)->next(), $shape, $this->fill, $stroke ?? $this->stroke, $name, $made instanceof Recipe ? $made : null, new Place($layer->id),
        );

        return Arrangement::settled($artwork->withPieces([...$artwork->pieces, $piece]));
    }
}
