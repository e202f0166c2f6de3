<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Measure\Colour;

/** Several blacks that only a screen tells apart become the black of the shop, so that no ribbons of one are knocked out of another. */
final readonly class JoinNearBlacks implements Step
{
    use Described;

    private const BLACK = '#000000';

    /** @param  string  $black  #rrggbb of the black that they become */
    public function __construct(private string $black = self::BLACK)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep(
            'join-near-blacks',
            'Join near-blacks',
            'Several blacks that only a screen tells apart become the black of the shop.',
            [Field::colour('black', 'Black of the shop', self::BLACK)],
            rank: 30,
            looks: true,
            work: 0.05,
            cuts: true,
            apart: AboutStep::KEEPS,
            byPiece: AboutStep::SEEN,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->colour('black')?->hex() ?? self::BLACK);
    }

    public function values(): array
    {
        return ['black' => $this->black];
    }

    public function apply(Artwork $artwork): Artwork
    {
        if (! self::areSeveral($artwork)) {
            return $artwork;
        }
        $main = Colour::fromHex($this->black);
        $joined = static fn (?Paint $paint): ?Paint => $paint !== null && self::isNearBlack($paint) ? new Paint($main, $paint->opacity) : $paint;

        return $artwork->withPieces(array_map(static function (Piece $piece) use ($joined): Piece {
            $fill = $joined($piece->fill);
            $line = $joined($piece->stroke?->paint);

            return $piece->with(fill: $fill, stroke: $line === null ? null : $piece->stroke?->with(paint: $line));
        }, $artwork->pieces));
    }

    private static function areSeveral(Artwork $artwork): bool
    {
        $seen = [];
        foreach ($artwork->pieces as $piece) {
            foreach ([$piece->fill, $piece->stroke?->paint] as $paint) {
                if ($paint !== null && self::isNearBlack($paint)) {
                    $seen[$paint->colour->hex()] = true;
                }
            }
        }

        return count($seen) > 1;
    }

    private static function isNearBlack(Paint $paint): bool
    {
        return $paint->isFlatColour() && $paint->colour->isNearBlack();
    }
}
