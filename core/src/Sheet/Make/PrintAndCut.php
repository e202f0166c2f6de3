<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Patience\Progress;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Border\BorderLine;
use NeatEdge\Core\Separate\PlateMarks;
use NeatEdge\Core\Sheet\Cut\CutOrder;
use NeatEdge\Core\Sheet\Cut\LeadIn;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Stroke\Offset;

/** Printed stickers: one picture in full colour with bleed, the border as a kiss cut, a cut through round it, and marks that the camera finds the sheet by. */
final class PrintAndCut implements Making
{
    private const MARKS = 10.0;

    public static function fields(): array
    {
        return [
            ...Laying::fields('nest', false),
            Field::length('border', 'Border beyond the art', 2.0, 0.0),
            Field::length('bridge', 'Bridge gaps under', 1.0),
            Field::length('dropHoles', 'Leave out holes under', 3.0),
            Field::length('radius', 'Least radius', 0.5),
            Field::length('bleed', 'Bleed', 1.5, 0.0, 'the print goes on beyond the cut'),
            Field::length('through', 'Cut through beyond the border', 3.0, 0.0, 'none when nought'),
            Field::length('leadIn', 'Lead-in', 0.0, 0.0, 'a short cut through the waste to where a cut begins; none when nought'),
            Field::flag('marks', 'Marks for the camera', true),
            Field::number('speed', 'Speed, mm/s', 150.0, 1.0, 2000.0),
        ];
    }

    /** mm round all that is cut in which marks for the camera stand, on the bed as all else. */
    public static function forMarks(Order $order): float
    {
        return $order->making === self::class && $order->is('marks') ? self::MARKS : 0.0;
    }

    public static function layouts(Order $order): array
    {
        $designs = self::designs($order)[''] ?? [];
        if ($designs === []) {
            return [];
        }
        $tolerance = $order->result->tolerance();
        $borders = array_map(static fn (Design $design): Shape => self::border($design->pieces, $order, $tolerance), $designs);
        $prints = [];
        foreach ($designs as $i => $design) {
            Progress::tell($i, count($designs), 'Bleed');
            $prints[] = self::printed($design, $borders[$i], $order);
        }
        $room = Laying::room($order);
        $placed = Laying::of($designs, $order);
        $layouts = [];
        foreach (CutSheets::bySheet($placed) as $number => $some) {
            $inked = $kiss = $single = $cut = [];
            $kept = 0.0;
            foreach ($some as $one) {
                $design = $designs[$one->design];
                $matrix = $one->matrix($design->outline);
                array_push($inked, ...array_map(static fn (Piece $piece): Piece => $piece->transformed($matrix), $prints[$one->design]));
                array_push($kiss, ...self::lines($borders[$one->design], $matrix));
                array_push($single, ...array_map(static fn (Contour $line): Contour => $line->transformed($matrix), $design->cuts));
                array_push($cut, ...($order->length('through') > 0 ? self::lines($design->outline, $matrix) : []));
                $kept += $borders[$one->design]->area();
            }
            $all = Box::around(...array_map(static fn (Contour $line): Box => $line->box(), [...$kiss, ...$cut])) ?? new Box(0.0, 0.0, 1.0, 1.0);
            $width = is_finite($room->length) ? $room->length : $all->right + $room->margin;
            // What stays is the stickers themselves, without their holes.
            $used = $kept / max(1e-9, $width * $room->width);
            $layouts[] = new Layout(
                $order->file($number + 1, 'print and cut'),
                sprintf('%s, sheet %d: print and cut', $order->name, $number + 1),
                $width,
                $room->width,
                self::layers($inked, $single, $kiss, $cut, $all, $order),
                $order->beds['']['name'] ?? 'Printed film',
                '#ffffff',
                $all, $order->length('bleed'),
                Design::saysOfOthers($designs), $used, [...($number === 0 ? $order->warns : []), ...Surprises::beyond($all, $width, $room->width, $room)],
            );
        }

        return $layouts;
    }

    /** @return list<Piece> what is printed of a design: the art, and beneath it what goes on beyond the cut */
    private static function printed(Design $design, Shape $border, Order $order): array
    {
        $hollow = $order->length('border') > 0 ? 0.0 : $order->length('radius') + $order->length('bridge') / 2;

        return [...Bleed::of($design->pieces, $border, $order->length('bleed'), $order->result->tolerance(), $hollow), ...$design->pieces];
    }

    /**
     * The layers of one sheet, in the order in which they are made.
     *
     * @param  list<Piece>  $inked
     * @param  list<Contour>  $single  cut once, not round anything
     * @param  list<Contour>  $kiss
     * @param  list<Contour>  $through
     * @param  Box  $all  of all that is cut
     * @return list<Layer>
     */
    private static function layers(array $inked, array $single, array $kiss, array $through, Box $all, Order $order): array
    {
        $use = ['speed' => $order->length('speed')];
        $layers = [new Layer(Role::Print, 'Print', '#000000', $inked)];
        if ($order->is('marks')) {
            $layers[] = new Layer(Role::Mark, 'Camera marks', '#000000', PlateMarks::camera($all));
        }
        // What is cut once lies inside its sticker: it comes before the sticker is cut round.
        $layers[] = new Layer(Role::Kiss, 'Kiss cut', Role::Kiss->colour(), lines: [...CutOrder::of($single), ...self::led($kiss, $order)], use: $use);
        if ($through !== []) {
            $layers[] = new Layer(Role::Through, 'Cut through', Role::Through->colour(), lines: self::led($through, $order), use: $use);
        }

        return $layers;
    }

    public static function designs(Order $order): array
    {
        $designs = [];
        foreach ($order->all() as $one) {
            $pieces = array_values(array_filter($one->result->pieces, static fn (Piece $piece): bool => $piece->fill !== null));
            if ($pieces !== []) {
                $tolerance = $one->result->tolerance();
                $cuts = CutSheets::linesOf(array_values(array_filter($one->result->pieces, static fn (Piece $piece): bool => $piece->isSingleCut())));
                $designs[] = new Design(
                    self::edge(self::border($pieces, $one, $tolerance), $one, $tolerance),
                    $one->copies(),
                    $pieces,
                    $one === $order ? '' : $one->name,
                    $cuts,
                );
            }
        }

        return $designs === [] ? [] : ['' => $designs];
    }

    /**
     * @param  list<Contour>  $lines  round what is kept
     * @return list<Contour> in the order of cutting
     */
    private static function led(array $lines, Order $order): array
    {
        return (new LeadIn([new Shape($lines)], $order->length('leadIn')))->before(CutOrder::of($lines));
    }

    private static function edge(Shape $border, Order $order, Tolerance $tolerance): Shape
    {
        if ($order->length('through') <= 0) {
            return $border;
        }
        // Holes are not cut through: what came out of them would lie loose on the machine.
        $edge = Offset::outset($border, $order->length('through'), 'round', $tolerance);

        return new Shape(array_merge(...array_map(static fn (Shape $part): array => array_slice($part->contours, 0, 1), Parts::of($edge))), $edge->rule);
    }

    /** @param  list<Piece>  $pieces */
    private static function border(array $pieces, Order $order, Tolerance $tolerance): Shape
    {
        $seen = Combine::weld(array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces), $tolerance);

        return BorderLine::around($seen, $order->length('border'), $order->length('bridge'), $order->length('dropHoles'), $order->length('radius'), $tolerance);
    }

    /** @return list<Contour> */
    private static function lines(Shape $shape, Matrix $matrix): array
    {
        return array_map(static fn (Contour $contour): Contour => (new Contour($contour->coords, true))->transformed($matrix), $shape->contours);
    }
}
