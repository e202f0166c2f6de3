<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\Offset;
use NeatEdge\Core\Stroke\OffsetCurve;
use NeatEdge\Core\Stroke\Outliner;
use NeatEdge\Core\Stroke\StrokeStyle;

/**
 * P7: inset, outset and ring of each chosen piece, by a distance, with round, mitred or bevelled corners; several steps at once, each from the original.
 * Of an open line: the outline at the distance, on both sides or on one.
 */
final readonly class OffsetPieces implements Edit
{
    private const MOST_STEPS = 100;

    private const FARTHEST = 10_000.0;

    /**
     * @param  list<string>  $ids
     * @param  string  $kind  inset, outset or ring
     * @param  array{float, float}  $distances  mm: inwards and outwards
     * @param  string  $result  replace, beside or band
     * @param  string  $side  of open lines: both, left or right
     */
    public function __construct(
        private array $ids,
        private string $kind,
        private array $distances,
        private string $join,
        private int $steps,
        private float $spacing,
        private string $result,
        private string $side,
    ) {
    }

    public static function about(string $kind): About
    {
        $distances = $kind === 'ring'
            ? [Field::length('inner', 'Inwards by', 1.0, most: self::FARTHEST), Field::length('outer', 'Outwards by', 1.0, most: self::FARTHEST)]
            : [Field::length('distance', 'By', 2.0, 1e-4, most: self::FARTHEST)];
        $rest = [
            Field::choice('join', 'Corners', 'round', Offset::JOINS),
            Field::count('steps', 'Steps', 1, 1, self::MOST_STEPS),
            Field::length('spacing', 'Spacing', 0.0, 0.0, 'from one step to the next; as the first step when left out', self::FARTHEST),
            Field::choice(
                'result',
                'Result',
                'replace',
                ['replace' => 'In its place', 'beside' => 'Beside the piece', ...($kind === 'ring' ? [] : ['band' => 'The band between'])],
            ),
            Field::choice('side', 'Of open lines', 'both', ['both' => 'Both sides', 'left' => 'The left side', 'right' => 'The right side']),
        ];

        return match ($kind) {
            'inset' => new About('Inset', 'Smaller all round by a distance.', [...$distances, ...$rest], under: About::BORDERS, key: 'I'),
            'outset' => new About('Outset', 'Larger all round by a distance.', [...$distances, ...$rest], under: About::BORDERS, key: 'U'),
            default => new About('Ring', 'A band along the outline, inwards and outwards.', [...$distances, ...$rest], under: About::BORDERS, key: 'R'),
        };
    }

    public static function from(Values $values): self
    {
        $kind = $values->kind;
        $distance = $kind === 'ring' ? 0.0 : $values->length('distance');

        return new self(
            $values->pieces(), $kind,
            match ($kind) {
                'inset' => [$distance, 0.0],
                'outset' => [0.0, $distance],
                default => [$values->length('inner'), $values->length('outer')],
            },
            $values->choice('join'), $values->count('steps'),
            $values->length('spacing'), $values->choice('result'), $values->choice('side'),
        );
    }

    public function label(): string
    {
        return ['inset' => 'Inset', 'outset' => 'Outset'][$this->kind] ?? 'Ring';
    }

    public function apply(Artwork $artwork): Artwork
    {
        if (max($this->distances) <= 0.0) {
            throw Refused::because('Type a distance.');
        }
        $free = FreeIds::in($artwork);
        $by = [];
        foreach (Chosen::in($artwork, $this->ids) as $piece) {
            $made = [];
            foreach ($this->shapes($piece, $artwork) as $shape) {
                $made[] = $piece->withShape($shape)->with(
                    clip: null,
                    fill: $piece->fill ?? $piece->stroke?->paint,
                    stroke: $piece->fill === null ? null : $piece->stroke,
                    place: new Place($piece->place->layer, $piece->place->groups),
                );
            }
            if ($made === []) {
                throw Refused::because(sprintf(
                    '%s is narrower than that: nothing of it would be left.',
                    $piece->name === '' ? 'A piece' : '"'.mb_substr($piece->name, 0, 40).'"',
                ));
            }
            if ($this->kind === 'inset') {
                // What lies further in lies above.
                $row = $this->result === 'replace' ? $made : [$piece, ...$made];
            } else {
                $row = [...array_reverse($made), ...($this->result === 'replace' ? [] : [$piece])];
            }
            $taken = $this->result !== 'replace';
            foreach ($row as $i => $one) {
                if ($one !== $piece) {
                    $row[$i] = $one->with(id: $taken ? $free->next() : $piece->id);
                    $taken = true;
                }
            }
            $by[$piece->id] = $row;
        }

        return Outlined::replaced($artwork, $by);
    }

    /** @return list<Shape> one a step, until nothing is left */
    private function shapes(Piece $piece, Artwork $artwork): array
    {
        [$in, $shapes] = $this->distances;
        $tolerance = $artwork->tolerance();
        $lines = array_values(array_filter($piece->shape->contours, static fn (Contour $contour): bool => ! $contour->closed));
        $open = $piece->fill === null && $lines !== [];
        $shape = $open ? new Shape([]) : ($piece->clip === null ? $piece->shape : Combine::keepOverlap([$piece->shape, $piece->clip->shape], $tolerance));
        $made = [];
        $before = $shape;
        for ($k = 0; $k < $this->steps; $k++) {
            $more = $k * ($this->spacing > 0.0 ? $this->spacing : max($in, $shapes));
            if ($open) {
                $next = $this->alongLine($lines, max($in, $shapes) + $more);
            } elseif ($this->kind === 'ring') {
                $next = Offset::ring($shape, $in + $more, $shapes + $more, $this->join, $tolerance);
            } else {
                $next = $this->kind === 'inset' ? Offset::inset(
                    $shape,
                    $in + $more,
                    $this->join,
                    $tolerance,
                ) : Offset::outset($shape, $shapes + $more, $this->join, $tolerance);
            }
            if ($next->isEmpty()) {
                break;
            }
            $made[] = $this->result !== 'band' || $open || $this->kind === 'ring' ? $next
                : ($this->kind === 'inset' ? Combine::cutAway($before, [$next], $tolerance) : Combine::cutAway($next, [$before], $tolerance));
            $before = $next;
        }

        return array_values(array_filter($made, static fn (Shape $shape): bool => ! $shape->isEmpty()));
    }

    /**
     * The outline at a distance from open lines; on one side, what lies between the line and its parallel.
     *
     * @param  list<Contour>  $lines
     */
    private function alongLine(array $lines, float $distance): Shape
    {
        if ($this->side === 'both') {
            return Outliner::outline($lines, Offset::join($this->join, $distance));
        }
        $style = new StrokeStyle(2 * $distance, Cap::Butt, $this->join === 'round' ? Join::Round : Join::Miter, 6.0);
        $out = [];
        foreach ($lines as $line) {
            $cells = PlanarMap::of([Outliner::outline([$line], $style)], null, [Shape::of($line)])->cells();
            $chosen = [];
            foreach ($line->segments() as $s) {
                foreach ([0.1, 0.5, 0.9] as $t) {
                    [$x, $y] = Cubic::placeOn($s, $t);
                    [$dx, $dy] = OffsetCurve::tangent($s, $t);
                    $to = ($this->side === 'left' ? 1 : -1) * 0.01 * $distance;
                    // Seen along the line, with y down, its left is (dy, -dx).
                    $cell = $cells->at($x + $to * $dy, $y - $to * $dx);
                    if ($cell !== null && $cells->covers[$cell] !== []) {
                        $chosen[$cell] = 0;
                    }
                }
            }
            array_push($out, ...($cells->shapes($chosen)[0] ?? new Shape([]))->contours);
        }

        return new Shape($out);
    }
}
