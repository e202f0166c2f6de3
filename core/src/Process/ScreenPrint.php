<?php

declare(strict_types=1);

namespace NeatEdge\Core\Process;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Line\Presets;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Sheet\Make\ScreenPlates;

/** Ink through screens: a plate for each. */
final readonly class ScreenPrint extends Process
{
    public function key(): string
    {
        return 'screen-print';
    }

    public function label(): string
    {
        return 'Screen print';
    }

    public function says(): string
    {
        return 'one plate an ink';
    }

    public function limits(): Limits
    {
        return new Limits(
            0.35, 0.4, island: 0.5, hole: 0.5, colours: 6, bedWidth: 400.0, bedHeight: 500.0, letter: 2.0, gradients: true, cuts: false, point: 1.0,
        );
    }

    public function preset(): Preset
    {
        return new Preset(
            'Inks for the screen',
            2,
            'No more colours than inks, nothing too fine to print; gradients become dots.',
            [$this->key()],
            Presets::line([
                ...array_slice(Presets::CLEAN, 0, 1),
                ...array_slice(Presets::CLEAN, 2),
                'reduce-colours',
                'remove-hidden',
                'merge-by-colour',
                ...Presets::HOLDS,
            ]),
        );
    }

    public function making(): string
    {
        return ScreenPlates::class;
    }

    public function machine(): string
    {
        return 'recorder';
    }

    public function format(): string
    {
        return 'pdf';
    }

    public function uses(): array
    {
        return ['screen'];
    }

    public function under(PrepLine $line, Artwork $source, array $values): array
    {
        $under = [];
        foreach (ScreenPlates::colours((string) ($values['overprint'] ?? '')) as $hex) {
            $under[$hex] = $line->outcomeWithout($source, [$hex]);
        }

        return $under;
    }
}
