<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Measure\Limits;

/** How the job is made. The limits are what shops commonly hold; a ticket may override them. */
enum Process: string
{
    case CutVinyl = 'cut-vinyl';
    case HeatTransfer = 'heat-transfer-vinyl';
    case Sticker = 'sticker';
    case ScreenPrint = 'screen-print';
    case Engraving = 'engraving';
    case Plain = 'plain';

    public function label(): string
    {
        return match ($this) {
            self::CutVinyl => 'Cut vinyl',
            self::HeatTransfer => 'Heat-transfer vinyl',
            self::Sticker => 'Printed sticker with cut border',
            self::ScreenPrint => 'Screen print',
            self::Engraving => 'Engraving',
            self::Plain => 'Plain artwork',
        };
    }

    public function description(): string
    {
        return match ($this) {
            self::CutVinyl => 'closed outlines, one sheet a colour',
            self::HeatTransfer => 'pressed onto cloth, lines a little stronger',
            self::Sticker => 'printed, then cut round',
            self::ScreenPrint => 'one plate an ink',
            self::Engraving => 'fine lines into metal or wood',
            self::Plain => 'clean vector art for anything else',
        };
    }

    public function limits(): Limits
    {
        return match ($this) {
            self::CutVinyl => new Limits(0.8, 0.5, island: 1.5, hole: 1.0, bedWidth: 610.0, letter: 4.0, point: 2.0, around: 5.0),
            self::HeatTransfer => new Limits(1.0, 0.8, island: 2.0, hole: 1.2, bedWidth: 500.0, letter: 6.0, point: 2.5, around: 5.0),
            // Its widths are those of the border that is cut; within the picture the print holds whatever there is.
            self::Sticker => new Limits(1.0, 0.5, island: 3.0, hole: 1.0, bedWidth: 610.0, letter: 1.5, gradients: true, opacity: true, point: 2.0, around: 20.0, printed: true),
            self::ScreenPrint => new Limits(0.35, 0.4, island: 0.5, hole: 0.5, colours: 6, bedWidth: 400.0, bedHeight: 500.0, letter: 2.0, gradients: true, cuts: false, point: 1.0),
            self::Engraving => new Limits(0.2, 0.2, island: 0.3, hole: 0.3, bedWidth: 600.0, bedHeight: 400.0, letter: 1.2, point: 0.6, around: 5.0),
            self::Plain => new Limits(0.25, 0.25, island: 0.3, hole: 0.3, letter: 1.5, point: 0.8),
        };
    }
}
