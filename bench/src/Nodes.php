<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Stroke\OffsetCurve;
use NeatEdge\Core\Tests\Support\RealArt;

/**
 * Nodes of outlined and welded icons, against what exact arcs and offsets need.
 *
 * What is needed is counted on the outcome itself, without looking at how it was made: each line or curve between two
 * corners needs one node for a line (and none where it only goes on), and for a smooth run of curves one for every quarter turn begun.
 */
final class Nodes
{
    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $nodes = 0;
        $needed = 0;
        foreach (RealArt::of('icons', 100) as $svg) {
            $artwork = (new OutlineStrokes)->apply(Reader::read($svg)->artwork);
            $shape = Combine::weld(array_map(static fn (Piece $piece): Shape => $piece->shape, $artwork->pieces));
            $nodes += $shape->nodeCount();
            foreach ($shape->contours as $contour) {
                $needed += self::needed($contour->segments());
            }
        }
        yield ['nodes of 100 icons outlined and welded, times the need', sprintf('%.3f (%d/%d)', $nodes / $needed, $nodes, $needed), 'at most 1.6'];
    }

    /** @param  list<list<float>>  $segments */
    public static function needed(array $segments): int
    {
        $count = 0;
        $turn = 0.0;
        $before = null;
        $line = null;
        foreach ($segments as $s) {
            if (Cubic::isLine($s)) {
                $length = hypot($s[6] - $s[0], $s[7] - $s[1]);
                $direction = [($s[6] - $s[0]) / $length, ($s[7] - $s[1]) / $length];
                $goesOn = $line !== null && abs($line[0] * $direction[1] - $line[1] * $direction[0]) < 0.005;
                $count += ($goesOn ? 0 : 1) + self::quarters($turn);
                [$turn, $before, $line] = [0.0, null, $direction];

                continue;
            }
            $line = null;
            [$ax, $ay] = OffsetCurve::tangent($s, 0.0);
            [$mx, $my] = OffsetCurve::tangent($s, 0.5);
            [$bx, $by] = OffsetCurve::tangent($s, 1.0);
            $own = atan2($ax * $my - $ay * $mx, $ax * $mx + $ay * $my) + atan2($mx * $by - $my * $bx, $mx * $bx + $my * $by);
            $smooth = $before !== null && $before[0] * $ax + $before[1] * $ay > 0.995 && $own * $turn >= 0;
            if (! $smooth) {
                $count += self::quarters($turn);
                $turn = 0.0;
            }
            $turn += $own;
            $before = [$bx, $by];
        }

        return $count + self::quarters($turn);
    }

    private static function quarters(float $turn): int
    {
        return $turn === 0.0 ? 0 : max(1, (int) ceil(abs($turn) / (M_PI / 2) - 0.05));
    }
}
