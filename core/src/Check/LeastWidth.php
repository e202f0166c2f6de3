<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Measure\ThinPlace;
use NeatEdge\Core\Prepare\Widths;

/** C1 and C2: lines thinner than the machine can hold, gaps within one colour narrower than can be weeded or printed. */
final readonly class LeastWidth implements Rule
{
    /** A finding that is shorter than its limit and nearly as wide is small: it tears or clogs last. */
    private const NEARLY = 0.8;

    /** @param  Limits  $limits  nought switches a check off */
    public function __construct(private Limits $limits)
    {
    }

    public static function about(): array
    {
        return [
            new AboutFinding('thin-line', 'Thin line', 'A line is thinner than the machine can hold.', 'line', drawn: true),
            new AboutFinding('thin-point', 'Sharp point', 'A line runs out into a point that tears or clogs.', 'line', drawn: true),
            new AboutFinding('narrow-gap', 'Narrow gap', 'What is between is narrower than can be weeded or printed.', 'gap', drawn: true),
        ];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $merged = $this->limits->printed ? CutBorder::of($merged) : $merged;
        $widths = Widths::of($merged, $this->limits);
        $findings = [];
        foreach ($widths->lines as $i => $places) {
            foreach ($places as $k => $place) {
                $round = array_map(static fn (int $g): string => Widths::sheet($merged->pieces[$g]), $widths->filled["{$i} {$k}"] ?? []);
                $findings[] = $this->finding($merged->pieces[$i], $place, false, array_values(array_unique($round)));
            }
        }
        foreach ($widths->gaps as $i => $places) {
            foreach ($places as $place) {
                $findings[] = $this->finding($merged->pieces[$i], $place, true);
            }
        }

        return $findings;
    }

    /** @param  list<string>  $round  colours whose gap the line fills */
    private function finding(Piece $piece, ThinPlace $place, bool $gap, array $round = []): Finding
    {
        $limit = $gap ? $this->limits->gap : $this->limits->line;
        $what = $gap ? 'gap' : 'line';
        $length = $place->length < 10 ? sprintf('%.1f mm', $place->length) : sprintf('%.0f mm', $place->length);
        $message = match (true) {
            $place->pointed => sprintf('A %s runs out into a point: its last %s are under %.2f mm.', $what, $length, $limit),
            $place->length < max(0.3, $place->width) => sprintf(
                'A %s narrows to %.2f mm at one place; at least %.2f mm is needed.',
                $what,
                $place->width,
                $limit,
            ),
            $place->typical > 1.2 * $place->width => sprintf(
                'A %s is %.2f mm wide at its narrowest; %s of it are under %.2f mm, mostly %.2f mm.',
                $what,
                $place->width,
                $length,
                $limit,
                $place->typical,
            ),
            default => sprintf('A %s is %.2f mm wide over %s; at least %.2f mm is needed.', $what, $place->width, $length, $limit),
        };
        if ($round !== []) {
            $message .= sprintf(' The gap in %s around it goes with it.', implode(' and ', array_slice($round, 0, 3)));
        }
        $measured = $place->pointed ? $place->typical : $place->width;

        return new Finding(
            $gap ? 'narrow-gap' : ($place->pointed ? 'thin-point' : 'thin-line'),
            // Every tip runs out to nothing: it counts from the length on that the ticket says.
            $place->pointed && $place->length < $this->limits->point ? Severity::Note : ($measured < $limit / 2 ? Severity::Serious : Severity::Warning),
            $message, $place->at, $measured, $limit, $place->length, $piece->id, $place->ribbon,
            sheet: Widths::sheet($piece), typical: $place->typical, minor: $place->length < $limit && $measured > self::NEARLY * $limit,
        );
    }
}
