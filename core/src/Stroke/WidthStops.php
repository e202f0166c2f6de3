<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

/** D9: how the width of a stroke changes along its line. Between stops it changes smoothly, without overshoot. */
final readonly class WidthStops
{
    public const MOST = 40;

    /** @param  non-empty-list<array{float, float}>  $stops  share of the length 0 to 1 (rising), share of the width 0 to 10 */
    public function __construct(public array $stops)
    {
    }

    /** @return array<string, array{string, list<array{float, float}>}> label and stops of the profiles that ship */
    public static function profiles(): array
    {
        return [
            'even' => ['Even', []],
            'rise' => ['Thin to full', [[0.0, 0.0], [1.0, 1.0]]],
            'fall' => ['Full to thin', [[0.0, 1.0], [1.0, 0.0]]],
            'swell' => ['Full in the middle', [[0.0, 0.0], [0.5, 1.0], [1.0, 0.0]]],
            'waist' => ['Thin in the middle', [[0.0, 1.0], [0.5, 0.3], [1.0, 1.0]]],
            'fold' => ['Fold line', [[0.0, 0.15], [0.2, 1.0], [0.55, 0.7], [1.0, 0.0]]],
        ];
    }

    /** @return array<string, string> labels of the profiles */
    public static function labels(): array
    {
        return array_map(static fn (array $profile): string => $profile[0], self::profiles());
    }

    /** A pen that hardly touches draws a line so many times as wide as one that presses. */
    private const FAINT = 0.06;

    /** What a width may differ from what the pen pressed, as a share of the whole. */
    private const NEAR = 0.035;

    /**
     * As a pen was pressed: as few stops as keep every place within a little of it.
     *
     * @param  non-empty-list<array{float, float}>  $pressed  share of the length 0 to 1 (rising), pressure 0 to 1
     *
     * @source D. H. Douglas and T. K. Peucker, "Algorithms for the reduction of the number of points required to represent a digitized line", 1973
     */
    public static function ofPressures(array $pressed): self
    {
        $widths = array_map(
            static fn (array $one): array => [max(0.0, min(1.0, $one[0])), self::FAINT + (1 - self::FAINT) * max(0.0, min(1.0, $one[1]))],
            $pressed,
        );
        for ($near = self::NEAR; ; $near *= 1.5) {
            $room = self::MOST - 2;
            $kept = self::fewer($widths, 0, count($widths) - 1, $near, $room);
            if ($room >= 0) {
                return new self($kept);
            }
        }
    }

    /**
     * @param  non-empty-list<array{float, float}>  $all
     * @param  int  $room  how many stops between there is still room for; below nought where there was not enough, and it was given up
     * @return non-empty-list<array{float, float}>
     */
    private static function fewer(array $all, int $from, int $to, float $near, int &$room): array
    {
        $between = new self([$all[$from], $all[$to]]);
        [$worst, $at] = [$near, -1];
        for ($i = $from + 1; $i < $to; $i++) {
            $far = abs($between->at($all[$i][0]) - $all[$i][1]);
            if ($far > $worst) {
                [$worst, $at] = [$far, $i];
            }
        }
        // What will not fit anyway is not gone through place by place.
        if ($at < 0 || --$room < 0) {
            return $from === $to ? [$all[$from]] : [$all[$from], $all[$to]];
        }

        return [...array_slice(self::fewer($all, $from, $at, $near, $room), 0, -1), ...self::fewer($all, $at, $to, $near, $room)];
    }

    /** @param  float  $share  of the length */
    public function at(float $share): float
    {
        $stops = $this->stops;
        $n = count($stops);
        if ($share <= $stops[0][0]) {
            return $stops[0][1];
        }
        for ($i = 1; $i < $n; $i++) {
            if ($share <= $stops[$i][0]) {
                [$a, $b] = [$stops[$i - 1], $stops[$i]];
                $t = ($share - $a[0]) / max(1e-12, $b[0] - $a[0]);

                return $a[1] + ($b[1] - $a[1]) * $t * $t * (3 - 2 * $t);
            }
        }

        return $stops[$n - 1][1];
    }

    /** On a closed line the first and the last place are one, and have one width: the first stop's, or what lies between the stops beside the seam. */
    public function closed(): self
    {
        $stops = $this->stops;
        $n = count($stops);
        [$first, $last] = [$stops[0], $stops[$n - 1]];
        if ($first[0] <= 1e-9) {
            $seam = $first[1];
        } elseif ($last[0] >= 1 - 1e-9) {
            $seam = $last[1];
        } else {
            $t = (1 - $last[0]) / (1 - $last[0] + $first[0]);
            $seam = $last[1] + ($first[1] - $last[1]) * $t * $t * (3 - 2 * $t);
        }
        $inner = array_values(array_filter($stops, static fn (array $stop): bool => $stop[0] > 1e-9 && $stop[0] < 1 - 1e-9));

        return new self([[0.0, $seam], ...$inner, [1.0, $seam]]);
    }

    public function greatest(): float
    {
        return max(array_column($this->stops, 1));
    }
}
