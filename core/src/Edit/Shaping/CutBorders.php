<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Recipe\Border\BorderAround;
use NeatEdge\Core\Stroke\StrokeStyle;

/** P7: a cut border round everything chosen, or round each; it follows while the art under it changes. A border that is chosen is set anew. */
final readonly class CutBorders implements Edit
{
    /**
     * @param  list<string>  $ids
     * @param  array<string, float|string|bool>  $values
     */
    public function __construct(private array $ids, private array $values, private bool $each, private ?Colour $fill)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Cut border', 'A line round the sticker that follows the art under it.', [
            ...BorderAround::fields(),
            Field::flag('each', 'Round each by itself', false),
            Field::colour('fill', 'Ground', help: 'the colour of the sticker; only a cut line when left out'),
        ], under: About::BORDERS, key: 'K');
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->against(BorderAround::fields())->all(), $values->flag('each'), $values->colour('fill'));
    }

    public function label(): string
    {
        return 'Cut border';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        $by = [];
        $art = [];
        foreach ($chosen as $id => $piece) {
            $base = $piece->recipe?->base;
            if ($base instanceof BorderAround) {
                $by[$id] = [$this->laid($piece, $base->sources, $artwork)];
            } else {
                $art[$id] = $piece;
            }
        }
        // Borders that are chosen by themselves are set anew; with art, the art gets one more.
        if ($by === [] || $art !== []) {
            $free = FreeIds::in($artwork);
            $by = [];
            foreach ($this->each ? Chosen::units($artwork, $art) : [array_values($art)] as $unit) {
                $ids = array_map(static fn (Piece $piece): string => $piece->id, $unit);
                $place = new Place($unit[0]->place->layer);
                $new = new Piece(
                    $free->next(), $unit[0]->shape, $this->fill === null ? null : new Paint($this->fill),
                    $this->fill === null ? new Stroke(new Paint(new Colour(0x1D, 0x5C, 0x46)), new StrokeStyle(0.25)) : null, 'Cut border', null, $place,
                );
                $by[$ids[0]] = [$this->laid($new, $ids, $artwork), $unit[0]];
            }
        }

        return Outlined::replaced($artwork, $by);
    }

    /** @param  list<string>  $ids */
    private function laid(Piece $piece, array $ids, Artwork $artwork): Piece
    {
        if ($ids === []) {
            throw Refused::tooFew(1);
        }
        $border = BorderAround::round($ids, $this->values, array_map(static fn (string $id): Shape => Outlined::whole(
            $artwork->piece($id) ?? throw Refused::missingPiece($id),
            $artwork,
        ), $ids), $artwork->tolerance());
        if ($border->shape()->isEmpty()) {
            throw Refused::unpainted();
        }

        return $piece->withRecipe(new Recipe($border));
    }
}
