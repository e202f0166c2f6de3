<?php

declare(strict_types=1);

namespace NeatEdge\Core\Process;

use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Line\Presets;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Sheet\Make\CutSheets;

/** Film that is cut by a knife: a sheet for each colour. */
final readonly class CutVinyl extends Process
{
    public function key(): string
    {
        return 'cut-vinyl';
    }

    public function label(): string
    {
        return 'Cut vinyl';
    }

    public function says(): string
    {
        return 'closed outlines, one sheet a colour';
    }

    public function limits(): Limits
    {
        return new Limits(0.8, 0.5, island: 1.5, hole: 1.0, bedWidth: 610.0, letter: 4.0, point: 2.0, around: 5.0);
    }

    public function preset(): Preset
    {
        return new Preset(
            'Vinyl to weed',
            1,
            'Everything closed, merged and strong enough to cut and weed.',
            [$this->key()],
            Presets::line([...Presets::CLEAN, 'remove-hidden', 'merge-by-colour', ...Presets::HOLDS]),
        );
    }

    public function making(): string
    {
        return CutSheets::class;
    }

    public function machine(): string
    {
        return 'cutter';
    }

    public function format(): string
    {
        return 'plt';
    }

    public function uses(): array
    {
        return ['material', 'blade'];
    }

    public function sheetsByColour(): bool
    {
        return true;
    }
}
