<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use Closure;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Measure\Cells;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Measure\Thickness;
use NeatEdge\Core\Measure\ThinPlace;
use NeatEdge\Core\Measure\Walls;
use WeakMap;

/**
 * C1 and C2, measured: where the pieces of flat art are thinner than a limit, and where the gaps within one are narrower. A thin line and the gap that it
 * fills in another colour are one place, the line's.
 */
final class Widths
{
    /** Share of a gap's middle line that must lie on a thin line's, for it to be that line's place. */
    private const SAME_PLACE = 0.7;

    /** Places along a gap that are looked at for that. */
    private const ASKED = 60;

    /** @var WeakMap<Piece, array{float, float, list<ThinPlace>, list<ThinPlace>}>|null */
    private static ?WeakMap $known = null;

    /**
     * @param  array<int, list<ThinPlace>>  $lines  by number of the piece, thinnest first
     * @param  array<int, array<int, ThinPlace>>  $gaps  by number of the piece
     * @param  array<string, list<int>>  $filled  "piece place" of a line => the pieces whose gap it fills
     */
    private function __construct(public readonly array $lines, public readonly array $gaps, public readonly array $filled)
    {
    }

    /** @param  array<int, mixed>|null  $only  numbers of the pieces to measure; all when null */
    public static function of(Artwork $flat, Limits $limits, ?array $only = null): self
    {
        $lines = $gaps = [];
        $most = max($limits->line, $limits->gap);
        foreach ($flat->pieces as $i => $piece) {
            if ($most <= 0 || $piece->shape->isEmpty() || ($only !== null && ! isset($only[$i]))) {
                continue;
            }
            [$ofLines, $ofGaps] = self::measured($piece, $limits);
            if ($limits->line > 0) {
                $lines[$i] = $ofLines;
            }
            if ($limits->gap > 0) {
                $gaps[$i] = $ofGaps;
            }
        }
        $filled = self::filled($lines, $gaps, $limits->gap);
        foreach ($gaps as $i => $places) {
            $gaps[$i] = array_filter($places, static fn (ThinPlace $place): bool => ! self::isOpen($place, $flat));
        }

        return new self($lines, $gaps, $filled);
    }

    public static function none(): self
    {
        return new self([], [], []);
    }

    /**
     * Parted by where the places lie.
     *
     * @param  Closure(float, float): ?int  $at  of which part a place is; null for none
     * @return array<int, self> by part
     */
    public function placed(Closure $at): array
    {
        $parts = [];
        foreach ([$this->lines, $this->gaps] as $k => $all) {
            foreach ($all as $i => $places) {
                foreach ($places as $place) {
                    $part = $at($place->at->x, $place->at->y);
                    if ($part !== null) {
                        $parts[$part][$k][$i][] = $place;
                    }
                }
            }
        }

        return array_map(static fn (array $part): self => new self($part[0] ?? [], $part[1] ?? [], []), $parts);
    }

    /** @param  array<int, int>  $numberOf  of pieces, as they are numbered elsewhere, by their number here; others are left out */
    public function numbered(array $numberOf): self
    {
        $as = static function (array $all) use ($numberOf): array {
            $numbered = [];
            foreach ($all as $i => $places) {
                if (isset($numberOf[$i])) {
                    $numbered[$numberOf[$i]] = $places;
                }
            }

            return $numbered;
        };

        return new self($as($this->lines), $as($this->gaps), []);
    }

    /** @return array{list<ThinPlace>, list<ThinPlace>} lines and gaps of a piece; what was measured last of it is remembered for as long as it is there */
    private static function measured(Piece $piece, Limits $limits): array
    {
        self::$known ??= new WeakMap;
        $known = self::$known[$piece] ?? null;
        if ($known === null || $known[0] !== $limits->line || $known[1] !== $limits->gap) {
            $walls = Walls::of($piece->shape, max($limits->line, $limits->gap));
            $known = self::$known[$piece] = [
                $limits->line, $limits->gap,
                $limits->line > 0 ? Thickness::along($walls, $limits->line, false) : [],
                $limits->gap > 0 ? Thickness::along($walls, $limits->gap, true) : [],
            ];
        }

        return [$known[2], $known[3]];
    }

    /** Whether a short gap lies on the page's edge: beyond it there is nothing that it parts from anything. */
    private static function isOpen(ThinPlace $place, Artwork $page): bool
    {
        $x = min(abs($place->at->x), abs($page->width - $place->at->x));
        $y = min(abs($place->at->y), abs($page->height - $place->at->y));

        return min($x, $y) < 0.6 * $place->width && $place->length < 4 * $place->width;
    }

    /** The name of the sheet that a piece belongs to. */
    public static function sheet(Piece $piece): string
    {
        return $piece->fill?->gradient !== null ? 'a gradient' : ($piece->fill?->picture !== null ? 'a picture' : ($piece->fill?->colour->hex() ?? ''));
    }

    /**
     * Takes away the gaps that a thin line of another piece fills.
     *
     * @param  array<int, list<ThinPlace>>  $lines  by piece
     * @param  array<int, array<int, ThinPlace>>  $gaps  by piece; brought up to date
     * @return array<string, list<int>> piece and number of a line => the pieces whose gap it fills
     */
    private static function filled(array $lines, array &$gaps, float $limit): array
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
        $near = max(1e-6, $limit / 3);
        $cells = $x === [] ? [] : Cells::of($x, $y, $near);
        $filled = [];
        foreach ($cells === [] ? [] : $gaps as $g => $places) {
            foreach ($places as $n => $place) {
                $votes = [];
                $asked = array_values(array_filter(
                    $place->middle,
                    static fn (int $key): bool => $key % max(1, intdiv(count($place->middle), self::ASKED)) === 0,
                    ARRAY_FILTER_USE_KEY,
                ));
                foreach ($asked as $point) {
                    $seen = [];
                    foreach (Cells::at($cells, $point->x, $point->y, $near) as $m) {
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
                    unset($gaps[$g][$n]);
                    $filled[$line][] = $g;
                }
            }
        }

        return $filled;
    }
}
