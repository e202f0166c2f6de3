<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\Shaping\Outlined;
use NeatEdge\Core\Flat\Outlines;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Beside;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Applied;
use NeatEdge\Core\Prepare\Cure\Flat;
use NeatEdge\Core\Prepare\Cure\Places;
use NeatEdge\Core\Prepare\Step;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Prepare\UnderLimits;
use NeatEdge\Core\Seen\Extent;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Seen\SingleCuts;

/**
 * A remedy made on the art itself: what a step would change of what is seen is carried over to the pieces that show it. A piece that nothing is changed of
 * stays as it is, live or not.
 */
final readonly class Mend implements Edit
{
    /** mm² under which a change is the inexactness of a map. */
    private const LEAST = 1e-4;

    /** @param  list<array{float, float}>  $spots  places that it is about; all when there is none */
    private function __construct(private Step $step, private array $spots)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Mend', 'What a step of preparation would change, made on the art itself.', [
            Field::words('step', 'Kind of step'), Field::data('values', 'Values'), Field::words('at', 'Only at', Field::PLACES),
            Field::length('line', 'Least line', 0.0, most: 1000.0),
            Field::length('gap', 'Least gap', 0.0, most: 1000.0),
            Field::length('island', 'Least island', 0.0, most: 1000.0),
            Field::length('hole', 'Least hole', 0.0, most: 1000.0),
            Field::count('colours', 'Most colours', 0, 0, 500),
        ], 0);
    }

    public static function from(Values $values): self
    {
        $spots = $values->places('at');
        $kind = $values->text('step');
        $step = Steps::make($kind, [...$values->map('values'), ...($spots === [] ? [] : ['at' => $values->written('at')])], $values->unit, $values->fonts);
        if ($step instanceof UnderLimits) {
            $step = $step->under(new Limits(
                $values->length('line'), $values->length('gap'), $values->length('island'), $values->length('hole'),
                $values->count('colours'),
            ));
        }

        return new self($step, $spots);
    }

    public function label(): string
    {
        return $this->step->label();
    }

    public function apply(Artwork $artwork): Artwork
    {
        $after = $this->step::about()->byPiece !== AboutStep::NOT ? $this->byPiece($artwork) : $this->bySight($artwork);
        foreach ($artwork->pieces as $piece) {
            if ($piece->place->locked && $after->piece($piece->id) !== $piece) {
                throw Refused::because(sprintf(
                    '%s would be changed by it and is locked; unlock it first.',
                    $piece->name === '' ? 'A piece' : '"'.mb_substr($piece->name, 0, 40).'"',
                ));
            }
        }

        return $after;
    }

    private function bySight(Artwork $artwork): Artwork
    {
        $near = $this->near($artwork);
        $flat = Flat::of(PrepLine::usual()->only(['outline-strokes', 'remove-hidden', 'merge-by-colour'])->run(Seen::of($near))->artwork());
        $cured = $this->step instanceof TellsDeeds ? Applied::cure($this->step, $flat) : null;
        if ($cured !== null && $cured->done === []) {
            throw Refused::because($cured->left === []
                ? 'There is nothing of that kind to mend any more.'
                : 'That cannot be mended: '.$cured->left[0]['how'].'.');
        }
        $after = $cured->artwork ?? Applied::step($this->step, $flat);

        return $this->carried($artwork, $flat, $after);
    }

    private function byPiece(Artwork $artwork): Artwork
    {
        $drawn = $this->step::about()->byPiece === AboutStep::DRAWN;
        $by = [];
        foreach (Applied::step($this->step, $drawn ? $artwork : Seen::of($artwork))->pieces as $piece) {
            $by[$piece->id] = $piece;
        }
        // What is not seen is left alone; what is left out as it is drawn goes.
        $stays = $drawn ? array_values(array_filter($artwork->pieces, static fn (Piece $piece): bool => isset($by[$piece->id]))) : $artwork->pieces;

        return $artwork->withPieces(array_map(static function (Piece $piece) use ($by): Piece {
            $now = $by[$piece->id] ?? null;
            if ($now === null) {
                return $piece;
            }
            if ($piece->soft !== null && $now->soft === null) {
                return $now;
            }
            if ($now->shape !== $piece->shape
                && $piece->recipe === null
                && $piece->clip === null
                && count($now->shape->contours) === count($piece->shape->contours)) {
                return $piece->withShape($now->shape)->with(fill: $now->fill ?? $piece->fill);
            }

            $fill = $piece->fill === null ? null : ($now->fill ?? $piece->fill);
            if ($fill?->key() === $piece->fill?->key() && ($now->stroke ?? $piece->stroke)?->paint->key() === $piece->stroke?->paint->key()) {
                return $piece;
            }

            return $piece->with(
                fill: $piece->fill === null ? null : ($now->fill ?? $piece->fill),
                stroke: $piece->stroke?->with(paint: $now->stroke->paint ?? $piece->stroke->paint),
            );
        }, $stays));
    }

    /** Only what lies within reach of the places takes part. */
    private function near(Artwork $artwork): Artwork
    {
        $artwork = SingleCuts::apart($artwork)[0];
        if ($this->spots === []) {
            return $artwork;
        }
        $reach = 20.0 + 0.05 * max($artwork->width, $artwork->height);
        $tolerance = $artwork->tolerance();

        return $artwork->withPieces(array_values(array_filter($artwork->pieces, function (Piece $piece) use ($reach, $tolerance): bool {
            $box = Extent::piece($piece, $tolerance);
            foreach ($this->spots as [$x, $y]) {
                if ($box !== null && $box->overlaps(new Box($x - $reach, $y - $reach, $x + $reach, $y + $reach))) {
                    return true;
                }
            }

            return false;
        })));
    }

    /** What was added to and taken from each colour, made on the pieces that show it. */
    private function carried(Artwork $artwork, Artwork $before, Artwork $after): Artwork
    {
        $tolerance = $artwork->tolerance();
        $was = self::byPaint($before);
        $now = self::byPaint($after);
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            $pieces[$piece->id] = [$piece];
        }
        $gone = $gains = [];
        foreach (array_keys($was + $now) as $paint) {
            $old = $was[$paint] ?? new Shape([]);
            $new = $now[$paint] ?? new Shape([]);
            if ($old !== $new) {
                $gone[$paint] = $old->isEmpty() ? $old : Combine::cutAway($old, [$new], $tolerance);
                $gains[$paint] = $new->isEmpty() ? $new : Combine::cutAway($new, [$old], $tolerance);
            }
        }
        foreach ($gains as $paint => $more) {
            foreach ($more->area() > self::LEAST ? Parts::of($more) : [] as $part) {
                self::add($pieces, (string) $paint, $part, $artwork);
            }
        }
        // What another gained lies over it now; only what is bare afterwards is cut out.
        $gained = array_values(array_filter($gains, static fn (Shape $more): bool => ! $more->isEmpty()));
        foreach ($gone as $paint => $less) {
            $less = $less->isEmpty() || $gained === [] ? $less : Combine::cutAway($less, $gained, $tolerance);
            if ($less->area() > self::LEAST) {
                self::take($pieces, (string) $paint, $less, $artwork);
            }
        }

        return Outlined::replaced(
            $artwork,
            array_filter(
                $pieces,
                static fn (array $list, string|int $id): bool => count($list) !== 1 || $list[0] !== $artwork->piece((string) $id),
                ARRAY_FILTER_USE_BOTH,
            ),
        );
    }

    /** @return array<string, Shape> what is seen of each paint */
    private static function byPaint(Artwork $flat): array
    {
        $areas = [];
        foreach ($flat->pieces as $piece) {
            if ($piece->isSolid()) {
                $key = $piece->fill?->key() ?? '';
                $areas[$key] = isset($areas[$key]) ? new Shape([...$areas[$key]->contours, ...$piece->shape->contours]) : $piece->shape;
            }
        }

        return $areas;
    }

    /** @param  array<string, list<Piece>>  $pieces  brought up to date */
    private static function take(array &$pieces, string $paint, Shape $gone, Artwork $artwork): void
    {
        $tolerance = $artwork->tolerance();
        foreach ($pieces as $id => $list) {
            $kept = [];
            foreach ($list as $piece) {
                foreach (self::shows($piece, $paint)
                    && ! $artwork->hides($piece)
                    && self::overlaps($piece, $gone, $artwork) ? self::parted($piece, $artwork) : [$piece] as $part) {
                    if ($part->fill?->key() !== $paint || $part->stroke !== null) {
                        $kept[] = $part;

                        continue;
                    }
                    $left = Combine::cutAway($part->shape, [$gone], $tolerance);
                    if (! $left->isEmpty()) {
                        $kept[] = abs($left->area() - $part->shape->area()) < 1e-9 ? $part : $part->withShape($left);
                    }
                }
            }
            $pieces[$id] = $kept;
        }
    }

    /** @param  array<string, list<Piece>>  $pieces  brought up to date */
    private static function add(array &$pieces, string $paint, Shape $more, Artwork $artwork): void
    {
        $to = self::beside($pieces, $paint, $more, $artwork);
        if ($to === null) {
            return;
        }
        $above = false;
        foreach ($pieces as $id => $list) {
            $left = [];
            foreach ($list as $piece) {
                $mine = $id === $to && self::shows($piece, $paint);
                $goesOn = $mine || $above;
                if (! $goesOn || $artwork->hides($piece)
                    || ! ($mine ? self::meets($piece, $more, $artwork) : self::overlaps($piece, $more, $artwork))) {
                    $left[] = $piece;

                    continue;
                }
                foreach (self::parted($piece, $artwork) as $part) {
                    $isPaint = $part->fill?->key() === $paint;
                    $grown = match (true) {
                        $mine && $isPaint => $part->withShape(Combine::weld([$part->shape, $more], $artwork->tolerance())),
                        $above && ! $isPaint => $part->withShape(Combine::cutAway($part->shape, [$more], $artwork->tolerance())),
                        default => $part,
                    };
                    array_push($left, ...($grown !== $part && $grown->shape->isEmpty() ? [] : [$grown]));
                }
            }
            $above = $above || $id === $to;
            $pieces[$id] = $left;
        }
    }

    /**
     * The piece of a paint along most of the border of an area, the uppermost of several.
     *
     * @param  array<string, list<Piece>>  $pieces
     */
    private static function beside(array $pieces, string $paint, Shape $more, Artwork $artwork): int|string|null
    {
        $shapes = [];
        foreach (array_reverse($pieces, true) as $id => $list) {
            foreach ($list as $piece) {
                if (self::shows($piece, $paint) && ! $artwork->hides($piece) && self::meets($piece, $more, $artwork)) {
                    $shapes[$id] = Outlined::whole($piece, $artwork);
                }
            }
        }
        [$beside] = Beside::along($more, $shapes);
        arsort($beside);

        return array_key_first($beside) ?? array_key_first($shapes);
    }

    private static function shows(Piece $piece, string $paint): bool
    {
        return $piece->fill?->key() === $paint || $piece->stroke?->paint->key() === $paint;
    }

    private static function meets(Piece $piece, Shape $shape, Artwork $artwork): bool
    {
        $box = Extent::piece($piece, $artwork->tolerance());
        $other = $shape->box();

        return $box !== null && $other !== null && $box->overlaps($other);
    }

    private static function overlaps(Piece $piece, Shape $shape, Artwork $artwork): bool
    {
        return self::meets($piece, $shape, $artwork) && Combine::keepOverlap(
            [Outlined::whole($piece, $artwork), $shape],
            $artwork->tolerance(),
        )->area() > self::LEAST;
    }

    /** @return list<Piece> plain fills of what is seen of a piece, the lowest first: under its own id and one made from it */
    private static function parted(Piece $piece, Artwork $artwork): array
    {
        if ($piece->stroke === null && $piece->clip === null) {
            return [$piece];
        }
        $parts = Outlines::of(Seen::of($artwork->withPieces([$piece])))->pieces;

        return array_map(static fn (Piece $part): Piece => $part->with(place: $piece->place, name: $piece->name), $parts);
    }
}
