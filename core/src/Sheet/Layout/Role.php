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

    /** The colour in which it is drawn where nothing else tells it apart. */
    public function colour(): string
    {
        return match ($this) {
            self::Kiss => '#c23b7a',
            self::Through => '#1d5c46',
            self::Weed => '#3b6ea5',
            self::Line => '#a0522d',
            self::Fill => '#5b4a8a',
            default => '#000000',
        };
    }
}
