<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Seen\SingleCuts;

/** C5, C9: lines that are cut once, where no tool follows them, and those of the art that do not go out. */
final readonly class CutOnce implements SeesCuts
{
    /** mm of lines that may be missing of what goes out: the digits of a file. */
    private const LEAST = 0.05;

    public function __construct(private Limits $limits)
    {
    }

    public static function about(): array
    {
        return [
            new AboutFinding('single-cut', 'Single cut', 'A line is cut once, and this process has no tool that follows it.', drawn: true),
            new AboutFinding('cut-lost', 'Single cut lost', 'Lines that are cut once do not go out.'),
        ];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        [, $before] = SingleCuts::apart($source);
        [, $after] = SingleCuts::apart($merged);
        $findings = [];
        foreach ($this->limits->cuts ? [] : $after as $cut) {
            $findings[] = new Finding(
                'single-cut',
                Severity::Serious,
                'A line is cut once: no ink gives it. Let it be a drawn line of a width, or take it out.',
                $cut->box()?->middle(),
                piece: $cut->id,
                sheet: $cut->stroke?->paint->colour->hex(),
            );
        }
        $length = static fn (array $cuts): float => array_sum(array_map(static fn (Piece $cut): float => $cut->shape->length(), $cuts));
        $lost = $length($before) * $merged->width / max(1e-9, $source->width) - $length($after);
        if ($lost > self::LEAST) {
            $findings[] = new Finding(
                'cut-lost',
                Severity::Serious,
                sprintf('%.1f mm of lines that are cut once do not go out.', $lost),
                ($before[0] ?? null)?->box()?->middle(),
                piece: ($before[0] ?? null)?->id,
            );
        }

        return $findings;
    }
}
