<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Colour;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Seen\Painted;

/** Several blacks that only a screen tells apart become the one that paints most, so that no ribbons of one are knocked out of another. */
final readonly class JoinNearBlacks implements Step
{
    use Described;

    public static function about(): AboutStep
    {
        return new AboutStep('join-near-blacks', 'Join near-blacks', 'Several blacks that only a screen tells apart become one.', rank: 30, looks: true, work: 0.05, cuts: true);
    }

    public static function from(Input $input): self
    {
        return new self;
    }

    public function values(): array
    {
        return [];
    }

    public function apply(Artwork $artwork): Artwork
    {
        $main = self::main($artwork);
        if ($main === null) {
            return $artwork;
        }
        $joined = static fn (?Paint $paint): ?Paint => $paint !== null && self::isNearBlack($paint) ? new Paint($main, $paint->opacity) : $paint;

        return $artwork->withPieces(array_map(static function (Piece $piece) use ($joined): Piece {
            $fill = $joined($piece->fill);
            $line = $joined($piece->stroke?->paint);

            return $piece->with(fill: $fill, stroke: $line === null ? null : $piece->stroke?->with(paint: $line));
        }, $artwork->pieces));
    }

    /** The near-black that paints most; null where there are not two of them. */
    private static function main(Artwork $artwork): ?Colour
    {
        $areas = $colours = [];
        foreach (Painted::areas($artwork) as $area) {
            if (self::isNearBlack($area->paint)) {
                $hex = $area->paint->colour->hex();
                $areas[$hex] = ($areas[$hex] ?? 0.0) + $area->shape->area();
                $colours[$hex] = $area->paint->colour;
            }
        }
        arsort($areas);
        $first = array_key_first($areas);

        return count($areas) < 2 || $first === null ? null : $colours[$first];
    }

    private static function isNearBlack(Paint $paint): bool
    {
        return $paint->isFlatColour() && $paint->colour->isNearBlack();
    }
}
