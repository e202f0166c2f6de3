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
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Edit\ShowsMarks;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\Cells;

/** One press inside makes a filled piece of exactly what surrounds it, over any number of pieces. */
final readonly class FillEnclosed implements Edit, ShowsMarks
{
    /**
     * @param  list<string>  $ids  pieces that enclose; all that can be touched when none
     * @param  array{float, float}|null  $at
     */
    public function __construct(private array $ids, private ?array $at, private ?Colour $colour, private bool $toEdge, private bool $over)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Fill enclosed', 'One press makes a piece of exactly what surrounds the place.', [
            Field::words('at', 'Place', Field::PLACE),
            Field::colour('fill', 'Fill', '#26231d'),
            Field::choice('to', 'Up to', 'middle', ['middle' => 'The middle of strokes', 'edge' => 'Their edge']),
            Field::choice('islands', 'Islands inside', 'holes', ['holes' => 'Stay open', 'over' => 'Are filled over']),
        ], 0, About::CELLS, 'E', About::AT_ONCE);
    }

    public static function from(Values $values): self
    {
        return new self(
            $values->pieces(),
            $values->place('at'),
            $values->colour('fill'),
            $values->choice('to') === 'edge',
            $values->choice('islands') === 'over',
        );
    }

    public function label(): string
    {
        return 'Fill enclosed';
    }

    public function apply(Artwork $artwork): Artwork
    {
        if ($this->at === null) {
            throw Refused::because('Press the place that is to be filled.');
        }
        $pieces = Lines::pieces($artwork, $this->ids);
        $plan = CellPlan::of($pieces, $artwork, $this->toEdge);
        $cell = $plan->cells->at(...$this->at);
        if ($cell === null) {
            throw Refused::because($this->leak($pieces));
        }
        $shape = $plan->cells->shapes([$cell => 0])[0] ?? throw Refused::because('That place is too small to be filled.');
        if ($this->over) {
            $areas = array_map(static fn (Contour $contour): float => $contour->area(), $shape->contours);
            $largest = array_reduce($areas, static fn (float $most, float $area): float => abs($area) > abs($most) ? $area : $most, 0.0);
            $outer = array_values(array_filter(
                $shape->contours,
                static fn (Contour $contour, int $i): bool => $areas[$i] * $largest > 0,
                ARRAY_FILTER_USE_BOTH,
            ));
            $shape = new Shape($outer, FillRule::Nonzero);
        }
        $top = $plan->top($cell);
        $lowest = $pieces[0] ?? null;
        $made = new Piece(
            FreeIds::in($artwork)->next(),
            $shape,
            new Paint($this->colour ?? Colour::ink()),
            null,
            'Filled',
            null,
            new Place(($top ?? $lowest)->place->layer ?? $artwork->layers[0]->id),
        );
        // Right above what covers the place; where nothing does, below the lines, so that they stay in sight.
        $laid = [];
        foreach ($artwork->pieces as $piece) {
            if ($top === null && $piece === $lowest) {
                $laid[] = $made;
            }
            $laid[] = $piece;
            if ($top !== null && $piece->id === $top->id) {
                $laid[] = $made;
            }
        }

        return Arrangement::settled($artwork->withPieces($laid));
    }

    /**
     * Where it is open, by the widest gap that must be bridged: gaps are closed in growing order until the place is enclosed.
     *
     * @param  list<Piece>  $pieces
     */
    private function leak(array $pieces): string
    {
        $gap = $this->gap($pieces);

        return $gap === null ? 'Nothing encloses that place.' : sprintf('It is open by %.2f mm at %.2f, %.2f.', $gap->by, $gap->x, $gap->y);
    }

    /** @param  list<Piece>  $pieces */
    private function gap(array $pieces): ?LooseEnd
    {
        return MissingBorder::of($pieces, fn (Cells $cells): bool => $this->at !== null && $cells->at(...$this->at) !== null);
    }

    public function marks(Artwork $artwork): array
    {
        $pieces = Lines::pieces($artwork, $this->ids);
        if ($this->at === null) {
            return [];
        }
        $plan = CellPlan::of($pieces, $artwork, $this->toEdge);
        $cell = $plan->cells->at(...$this->at);
        if ($cell !== null) {
            return [new Mark('cell', $this->at[0], $this->at[1], '', $plan->cells->shapes([$cell => 0])[0] ?? null)];
        }
        $gap = $this->gap($pieces);

        return $gap === null ? [] : [new Mark('gap', $gap->x, $gap->y, $gap->says(), state: sprintf('%.4f,%.4f', ...$gap->to))];
    }
}
