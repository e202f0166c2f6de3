<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

enum CombineKind: string
{
    case Weld = 'weld';
    case CutAway = 'cut-away';
    case KeepOverlap = 'keep-overlap';
    case KeepDifference = 'keep-difference';
    case SplitAll = 'split-all';

    public function label(): string
    {
        return match ($this) {
            self::Weld => 'Weld',
            self::CutAway => 'Cut away',
            self::KeepOverlap => 'Keep overlap',
            self::KeepDifference => 'Keep difference',
            self::SplitAll => 'Split all',
        };
    }

    /** How many pieces must be chosen: one can be welded with itself. */
    public function leastPieces(): int
    {
        return $this === self::Weld ? 1 : 2;
    }

    /** The key that takes the tool in hand, in the stage where pieces are shaped. */
    public function key(): string
    {
        return match ($this) {
            self::Weld => 'W',
            self::CutAway => 'X',
            self::KeepOverlap => 'V',
            self::KeepDifference => '',
            self::SplitAll => 'A',
        };
    }

    public function description(): string
    {
        return match ($this) {
            self::Weld => 'Join the chosen pieces into one outline.',
            self::CutAway => 'Take the upper pieces out of the lowest.',
            self::KeepOverlap => 'Keep only where all of them lie.',
            self::KeepDifference => 'Keep where an odd number of them lie.',
            self::SplitAll => 'Make every part that they form a piece of its own.',
        };
    }
}
