<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Sheet\Make\Design;
use NeatEdge\Core\Sheet\Make\Laying;
use NeatEdge\Core\Sheet\Nest\Overlap;
use NeatEdge\Core\Sheet\Nest\Placement;

/** Copies on their sheets, moved by hand. */
final class CopiesByHand
{
    /** mm² of overlap of copies that a hand may leave: what shared borders come to. */
    private const TOUCHING = 0.05;

    /** @return list<array<string, mixed>> where the copies of each sheet lie, with their outlines, in mm */
    public static function told(ShopJob $job): array
    {
        $order = Made::order($job);
        $sheets = [];
        foreach ($order->designs() as $hex => $designs) {
            $room = Laying::room($order, $hex);
            $sheets[] = [
                'sheet' => $hex === '' ? 'all' : $hex,
                'width' => is_finite($room->length) ? $room->length : 0.0,
                'height' => $room->width,
                'designs' => array_map(static fn (Design $design): string => Writer::path($design->outline), $designs),
                'copies' => array_map(
                    static fn (Placement $placement): array => [
                        ...$placement->toArray(),
                        'matrix' => array_values(get_object_vars($placement->matrix($designs[$placement->design]->outline))),
                    ],
                    Laying::of($designs, $order, $hex),
                ),
            ];
        }

        return $sheets;
    }

    /**
     * @param  string  $sheet  a colour, or "all"
     * @param  list<array{copy: int|string, x: float|string, y: float|string, turn?: float|string}>  $moved  mm and degrees
     * @return ShopJob|null null where there is no such sheet or copy
     *
     * @throws Refused where one would lie on another or beyond the bed: all stay where they were
     */
    public static function move(ShopJob $job, string $sheet, array $moved): ?ShopJob
    {
        $order = Made::order($job);
        $hex = $sheet === 'all' ? '' : $sheet;
        $designs = $order->designs()[$hex] ?? null;
        if ($designs === null) {
            return null;
        }
        $laid = Laying::of($designs, $order, $hex);
        foreach ($moved as $one) {
            $old = $laid[(int) $one['copy']] ?? null;
            if ($old === null) {
                return null;
            }
            $laid[(int) $one['copy']] = new Placement(
                $old->design,
                $old->sheet,
                (float) $one['x'],
                (float) $one['y'],
                (float) ($one['turn'] ?? $old->turn),
                true,
            );
        }
        $numbers = array_map(static fn (array $one): int => (int) $one['copy'], $moved);
        $room = Laying::room($order, $hex);
        self::holdApart($designs, $laid, array_flip($numbers), $room->length, $room->width);
        $rows = array_map(static fn (Placement $placement): array => $placement->toArray(), $laid);
        $label = count($numbers) === 1 ? sprintf('Lay copy %d by hand', $numbers[0] + 1) : sprintf('Lay %d copies by hand', count($numbers));

        return Laid::change($job, $label, static function (array $making) use ($sheet, $rows): array {
            $making['placements'][$sheet] = $rows;

            return $making;
        });
    }

    /**
     * @param  list<Design>  $designs
     * @param  list<Placement>  $laid
     * @param  array<int, int>  $moved  by number of the copies that were moved
     *
     * @throws Refused
     */
    private static function holdApart(array $designs, array $laid, array $moved, float $length, float $width): void
    {
        $shapes = array_map(
            static function (Placement $placement) use ($designs): Shape {
                $outline = $designs[$placement->design]->outline;

                return $outline->transformed($placement->matrix($outline));
            },
            $laid,
        );
        $boxes = array_map(static fn (Shape $shape): ?Box => $shape->box(), $shapes);
        foreach ($moved as $copy => $k) {
            $box = $boxes[$copy];
            if ($box === null || $box->left < -0.01 || $box->top < -0.01 || $box->right > $length + 0.01 || $box->bottom > $width + 0.01) {
                throw Refused::because('There it would lie beyond the bed.');
            }
            foreach ($boxes as $i => $other) {
                // Each pair once: of two that were both moved, at the later one.
                if ($i === $copy || ($moved[$i] ?? INF) < $k || $laid[$i]->sheet !== $laid[$copy]->sheet || ! ($other?->overlaps($box) ?? false)) {
                    continue;
                }
                $pairs = Overlap::pairs([$shapes[$copy], $shapes[$i]]);
                if ($pairs !== [] && $pairs[0][2] > self::TOUCHING) {
                    throw Refused::because(sprintf('There it would lie on another copy, on %.1f mm².', $pairs[0][2]));
                }
            }
        }
    }
}
