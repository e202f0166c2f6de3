<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\Step;

/** C9: a gradient becomes the one colour that it is in the mean, as no knife and no single ink gives another. */
final readonly class FlatGradients implements Step
{
    use Described;

    public static function about(): AboutStep
    {
        return new AboutStep(
            'flat-gradients',
            'Flat gradients',
            'A gradient becomes the one colour that it is in the mean.',
            [],
            15,
            looks: true,
            work: 0.02,
            apart: AboutStep::KEEPS,
            byPiece: AboutStep::DRAWN,
        );
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
        $flat = static fn (?Paint $paint): ?Paint => $paint?->gradient === null ? $paint : new Paint($paint->colour, $paint->opacity);

        return $artwork->withPieces(array_map(static function (Piece $piece) use ($flat): Piece {
            $line = $flat($piece->stroke?->paint);

            return $piece->with(fill: $flat($piece->fill), stroke: $line === null ? null : $piece->stroke?->with(paint: $line));
        }, $artwork->pieces));
    }
}
