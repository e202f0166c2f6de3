<?php

declare(strict_types=1);

namespace NeatEdge\Core\Process;

use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Line\Presets;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Sheet\Make\Engraving as EngravedAreas;

/** Areas and lines that a head goes over. */
final readonly class Engraving extends Process
{
    public function key(): string
    {
        return 'engraving';
    }

    public function label(): string
    {
        return 'Engraving';
    }

    public function says(): string
    {
        return 'fine lines into metal or wood';
    }

    public function limits(): Limits
    {
        return new Limits(0.2, 0.2, island: 0.3, hole: 0.3, bedWidth: 600.0, bedHeight: 400.0, letter: 1.2, point: 0.6, around: 5.0);
    }

    public function preset(): Preset
    {
        return new Preset(
            'Engraved areas',
            1,
            'Areas and lines that a head can follow.',
            [$this->key()],
            Presets::line([
                ...Presets::CLEAN, 'remove-hidden', 'merge-by-colour', 'fill-holes', 'blunt-points', 'thicken', 'widen-gaps',
                ['clean-nodes', ['deviation' => 0.005]],
            ]),
        );
    }

    public function making(): string
    {
        return EngravedAreas::class;
    }

    public function machine(): string
    {
        return 'engraver';
    }

    public function format(): string
    {
        return 'gcode';
    }

    public function uses(): array
    {
        return ['material', 'head'];
    }
}
