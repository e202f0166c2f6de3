<?php

declare(strict_types=1);

namespace NeatEdge\Devices;

/** The stand-ins that ship, by the kind of machine that they stand for. */
final class StandIns
{
    /** @var array<string, class-string<Machine>> */
    public const ALL = ['cutter' => Cutter::class, 'recorder' => FilmRecorder::class, 'engraver' => Engraver::class];
}
