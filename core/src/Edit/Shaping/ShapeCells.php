<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Edit\ShowsMarks;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\PlanarMap\Cells;

/**
 * P3: the cells that shapes and lines enclose are joined, dropped, lifted and painted. What was not pressed stays with its piece, or is lifted or
 * dropped too; lines that only parted go, unless they are kept.
 */
final readonly class ShapeCells implements Edit, ShowsMarks
{
    private const DROPPED = -2;

    /**
     * @param  list<string>  $ids
     * @param  list<non-empty-list<array{float, float}>>  $join  places in cells that become one piece
     * @param  list<array{float, float}>  $drop
     * @param  list<array{float, float}>  $lift
     * @param  list<array{array{float, float}, Colour}>  $paint
     * @param  string  $rest  keep, lift or drop: what becomes of cells that were not pressed
     * @param  bool  $ownColours  whether every piece that is made gets a colour of its own
     * @param  float  $meet  ends that stop short by this or stick out by it are shown and, where $mend says so, mended, mm
     */
    public function __construct(
        private array $ids,
        private array $join,
        private array $drop,
        private array $lift,
        private array $paint,
        private string $rest,
        private bool $ownColours,
        private bool $keepLines,
        private float $meet,
        private bool $mend,
    ) {
    }

    public static function about(string $kind): About
    {
        return new About('Cells', 'Join, drop, lift and paint the cells that shapes and lines enclose.', [
            Field::words('join', 'Joined', Field::PLACES, help: 'places in cells that become one piece; groups parted by ;'),
            Field::words('drop', 'Dropped', Field::PLACES),
            Field::words('lift', 'Lifted', Field::PLACES, help: 'places in cells that become pieces of their own'),
            Field::words('paint', 'Painted', Field::PAINTED, help: 'places with colours, such as 12,4 #cc3333; 30,8 #1d5c46'),
            Field::choice('rest', 'The others', 'keep', ['keep' => 'Stay with their pieces', 'lift' => 'Are lifted too', 'drop' => 'Are dropped']),
            Field::choice('colours', 'Colours', 'seen', ['seen' => 'As they are seen', 'apart' => 'One for each']),
            Field::flag('keepLines', 'Keep the lines', false),
            Field::length('meet', 'Ends nearer than', 1.0, 0.0, 'ends that stop short or stick out by less are shown', 1000.0),
            Field::flag('mend', 'Make them meet', false),
            ...Leftovers::fields(),
        ], 1, About::CELLS, 'C', About::CELLS_PRESSED);
    }

    public static function from(Values $values): self
    {
        return new self(
            $values->pieces(), $values->groups('join'), $values->places('drop'), $values->places('lift'), $values->painted('paint'),
            $values->choice('rest'), $values->choice('colours') === 'apart', $values->flag('keepLines'), $values->length('meet'), $values->flag('mend'),
        );
    }

    public function label(): string
    {
        return 'Cells';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $pieces = Lines::pieces($artwork, $this->ids);
        $plan = CellPlan::of($this->mend ? Meeting::mended($pieces, $this->meet) : $pieces, $artwork);
        if ($plan->cells->count() === 0) {
            throw Refused::because(self::missing($pieces));
        }
        if ($this->join === [] && $this->drop === [] && $this->lift === [] && $this->paint === [] && $this->rest === 'keep') {
            throw Refused::because('Press cells first: to join, drop, lift or paint them.');
        }
        [$groups, $colours] = $this->grouped($plan);

        return $this->laid($artwork, $pieces, $plan, $groups, $colours);
    }

    /**
     * @return array{array<int, int>, array<int, Colour>} cell => the cell that its group is named after, or DROPPED; those that stay are left out. Then
     *                                                    the colours of groups.
     */
    private function grouped(CellPlan $plan): array
    {
        $groups = $colours = [];
        foreach ($this->join as $places) {
            $first = self::cell($plan, $places[0]);
            foreach ($places as $place) {
                $cell = self::cell($plan, $place);
                $old = $groups[$cell] ?? $cell;
                foreach ($groups as $other => $group) {
                    // A cell pressed in two groups makes them one.
                    if ($group === $old) {
                        $groups[$other] = $groups[$first] ?? $first;
                    }
                }
                $groups[$cell] = $groups[$first] ?? $first;
            }
        }
        foreach ($this->lift as $place) {
            $cell = self::cell($plan, $place);
            $groups[$cell] ??= $cell;
        }
        foreach ($this->paint as [$place, $colour]) {
            $cell = self::cell($plan, $place);
            $groups[$cell] ??= $cell;
            $colours[$groups[$cell]] = $colour;
        }
        foreach ($this->drop as $place) {
            $groups[self::cell($plan, $place)] = self::DROPPED;
        }
        if ($this->rest !== 'keep') {
            for ($cell = 0, $n = $plan->cells->count(); $cell < $n; $cell++) {
                $groups[$cell] ??= $this->rest === 'lift' ? $cell : self::DROPPED;
            }
        }

        if ($this->ownColours) {
            foreach (array_values(array_unique(array_filter($groups, static fn (int $group): bool => $group >= 0))) as $k => $group) {
                $colours[$group] ??= self::colour($k);
            }
        }

        return [$groups, $colours];
    }

    /** The k-th of colours of which no two are alike: hues at the golden angle, in turn lighter and darker. */
    /** @param  list<Piece>  $pieces */
    private static function missing(array $pieces): string
    {
        $gap = MissingBorder::of($pieces, static fn (Cells $cells): bool => $cells->count() > 0);

        return $gap === null
            ? 'The chosen pieces enclose nothing, and no ends of theirs lie near each other: choose the lines that close them too.'
            : sprintf(
                'The chosen pieces enclose nothing: they are open by %.2f mm at %.2f, %.2f. Let gaps of that width be closed, or choose what closes them.',
                $gap->by,
                $gap->x,
                $gap->y,
            );
    }

    private static function colour(int $k): Colour
    {
        $hue = fmod(0.36 + $k * 0.381966, 1.0) * 6;
        $light = [0.42, 0.58, 0.5][$k % 3];
        $channel = static fn (float $shift): int => (int) round(255 * ($light - 0.55 * min($light, 1 - $light) * max(
            -1.0,
            min(fmod($shift + $hue * 2, 12) - 3, 9 - fmod($shift + $hue * 2, 12), 1.0),
        )));

        return new Colour($channel(0), $channel(8), $channel(4));
    }

    /** @param  array{float, float}  $place */
    private static function cell(CellPlan $plan, array $place): int
    {
        return $plan->cells->at(...$place) ?? throw Refused::because(sprintf('Nothing encloses the place %s,%s.', round($place[0], 3), round($place[1], 3)));
    }

    /**
     * @param  list<Piece>  $pieces
     * @param  array<int, int>  $groups
     * @param  array<int, Colour>  $colours
     */
    private function laid(Artwork $artwork, array $pieces, CellPlan $plan, array $groups, array $colours): Artwork
    {
        $free = FreeIds::in($artwork);
        $by = $tops = $bare = [];
        $shapes = $plan->cells->shapes(array_filter($groups, static fn (int $group): bool => $group >= 0));
        foreach ($plan->filled as $i => $piece) {
            $by[$piece->id] = self::kept($piece, $i, $plan, $groups);
        }
        foreach ($plan->lines as $piece) {
            $by[$piece->id] = $this->keepLines ? [$piece] : [];
        }
        foreach ($shapes as $group => $shape) {
            $top = $plan->top($group);
            $like = $top ?? $plan->lines[0] ?? $pieces[0];
            $id = $top !== null && $by[$top->id] === [] ? $top->id : $free->next();
            $made = new Piece(
                $id,
                $shape,
                isset($colours[$group]) ? new Paint($colours[$group]) : self::paint($top, $like),
                name: $like->name,
                place: new Place($like->place->layer, $like->place->groups),
                blend: $top->blend ?? $like->blend,
            );
            $top === null ? $bare[] = $made : $by[$top->id][] = $made;
        }
        // What only lines enclose lies where the lowest of them lay, so that lines that are kept stay above.
        if ($bare !== []) {
            $at = $plan->lines[0]->id ?? $pieces[0]->id;
            $by[$at] = [...$bare, ...($by[$at] ?? [])];
        }

        return Outlined::replaced($artwork, $by);
    }

    /**
     * What was not pressed stays with each piece that covers it.
     *
     * @param  array<int, int>  $groups
     * @return list<Piece> none where all of it was pressed
     */
    private static function kept(Piece $piece, int $number, CellPlan $plan, array $groups): array
    {
        $rest = [];
        $touched = false;
        foreach ($plan->cells->covers as $cell => $owners) {
            if (in_array($number, $owners, true)) {
                isset($groups[$cell]) ? $touched = true : $rest[$cell] = 0;
            }
        }
        $shape = $touched ? ($plan->cells->shapes($rest)[0] ?? new Shape([])) : $piece->shape;

        return $shape->isEmpty() ? [] : [$touched ? $piece->withShape($shape)->with(clip: null) : $piece];
    }

    /** Of what lies uppermost, or of the line that encloses it. */
    private static function paint(?Piece $top, Piece $like): ?Paint
    {
        return $top === null ? $like->stroke->paint ?? new Paint(Colour::ink()) : $top->fill;
    }

    public function marks(Artwork $artwork): array
    {
        $pieces = Lines::pieces($artwork, $this->ids);
        $plan = CellPlan::of($this->mend ? Meeting::mended($pieces, $this->meet) : $pieces, $artwork);
        $marks = [];
        foreach ($plan->cells->each() as $cell => $shape) {
            [$x, $y] = Inscribed::in($shape, 0.05);
            $marks[] = new Mark('cell', $x, $y, $plan->top($cell)->name ?? '', $shape, $plan->top($cell)?->fill?->colour->hex() ?? '');
        }

        return [...$marks, ...($this->mend ? [] : Meeting::marks($plan->lines(), $this->meet))];
    }
}
