<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use DomainException;

/** More than a planar map is made of: said with the measure, before memory or patience end. */
final class MapTooLarge extends DomainException
{
    /** Crossings of outlines in one map. Measured when it was set: 462,000 took 650 MB and 37 s. */
    public const MOST_CROSSINGS = 500_000;

    /** Short lines that the outlines of one map are cut into. */
    public const MOST_CHORDS = 1_500_000;

    /** Crossings times the lines beside them. Measured: 400 million take about seven seconds; drawings of a million chords stay under 40. */
    public const MOST_WORK = 400_000_000;

    public static function crowded(): self
    {
        return new self('So many long lines run over one another that each would have to be compared with thousands (more than 400 million comparisons);'
            .' no more are worked on at once. Take the art apart, or take out what lies hidden in a pattern.');
    }

    public static function crossings(): self
    {
        return new self(sprintf(
            'The outlines cross one another in more than %s places; no more are worked on at once. Take the art apart, or take out what lies hidden in a'
                .' pattern.',
            number_format(self::MOST_CROSSINGS),
        ));
    }

    public static function chords(int $count): self
    {
        return new self(sprintf(
            'The outlines come to %s short lines; up to %s are worked on at once. Take the art apart, or clean its nodes first.',
            number_format($count),
            number_format(self::MOST_CHORDS),
        ));
    }
}
