<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Patience\Progress;
use NeatEdge\Core\Separate\Halftone;
use NeatEdge\Core\Separate\Inks;
use NeatEdge\Core\Separate\PlateMarks;
use NeatEdge\Core\Separate\Trap;
use NeatEdge\Core\Separate\Underbase;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;

/** Screen print: a black film for each ink, with traps, underbase, dots and marks, in the order of printing. */
final class ScreenPlates implements Making
{
    /** mm round the art for marks. */
    private const EDGE = 16.0;

    public static function fields(): array
    {
        return [
            Field::words('ground', 'Colour of the cloth', Field::COLOUR, '#1f2937'),
            Field::length('trap', 'Trap', 0.15, 0.0, 'the lighter ink spreads into the darker where they meet'),
            Field::words('overprint', 'Inks printed on others', help: 'colours such as #111111; black by itself'),
            Field::flag('blackOver', 'Black prints on others', false),
            Field::flag('underbase', 'White under the inks', false), Field::length('choke', 'White is smaller by', 0.25, 0.0),
            Field::words('alone', 'More inks without white', help: 'colours such as #111111; inks of the shop that print alone are so already'),
            Field::number('ruling', 'Lines an inch', 45.0, 10.0, 120.0),
            Field::choice('dot', 'Dots', 'round', ['round' => 'Round', 'oval' => 'Oval', 'line' => 'Lines']),
            Field::length('leastDot', 'Least dot', 0.1, 0.0),
            Field::flag('keepLeast', 'Smaller dots stay at the least', false),
            Field::flag('cutDots', 'Cut dots at the edge of their shape', true),
            Field::flag(
                'tints',
                'Tints of an ink are its dots',
                true,
                'a colour that is another one thinned by the ground gets no plate of its own; inks that have a name do',
            ),
            Field::flag('marks', 'Marks and names', true),
        ];
    }

    public static function layouts(Order $order): array
    {
        $ground = Colour::parse($order->word('ground')) ?? throw Refused::because('Write the colour of the cloth such as #1f2937.');
        $result = $order->result;
        $inks = Inks::of(
            $result,
            $ground,
            array_values(array_unique([...array_map(strval(...), array_keys($order->names)), ...array_map(strval(...), array_keys($order->inks))])),
            $order->is('tints'),
        );
        $hexes = array_map(static fn (Colour $ink): string => $ink->hex(), $inks->inks);
        $on = self::colours($order->word('overprint'));
        $over = array_map(
            static fn (Colour $ink): bool => in_array($ink->hex(), $on, true) || ($order->is('blackOver') && $ink->isNearBlack()),
            $inks->inks,
        );
        $solid = [];
        foreach ($inks->inks as $i => $ink) {
            Progress::tell($i, 2 * count($inks->inks), $order->called($hexes[$i]));
            $solid[$i] = self::seen($i, $inks, $order, $over);
        }
        $plates = self::inked($inks, $solid, $over, $order);
        $rank = static fn (Layer $layer): int => $order->inks[$layer->colour]['rank'] ?? PHP_INT_MAX;
        // In the order of the shop's inks; those that it does not know stay in that of the art, after them.
        usort($plates, static fn (array $a, array $b): int => $rank($a[0]) <=> $rank($b[0]));
        if ($order->is('underbase') && $plates !== []) {
            $base = self::base($inks, $solid, $order);
            if (! $base->isEmpty()) {
                $white = new Colour(255, 255, 255);
                $layer = new Layer(Role::Plate, 'White under the inks', $white->hex(), [new Piece('base', $base, new Paint($white))]);
                array_unshift($plates, [$layer, self::halftone($order, 22.5), false]);
            }
        }
        $layouts = [];
        foreach ($plates as $i => [$layer, $halftone, $dotted]) {
            $layouts[] = self::plate($order, $layer, $halftone, $dotted, $i + 1, count($plates), $ground);
        }

        return $layouts;
    }

    /**
     * What each ink prints.
     *
     * @param  array<int, Shape>  $solid  what is seen of each ink
     * @param  list<bool>  $over  which of them print on others
     * @return list<array{Layer, Halftone, bool}> plates, the dots of each and whether it has any
     */
    private static function inked(Inks $inks, array $solid, array $over, Order $order): array
    {
        $light = array_map(static fn (Colour $ink): float => $ink->lab()->l, $inks->inks);
        $trapped = Trap::spread(array_values($solid), $light, $over, $order->length('trap'), $order->result->tolerance());
        $angles = Halftone::angles($light);
        $plates = [];
        foreach ($inks->inks as $i => $ink) {
            $called = $order->called($ink->hex());
            Progress::tell(count($inks->inks) + $i, 2 * count($inks->inks), $called);
            $halftone = self::halftone($order, $angles[$i]);
            $areas = $trapped[$i]->isEmpty() ? [] : [new Piece('ink', $trapped[$i], new Paint($ink))];
            $tints = $inks->tints($i, $order->result, $halftone, $order->is('cutDots'));
            array_push($areas, ...$tints);
            if ($areas !== []) {
                $plates[] = [new Layer(Role::Plate, $called, $ink->hex(), $areas, overprints: $over[$i]), $halftone, $tints !== []];
            }
        }

        return $plates;
    }

    /** @param  array<int, Shape>  $solid  what is seen of each ink */
    private static function base(Inks $inks, array $solid, Order $order): Shape
    {
        $alone = [...self::colours($order->word('alone')), ...array_keys(array_filter($order->inks, static fn (array $ink): bool => $ink['alone']))];
        $under = array_filter(
            $solid,
            static fn (Shape $shape, int $i): bool => ! $shape->isEmpty() && ! in_array($inks->inks[$i]->hex(), $alone, true),
            ARRAY_FILTER_USE_BOTH,
        );
        $shaded = $inks->shaded($order->result);

        return Underbase::under([...array_values($under), ...($shaded->isEmpty() ? [] : [$shaded])], $order->length('choke'), $order->result->tolerance());
    }

    public static function designs(Order $order): array
    {
        return [];
    }

    /**
     * What is seen of an ink; under inks that are printed on others, what lies there without them.
     *
     * @param  list<bool>  $over
     */
    private static function seen(int $i, Inks $inks, Order $order, array $over): Shape
    {
        foreach ($over as $k => $prints) {
            $under = $prints && $k !== $i && ! $over[$i] ? ($order->under[$inks->inks[$k]->hex()] ?? null) : null;
            if ($under instanceof Artwork) {
                return $inks->solid($i, $under);
            }
        }

        return $inks->solid($i, $order->result);
    }

    private static function halftone(Order $order, float $angle): Halftone
    {
        return new Halftone($order->length('ruling'), $angle, $order->word('dot'), $order->length('leastDot'), $order->is('keepLeast'));
    }

    /** @return list<string> #rrggbb */
    public static function colours(string $text): array
    {
        $colours = [];
        foreach (array_filter(preg_split('/[\s,;]+/', trim($text)) ?: []) as $one) {
            $colours[] = (Colour::parse($one) ?? throw Refused::because(sprintf(
                '"%s" is no colour: write it such as #cc3333.',
                mb_substr($one, 0, 30),
            )))->hex();
        }

        return $colours;
    }

    private static function plate(Order $order, Layer $layer, Halftone $halftone, bool $dotted, int $number, int $of, Colour $ground): Layout
    {
        $edge = $order->is('marks') ? self::EDGE : 0.0;
        $art = new Box($edge, $edge, $edge + $order->result->width, $edge + $order->result->height);
        $layers = [$layer->transformed(Matrix::translation($edge, $edge))];
        if ($order->is('marks')) {
            $layers[] = new Layer(Role::Mark, 'Marks', '#000000', PlateMarks::register($art));
            $name = sprintf(
                '%s  %d of %d: %s',
                $order->name,
                $number,
                $of,
                $layer->name,
            ).($dotted ? sprintf('  %.0f lines an inch at %.1f degrees', $halftone->ruling, $halftone->degrees) : '');
            $layers[] = new Layer(
                Role::Plate,
                $layer->name,
                $layer->colour,
                [
                    ...PlateMarks::name(
                        $name,
                        $art->left + 4.0 + ($number - 1) * ($art->width() - 8.0) / $of,
                        $art->top - PlateMarks::AWAY + 1.0,
                        min(2.6, 1.9 * ($art->width() - 8.0) / $of / mb_strlen($name)),
                    ),
                    ...($dotted ? PlateMarks::wedge($art, $halftone) : []),
                ],
            );
        }
        $says = [sprintf('Printed %s of %d.', $number === 1 ? 'first' : "as number {$number}", $of)];
        if ($layer->overprints) {
            $says[] = 'Printed on the inks before it, not beside them.';
        }

        return new Layout(
            $order->file($number, $layer->name),
            sprintf('%s, plate %d: %s', $order->name, $number, $layer->name),
            $order->result->width + 2 * $edge,
            $order->result->height + 2 * $edge,
            $layers, $layer->name, $ground->hex(), $art, 0.0, $says, null, $number === 1 ? $order->warns : [],
        );
    }

    /**
     * All plates on one page, each in its ink.
     *
     * @param  list<Layout>  $plates  at least one
     */
    public static function together(array $plates): Layout
    {
        $layers = $marks = [];
        foreach ($plates as $plate) {
            foreach ($plate->layers as $layer) {
                // Marks stand on all plates in the same place: once is enough.
                if ($layer->role === Role::Mark) {
                    $marks = [$layer];
                } else {
                    $layers[] = $layer;
                }
            }
        }

        return $plates[0]->with(
            layers: [...$layers, ...$marks],
            title: preg_replace('/, plate \d+: .*$/', ', all plates', $plates[0]->title) ?? '',
            name: preg_replace('/-\d+-[^-].*$/', '-plates', $plates[0]->name) ?? 'plates',
            says: [],
        );
    }
}
