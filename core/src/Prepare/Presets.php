<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\LineStep;

/** The presets that ship, one for each process; and the plain line with which a job begins. */
final class Presets
{
    private const CLEAN = ['outline-strokes', 'flat-gradients', ['solid-colours', ['ground' => '#ffffff']], 'join-near-blacks', ['join-near-colours', ['distance' => 3.0]]];

    private const HOLDS = ['islands', 'fill-holes', 'blunt-points', 'thicken', 'widen-gaps', ['clean-nodes', ['deviation' => 0.01]]];

    /** @return array<string, Preset> by name */
    public static function shipped(): array
    {
        $all = [
            new Preset('Vinyl to weed', 1, 'Everything closed, merged and strong enough to cut and weed.', ['cut-vinyl'], self::line([...self::CLEAN, 'remove-hidden', 'merge-by-colour', ...self::HOLDS])),
            new Preset('Transfer, from behind', 1, 'As vinyl, and mirrored as it is cut.', ['heat-transfer-vinyl'], self::line([...self::CLEAN, 'remove-hidden', 'merge-by-colour', ...self::HOLDS, 'mirror'])),
            new Preset('Inks for the screen', 2, 'No more colours than inks, nothing too fine to print; gradients become dots.', ['screen-print'], self::line([...array_slice(self::CLEAN, 0, 1), ...array_slice(self::CLEAN, 2), 'reduce-colours', 'remove-hidden', 'merge-by-colour', ...self::HOLDS])),
            new Preset('Sticker print', 1, 'One full picture; gradients stay.', ['sticker'], self::line(['outline-strokes', 'join-near-blacks', 'remove-hidden', 'merge-by-colour', ['clean-nodes', ['deviation' => 0.01]]])),
            new Preset('Engraved areas', 1, 'Areas and lines that a head can follow.', ['engraving'], self::line([...self::CLEAN, 'remove-hidden', 'merge-by-colour', 'fill-holes', 'blunt-points', 'thicken', 'widen-gaps', ['clean-nodes', ['deviation' => 0.005]]])),
            new Preset('Plain and tidy', 1, 'Looks the same, in as few clean pieces as there are colours.', ['plain'], self::line(['outline-strokes', 'remove-hidden', 'merge-by-colour', 'clean-nodes'])),
        ];

        return array_column(array_map(static fn (Preset $preset): array => [$preset->name, $preset], $all), 1, 0);
    }

    /** The preset that ships for a process. */
    public static function for(string $process): Preset
    {
        foreach (self::shipped() as $preset) {
            if (in_array($process, $preset->for, true)) {
                return $preset;
            }
        }

        return self::shipped()['Plain and tidy'];
    }

    /** @return list<LineStep> the line with which a job begins: what changes no look is on, the rest waits to be chosen */
    public static function plain(): array
    {
        return array_map(static fn (LineStep $step): LineStep => $step->with(on: ! Steps::about($step->kind)->looks), self::line(['outline-strokes', 'join-near-blacks', 'solid-colours', 'remove-hidden', 'merge-by-colour', 'clean-nodes']));
    }

    /**
     * @param  list<string|array{string, array<string, mixed>}>  $kinds
     * @return list<LineStep>
     */
    private static function line(array $kinds): array
    {
        return array_map(static fn (string|array $step): LineStep => is_array($step) ? new LineStep($step[0], $step[0], $step[1]) : new LineStep($step, $step), $kinds);
    }
}
