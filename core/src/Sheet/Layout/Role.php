<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Layout;

/** What a machine does with what lies in a layer of a layout. */
enum Role: string
{
    /** Printed in full colour. */
    case Print = 'print';
    /** Exposed, black on a film, for one ink. */
    case Plate = 'plate';
    /** Printed for hands and cameras to find their place by. */
    case Mark = 'mark';
    /** Areas that a head fills line by line. */
    case Fill = 'fill';
    /** Lines that a head follows once. */
    case Line = 'line';
    /** Cut into the film, not its carrier. */
    case Kiss = 'kiss';
    /** Helps the waste to come off. */
    case Weed = 'weed';
    /** Cut through film and carrier. */
    case Through = 'through';

    public function label(): string
    {
        return match ($this) {
            self::Print => 'Print',
            self::Plate => 'Plate',
            self::Mark => 'Marks',
            self::Fill => 'Filled areas',
            self::Line => 'Lines to follow',
            self::Kiss => 'Kiss cut',
            self::Weed => 'Weeding',
            self::Through => 'Cut through',
        };
    }

    /** Whether a tool goes along its lines; else its areas are inked or exposed. */
    public function isPath(): bool
    {
        return ! in_array($this, [self::Print, self::Plate, self::Mark], true);
    }

    /**
     * How its lines are drawn on a screen, so that they are told apart without their colours too.
     *
     * @return array{float, string} width in px, and dashes in px as SVG has them: a blade that is set down again and again, holes in a row, a line
     */
    public function stroke(): array
    {
        return match ($this) {
            self::Kiss => [1.2, '9 3'],
            self::Through => [2.6, ''],
            self::Weed => [1.0, '2 4'],
            self::Line => [1.2, ''],
            self::Fill => [0.8, '12 2 2 2'],
            default => [1.0, ''],
        };
    }

    /** The colour in which it is drawn where nothing else tells it apart. */
    public function colour(): string
    {
        return match ($this) {
            self::Kiss => '#1d5c46',
            self::Through => '#4f9a2c',
            self::Weed => '#3b6ea5',
            self::Line => '#a0522d',
            self::Fill => '#5b4a8a',
            default => '#000000',
        };
    }
}
