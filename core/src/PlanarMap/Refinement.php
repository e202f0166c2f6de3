<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\Cubic;

/**
 * Flattens single chords again, more finely: where two curves run so close and so nearly parallel that their chords
 * cannot tell which of them lies on which side.
 */
final class Refinement
{
    /** Finer chords for one. */
    private const PARTS = 4;

    /** Chords nearer to their curve than this are not refined, in grid steps. */
    public const LEAST = 8.0;

    /** A chord lies nearer to its curve than its length divided by this: curves are flattened in proportion to their size. */
    public const SHORT = 12.0;

    /** A chord of length L that is s off its curve leans against the curve's tangents by 4 s / L at most; a little more for caution. */
    public const LEAN = 5.0;

    /** So much nearer are they to their curve. */
    public const FINER = self::PARTS * self::PARTS;

    /** @var array<int, list<int>>|null pieces by contour, in order of g */
    private ?array $byContour = null;

    /** @var array<int, float> how far an edge may lie from its curve, in grid steps, where that is less than the flatness */
    private array $sag = [];

    /** @var array<int, bool> by contour: no curve in it */
    private array $straight = [];

    /** Greatest distance between a chord of the first flattening and its curve, in grid steps. */
    private readonly float $first;

    /** How many more edges there may be. */
    private int $left;

    /**
     * @param  list<array{0: int, 1: float, 2: float, 3: list<float>}>  $pieces  from the weld pass
     * @param  float  $flatness  mm
     */
    public function __construct(private readonly Chords $chords, private readonly array $pieces, private readonly Sources $sources, float $flatness)
    {
        $this->first = $flatness * $sources->scale;
        $this->left = 20000 + intdiv(count($chords->a), 5);
    }

    /** The distance, in grid steps, within which chords that do not meet may belong to curves that do. */
    public function reach(): float
    {
        return 2 * $this->first;
    }

    /**
     * Whether two edges are too nearly parallel, where they come close, to know how their curves lie.
     */
    public function isDoubtful(int $e, int $f, bool $crossing): bool
    {
        $straightE = $this->isStraight($this->chords->contour[$e]);
        $straightF = $this->isStraight($this->chords->contour[$f]);
        $x = &$this->chords->x;
        $y = &$this->chords->y;
        $ea = $this->chords->a[$e];
        $eb = $this->chords->b[$e];
        $fa = $this->chords->a[$f];
        $fb = $this->chords->b[$f];
        $dx = $x[$eb] - $x[$ea];
        $dy = $y[$eb] - $y[$ea];
        $gx = $x[$fb] - $x[$fa];
        $gy = $y[$fb] - $y[$fa];
        $cross = abs($dx * $gy - $dy * $gx);
        $e2 = hypot($dx, $dy);
        $f2 = hypot($gx, $gy);
        $sagE = $straightE ? 0.0 : $this->sag[$e] ?? min($this->first, $e2 / self::SHORT);
        $sagF = $straightF ? 0.0 : $this->sag[$f] ?? min($this->first, $f2 / self::SHORT);
        if ($sagE < self::LEAST && $sagF < self::LEAST) {
            return false;
        }
        if ($cross > self::LEAN * ($sagE * $f2 + $sagF * $e2)) {
            return false;
        }
        $dot = $dx * $gx + $dy * $gy;
        // The next chord of the same line begins where this one ends, and leads on.
        if ($ea === $fb || $eb === $fa) {
            return $dot < 0;
        }
        if ($ea === $fa || $eb === $fb) {
            return $dot > 0;
        }
        if ($crossing) {
            return true;
        }
        // Apart by more than both may be off: not near, though their boxes are.
        $far = ($sagE + $sagF + 1.0);
        $c1 = abs($dx * ($y[$fa] - $y[$ea]) - $dy * ($x[$fa] - $x[$ea]));
        $c2 = abs($dx * ($y[$fb] - $y[$ea]) - $dy * ($x[$fb] - $x[$ea]));
        $c3 = abs($gx * ($y[$ea] - $y[$fa]) - $gy * ($x[$ea] - $x[$fa]));
        $c4 = abs($gx * ($y[$eb] - $y[$fa]) - $gy * ($x[$eb] - $x[$fa]));

        return min($c1, $c2) <= $far * $e2 || min($c3, $c4) <= $far * $f2;
    }

    /**
     * An edge in finer parts, which are added to the chords; the edge itself changes no winding any more.
     *
     * @return list<int> the parts, or none where the edge is a line, is fine enough, or the budget is spent
     */
    public function parts(int $e): array
    {
        $chords = $this->chords;
        $contour = $chords->contour[$e];
        $sag = $this->sag[$e] ?? $this->first;
        if ($sag < self::LEAST || $this->left <= 0 || $this->isStraight($contour)) {
            return [];
        }
        $ga = $chords->ga[$e];
        $gb = $chords->gb[$e];
        $piece = $this->pieceAt($contour, ($ga + $gb) / 2);
        if ($piece === null) {
            return [];
        }
        [, $g0, $g1, $p] = $piece;
        if (Cubic::isLine($p)) {
            return [];
        }
        $scale = $this->sources->scale;
        $ox = $this->sources->originX - 0.5 / $scale;
        $oy = $this->sources->originY - 0.5 / $scale;
        $from = $chords->a[$e];
        $last = $chords->b[$e];
        $fromKey = $chords->x[$from] << 31 | $chords->y[$from];
        $lastKey = $chords->x[$last] << 31 | $chords->y[$last];
        $fromG = $ga;
        $parts = [];
        for ($k = 1; $k <= self::PARTS; $k++) {
            if ($k === self::PARTS) {
                [$to, $key, $g] = [$last, $lastKey, $gb];
            } else {
                $g = $ga + ($gb - $ga) * $k / self::PARTS;
                [$px, $py] = Cubic::at($p, ($g - $g0) / ($g1 - $g0));
                $gx = (int) (($px - $ox) * $scale);
                $gy = (int) (($py - $oy) * $scale);
                $key = $gx << 31 | $gy;
                if ($key === $fromKey || $key === $lastKey) {
                    continue;
                }
                $to = $chords->vertexAt($gx, $gy);
            }
            $id = $chords->addPart($e, $from, $to, $fromG, $g);
            $this->sag[$id] = $sag / self::FINER;
            $parts[] = $id;
            [$from, $fromKey, $fromG] = [$to, $key, $g];
        }
        $chords->delta[$e] = 0;
        $this->left -= count($parts);

        return $parts;
    }

    private function isStraight(int $contour): bool
    {
        if (! isset($this->straight[$contour])) {
            $coords = $this->sources->coords[$contour];
            $straight = true;
            for ($i = 0, $last = count($coords) - 2; $straight && $i < $last; $i += 6) {
                $straight = $coords[$i + 2] === $coords[$i] && $coords[$i + 3] === $coords[$i + 1]
                    && $coords[$i + 4] === $coords[$i + 6] && $coords[$i + 5] === $coords[$i + 7];
            }
            $this->straight[$contour] = $straight;
        }

        return $this->straight[$contour];
    }

    /** @return array{0: int, 1: float, 2: float, 3: list<float>}|null */
    private function pieceAt(int $contour, float $g): ?array
    {
        if ($this->byContour === null) {
            $this->byContour = [];
            foreach ($this->pieces as $i => $piece) {
                $this->byContour[$piece[0]][] = $i;
            }
        }
        // The weld pass goes along each contour from its start.
        $list = $this->byContour[$contour] ?? [];
        $low = 0;
        $high = count($list) - 1;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            $this->pieces[$list[$middle]][1] <= $g ? $low = $middle : $high = $middle - 1;
        }
        $piece = $list === [] ? null : $this->pieces[$list[$low]];

        return $piece !== null && $piece[1] <= $g && $g <= $piece[2] ? $piece : null;
    }
}
