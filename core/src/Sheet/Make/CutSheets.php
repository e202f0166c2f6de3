<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Patience\Progress;
use NeatEdge\Core\Sheet\Cut\CutOnce;
use NeatEdge\Core\Sheet\Cut\CutOrder;
use NeatEdge\Core\Sheet\Cut\LeadIn;
use NeatEdge\Core\Sheet\Cut\Weeding;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Sheet\Nest\Placement;
use NeatEdge\Core\Sheet\Nest\Room;
use NeatEdge\Core\Sheet\Sheet;

/** Cut vinyl: a sheet for each colour, its copies laid and cut inside first, with the order of laying written on. */
class CutSheets implements Making
{
    public static function fields(): array
    {
        return [
            ...Laying::fields(),
            Field::length('weedBox', 'Weed box', 3.0, 0.0, 'from the pieces to the box; none when nought'),
            Field::length('weedEvery', 'Weeding lines every', 0.0, 0.0, 'straight cuts through the waste; none when nought'),
            Field::length('weedGap', 'Weeding lines end before pieces by', 0.5, 0.0),
            Field::length('leadIn', 'Lead-in', 0.0, 0.0, 'a short cut through the waste to where a cut begins; none when nought'),
            Field::flag('once', 'Cut shared borders once', true),
            Field::flag(
                'register',
                'Marks to lay colours by',
                false,
                'cut at the same places beside the art on the sheet of each colour; not where parts are laid one by one',
            ),
            Field::flag('through', 'Cut the carrier through', false, 'along the weed box'),
            Field::flag('mirror', 'Mirrored', false, 'for the inside of a window'),
            Field::count('passes', 'Passes', 1, 1, 20),
            Field::number('speed', 'Speed, mm/s', 200.0, 1.0, 2000.0),
        ];
    }

    public static function layouts(Order $order): array
    {
        $layouts = [];
        $sheets = Sheet::allOf($order->result);
        $under = Surprises::under($order->result);
        $numbers = array_flip(array_map(static fn (Sheet $sheet): string => $sheet->paint->colour->hex(), $sheets));
        $all = self::designs($order);
        foreach (array_keys($all) as $done => $hex) {
            Progress::tell($done, count($all), $order->called($hex));
            $designs = $all[$hex];
            $i = $numbers[$hex] ?? null;
            $says = $i === null ? ['Only of what is laid with it.'] : self::saysOfLaying($order, $sheets, $i, $under[$i] ?? []);
            array_push($layouts, ...self::sheet($order, $hex, $designs, [...$says, ...Design::saysOfOthers($designs)], count($layouts)));
        }

        return $layouts;
    }

    /** What other jobs have in a colour lies on the sheet of that colour, or of the material that is called the same. */
    public static function designs(Order $order): array
    {
        $bySheet = $sheets = [];
        foreach ($order->all() as $one) {
            $all = Sheet::allOf($one->result);
            $marks = self::registers($one, $all);
            foreach ($all as $sheet) {
                $hex = $sheet->paint->colour->hex();
                $hex = $sheets[$order->called($hex)] ??= $hex;
                $bySheet[$hex] ??= [];
                array_push(
                    $bySheet[$hex],
                    ...self::units(
                        $one,
                        self::turnedRound($one, $sheet->pieces),
                        [...self::linesOf(self::turnedRound($one, $sheet->cuts)), ...$marks],
                        $one === $order ? '' : $one->name,
                    ),
                );
            }
        }

        return array_filter($bySheet, static fn (array $designs): bool => $designs !== []);
    }

    /**
     * Marks beside the whole art, one before it and one behind: where they lie on each other, so do the colours.
     *
     * @param  list<Sheet>  $sheets
     * @return list<Contour>
     */
    private static function registers(Order $order, array $sheets): array
    {
        if (! $order->is('register') || count($sheets) < 2 || $order->word('arrange') === 'parts') {
            return [];
        }
        $box = Box::around(...array_values(array_filter(array_map(
            static fn (Piece $piece): ?Box => $piece->box(),
            self::turnedRound($order, array_merge(...array_map(static fn (Sheet $sheet): array => [...$sheet->pieces, ...$sheet->cuts], $sheets))),
        ))));
        if ($box === null) {
            return [];
        }
        $mark = static fn (float $x, float $y): Contour => Contour::polygon(
            [[$x, $y - self::MARK / 2], [$x + self::MARK / 2, $y], [$x, $y + self::MARK / 2], [$x - self::MARK / 2, $y]],
            true,
        );
        $off = self::MARK / 2 + self::OFF;

        return [$mark($box->left - $off, $box->top + self::MARK / 2), $mark($box->right + $off, $box->bottom - self::MARK / 2)];
    }

    /** mm from corner to corner of a mark to lay by, and between it and the art. */
    private const MARK = 5.0;

    private const OFF = 3.0;

    /**
     * @param  list<Design>  $designs
     * @param  list<string>  $says
     * @return list<Layout>
     */
    private static function sheet(Order $order, string $hex, array $designs, array $says, int $before): array
    {
        $laid = Laying::of($designs, $order, $hex);
        $room = Laying::room($order, $hex);
        $layouts = [];
        foreach (self::bySheet($laid) as $number => $some) {
            $areas = $cuts = [];
            foreach ($some as $one) {
                $matrix = $one->matrix($designs[$one->design]->outline);
                array_push($cuts, ...array_map(static fn (Contour $line): Contour => $line->transformed($matrix), $designs[$one->design]->cuts));
                array_push($areas, ...array_map(static fn (Piece $piece): Piece => $piece->transformed($matrix), $designs[$one->design]->pieces));
            }
            $layouts[] = self::layout(
                $order,
                $areas,
                $cuts,
                $room,
                $hex,
                $before + count($layouts) + 1,
                $number > 0 ? [...$says, sprintf('Sheet %d of this colour.', $number + 1)] : $says,
            );
        }

        return $layouts;
    }

    /**
     * What is laid by itself: the whole art of a sheet, or each of its parts.
     *
     * @param  list<Piece>  $pieces
     * @param  list<Contour>  $cuts  lines that are cut once
     * @return list<Design>
     */
    private static function units(Order $order, array $pieces, array $cuts, string $of): array
    {
        $shapes = array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces);
        $tolerance = $order->result->tolerance();
        if ($order->word('arrange') !== 'parts') {
            $whole = Design::outlineOf($shapes, $cuts, $tolerance);

            return $whole->isEmpty() ? [] : [new Design($whole, $order->copies(), $pieces, $of, $cuts)];
        }
        $designs = [];
        foreach ($pieces as $piece) {
            foreach (Parts::of($piece->shape) as $part) {
                $inside = new Inside($part);
                $within = array_filter(
                    $cuts,
                    static fn (Contour $line): bool => $inside->holds(...Cubic::placeOn($line->segment(intdiv($line->segmentCount(), 2)), 0.5)),
                );
                $cuts = array_diff_key($cuts, $within);
                $designs[] = new Design(
                    Design::outlineOf([$part], array_values($within), $tolerance),
                    $order->copies(),
                    [$piece->with(shape: $part)],
                    $of,
                    array_values($within),
                );
            }
        }
        foreach ($cuts as $line) {
            $designs[] = new Design(Design::outlineOf([], [$line], $tolerance), $order->copies(), [], $of, [$line]);
        }

        return $designs;
    }

    /**
     * @param  list<Piece>  $cuts
     * @return list<Contour>
     */
    public static function linesOf(array $cuts): array
    {
        return array_merge(...array_map(static fn (Piece $cut): array => $cut->shape->contours, $cuts));
    }

    /**
     * @param  list<Piece>  $pieces
     * @return list<Piece>
     */
    private static function turnedRound(Order $order, array $pieces): array
    {
        if ($order->mirrored || ! static::isMirrored($order)) {
            return $pieces;
        }
        $matrix = new Matrix(-1.0, 0.0, 0.0, 1.0, $order->result->width, 0.0);

        return array_map(static fn (Piece $piece): Piece => $piece->transformed($matrix), $pieces);
    }

    /** Whether it is cut from behind. */
    protected static function isMirrored(Order $order): bool
    {
        return $order->is('mirror');
    }

    /** Whether the carrier is cut, along the weed box. */
    protected static function cutsCarrier(Order $order): bool
    {
        return $order->is('through');
    }

    /**
     * @param  list<Placement>  $placements
     * @return array<int, list<Placement>>
     */
    public static function bySheet(array $placements): array
    {
        $sheets = [];
        foreach ($placements as $placement) {
            $sheets[$placement->sheet][] = $placement;
        }
        ksort($sheets);

        return $sheets;
    }

    /**
     * @param  list<Piece>  $areas  as they lie
     * @param  list<Contour>  $cuts  lines that are cut once, as they lie
     * @param  list<string>  $says
     */
    private static function layout(Order $order, array $areas, array $cuts, Room $room, string $hex, int $number, array $says): Layout
    {
        $shapes = array_map(static fn (Piece $piece): Shape => $piece->shape, $areas);
        $box = Weeding::box(
            [...$shapes, ...array_map(static fn (Contour $line): Shape => Shape::of($line), $cuts)],
            $order->length('weedBox'),
        ) ?? new Box(0.0, 0.0, 0.0, 0.0);
        $use = ['speed' => $order->length('speed'), 'passes' => (int) $order->length('passes')];
        $lines = array_merge(...array_map(
            static fn (Shape $shape): array => array_map(static fn (Contour $contour): Contour => new Contour($contour->coords, true), $shape->contours),
            $shapes,
        ));
        $lines = [...($order->is('once') ? CutOnce::of($lines) : $lines), ...$cuts];
        $width = is_finite($room->length) ? $room->length : max(
            $box->right + $room->margin - ($order->length('weedBox') > 0 ? $order->length('weedBox') : 0.0),
            $box->right,
        );
        $height = max($room->width, 0.0);
        $from = [0.0, $height];
        $frame = [Contour::rectangle($box->left, $box->top, $box->width(), $box->height())];
        $layers = [new Layer(
            Role::Kiss,
            $order->called($hex),
            $hex,
            $areas,
            (new LeadIn($shapes, $order->length('leadIn')))->before(CutOrder::of($lines, $from)),
            use: $use,
        )];
        $weed = Weeding::lines($shapes, $box, $order->length('weedEvery'), $order->length('weedGap'));
        if ($weed !== [] || ($order->length('weedBox') > 0 && ! static::cutsCarrier($order))) {
            $layers[] = new Layer(
                Role::Weed,
                'Weeding',
                Role::Weed->colour(),
                lines: CutOrder::of([...$weed, ...(static::cutsCarrier($order) || $order->length('weedBox') <= 0 ? [] : $frame)], $from),
                use: $use,
            );
        }
        if (static::cutsCarrier($order)) {
            $layers[] = new Layer(Role::Through, 'Carrier', Role::Through->colour(), lines: $frame, use: $use);
        }
        $called = $order->called($hex);
        // The size is that of the art, without its weed box.
        $art = Box::around(...array_values(array_filter(array_map(static fn (Piece $piece): ?Box => $piece->box(), $areas)))) ?? $box;
        $beyond = Surprises::beyond($box, $width, $height, $room);
        $used = array_sum(array_map(static fn (Shape $shape): float => $shape->area(), $shapes)) / max(1e-9, $width * $height);

        return new Layout(
            $order->file($number, sprintf('%s %.0fx%.0f', $called, $art->width(), $art->height())),
            sprintf('%s, sheet %d: %s, %.1f × %.1f mm', $order->name, $number, $called, $art->width(), $art->height()),
            $width, $height, $layers, $order->beds[$hex]['name'] ?? $order->beds['']['name'] ?? $called, '#ffffff', null, 0.0, $says, $used,
            [...($number === 1 ? $order->warns : []), ...$beyond, ...Surprises::cut($areas)],
        );
    }

    /**
     * @param  list<Sheet>  $sheets
     * @param  list<int>  $under  numbers of sheets that run under it
     * @return list<string>
     */
    private static function saysOfLaying(Order $order, array $sheets, int $at, array $under): array
    {
        $called = static fn (int $i): string => isset($sheets[$i]) ? $order->called($sheets[$i]->paint->colour->hex()) : '';
        $says = [];
        if (count($sheets) > 1) {
            $says[] = $at === 0 ? sprintf('Laid first of %d.', count($sheets)) : sprintf(
                'Laid as number %d of %d, after %s.',
                $at + 1,
                count($sheets),
                $called($at - 1),
            );
        }
        if ($under !== []) {
            $says[] = 'It lies on '.implode(' and ', array_map($called, $under)).', which run'.(count($under) === 1 ? 's' : '').' under it.';
        }
        if ($order->mirrored || static::isMirrored($order)) {
            $says[] = 'Mirrored: it is cut from behind.';
        }

        return $says;
    }
}
