<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Edit\Shaping\BorderLine;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
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
    public static function fields(): array
    {
        return [
            ...Laying::fields('nest', false),
            Field::length('border', 'Border beyond the art', 2.0, 0.0), Field::length('bridge', 'Bridge gaps under', 1.0), Field::length('dropHoles', 'Drop holes under', 3.0), Field::length('radius', 'Least radius', 0.5),
            Field::length('bleed', 'Bleed', 1.5, 0.0, 'the print goes on beyond the cut'),
            Field::length('through', 'Cut through beyond the border', 3.0, 0.0, 'none when nought'),
            Field::length('leadIn', 'Lead-in', 0.0, 0.0, 'a short cut through the waste to where a cut begins; none when nought'),
            Field::flag('marks', 'Marks for the camera', true),
            Field::number('speed', 'Speed, mm/s', 150.0, 1.0, 2000.0),
        ];
    }

    public static function layouts(Order $order): array
    {
        $designs = self::designs($order)[''] ?? [];
        if ($designs === []) {
            return [];
        }
        $tolerance = $order->result->tolerance();
        $borders = array_map(static fn (Design $one): Shape => self::border($one->pieces, $order, $tolerance), $designs);
        $prints = array_map(static fn (Design $one, Shape $border): array => self::bled($one->pieces, $border, $order->length('bleed'), $tolerance), $designs, $borders);
        $room = Laying::room($order);
        $placed = Laying::of($designs, $order);
        $out = [];
        foreach (CutSheets::bySheet($placed) as $number => $some) {
            $inked = $kiss = $cut = [];
            foreach ($some as $one) {
                $design = $designs[$one->design];
                $matrix = $one->matrix($design->outline);
                array_push($inked, ...array_map(static fn (Piece $piece): Piece => $piece->transformed($matrix), $prints[$one->design]));
                array_push($kiss, ...self::lines($borders[$one->design], $matrix));
                array_push($cut, ...($order->length('through') > 0 ? self::lines($design->outline, $matrix) : []));
            }
            $all = Box::around(...array_map(static fn (Contour $line): Box => $line->box(), [...$kiss, ...$cut])) ?? new Box(0.0, 0.0, 1.0, 1.0);
            // Marks stand outside all that is cut; the sheet grows by what they need.
            $edge = $order->is('marks') ? 10.0 : 0.0;
            $width = is_finite($room->length) ? $room->length : $all->right + $room->margin;
            $shift = Matrix::translation($edge, $edge);
            $use = ['speed' => $order->length('speed')];
            $layers = [new Layer(Role::Print, 'Print', '#000000', $inked)];
            if ($order->is('marks')) {
                $layers[] = new Layer(Role::Mark, 'Camera marks', '#000000', PlateMarks::camera($all));
            }
            $layers[] = new Layer(Role::Kiss, 'Kiss cut', Role::Kiss->colour(), lines: self::led($kiss, $order), use: $use);
            if ($cut !== []) {
                $layers[] = new Layer(Role::Through, 'Cut through', Role::Through->colour(), lines: self::led($cut, $order), use: $use);
            }
            $used = array_sum(array_map(static fn (Contour $line): float => abs($line->area()), $cut === [] ? $kiss : $cut)) / max(1e-9, $width * $room->width);
            $out[] = new Layout(
                $order->file($number + 1, 'print and cut'), sprintf('%s, sheet %d: print and cut', $order->name, $number + 1), $width + 2 * $edge, $room->width + 2 * $edge,
                array_map(static fn (Layer $layer): Layer => $layer->transformed($shift), $layers), $order->beds['']['name'] ?? 'Printed film', '#ffffff',
                new Box($all->left + $edge, $all->top + $edge, $all->right + $edge, $all->bottom + $edge), $order->length('bleed'),
                Design::saysOfOthers($designs), $used, [...($number === 0 ? $order->warns : []), ...Surprises::beyond($all, $width, $room->width, $room)],
            );
        }

        return $out;
    }

    public static function designs(Order $order): array
    {
        $out = [];
        foreach ($order->all() as $one) {
            $pieces = array_values(array_filter($one->result->pieces, static fn (Piece $piece): bool => $piece->fill !== null));
            if ($pieces !== []) {
                $tolerance = $one->result->tolerance();
                $out[] = new Design(self::edge(self::border($pieces, $one, $tolerance), $one, $tolerance), $one->copies(), $pieces, $one === $order ? '' : $one->name);
            }
        }

        return $out === [] ? [] : ['' => $out];
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
        return $order->length('through') > 0 ? Offset::outset($border, $order->length('through'), 'round', $tolerance) : $border;
    }

    /** @param  list<Piece>  $pieces */
    private static function border(array $pieces, Order $order, Tolerance $tolerance): Shape
    {
        $seen = Combine::weld(array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces), $tolerance);

        return BorderLine::around($seen, $order->length('border'), $order->length('bridge'), $order->length('dropHoles'), $order->length('radius'), $tolerance);
    }

    /**
     * Where the art comes nearer to the cut than the bleed, it goes on beyond it: each outer piece is grown on the outside of the whole, under all that was
     * there.
     *
     * @param  list<Piece>  $pieces
     * @return list<Piece>
     */
    private static function bled(array $pieces, Shape $border, float $bleed, Tolerance $tolerance): array
    {
        $outside = $bleed > 0 ? Combine::cutAway(Offset::outset($border, $bleed, 'round', $tolerance), [Offset::inset($border, 0.02, 'round', $tolerance)], $tolerance) : new Shape([]);
        $more = [];
        foreach ($outside->isEmpty() ? [] : $pieces as $piece) {
            $reach = Offset::outset($piece->shape, 2 * $bleed, 'miter', $tolerance);
            $strip = Combine::keepOverlap([$reach, $outside], $tolerance);
            // Only what stood at the cut bleeds; art within its border of white does not.
            $at = Combine::keepOverlap([Offset::outset($piece->shape, 0.05, 'miter', $tolerance), Offset::ring($border, 0.1, 0.1, 'round', $tolerance)], $tolerance);
            if (! $strip->isEmpty() && ! $at->isEmpty()) {
                $more[] = $piece->with(shape: $strip, id: $piece->id.'-bleed');
            }
        }

        return [...$more, ...$pieces];
    }

    /** @return list<Contour> */
    private static function lines(Shape $shape, Matrix $matrix): array
    {
        return array_map(static fn (Contour $contour): Contour => (new Contour($contour->coords, true))->transformed($matrix), $shape->contours);
    }
}
