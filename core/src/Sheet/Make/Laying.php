<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use Closure;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Sheet\Nest\Nesting;
use NeatEdge\Core\Sheet\Nest\Placement;
use NeatEdge\Core\Sheet\Nest\Room;

/** Copies of designs on beds: as they were drawn, in rows, or nested by their true outlines. */
final class Laying
{
    /** @return list<Field> */
    public static function fields(string $usual = 'drawn', bool $parts = true): array
    {
        return [
            Field::count('copies', 'Copies', 1, 1, 2000),
            Field::choice(
                'arrange',
                'Lay them',
                $usual,
                ['drawn' => 'As drawn', 'nest' => 'Nested', ...($parts ? ['parts' => 'In parts'] : [])],
                'as drawn in rows, or nested by true outlines with holes used: designs whole, or part by part',
            ),
            Field::length('bedWidth', 'Bed width', 0.0, 0.0, 'across the roll or sheet; 0: as on the ticket'),
            Field::length('bedLength', 'Bed length', 0.0, 0.0, 'nought for a roll'),
            Field::length('fromLeft', 'Begin, from the left', 0.0, 0.0, 'from the corner where machines start, for what is left of a sheet'),
            Field::length('fromBelow', 'Begin, from below', 0.0),
            Field::length('margin', 'Margin', 5.0), Field::length('gap', 'Gap between copies', 3.0),
            Field::choice(
                'turns',
                'Turn copies',
                'quarter',
                ['none' => 'Never', 'half' => 'By half', 'quarter' => 'By quarters', 'eighth' => 'By eighths', 'free' => 'By 15 degrees'],
            ),
            Field::flag('grain', 'The material has a grain', false, 'all lie along it'),
        ];
    }

    /** @param  string  $hex  colour of the sheet whose material is laid on */
    public static function room(Order $order, string $hex = ''): Room
    {
        $bed = $order->beds[$hex] ?? $order->beds[''] ?? null;
        $limits = $order->limits;
        [$width, $length] = match (true) {
            $order->length('bedWidth') > 0 => [$order->length('bedWidth'), $order->length('bedLength')],
            $bed !== null => [$bed['width'], $bed['length']],
            // A bed lies along the way of the head; a roll's width lies across it.
            $limits->bedHeight > 0 => [$limits->bedHeight, $limits->bedWidth],
            default => [$limits->bedWidth, $order->length('bedLength')],
        };

        return new Room(
            $length > 0 ? $length : INF,
            $width > 0 ? $width : 600.0,
            $order->length('margin') + PrintAndCut::forMarks($order),
            $order->length('gap'),
            Room::turns($order->word('turns'), $order->is('grain') || ($bed['grain'] ?? false)),
        );
    }

    /**
     * @param  list<Design>  $designs
     * @param  Closure(float, int): bool|null  $goesOn  see Nesting
     * @return list<Placement>
     *
     * @throws Refused
     */
    public static function of(array $designs, Order $order, string $hex = '', ?Closure $goesOn = null): array
    {
        $counts = array_map(static fn (Design $design): int => $design->copies, $designs);
        $outlines = array_map(static fn (Design $design): Shape => $design->outline, $designs);
        $kept = array_values(array_filter($order->placements[$hex] ?? [], static fn (Placement $placement): bool => isset($designs[$placement->design])));
        $room = self::room($order, $hex);
        if ($goesOn === null && $kept !== [] && self::areAll($kept, $counts)) {
            return $kept;
        }
        $rows = self::rows($outlines, $counts, $room);
        if ($order->word('arrange') === 'drawn') {
            return self::atOrigin($rows, $outlines, $order, $room);
        }
        $hand = array_values(array_filter($kept, static fn (Placement $placement): bool => $placement->kept));
        if ($hand !== []) {
            return Nesting::of($outlines, $counts, $room, $hand, $goesOn);
        }
        // What plain rows need, or fewer turns, is never more than what comes out: a search may find less in its time.
        $best = $rows;
        $freedoms = $room->freedoms();
        foreach ($freedoms as $k => $turns) {
            $nested = Nesting::of($outlines, $counts, $room->turning($turns), [], $k === count($freedoms) - 1 ? $goesOn : null);
            if (self::uses($nested, $outlines) <= self::uses($best, $outlines)) {
                $best = $nested;
            }
        }

        return self::atOrigin($best, $outlines, $order, $room);
    }

    /**
     * How much a laying takes: sheets first, then mm along the last.
     *
     * @param  list<Placement>  $placements
     * @param  list<Shape>  $outlines
     * @return array{int, float}
     */
    private static function uses(array $placements, array $outlines): array
    {
        $sheets = -1;
        $along = 0.0;
        $boxes = self::boxes($placements, $outlines);
        foreach ($placements as $k => $placement) {
            $right = $boxes[$k]->right;
            $along = $placement->sheet > $sheets ? $right : ($placement->sheet === $sheets ? max($along, $right) : $along);
            $sheets = max($sheets, $placement->sheet);
        }

        return [$sheets + 1, round($along, 4)];
    }

    /**
     * Boxes of copies: a design is turned once for each turn, not for each copy.
     *
     * @param  list<Placement>  $placements
     * @param  list<Shape>  $outlines
     * @return list<Box>
     */
    private static function boxes(array $placements, array $outlines): array
    {
        $turned = [];

        return array_map(static function (Placement $placement) use ($outlines, &$turned): Box {
            $outline = $outlines[$placement->design];
            $box = $turned["{$placement->design} {$placement->turn}"] ??= $outline->transformed($placement->matrix($outline))->box()
                ?? new Box(0.0, 0.0, 0.0, 0.0);

            return new Box($placement->x, $placement->y, $placement->x + $box->width(), $placement->y + $box->height());
        }, $placements);
    }

    /**
     * Machines start at the lower left: what lies on a sheet comes down as one to that edge, and then to the place that was typed.
     *
     * @param  list<Placement>  $placements
     * @param  list<Shape>  $outlines
     * @return list<Placement>
     */
    private static function atOrigin(array $placements, array $outlines, Order $order, Room $room): array
    {
        $lowest = [];
        $boxes = self::boxes($placements, $outlines);
        foreach ($placements as $k => $placement) {
            $lowest[$placement->sheet] = max($lowest[$placement->sheet] ?? -INF, $boxes[$k]->bottom);
        }

        return array_map(
            static fn (Placement $placement): Placement => $placement->moved(
                $order->length('fromLeft'),
                max(0.0, $room->width - $room->margin - $lowest[$placement->sheet]) - $order->length('fromBelow'),
            ),
            $placements,
        );
    }

    /**
     * @param  list<Placement>  $placements
     * @param  list<int>  $counts
     */
    private static function areAll(array $placements, array $counts): bool
    {
        $laid = array_count_values(array_map(static fn (Placement $placement): int => $placement->design, $placements));
        foreach ($counts as $design => $count) {
            if (($laid[$design] ?? 0) !== $count) {
                return false;
            }
        }

        return count($placements) === array_sum($counts);
    }

    /**
     * Copies in rows by their boxes, none turned unless it must be to fit.
     *
     * @param  list<Shape>  $designs
     * @param  list<int>  $counts
     * @return list<Placement>
     */
    private static function rows(array $designs, array $counts, Room $room): array
    {
        $rows = [];
        [$sheet, $x, $y, $column] = [0, $room->margin, $room->margin, 0.0];
        foreach ($designs as $i => $design) {
            $box = $design->box() ?? new Box(0.0, 0.0, 0.0, 0.0);
            $across = $room->width - 2 * $room->margin + 1e-6;
            $along = $room->length - 2 * $room->margin + 1e-6;
            $turn = $box->height() > $across || $box->width() > $along ? 90.0 : 0.0;
            [$w, $h] = $turn > 0 ? [$box->height(), $box->width()] : [$box->width(), $box->height()];
            if ($h > $across || $w > $along) {
                // It is larger than the bed: it is laid all the same, alone, and the sheet says so.
                $turn = 0.0;
                [$w, $h] = [$box->width(), $box->height()];
            }
            for ($k = 0; $k < $counts[$i]; $k++) {
                if ($y > $room->margin && $y + $h > $room->width - $room->margin + 1e-6) {
                    [$x, $y, $column] = [$x + $column + $room->gap, $room->margin, 0.0];
                }
                if ($x > $room->margin && $x + $w > $room->length - $room->margin + 1e-6) {
                    [$sheet, $x, $y, $column] = [$sheet + 1, $room->margin, $room->margin, 0.0];
                }
                $rows[] = new Placement($i, $sheet, $x, $y, $turn);
                $y += $h + $room->gap;
                $column = max($column, $w);
            }
        }

        return $rows;
    }
}
