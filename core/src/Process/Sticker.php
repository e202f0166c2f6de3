<?php

declare(strict_types=1);

namespace NeatEdge\Core\Process;

use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Line\Presets;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Sheet\Make\PrintAndCut;

/** A picture that is printed and cut round. */
final readonly class Sticker extends Process
{
    public function key(): string
    {
        return 'sticker';
    }

    public function label(): string
    {
        return 'Printed sticker with cut border';
    }

    public function says(): string
    {
        return 'printed, then cut round';
    }

    public function limits(): Limits
    {
        // Its widths are those of the border that is cut; within the picture the print holds whatever there is.
        return new Limits(
            1.0, 0.5, island: 3.0, hole: 1.0, bedWidth: 610.0, letter: 1.5, gradients: true, opacity: true, point: 2.0, around: 20.0, printed: true,
        );
    }

    public function preset(): Preset
    {
        return new Preset(
            'Sticker print',
            1,
            'One full picture; gradients stay.',
            [$this->key()],
            Presets::line(['outline-strokes', 'join-near-blacks', 'remove-hidden', 'merge-by-colour', ['clean-nodes', ['deviation' => 0.01]]]),
        );
    }

    public function making(): string
    {
        return PrintAndCut::class;
    }

    public function machine(): string
    {
        return 'cutter';
    }

    public function format(): string
    {
        return 'pdf';
    }

    public function uses(): array
    {
        return ['material', 'blade'];
    }
}
