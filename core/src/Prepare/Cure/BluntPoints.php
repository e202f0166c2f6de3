<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Prepare\UnderLimits;

/** Lines that run out into a point end round, where they are as wide as is needed. */
final readonly class BluntPoints implements TellsDeeds, UnderLimits
{
    use CuresLines;
    use Described;

    private const CURES = [Target::POINT];

    public static function about(): AboutStep
    {
        return new AboutStep(
            'blunt-points',
            'Blunt points',
            'Lines that run out into a point end round, where they are as wide as is needed.',
            self::fields(),
            65,
            [
                'merge-by-colour' => 'Widths are those of what becomes one piece: merge before.',
                'remove-hidden' => 'Only what is seen is measured: remove what is hidden before.',
            ],
            true,
            1.5,
            apart: AboutStep::MAKES,
        );
    }
}
