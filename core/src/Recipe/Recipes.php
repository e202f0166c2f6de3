<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe;

use NeatEdge\Core\Artwork\Base;
use NeatEdge\Core\Artwork\Change;
use NeatEdge\Core\Artwork\Contours;
use NeatEdge\Core\Recipe\Basic\BasicShape;
use NeatEdge\Core\Recipe\Border\BorderAround;
use NeatEdge\Core\Recipe\Corners\RoundCorners;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Recipe\Linked\LinkedCopy;
use NeatEdge\Core\Recipe\Mirror\MirrorHalf;
use NeatEdge\Core\Recipe\Repeat\StepAndRepeat;
use NeatEdge\Core\Recipe\Weave\Woven;
use NeatEdge\Core\Recipe\Wrap\Wrap;

/** The kinds that there are. */
final class Recipes
{
    private const BASES = [Contours::class, BasicShape::class, Lettering::class, LinkedCopy::class, BorderAround::class, Woven::class];

    private const CHANGES = [RoundCorners::class, MirrorHalf::class, StepAndRepeat::class, Wrap::class];

    /** @return array<string, class-string<Base>> */
    public static function bases(): array
    {
        static $all = null;

        return $all ??= array_combine(array_map(static fn (string $class): string => $class::kind(), self::BASES), self::BASES);
    }

    /** @return array<string, class-string<Change>> in the order in which the page names them */
    public static function changes(): array
    {
        static $all = null;

        return $all ??= array_combine(array_map(static fn (string $class): string => $class::kind(), self::CHANGES), self::CHANGES);
    }
}
