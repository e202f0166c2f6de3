<?php

declare(strict_types=1);

namespace NeatEdge\Core\Process;

use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Line\Presets;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Sheet\Make\CutSheets;

/** Clean art for whatever else; it is cut where it is cut. */
final readonly class Plain extends Process
{
    public function key(): string
    {
        return 'plain';
    }

    public function label(): string
    {
        return 'Plain artwork';
    }

    public function says(): string
    {
        return 'clean vector art for anything else';
    }

    public function limits(): Limits
    {
        return new Limits(0.25, 0.25, island: 0.3, hole: 0.3, letter: 1.5, point: 0.8);
    }

    public function preset(): Preset
    {
        return new Preset(
            'Plain and tidy',
            1,
            'Looks the same, in as few clean pieces as there are colours.',
            [$this->key()],
            Presets::line(['outline-strokes', 'remove-hidden', 'merge-by-colour', 'clean-nodes']),
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
        return 'svg';
    }

    public function uses(): array
    {
        return ['material'];
    }

    public function sheetsByColour(): bool
    {
        return true;
    }
}
