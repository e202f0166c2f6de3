<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\Step;

/** O10: the result from behind, as it is cut for heat transfer, for the inside of a window, for film. */
final readonly class Mirror implements Step
{
    use Described;

    public static function about(): AboutStep
    {
        return new AboutStep('mirror', 'Mirror', 'The result from behind: for heat transfer, for the inside of a window, for film.', [], 95, array_fill_keys(
            ['thicken', 'widen-gaps', 'blunt-points', 'islands', 'stack'],
            'Turn it round last: places that were chosen are those of the art as it is looked at.',
        ), true, 0.05, lays: true, cuts: true, apart: AboutStep::KEEPS);
    }

    public static function from(Values $values): self
    {
        return new self;
    }

    public function values(): array
    {
        return [];
    }

    public function apply(Artwork $artwork): Artwork
    {
        $matrix = new Matrix(-1.0, 0.0, 0.0, 1.0, $artwork->width, 0.0);

        return $artwork->withPieces(array_map(static fn (Piece $piece): Piece => $piece->transformed($matrix), $artwork->pieces));
    }
}
