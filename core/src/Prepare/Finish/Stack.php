<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\BoxGrid;
use NeatEdge\Core\Geometry\Groups;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Cure\Flat;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\Step;
use NeatEdge\Core\Stroke\Offset;

/**
 * X7: how colours lie on each other. Butted they meet along one cut; underlapped the lower runs a set distance under the upper; stacked the lower stays whole
 * under all that lies on it. Never beyond the outer edge of the whole, and chosen for single pairs where that is wanted.
 */
final readonly class Stack implements Step
{
    use Described;

    public const HOW = ['butt' => 'Butt', 'underlap' => 'Underlap', 'stack' => 'Stack'];

    /**
     * @param  float  $by  mm of an underlap
     * @param  array<string, string>  $pairs  "lower/upper" by hex => how these two lie
     */
    public function __construct(private string $how = 'underlap', private float $by = 0.3, private array $pairs = [])
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep('stack', 'Stack or underlap', 'Lower colours run under the upper, so that no gap shows where they are laid.', [
            Field::choice('how', 'How', 'underlap', self::HOW), Field::length('by', 'Underlap by', 0.3, most: 100.0),
            Field::pairs('pairs', 'Pairs', self::HOW, 'colours that lie otherwise, the lower first: #1d5c46/#e0a030=butt'),
        ], 90, array_fill_keys(['remove-hidden', 'merge-by-colour', 'islands', 'blunt-points', 'thicken', 'widen-gaps', 'clean-nodes', 'round-corners'],
            'What runs under is taken away again by what comes after: stack last.'), false, 1.0, lays: true);
    }

    public static function from(Values $values): self
    {
        $pairs = [];
        foreach ($values->pairs('pairs') as [$lower, $upper, $how]) {
            $pairs["{$lower->hex()}/{$upper->hex()}"] = $how;
        }

        return new self($values->choice('how'), $values->length('by'), $pairs);
    }

    public function values(): array
    {
        $pairs = array_map(static fn (string $pair, string $how): string => "{$pair}={$how}", array_keys($this->pairs), $this->pairs);

        return ['how' => $this->how, 'by' => $this->by, 'pairs' => implode(' ', $pairs)];
    }

    public function apply(Artwork $artwork): Artwork
    {
        $flat = Flat::of($artwork);
        $parts = $of = [];
        foreach ($flat->pieces as $i => $piece) {
            foreach ($piece->isSolid() ? Parts::of($piece->shape) : [] as $part) {
                $parts[] = $part;
                $of[] = $i;
            }
        }
        $grid = new BoxGrid(array_map(static fn (Shape $part): ?Box => $part->box(), $parts));
        $pieces = $flat->pieces;
        foreach (self::numbers($of) as $i => $own) {
            $pieces[$i] = $this->laid($flat, $i, $own, $parts, $of, $grid);
        }

        return $flat->with(pieces: $pieces, apart: false);
    }

    /**
     * A piece, run under what lies on it. Only parts of it that lie near each other are taken together, with what lies near them: the rest of a sheet has
     * nothing to do with them.
     *
     * @param  list<int>  $own  numbers of its parts
     * @param  list<Shape>  $parts  of all pieces, the lowest piece first
     * @param  list<int>  $of  number of the piece, by part
     */
    private function laid(Artwork $flat, int $i, array $own, array $parts, array $of, BoxGrid $grid): Piece
    {
        $piece = $flat->pieces[$i];
        $groups = new Groups($own);
        $lapped = $whole = [];
        // What lies wholly on several parts holds them together.
        $held = [];
        foreach ($own as $part) {
            Patience::ask(8);
            $box = $parts[$part]->box();
            foreach ($box === null ? [] : $grid->touching($box->grown(Offset::MITER * $this->by)) as $other) {
                if ($of[$other] === $i) {
                    $groups->join($part, $other);
                }
                match ($of[$other] > $i ? $this->between($piece, $flat->pieces[$of[$other]]) : 'butt') {
                    'underlap' => $lapped[$part][] = $other,
                    'stack' => $whole[$part][] = $other,
                    default => null,
                };
            }
            foreach ($whole[$part] ?? [] as $other) {
                $groups->join($held[$other] ??= $part, $part);
            }
        }
        if ($lapped === [] && $whole === []) {
            return $piece;
        }
        $contours = [];
        foreach (self::numbers(array_combine($own, array_map($groups->of(...), $own))) as $group) {
            $shape = new Shape(array_merge(...array_map(static fn (int $part): array => $parts[$part]->contours, $group)), $piece->shape->rule);
            $shapesOf = static fn (array $near): array => array_map(
                static fn (int $part): Shape => $parts[$part],
                array_keys(array_fill_keys(array_merge(...array_values(array_intersect_key($near, array_flip($group)))), true)),
            );
            array_push($contours, ...$this->under($shape, $shapesOf($lapped), $shapesOf($whole), $flat->tolerance())->contours);
        }

        return $piece->withShape(new Shape($contours, $piece->shape->rule));
    }

    /**
     * @param  list<Shape>  $lapped  what it runs under
     * @param  list<Shape>  $whole  what lies on it, if it touches it
     */
    private function under(Shape $shape, array $lapped, array $whole, Tolerance $tolerance): Shape
    {
        $more = [];
        if ($lapped !== [] && $this->by > 0) {
            $reach = Offset::outset($shape, $this->by, 'miter', $tolerance);
            $more[] = Combine::keepOverlap([$reach, Combine::weld($lapped, $tolerance)], $tolerance);
        }
        array_push($more, ...self::touching($shape, $whole, $tolerance));

        return $more === [] ? $shape : Combine::weld([$shape, ...$more], $tolerance);
    }

    /**
     * @param  array<int, int>  $of
     * @return array<int, non-empty-list<int>> keys by value
     */
    private static function numbers(array $of): array
    {
        $numbers = [];
        foreach ($of as $key => $value) {
            $numbers[$value][] = $key;
        }

        return $numbers;
    }

    private function between(Piece $lower, Piece $upper): string
    {
        return $this->pairs[$lower->fill?->colour->hex().'/'.$upper->fill?->colour->hex()] ?? $this->how;
    }

    /**
     * Of what lies above, the parts that touch the lower: they lie on it.
     *
     * @param  list<Shape>  $above  parts
     * @return list<Shape>
     */
    private static function touching(Shape $lower, array $above, Tolerance $tolerance): array
    {
        $touching = [];
        // Two that touch have one outline less when they are welded.
        $apart = $above === [] ? 0 : count(Parts::of($lower)) + 1;
        foreach ($above as $part) {
            if (count(Parts::of(Combine::weld([$lower, $part], $tolerance))) < $apart) {
                $touching[] = $part;
            }
        }

        return $touching;
    }
}
