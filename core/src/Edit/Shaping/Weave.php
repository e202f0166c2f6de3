<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Edit\ShowsMarks;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Weave\Woven;
use NeatEdge\Core\Seen\StrokeRegion;
use NeatEdge\Core\Stroke\Offset;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Stroke\Thin;

/**
 * P8: at each crossing of strands the one that passes under is cut back by a gap. Over and under alternate along each strand, or follow how the pieces
 * lie; single crossings are turned. What is left of each strand are closed pieces, which keep it: woven again they are its strand, until they are plain curves.
 */
final readonly class Weave implements Edit, ShowsMarks
{
    /**
     * @param  list<string>  $ids
     * @param  list<array{float, float}>  $turn  near crossings that are turned round
     */
    public function __construct(
        private array $ids,
        private float $gap,
        private string $pattern,
        private bool $over,
        private array $turn,
        private bool $together,
    ) {
    }

    public static function about(string $kind): About
    {
        return new About('Weave', 'Strands pass over and under one another, with a gap.', [
            Field::length('gap', 'Gap', 1.0, most: 1000.0),
            Field::choice(
                'pattern',
                'Crossings',
                'alternate',
                ['alternate' => 'Over and under in turn', 'upper' => 'As the pieces lie', 'lower' => 'The lower pieces over'],
            ),
            Field::choice('start', 'The first strand begins', 'over', ['over' => 'Over', 'under' => 'Under']),
            Field::words('turn', 'Turned', Field::PLACES, help: 'near crossings that are the other way round'),
            Field::choice('parts', 'Parts of a strand', 'apart', ['apart' => 'Pieces of their own', 'together' => 'One piece']),
            ...Leftovers::fields(),
        ], under: About::CELLS, key: 'Y', press: About::TURNS);
    }

    public static function from(Values $values): self
    {
        return new self(
            $values->pieces(), $values->length('gap'), $values->choice('pattern'),
            $values->choice('start') === 'over', $values->places('turn'), $values->choice('parts') === 'together',
        );
    }

    public function label(): string
    {
        return 'Weave';
    }

    public function apply(Artwork $artwork): Artwork
    {
        [$artwork, $ids] = Unwoven::of($artwork, $this->ids);
        $chosen = Chosen::in($artwork, $ids);
        $weaving = Weaving::of(array_values($chosen), $artwork);
        if ($weaving->crossings === []) {
            throw Refused::because('The chosen pieces do not cross one another.');
        }
        $free = FreeIds::in($artwork);
        $by = array_map(static fn (): array => [], $chosen);
        $weave = 'w'.hash('xxh32', serialize($chosen));
        $values = [
            'gap' => $this->gap,
            'pattern' => $this->pattern,
            'start' => $this->over ? 'over' : 'under',
            'parts' => $this->together ? 'together' : 'apart',
            'turn' => $this->turn,
        ];
        foreach ($this->left($weaving, $artwork) as $whole => $shape) {
            $piece = $weaving->strands[$whole]->piece;
            $parts = $this->together ? [$shape] : Parts::of($shape);
            foreach ($shape->isEmpty() ? [] : $parts as $part) {
                $id = $by[$piece->id] === [] ? $piece->id : $free->next();
                $woven = new Woven($weave, $piece->with(recipe: null), $values, $part);
                $by[$piece->id][] = Outlined::as($piece, $part, $id)->with(
                    place: new Place($piece->place->layer, $piece->place->groups),
                    recipe: new Recipe($woven),
                );
            }
        }

        return Outlined::replaced($artwork, $by);
    }

    /** @return array<int, Shape> by the number of its first strand: what is left of each line or outline */
    private function left(Weaving $weaving, Artwork $artwork): array
    {
        $tolerance = $artwork->tolerance();
        $states = $this->states($weaving);
        $wide = $cuts = [];
        foreach ($weaving->crossings as $c => $crossing) {
            [$over, $under] = $states[$c] ? [$crossing->a, $crossing->b] : [$crossing->b, $crossing->a];
            $wide[$over] ??= $this->widened($weaving->strands[$over], $artwork);
            foreach (Parts::of(Combine::keepOverlap([$wide[$over], $weaving->strands[$under]->area], $tolerance)) as $part) {
                if (Inscribed::holds($part, $crossing->x, $crossing->y)) {
                    $cuts[$under][] = $part;
                }
            }
        }
        $wholes = [];
        foreach ($weaving->strands as $k => $strand) {
            $wholes[$strand->whole][$k] = isset($cuts[$k]) ? Combine::cutAway($strand->area, $cuts[$k], $tolerance) : $strand->area;
        }
        $left = [];
        foreach ($wholes as $stretches) {
            $first = array_key_first($stretches);
            // Where a line was cut into stretches their common ends leave no node.
            $left[$first] = count($stretches) === 1 ? $stretches[$first] : Thin::shape(Combine::weld(array_values($stretches), $tolerance), $tolerance->offset);
        }

        return $left;
    }

    /** The band of a strand with the gap on both sides. */
    private function widened(Strand $strand, Artwork $artwork): Shape
    {
        $stroke = $strand->piece->stroke;
        if (! $strand->stroked || $stroke === null || $stroke->isOwnKind() || $stroke->pen !== null) {
            return $this->gap > 0.0 ? Offset::outset($strand->area, $this->gap, 'miter', $artwork->tolerance()) : $strand->area;
        }
        $style = $stroke->style;

        return StrokeRegion::of(
            Shape::of($strand->line),
            $stroke->with(style: new StrokeStyle($style->width + 2 * $this->gap, $style->cap, $style->join, $style->miterLimit)),
            $artwork->tolerance(),
        );
    }

    /** @return list<bool> */
    private function states(Weaving $weaving): array
    {
        $states = $weaving->states($this->pattern, $this->over);
        foreach ($this->turn as $place) {
            $c = $weaving->nearest(...$place);
            if ($c !== null) {
                $states[$c] = ! $states[$c];
            }
        }

        return array_values($states);
    }

    public function marks(Artwork $artwork): array
    {
        [$artwork, $ids] = Unwoven::of($artwork, $this->ids);
        $weaving = Weaving::of(array_values(Chosen::in($artwork, $ids)), $artwork);
        $states = $this->states($weaving);
        $marks = [];
        foreach ($weaving->crossings as $c => $crossing) {
            $over = $weaving->strands[$states[$c] ? $crossing->a : $crossing->b]->piece;
            $under = $weaving->strands[$states[$c] ? $crossing->b : $crossing->a]->piece;
            $marks[] = new Mark('crossing', $crossing->x, $crossing->y, self::called($over).' over '.self::called($under), $crossing->part, $over->id);
            $fault = $weaving->fault($c);
            if ($fault !== null) {
                $marks[] = new Mark('fault', $crossing->x, $crossing->y, $fault);
            }
        }

        return $marks;
    }

    private static function called(Piece $piece): string
    {
        return $piece->name === '' ? 'one' : $piece->name;
    }
}
