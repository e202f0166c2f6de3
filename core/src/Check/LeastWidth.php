<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Measure\Cells;
use NeatEdge\Core\Measure\Thickness;
use NeatEdge\Core\Measure\ThinPlace;
use NeatEdge\Core\Measure\Walls;

/**
 * C1 and C2: lines thinner than the machine can hold, gaps within one colour narrower than can be weeded or printed. A thin line and the gap that it fills
 * in another colour are one place.
 */
final readonly class LeastWidth implements Rule
{
    /** Share of a gap's middle line that must lie on a thin line's, for it to be that line's place. */
    private const SAME_PLACE = 0.7;

    /** Places along a gap that are looked at for that. */
    private const ASKED = 60;

    /** A finding that is shorter than its limit and nearly as wide is small: it tears or clogs last. */
    private const NEARLY = 0.8;

    /** @param  Limits  $limits  nought switches a check off */
    public function __construct(private Limits $limits)
    {
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $lines = $gaps = [];
        $most = max($this->limits->line, $this->limits->gap);
        foreach ($merged->pieces as $i => $piece) {
            if ($most <= 0 || $piece->shape->isEmpty()) {
                continue;
            }
            $walls = Walls::of($piece->shape, $most);
            if ($this->limits->line > 0) {
                $lines[$i] = Thickness::along($walls, $this->limits->line, false);
            }
            if ($this->limits->gap > 0) {
                $gaps[$i] = Thickness::along($walls, $this->limits->gap, true);
            }
        }
        $filled = $this->filled($lines, $gaps);
        $out = [];
        foreach ($lines as $i => $places) {
            foreach ($places as $k => $place) {
                $round = array_map(static fn (int $g): string => self::colour($merged->pieces[$g]), $filled["{$i} {$k}"] ?? []);
                $out[] = $this->finding($merged->pieces[$i], $place, false, array_values(array_unique($round)));
            }
        }
        foreach ($gaps as $i => $places) {
            foreach ($places as $place) {
                if ($place !== null && ! self::isOpen($place, $merged)) {
                    $out[] = $this->finding($merged->pieces[$i], $place, true);
                }
            }
        }

        return $out;
    }

    /** @param  list<string>  $round  colours whose gap the line fills */
    private function finding(Piece $piece, ThinPlace $place, bool $gap, array $round = []): Finding
    {
        $limit = $gap ? $this->limits->gap : $this->limits->line;
        $what = $gap ? 'gap' : 'line';
        $length = $place->length < 10 ? sprintf('%.1f mm', $place->length) : sprintf('%.0f mm', $place->length);
        $message = match (true) {
            $place->pointed => sprintf('A %s runs out into a point: its last %s are under %.2f mm.', $what, $length, $limit),
            $place->length < max(0.3, $place->width) => sprintf('A %s narrows to %.2f mm at one place; at least %.2f mm is needed.', $what, $place->width, $limit),
            $place->typical > 1.2 * $place->width => sprintf('A %s is %.2f mm wide at its narrowest; %s of it are under %.2f mm, %.2f mm as a rule.', $what, $place->width, $length, $limit, $place->typical),
            default => sprintf('A %s is %.2f mm wide over %s; at least %.2f mm is needed.', $what, $place->width, $length, $limit),
        };
        if ($round !== []) {
            $message .= sprintf(' The gap in %s around it goes with it.', implode(' and ', array_slice($round, 0, 3)));
        }
        $measured = $place->pointed ? $place->typical : $place->width;

        return new Finding(
            $gap ? 'narrow-gap' : ($place->pointed ? 'thin-point' : 'thin-line'),
            $measured < $limit / 2 ? Severity::Serious : Severity::Warning,
            $message, $place->at, $measured, $limit, $place->length, $piece->id, $place->ribbon,
            sheet: self::colour($piece), typical: $place->typical, minor: $place->length < $limit && $measured > self::NEARLY * $limit,
        );
    }

    /** Whether a short gap lies on the page's edge: beyond it there is nothing that it parts from anything. */
    private static function isOpen(ThinPlace $place, Artwork $page): bool
    {
        $x = min(abs($place->at->x), abs($page->width - $place->at->x));
        $y = min(abs($place->at->y), abs($page->height - $place->at->y));

        return min($x, $y) < 0.6 * $place->width && $place->length < 4 * $place->width;
    }

    private static function colour(Piece $piece): string
    {
        return $piece->fill?->gradient !== null ? 'a gradient' : ($piece->fill?->picture !== null ? 'a picture' : ($piece->fill?->colour->hex() ?? ''));
    }

    /**
     * Takes away the gaps that a thin line of another piece fills.
     *
     * @param  array<int, list<ThinPlace>>  $lines  by piece
     * @param  array<int, array<int, ThinPlace|null>>  $gaps  by piece; brought up to date
     * @return array<string, list<int>> piece and number of a line => the pieces whose gap it fills
     */
    private function filled(array $lines, array &$gaps): array
    {
        $x = $y = $of = [];
        foreach ($lines as $i => $places) {
            foreach ($places as $k => $place) {
                foreach ($place->middle as $point) {
                    $x[] = $point->x;
                    $y[] = $point->y;
                    $of[] = [$i, $k];
                }
            }
        }
        $near = $this->limits->gap / 3;
        $cells = $x === [] ? [] : Cells::of($x, $y, max(1e-6, $near));
        $out = [];
        foreach ($cells === [] ? [] : $gaps as $g => $places) {
            foreach ($places as $n => $place) {
                $votes = [];
                $asked = array_values(array_filter($place->middle ?? [], static fn ($key): bool => $key % max(1, intdiv(count($place->middle ?? []), self::ASKED)) === 0, ARRAY_FILTER_USE_KEY));
                foreach ($asked as $point) {
                    $seen = [];
                    foreach (Cells::at($cells, $point->x, $point->y, max(1e-6, $near)) as $m) {
                        if ($of[$m][0] !== $g && hypot($x[$m] - $point->x, $y[$m] - $point->y) < $near) {
                            $seen["{$of[$m][0]} {$of[$m][1]}"] = true;
                        }
                    }
                    foreach ($seen as $line => $_) {
                        $votes[$line] = ($votes[$line] ?? 0) + 1;
                    }
                }
                arsort($votes);
                $line = array_key_first($votes);
                if ($line !== null && $votes[$line] >= self::SAME_PLACE * count($asked)) {
                    $gaps[$g][$n] = null;
                    $out[$line][] = $g;
                }
            }
        }

        return $out;
    }
}
