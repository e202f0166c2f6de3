<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Colours;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\Step;

/** X1: colours that are hardly told apart become the one of them that is seen most. */
final readonly class JoinNearColours implements Step
{
    use Described;

    private const USUAL = 3.0;

    /** @param  float  $distance  CIEDE2000 */
    public function __construct(private float $distance = self::USUAL)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep(
            'join-near-colours',
            'Join near colours',
            'Colours that are hardly told apart become the one of them that is seen most.',
            [Field::number('distance', 'Nearer than', self::USUAL, 0.1, 50.0)],
            31,
            looks: true,
            work: 0.3,
            cuts: true,
            apart: AboutStep::KEEPS,
            byPiece: AboutStep::SEEN,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->number('distance'));
    }

    public function values(): array
    {
        return ['distance' => $this->distance];
    }

    public function apply(Artwork $artwork): Artwork
    {
        return ColourAreas::mapped($artwork, Joining::ends(Joining::near(ColourAreas::seen($artwork), $this->distance)));
    }
}
