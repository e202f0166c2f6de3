<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Prepare\UnderLimits;

/** Lines thinner than the limit are brought to it along their middle; nothing else moves. */
final readonly class Thicken implements TellsDeeds, UnderLimits
{
    use CuresLines;
    use Described;

    private const CURES = [Target::LINE];

    public static function about(): AboutStep
    {
        return new AboutStep(
            'thicken',
            'Thicken lines',
            'Lines thinner than the limit are brought to it along their middle; nothing else moves.',
            self::fields(),
            70,
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
