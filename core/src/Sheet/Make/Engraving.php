<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Progress;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Sheet\Cut\CutOrder;
use NeatEdge\Core\Sheet\Engrave\Hairlines;
use NeatEdge\Core\Sheet\Engrave\Hatch;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Stroke\Offset;

/** Engraving: areas filled line by line, then followed round; lines no wider than the head's are followed along their middle, once. */
final class Engraving implements Making
{
    /** L* from which on an area is left bare. */
    private const BARE = 92.0;

    public static function fields(): array
    {
        return [
            ...Laying::fields('drawn', false),
            Field::length('hair', 'Lines followed once, up to', 0.3, 0.0, 'along their middle; none when nought'),
            Field::choice('fill', 'Areas', 'both', ['hatch' => 'Filled', 'outline' => 'Only followed round', 'both' => 'Filled, then followed round']),
            new Field('angle', 'Lines of a fill at', Field::ANGLE, 0.0, -360.0, 360.0), Field::length('pitch', 'Between lines of a fill', 0.15, 0.01),
            Field::length('spot', 'Width of the head\'s line', 0.1, 0.0, 'areas are made smaller by half of it'),
            Field::length('overscan', 'Runs up before a fill by', 0.0, 0.0),
            Field::number('power', 'Power of fills, %', 35.0, 0.0, 100.0), Field::number('speed', 'Speed of fills, mm/s', 80.0, 0.1, 2000.0),
            Field::number('linePower', 'Power of lines, %', 25.0, 0.0, 100.0),
            Field::number('lineSpeed', 'Speed of lines, mm/s', 40.0, 0.1, 2000.0),
            Field::count('passes', 'Passes', 1, 1, 20),
        ];
    }

    public static function layouts(Order $order): array
    {
        $designs = self::designs($order)[''] ?? [];
        if ($designs === []) {
            return [];
        }
        $hairs = $areas = [];
        foreach ($designs as $i => $design) {
            Progress::tell($i, count($designs), 'Areas');
            // The outline has a hair along what is followed once; what is filled has not.
            $area = $design->cuts === [] ? $design->outline : ($design->pieces === [] ? new Shape([]) : Combine::weld(
                array_map(static fn (Piece $piece): Shape => $piece->shape, $design->pieces),
                $order->result->tolerance(),
            ));
            [$hairs[$i], $rest] = Hairlines::of($area, $order->length('hair'));
            array_push($hairs[$i], ...$design->cuts);
            $areas[$i] = $rest->isEmpty() ? new Shape([]) : ($order->length('spot') > 0 ? Offset::inset(
                $rest,
                $order->length('spot') / 2,
                'miter',
                $order->result->tolerance(),
            ) : $rest);
        }
        $room = Laying::room($order);
        $placed = Laying::of($designs, $order);
        $layouts = [];
        foreach (CutSheets::bySheet($placed) as $number => $some) {
            $laid = $lines = $follow = $shown = [];
            foreach ($some as $one) {
                $matrix = $one->matrix($designs[$one->design]->outline);
                array_push($shown, ...array_map(static fn (Piece $piece): Piece => $piece->transformed($matrix), $designs[$one->design]->pieces));
                array_push($follow, ...array_map(static fn (Contour $line): Contour => $line->transformed($matrix), $hairs[$one->design]));
                $area = $areas[$one->design]->transformed($matrix);
                if (! $area->isEmpty()) {
                    $laid[] = $area;
                    array_push($lines, ...array_map(static fn (Contour $contour): Contour => new Contour($contour->coords, true), $area->contours));
                }
            }
            $layouts[] = self::layout(
                $order,
                $number,
                $laid,
                $lines,
                $follow,
                $shown,
                is_finite($room->length) ? $room->length : 0.0,
                $room->width,
                Design::saysOfOthers($designs),
            );
        }

        return $layouts;
    }

    /** @return list<Piece> what a head marks: light areas are the bare plate, unless there is nothing else */
    private static function engraved(Order $order): array
    {
        $all = array_values(array_filter($order->result->pieces, static fn (Piece $piece): bool => $piece->fill !== null && ! $piece->shape->isEmpty()));
        $dark = array_values(array_filter($all, static fn (Piece $piece): bool => ($piece->fill?->colour->lab()->l ?? 0.0) < self::BARE));

        return $dark === [] ? $all : $dark;
    }

    public static function designs(Order $order): array
    {
        $designs = [];
        foreach ($order->all() as $one) {
            $pieces = self::engraved($one);
            $cuts = CutSheets::linesOf(array_values(array_filter($one->result->pieces, static fn (Piece $piece): bool => $piece->isSingleCut())));
            if ($pieces !== [] || $cuts !== []) {
                $designs[] = new Design(
                    Design::outlineOf(array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces), $cuts, $one->result->tolerance()),
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
     * @param  list<Shape>  $areas
     * @param  list<Contour>  $lines
     * @param  list<Contour>  $follow
     * @param  list<Piece>  $shown
     * @param  list<string>  $others  what is said of jobs that are laid with it
     */
    private static function layout(
        Order $order, int $number, array $areas, array $lines, array $follow, array $shown, float $length, float $height, array $others,
    ): Layout {
        $fills = [
            'power' => $order->length('power'),
            'speed' => $order->length('speed'),
            'overscan' => $order->length('overscan'),
            'passes' => (int) $order->length('passes'),
        ];
        $use = ['power' => $order->length('linePower'), 'speed' => $order->length('lineSpeed'), 'passes' => (int) $order->length('passes')];
        $hatch = $areas === [] || $order->word('fill') === 'outline' ? [] : Hatch::of($areas, $order->length('angle'), $order->length('pitch'));
        $round = $order->word('fill') === 'hatch' ? [] : $lines;
        $layers = [];
        if ($hatch !== []) {
            $layers[] = new Layer(Role::Fill, 'Fills', Role::Fill->colour(), $shown, hatch: $hatch, use: $fills);
        }
        $all = CutOrder::of([...$follow, ...$round], [0.0, $height]);
        if ($all !== []) {
            $layers[] = new Layer(Role::Line, 'Lines', Role::Line->colour(), $hatch === [] ? $shown : [], lines: $all, use: $use);
        }
        $box = Box::around(...array_values(array_filter(array_map(static fn (Piece $piece): ?Box => $piece->box(), $shown)))) ?? new Box(0.0, 0.0, 1.0, 1.0);
        $width = $length > 0 ? $length : $box->right + $order->length('margin');
        $bare = count(array_filter(
            $order->result->pieces,
            static fn (Piece $piece): bool => $piece->fill !== null && ! $piece->shape->isEmpty(),
        )) - count(self::engraved($order));
        $says = $follow === [] ? [] : [sprintf(
            '%s followed along %s middle, once.',
            count($follow) === 1 ? '1 hairline is' : count($follow).' hairlines are',
            count($follow) === 1 ? 'its' : 'their',
        )];

        return new Layout(
            $order->file($number + 1, 'engraving'),
            sprintf('%s, plate %d: engraving', $order->name, $number + 1),
            $width,
            $height,
            $layers,
            $order->beds['']['name'] ?? 'Plate',
            $order->beds['']['colour'] ?? '#d8c48a',
            says: [...$says, ...($bare > 0 ? ['Light areas are left bare.'] : []), ...$others],
            warns: [...($number === 0 ? $order->warns : []), ...Surprises::beyond($box, $width, $height, Laying::room($order))],
        );
    }
}
