<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Shape;

/** Answers fast, for many places of one shape, whether they lie inside: its chords lie in bands across, and a place asks its own band. */
final class Inside
{
    /**
     * mm that chords may lie off their curve: well under what is asked beside a border. With a set number of chords, places right beside a large circle lay
     * on its other side.
     */
    private const FLAT = 0.002;

    private const MOST_CHORDS = 400;

    /** Bands that a chord stands in, about. */
    private const BANDS = 3;

    /** @var array<int, list<array{float, float, float, float}>> chords by band */
    private array $bands = [];

    private float $top = 0.0;

    private float $band = 1.0;

    private readonly bool $evenodd;

    public function __construct(Shape $shape)
    {
        $this->evenodd = $shape->rule === FillRule::Evenodd;
        $box = $shape->box();
        if ($box === null) {
            return;
        }
        $this->top = $box->top;
        $chords = [];
        foreach ($shape->contours as $contour) {
            foreach ((new Contour($contour->coords, true))->closedSegments() as $s) {
                $n = 1;
                if (! Cubic::isLine($s)) {
                    $bend = max(hypot($s[0] - 2 * $s[2] + $s[4], $s[1] - 2 * $s[3] + $s[5]), hypot($s[2] - 2 * $s[4] + $s[6], $s[3] - 2 * $s[5] + $s[7]));
                    $n = max(2, min(self::MOST_CHORDS, (int) ceil(sqrt(0.75 * $bend / self::FLAT))));
                }
                [$px, $py] = [$s[0], $s[1]];
                for ($k = 1; $k <= $n; $k++) {
                    [$qx, $qy] = $k === $n ? [$s[6], $s[7]] : Cubic::placeOn($s, $k / $n);
                    if ($py !== $qy) {
                        $chords[] = [$px, $py, $qx, $qy];
                    }
                    [$px, $py] = [$qx, $qy];
                }
            }
        }
        // So high that a chord stands in a few bands only, however many there are: memory grows with their number, not with its square.
        $high = array_sum(array_map(static fn (array $chord): float => abs($chord[3] - $chord[1]), $chords));
        $this->band = max(1e-9, $box->height() / max(1, count($chords)), $high / (self::BANDS * max(1, count($chords))));
        foreach ($chords as $chord) {
            $to = $this->at(max($chord[1], $chord[3]));
            for ($k = $this->at(min($chord[1], $chord[3])); $k <= $to; $k++) {
                $this->bands[$k][] = $chord;
            }
        }
    }

    private function at(float $y): int
    {
        return (int) floor(($y - $this->top) / $this->band);
    }

    public function holds(float $x, float $y): bool
    {
        $winding = 0;
        foreach ($this->bands[$this->at($y)] ?? [] as [$ax, $ay, $bx, $by]) {
            if (($ay > $y) !== ($by > $y) && $x < $ax + ($bx - $ax) * ($y - $ay) / ($by - $ay)) {
                $winding += $this->evenodd ? 1 : ($by > $ay ? 1 : -1);
            }
        }

        return $this->evenodd ? ($winding & 1) === 1 : $winding !== 0;
    }
}
