<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Sheet\Cut\Forest;
use NeatEdge\Core\Sheet\Nest\Overlap;
use NeatEdge\Core\Sheet\Nest\Room;
use NeatEdge\Core\Sheet\Sheet;

/** O1: what would surprise at the machine, in a sentence each. */
final class Surprises
{
    /** mm² by which a colour runs under another, from which on it is so laid. */
    private const RUNS_UNDER = 1.0;

    /**
     * @param  list<Piece>  $areas  of one sheet, as they lie
     * @return list<string> shapes that were not welded, and parts that lie loose in holes of others
     */
    public static function cut(array $areas): array
    {
        $says = [];
        $shapes = array_map(static fn (Piece $piece): Shape => $piece->shape, $areas);
        $pairs = count($shapes) > 1 ? Overlap::pairs($shapes) : [];
        if ($pairs !== []) {
            $at = $areas[$pairs[0][0]]->box()?->middle();
            $says[] = sprintf(
                '%s not welded and cut through one another%s.',
                count($pairs) === 1 ? '2 shapes are' : count($pairs).' pairs of shapes are',
                $at === null ? '' : sprintf(', the first about %.0f, %.0f mm', $at->x, $at->y),
            );
        }
        $loose = array_sum(array_map(self::loose(...), $shapes));
        if ($loose > 0) {
            $says[] = sprintf(
                '%s in %s of others: only the carrier holds %s.',
                $loose === 1 ? '1 part lies' : "{$loose} parts lie",
                $loose === 1 ? 'a hole' : 'holes',
                $loose === 1 ? 'it' : 'them',
            );
        }

        return $says;
    }

    /** Parts of a shape that lie in holes of others of its parts. */
    private static function loose(Shape $shape): int
    {
        $inside = Forest::of($shape->contours);
        $count = 0;
        $waiting = array_map(static fn (int $i): array => [$i, 0], $inside[-1]);
        while ($waiting !== []) {
            [$i, $deep] = array_pop($waiting);
            $count += $deep > 0 && $deep % 2 === 0 ? 1 : 0;
            foreach ($inside[$i] ?? [] as $k) {
                $waiting[] = [$k, $deep + 1];
            }
        }

        return $count;
    }

    /** @return list<string> */
    public static function beyond(Box $box, float $width, float $height, Room $room): array
    {
        $over = max(-$box->left, -$box->top, is_finite($room->length) ? $box->right - $width : 0.0, $box->bottom - $height);

        return $over > 0.01 ? [sprintf('It reaches %.1f mm beyond the bed.', $over)] : [];
    }

    /**
     * What lies under each sheet, where colours run under one another: of lower sheets those that it covers in more than the inexactness of shared borders.
     *
     * @return array<int, list<int>> numbers of sheets, by that of the sheet above
     */
    public static function under(Artwork $result): array
    {
        $numbers = [];
        $shapes = [];
        foreach (Sheet::allOf($result) as $number => $sheet) {
            foreach ($sheet->shapes() as $shape) {
                $shapes[] = $shape;
                $numbers[] = $number;
            }
        }
        $areas = [];
        foreach ($result->apart || count($shapes) < 2 ? [] : Overlap::pairs($shapes) as [$a, $b, $area]) {
            [$low, $high] = [min($numbers[$a], $numbers[$b]), max($numbers[$a], $numbers[$b])];
            $areas[$high][$low] = ($areas[$high][$low] ?? 0.0) + ($low === $high ? 0.0 : $area);
        }

        return array_map(
            static fn (array $lower): array => array_keys(array_filter($lower, static fn (float $area): bool => $area > self::RUNS_UNDER)),
            $areas,
        );
    }
}
