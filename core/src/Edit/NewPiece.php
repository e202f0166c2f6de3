<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Colour;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Side;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Edit\Paint\StrokePieces;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Stroke\StrokeStyle;

/** How a drawn piece begins: its paints, its name and its layer. */
final readonly class NewPiece
{
    public function __construct(private ?Paint $fill, private ?Stroke $stroke, private string $layer)
    {
    }

    /** @return list<Field> what can be said of a new piece */
    public static function fields(): array
    {
        return [
            Field::words('fill', 'Fill', Field::COLOUR), Field::words('line', 'Stroke', Field::COLOUR), Field::length('lineWidth', 'Stroke width', 1.0, 0.001),
            Field::choice('side', 'Side', 'centre', ['centre' => 'Centre', 'inside' => 'Inside', 'outside' => 'Outside']), Field::words('layer', 'Layer'),
        ];
    }

    /** @param  bool  $open  whether it is a line, which has no fill unless one is asked for */
    public static function from(Input $input, bool $open = false): self
    {
        $colours = [];
        foreach (['fill', 'line'] as $name) {
            $text = $input->has($name) ? $input->text($name, 20) : null;
            $colours[$name] = $text === null ? null : ($text === 'none' ? 'none' : StrokePieces::colour($text));
        }
        $fill = $colours['fill'] ?? ($open ? 'none' : Colour::ink());
        $line = $colours['line'] ?? ($open ? Colour::ink() : 'none');
        $width = $input->length('lineWidth', 1.0, 0.001, 1000.0);

        return new self(
            $fill instanceof Colour ? new Paint($fill) : null,
            $line instanceof Colour ? new Stroke(new Paint($line), new StrokeStyle($width), side: Side::from($input->choice('side', ['centre', 'inside', 'outside'], 'centre'))) : null,
            $input->text('layer', 40),
        );
    }

    /** A piece that is there, with these paints; one without any keeps its own. */
    public function painted(Piece $piece): Piece
    {
        return $this->fill === null && $this->stroke === null ? $piece : $piece->with(fill: $this->fill, stroke: $this->stroke);
    }

    /** @throws EditRefused when its layer is locked */
    public function laid(Artwork $artwork, string $name, Shape|Recipe $made, ?Stroke $stroke = null): Artwork
    {
        $layer = $artwork->layer($this->layer) ?? $artwork->layers[count($artwork->layers) - 1];
        if ($layer->locked) {
            throw EditRefused::locked($layer->name);
        }
        $shape = $made instanceof Recipe ? $made->shape() : $made;
        $piece = new Piece(
            FreeIds::in($artwork)->next(), $shape, $this->fill, $stroke ?? $this->stroke, $name, $made instanceof Recipe ? $made : null, new Place($layer->id),
        );

        return Arrangement::settled($artwork->withPieces([...$artwork->pieces, $piece]));
    }
}
