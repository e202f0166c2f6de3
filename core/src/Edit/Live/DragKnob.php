<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Live;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Edit\TellsReading;

/** A knob of a live piece, dragged somewhere: what that sets is known by what it is of. */
final readonly class DragKnob implements Local, TellsReading
{
    /** @param  list<string>  $ids */
    private function __construct(private array $ids, private string $knob, private float $x, private float $y)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Drag a knob', 'A value of a live piece, set by where its knob is dragged to.', [
            Field::words('knob', 'Knob'), Field::signed('x', 'Across'), Field::signed('y', 'Down'),
        ]);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->text('knob'), $values->length('x'), $values->length('y'));
    }

    public function label(): string
    {
        return 'Drag a knob';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $artwork->mapped(function (Piece $piece): Piece {
            $recipe = $piece->recipe?->dragged($this->knob, $this->x, $this->y);
            $made = $recipe === null ? throw Refused::because('It has no such knob any more.') : $piece->withRecipe($recipe);

            return $made->shape->isEmpty() ? throw Refused::nothingLeft() : $made;
        }, Chosen::in($artwork, $this->ids));
    }

    public function reading(Artwork $after): string
    {
        return $after->piece($this->ids[0] ?? '')?->recipe?->reading($this->knob) ?? '';
    }
}
