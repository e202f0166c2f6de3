<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Artwork\LineStep;

/** What lines of presets are put together from; and the plain line with which a job begins. */
final class Presets
{
    /** What makes art plain, flat and of few colours. */
    public const CLEAN = [
        'outline-strokes',
        'flat-gradients',
        ['solid-colours', ['ground' => '#ffffff']],
        'join-near-blacks',
        ['join-near-colours', ['distance' => 3.0]],
    ];

    /** What makes it strong enough to be made. */
    public const HOLDS = ['islands', 'fill-holes', 'blunt-points', 'thicken', 'widen-gaps', ['clean-nodes', ['deviation' => 0.01]]];

    /** @return list<LineStep> the line with which a job begins: what changes no look is on, the rest waits to be chosen */
    public static function plain(): array
    {
        return array_map(
            static fn (LineStep $step): LineStep => $step->with(on: ! Steps::about($step->kind)->looks),
            self::line(['outline-strokes', 'join-near-blacks', 'solid-colours', 'remove-hidden', 'merge-by-colour', 'clean-nodes']),
        );
    }

    /**
     * @param  list<string|array{string, array<string, mixed>}>  $kinds
     * @return list<LineStep>
     */
    public static function line(array $kinds): array
    {
        return array_map(
            static fn (string|array $step): LineStep => is_array($step) ? new LineStep($step[0], $step[0], $step[1]) : new LineStep($step, $step),
            $kinds,
        );
    }
}
