<?php

declare(strict_types=1);

namespace NeatEdge\Core\Process;

use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Line\Presets;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Sheet\Make\TransferSheets;

/** Film that is cut from behind and pressed onto cloth. */
final readonly class HeatTransfer extends Process
{
    public function key(): string
    {
        return 'heat-transfer-vinyl';
    }

    public function label(): string
    {
        return 'Heat-transfer vinyl';
    }

    public function says(): string
    {
        return 'pressed onto cloth, lines a little stronger';
    }

    public function limits(): Limits
    {
        return new Limits(1.0, 0.8, island: 2.0, hole: 1.2, bedWidth: 500.0, letter: 6.0, point: 2.5, around: 5.0);
    }

    public function preset(): Preset
    {
        return new Preset(
            'Transfer, from behind',
            1,
            'As vinyl, and mirrored as it is cut.',
            [$this->key()],
            Presets::line([...Presets::CLEAN, 'remove-hidden', 'merge-by-colour', ...Presets::HOLDS, 'mirror']),
        );
    }

    public function making(): string
    {
        return TransferSheets::class;
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
