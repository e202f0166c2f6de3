<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
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
        $tolerance = $flat->tolerance();
        $pieces = $flat->pieces;
        foreach ($flat->pieces as $i => $piece) {
            $lapped = $whole = [];
            foreach ($piece->isSolid() ? array_slice($flat->pieces, $i + 1) : [] as $upper) {
                match ($upper->isSolid() ? $this->between($piece, $upper) : 'butt') {
                    'underlap' => $lapped[] = $upper->shape,
                    'stack' => $whole[] = $upper->shape,
                    default => null,
                };
            }
            $more = [];
            if ($lapped !== [] && $this->by > 0) {
                $reach = Offset::outset($piece->shape, $this->by, 'miter', $tolerance);
                $more[] = Combine::keepOverlap([$reach, Combine::weld($lapped, $tolerance)], $tolerance);
            }
            array_push($more, ...self::touching($piece->shape, $whole, $tolerance));
            if ($more !== []) {
                $pieces[$i] = $piece->withShape(Combine::weld([$piece->shape, ...$more], $tolerance));
            }
        }

        return $flat->with(pieces: $pieces, apart: false);
    }

    private function between(Piece $lower, Piece $upper): string
    {
        return $this->pairs[$lower->fill?->colour->hex().'/'.$upper->fill?->colour->hex()] ?? $this->how;
    }

    /**
     * Of what lies above, the parts that touch the lower: they lie on it.
     *
     * @param  list<Shape>  $above
     * @return list<Shape>
     */
    private static function touching(Shape $lower, array $above, Tolerance $tolerance): array
    {
        $shapes = [];
        foreach ($above as $shape) {
            foreach (Parts::of($shape) as $part) {
                // Two that touch have one outline less when they are welded.
                $apart = count(Parts::of($lower)) + 1;
                $box = $part->box();
                $own = $lower->box();
                if ($box !== null && $own !== null && $box->overlaps($own) && count(Parts::of(Combine::weld([$lower, $part], $tolerance))) < $apart) {
                    $shapes[] = $part;
                }
            }
        }

        return $shapes;
    }
}
