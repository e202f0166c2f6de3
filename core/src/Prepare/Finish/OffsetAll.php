<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Cure\Flat;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\Step;
use NeatEdge\Core\Stroke\Offset;

/** Every piece smaller all round, so that pieces part; or larger where the ground is bare, so that a cut that is off shows none of it. */
final readonly class OffsetAll implements Step
{
    use Described;

    private const HOW = ['inset' => 'Smaller all round', 'outset' => 'Larger where it is bare'];

    /** @param  float  $distance  mm */
    public function __construct(private string $how, private float $distance, private string $join = 'miter')
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep('offset', 'Inset or outset', 'Every piece smaller all round, or larger where the ground is bare.', [
            Field::choice('how', 'How', 'inset', self::HOW),
            Field::length('distance', 'By', 0.1, most: 1000.0),
            Field::choice('join', 'Corners', 'miter', Offset::JOINS),
        ], 76, ['merge-by-colour' => 'What becomes one piece must be merged before: else a gap is cut along its seams.'], true, 1.0, apart: AboutStep::MAKES);
    }

    public static function from(Values $values): self
    {
        return new self($values->choice('how'), $values->length('distance'), $values->choice('join'));
    }

    public function values(): array
    {
        return ['how' => $this->how, 'distance' => $this->distance, 'join' => $this->join];
    }

    public function apply(Artwork $artwork): Artwork
    {
        $flat = Flat::of($artwork);
        if ($this->distance <= 0) {
            return $flat;
        }
        $tolerance = $flat->tolerance();
        $pieces = $flat->pieces;
        foreach ($pieces as $i => $piece) {
            if (! $piece->isSolid()) {
                continue;
            }
            if ($this->how === 'inset') {
                $shape = Offset::inset($piece->shape, $this->distance, $this->join, $tolerance);
            } else {
                // Those before are larger already and keep what they took.
                $box = $piece->box();
                $others = array_values(array_filter(
                    $pieces,
                    static fn (Piece $other): bool => $other !== $piece && $other->isSolid() && ! $other->shape->isEmpty(),
                ));
                $shape = $box === null ? new Shape([]) : Combine::cutAway(
                    Offset::outset($piece->shape, $this->distance, $this->join, $tolerance),
                    array_map(static fn (Piece $other): Shape => $other->shape, $others),
                    $tolerance,
                );
            }
            $pieces[$i] = $piece->withShape($shape);
        }

        return $flat->with(pieces: array_values(array_filter($pieces, static fn (Piece $piece): bool => ! $piece->shape->isEmpty())), apart: true);
    }
}
