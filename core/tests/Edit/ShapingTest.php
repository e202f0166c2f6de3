<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\LinePlace;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Border\BorderAround;
use NeatEdge\Core\Stroke\Offset;
use NeatEdge\Core\Tests\Support\Bench;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The handwork by which lines and overlaps become clean pieces: each tool on art of which the outcome is known. */
final class ShapingTest extends TestCase
{
    /** A bench from SVG, its pieces under the ids that they have there. */
    private static function bench(string $svg): Bench
    {
        $art = Reader::read('<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100">'.$svg.'</svg>')->artwork;

        return new Bench($art->withPieces(array_map(
            static fn (Piece $piece): Piece => $piece->name === '' ? $piece : $piece->with(id: $piece->name),
            $art->pieces,
        )));
    }

    #[Test]
    public function pieces_that_a_gap_of_a_hair_keeps_apart_are_welded_over_it_and_no_corner_moves(): void
    {
        $art = '<rect id="a" x="10" y="10" width="20" height="60" fill="#333333"/><rect id="b" x="30.03" y="10" width="20" height="60"'
            .' fill="#333333"/><path id="l" d="M60 10H80V30H70V70H60Z" fill="#333333"/>';
        $apart = self::bench($art)->do('weld', ['pieces' => ['a', 'b', 'l']]);
        self::assertCount(3, $apart->art->pieces[0]->shape->contours);
        $bridged = self::bench($art)->do('weld', ['pieces' => ['a', 'b', 'l'], 'bridge' => '0.1mm']);
        self::assertCount(2, $bridged->art->pieces[0]->shape->contours, 'the gap of 10 mm stays');
        self::assertEqualsWithDelta(self::area($apart) + 0.03 * 60, self::area($bridged), 1e-3);
        self::assertSame(
            10,
            $bridged->art->pieces[0]->shape->nodeCount(),
            'a rectangle and an angle: the seam and the hollow corner have no nodes of their own',
        );
        // A gap that is wider than said is a part of the drawing.
        self::assertCount(3, self::bench($art)->do('weld', ['pieces' => ['a', 'b', 'l'], 'bridge' => '0.02mm'])->art->pieces[0]->shape->contours);
    }

    private static function dial(float $reach = 42.0): Bench
    {
        $svg = '<circle id="disc" cx="50" cy="50" r="40" fill="#cc3333"/><circle id="hub" cx="50" cy="50" r="10" fill="none" stroke="#222"/><circle'
            .' id="ring" cx="50" cy="50" r="25" fill="none" stroke="#222"/>';
        for ($k = 0; $k < 12; $k++) {
            $svg .= sprintf(
                '<path id="ray%d" d="M50 50 L%F %F" fill="none" stroke="#222"/>',
                $k,
                50 + $reach * cos(deg2rad(30 * $k + 7)),
                50 + $reach * sin(deg2rad(30 * $k + 7)),
            );
        }

        return self::bench($svg);
    }

    /** @return list<string> */
    private static function all(Bench $bench): array
    {
        return array_map(static fn (Piece $piece): string => $piece->id, $bench->art->pieces);
    }

    private static function area(Bench $bench): float
    {
        return array_sum(array_map(static fn (Piece $piece): float => self::shapeArea($piece->shape), $bench->art->pieces));
    }

    private static function shapeArea(Shape $shape): float
    {
        return Combine::weld([$shape])->area();
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return list<Mark>
     */
    private static function marks(Bench $bench, string $kind, array $fields, string $of = ''): array
    {
        $marks = Edits::marks(Edits::make($kind, $fields, FontShelf::shipped()), $bench->art);

        return array_values(array_filter($marks, static fn (Mark $mark): bool => $of === '' || $mark->kind === $of));
    }

    /** @param  array<string, mixed>  $fields */
    private static function refusal(Bench $bench, string $kind, array $fields): string
    {
        try {
            $bench->do($kind, $fields);
        } catch (Refused $refused) {
            return $refused->getMessage();
        }

        return 'It was made.';
    }

    #[Test]
    public function a_dial_of_lines_falls_into_36_cells_without_leftover_and_joins_again_without_a_seam(): void
    {
        $bench = self::dial();
        $whole = $bench->piece('disc')->shape->area();
        $bench->do('cells', ['pieces' => self::all($bench), 'rest' => 'lift']);
        self::assertCount(36, $bench->art->pieces);
        self::assertEqualsWithDelta($whole, self::area($bench), 1e-6);
        self::assertSame([], array_filter($bench->art->pieces, static fn (Piece $piece): bool => $piece->stroke !== null), 'no line is left');

        $joined = self::dial();
        $cells = self::marks($joined, 'cells', ['pieces' => self::all($joined)], 'cell');
        self::assertCount(36, $cells);
        $joined->do(
            'cells',
            [
                'pieces' => self::all($joined),
                'join' => implode(' ', array_map(static fn (Mark $mark): string => sprintf('%.4f,%.4f', $mark->x, $mark->y), $cells)),
            ],
        );
        self::assertSame(['disc'], self::all($joined));
        self::assertSame(4, $joined->piece('disc')->shape->nodeCount(), 'a joined seam leaves no node');
        self::assertEqualsWithDelta($whole, self::area($joined), 1e-9);
    }

    #[Test]
    public function cells_are_dropped_lifted_and_painted_and_what_was_not_pressed_stays(): void
    {
        $bench = self::bench('<rect id="low" width="30" height="30" fill="#112233"/><rect id="high" x="20" width="30" height="30" fill="#aa0000"/><rect'
            .' id="far" x="80" y="80" width="5" height="5" fill="#00aa00"/>');
        $far = $bench->piece('far');
        $bench->do('cells', ['pieces' => ['low', 'high'], 'drop' => '25,15', 'paint' => '5,5 #abc']);
        self::assertEqualsWithDelta(600.0, $bench->piece('high')->shape->area(), 1e-9, 'the overlap is dropped from both');
        self::assertEqualsWithDelta(600.0, $bench->piece('low')->shape->area(), 1e-9);
        self::assertSame('#aabbcc', $bench->piece('low')->fill?->colour->hex());
        self::assertSame($far, $bench->piece('far'));
        self::assertMatchesRegularExpression(
            '/Nothing encloses the place 70,70/',
            self::refusal($bench, 'cells', ['pieces' => ['low', 'high'], 'lift' => '70,70']),
        );
        self::assertMatchesRegularExpression('/Press cells first/', self::refusal($bench, 'cells', ['pieces' => ['low', 'high']]));
    }

    #[Test]
    public function what_lines_alone_enclose_is_a_cell_and_ends_that_stop_short_are_shown_and_made_to_meet(): void
    {
        $lines = '<path id="a" d="M10 10 L90 10" fill="none" stroke="#224488"/><path id="b" d="M10 5 L10 90" fill="none" stroke="#224488"/><path id="c"'
            .' d="M9.5 80 L79.6 10.4" fill="none" stroke="#224488"/>';
        $bench = self::bench($lines);
        $ids = ['a', 'b', 'c'];
        self::assertSame([], self::marks($bench, 'cells', ['pieces' => $ids], 'cell'), 'the third line stops short');
        $gaps = self::marks($bench, 'cells', ['pieces' => $ids, 'meet' => '1mm'], 'gap');
        self::assertCount(1, $gaps);
        self::assertEqualsWithDelta(0.4 * sqrt(2), (float) explode(' ', $gaps[0]->says)[3], 0.02);
        self::assertCount(1, self::marks($bench, 'cells', ['pieces' => $ids, 'meet' => '1mm'], 'sticks-out'), 'and sticks out at its other end by 0.7 mm');
        self::assertSame([], self::marks($bench, 'cells', ['pieces' => $ids, 'meet' => '0.3mm'], 'gap'));
        $bench->do('cells', ['pieces' => $ids, 'meet' => '1mm', 'mend' => true, 'lift' => '20,20', 'paint' => '20,20 #ffcc00']);
        self::assertCount(1, $bench->art->pieces, 'none of the lines is left');
        self::assertSame(3, $bench->art->pieces[0]->shape->nodeCount());
        self::assertEqualsWithDelta(0.5 * 70.0 * 69.5, $bench->art->pieces[0]->shape->area(), 1.5);

        $open = self::bench($lines);
        self::assertMatchesRegularExpression('/open by 0\.5\d mm at 79\.60, 10\.40/', self::refusal($open, 'fill-enclosed', ['at' => '20,20']));
        $open->do('extend', ['at' => '79.6,10.4']);
        $open->do('fill-enclosed', ['at' => '20,20', 'fill' => '#c33']);
        self::assertCount(4, $open->art->pieces);
        self::assertSame('#cc3333', $open->art->pieces[0]->fill?->colour->hex(), 'under the lines');
    }

    #[Test]
    public function a_cell_has_the_colour_of_the_uppermost_piece_there_and_groups_that_share_a_cell_are_one(): void
    {
        // Entered from the right, the uppermost is met first; from the left last.
        $svg = '<rect id="low" x="10" y="10" width="30" height="30" fill="#111111"/><rect id="mid" x="20" y="10" width="40" height="30"'
            .' fill="#222222"/><rect id="high" x="5" y="20" width="60" height="10" fill="#333333"/>';
        $bench = self::bench($svg);
        foreach (self::marks($bench, 'cells', ['pieces' => ['low', 'mid', 'high']], 'cell') as $mark) {
            $seen = $mark->y > 20 && $mark->y < 30 ? '#333333' : ($mark->x > 20 ? '#222222' : '#111111');
            self::assertSame($seen, $mark->state, "at {$mark->x}, {$mark->y}");
        }
        $bench->do('cells', ['pieces' => ['low', 'mid', 'high'], 'join' => '12,12 12,25; 50,12 50,25; 12,25 50,25']);
        $joined = array_values(array_filter($bench->art->pieces, static fn (Piece $piece): bool => abs($piece->shape->area() - 100 - 100 - 200 - 200) < 1e-6));
        self::assertCount(1, $joined, 'one piece of four cells');
    }

    #[Test]
    public function where_it_is_open_is_told_by_the_widest_gap_that_must_be_bridged(): void
    {
        $bench = self::bench('<path id="a" d="M10 10 H90" fill="none" stroke="#000"/><path id="b" d="M90 10 V90 H10" fill="none" stroke="#000"/><path'
            .' id="c" d="M10 89.6 V12" fill="none" stroke="#000"/><path id="d" d="M40 50 H46" fill="none" stroke="#000"/><path id="e" d="M55 50 H51"'
            .' fill="none" stroke="#000"/>');
        self::assertMatchesRegularExpression(
            '/open by 2\.00 mm at 10\.00, 12\.00/',
            self::refusal($bench, 'fill-enclosed', ['at' => '20,20']),
            'not by the smaller one, nor by that of lines inside',
        );
    }

    #[Test]
    public function lines_that_miss_one_another_at_their_corners_are_made_to_meet_exactly(): void
    {
        $svg = '';
        foreach ([
            [20, 20, 80.6, 20],
            [80, 19.2, 80, 79.4],
            [80.5, 80, 20, 80],
            [20, 80.7, 20, 20.5],
            [20.4, 20.4, 79.7, 79.7],
            [79.8, 20.2, 20.3, 79.7],
        ] as $k => [$x0, $y0, $x1, $y1]) {
            $svg .= "<path id=\"l{$k}\" d=\"M{$x0} {$y0} L{$x1} {$y1}\" fill=\"none\" stroke=\"#222\"/>";
        }
        $bench = self::bench($svg);
        $bench->do('extend', ['pieces' => self::all($bench), 'meet' => 1]);
        foreach ($bench->art->pieces as $piece) {
            self::assertSame(1, $piece->shape->contours[0]->segmentCount(), 'a line that is led on has no node more');
            foreach ([0, 1, 6, 7] as $i) {
                self::assertEqualsWithDelta(30.0, abs($piece->shape->contours[0]->coords[$i] - 50), 1e-9);
            }
        }
        $bench->do('cells', ['pieces' => self::all($bench), 'rest' => 'lift']);
        self::assertSame([900.0, 900.0, 900.0, 900.0], array_map(static fn (Piece $piece): float => round($piece->shape->area(), 6), $bench->art->pieces));
    }

    #[Test]
    public function a_curve_goes_on_by_itself_and_a_line_beside_another_is_joined_without_being_bent(): void
    {
        // A quarter of a circle that lacks 3 mm of its arc before the line.
        $turn = deg2rad(90 - 3 / 30 * 180 / M_PI);
        $k = 4 / 3 * tan($turn / 4) * 30;
        $bench = self::bench(sprintf('<path id="arc" d="M20 50 C20 %F %F %F %F %F" fill="none" stroke="#000"/><path id="line" d="M50 5 V35" fill="none"'
            .' stroke="#000"/>',
            50 - $k, 50 - 30 * cos($turn) - $k * sin($turn), 50 - 30 * sin($turn) + $k * cos($turn), 50 - 30 * cos($turn), 50 - 30 * sin($turn)));
        $bench->do('extend', ['at' => sprintf('%F,%F', 50 - 30 * cos($turn), 50 - 30 * sin($turn))]);
        [$x, $y] = array_slice($bench->piece('arc')->shape->contours[0]->coords, -2);
        self::assertEqualsWithDelta(50.0, $x, 1e-6);
        self::assertEqualsWithDelta(20.0, $y, 0.05, 'on its circle, not along its tangent');

        $beside = self::bench('<path id="a" d="M10 10 H49.5" fill="none" stroke="#000"/><path id="b" d="M30 9.4 V2" fill="none" stroke="#000"/><path'
            .' id="c" d="M49.7 10.6 V40" fill="none" stroke="#000"/>');
        $beside->do('extend', ['pieces' => ['a', 'b', 'c'], 'meet' => 1]);
        self::assertEqualsWithDelta(10.0, $beside->piece('a')->shape->contours[0]->coords[7], 1e-9, 'it is led on straight');
        self::assertEqualsWithDelta(10.0, $beside->piece('b')->shape->contours[0]->coords[1], 1e-9);
        self::assertEqualsWithDelta(30.0, $beside->piece('b')->shape->contours[0]->coords[0], 1e-9);
        $corner = $beside->piece('c')->shape->contours[0];
        self::assertEqualsWithDelta(
            [49.7, 49.7],
            [$corner->coords[count($corner->coords) - 2], $corner->coords[count($corner->coords) - 8]],
            1e-9,
            'its own way stays upright',
        );
    }

    #[Test]
    public function filling_stops_at_the_middle_or_at_the_edge_of_strokes_and_islands_stay_or_go(): void
    {
        $svg = '<rect id="frame" x="10" y="10" width="40" height="40" fill="none" stroke="#000" stroke-width="4"/><circle id="dot" cx="30" cy="30" r="5"'
            .' fill="#333"/>';
        foreach ([[[], 1600.0, true], [['to' => 'edge'], 1296.0, true], [['islands' => 'over'], 1600.0, false]] as [$more, $area, $hole]) {
            $bench = self::bench($svg);
            $bench->do('fill-enclosed', ['at' => '15,15', 'fill' => '#ffcc00', ...$more]);
            self::assertEqualsWithDelta($area - ($hole ? M_PI * 25 : 0.0), $bench->piece($bench->made[0])->shape->area(), 0.03);
        }
        self::assertSame('Nothing encloses that place.', self::refusal(self::bench($svg), 'fill-enclosed', ['at' => '90,90']));
    }

    /** @return iterable<string, array{array<string, mixed>, list<float>}> the way of parting, the areas of the parts */
    public static function partings(): iterable
    {
        yield 'along a line' => [['line' => 'M20 0 L20 100'], [400.0, 1200.0]];
        yield 'by angle and place' => [['angle' => 0, 'at' => '30,25'], [600.0, 1000.0]];
        yield 'by slices' => [['slices' => 4], [400.0, 400.0, 400.0, 400.0]];
        yield 'by slices along' => [['slices' => 2, 'angle' => 0], [800.0, 800.0]];
        yield 'by sectors' => [['sectors' => 4], [400.0, 400.0, 400.0, 400.0]];
        yield 'along a curve' => [['line' => 'M0 30 C30 30 30 30 60 30'], [800.0, 800.0]];
        yield 'along an open line with a corner: nothing closes it' => [['line' => 'M0 35 L30 20 L60 35'], [600.0, 1000.0]];
        yield 'along a line that runs back over itself' => [['line' => 'M0 20 L60 20 L0 20'], [400.0, 1200.0]];
        yield 'along a piece' => [['along' => 'knife'], [400.0, 1200.0]];
    }

    /**
     * @param  array<string, mixed>  $way
     * @param  list<float>  $areas
     */
    #[Test]
    #[DataProvider('partings')]
    public function a_square_is_parted(array $way, array $areas): void
    {
        $bench = self::bench('<rect id="square" x="10" y="10" width="40" height="40" fill="#c33" stroke="#000"/><path id="knife" d="M0 20 H60" fill="none"'
            .' stroke="#000"/>');
        $bench->do('part', ['pieces' => ['square'], ...$way]);
        $parts = array_values(array_filter($bench->art->pieces, static fn (Piece $piece): bool => $piece->id !== 'knife'));
        $found = array_map(static fn (Piece $piece): float => round($piece->shape->area(), 4), $parts);
        sort($found);
        self::assertSame($areas, $found);
        foreach ($parts as $part) {
            self::assertNotNull($part->stroke, 'with the paints of the whole');
            self::assertSame('#cc3333', $part->fill?->colour->hex());
        }
    }

    #[Test]
    public function slices_of_equal_area_lines_rings_and_compounds_are_parted_and_a_short_line_says_by_how_much(): void
    {
        $bench = self::bench('<circle id="disc" cx="50" cy="50" r="20" fill="#c33"/>');
        $bench->do('part', ['pieces' => ['disc'], 'slices' => 5, 'equal' => 'area']);
        self::assertCount(5, $bench->art->pieces);
        foreach ($bench->art->pieces as $piece) {
            self::assertEqualsWithDelta(M_PI * 400 * 1.00027 / 5, $piece->shape->area(), 0.05);
        }
        $ring = self::bench('<path id="ring" fill-rule="evenodd" fill="#c33" d="M10 10 H60 V60 H10 Z M20 20 H50 V50 H20 Z"/><path id="line" d="M0 35 H90"'
            .' fill="none" stroke="#000"/><circle id="hoop" cx="35" cy="35" r="30" fill="none" stroke="#000"/>');
        $ring->do('part', ['pieces' => ['ring', 'line', 'hoop'], 'line' => 'M35 0 V90']);
        self::assertCount(6, $ring->art->pieces, 'each in two');
        foreach (array_filter($ring->art->pieces, static fn (Piece $piece): bool => str_starts_with($piece->name, 'hoop')) as $half) {
            self::assertEqualsWithDelta(30 * M_PI, $half->shape->length(), 0.02);
        }
        self::assertEqualsWithDelta(
            1600.0,
            array_sum(array_map(static fn (Piece $piece): float => $piece->fill === null ? 0.0 : $piece->shape->area(), $ring->art->pieces)),
            1e-6,
        );
        $short = self::bench('<rect id="square" x="10" y="10" width="40" height="40" fill="#c33"/>');
        self::assertMatchesRegularExpression('/falls short by 12\.00 mm/', self::refusal($short, 'part', ['pieces' => ['square'], 'line' => 'M5 20 L38 20']));
        self::assertMatchesRegularExpression(
            '/falls short by 12\.00 mm/',
            self::refusal($short, 'part', ['pieces' => ['square'], 'line' => 'M15 20 L38 20']),
            'the longer of both ways',
        );
        $short->do('part', ['pieces' => ['square'], 'line' => 'M5 20 L38 20', 'leadOn' => true]);
        self::assertCount(2, $short->art->pieces);
    }

    #[Test]
    public function a_stretch_between_two_crossings_goes_and_both_sides_stay(): void
    {
        $bench = self::bench('<path id="line" d="M0 50 H100" fill="none" stroke="#000"/><path id="p" d="M30 0 V100" fill="none" stroke="#000"/><path'
            .' id="q" d="M70 0 V100" fill="none" stroke="#000"/><circle id="hoop" cx="50" cy="50" r="10" fill="none" stroke="#000"/>');
        $bench->do('trim', ['at' => '35,50.3']);
        self::assertEqualsWithDelta(30.0, $bench->piece('line')->shape->length(), 1e-6);
        self::assertEqualsWithDelta(60.0, $bench->piece($bench->made[0])->shape->length(), 1e-6);
        $bench->do('trim', ['at' => '50,40']);
        self::assertEqualsWithDelta(10 * M_PI, $bench->piece('hoop')->shape->length(), 0.01, 'half of the hoop is left');
        self::assertFalse($bench->piece('hoop')->shape->contours[0]->closed);
        $third = self::bench('<circle id="hoop" cx="50" cy="50" r="10" fill="none" stroke="#000"/><path id="p" d="M55 0 V100" fill="none" stroke="#000"/>');
        $third->do('trim', ['at' => '60,50']);
        self::assertEqualsWithDelta(20 * M_PI * 2 / 3, $third->piece('hoop')->shape->length(), 0.01, 'what was pressed is gone, not the rest');
        $alone = self::bench('<path id="line" d="M0 50 H100" fill="none" stroke="#000"/>');
        self::assertMatchesRegularExpression('/Nothing crosses this line/', self::refusal($alone, 'trim', ['at' => '35,50']));
    }

    #[Test]
    public function a_hole_is_lifted_in_its_place_enlarged_and_filled(): void
    {
        $svg = '<path id="plate" fill-rule="evenodd" fill="#c33" d="M10 10 H60 V60 H10 Z M20 20 H40 V40 H20 Z"/>';
        $bench = self::bench($svg);
        $bench->do('lift-hole', ['at' => '30,30', 'scale' => '112%']);
        $lifted = $bench->piece($bench->made[0]);
        self::assertEqualsWithDelta((20 * 1.12) ** 2, $lifted->shape->area(), 1e-6);
        self::assertEqualsWithDelta(30.0, $lifted->box()?->middle()->x, 1e-9);
        self::assertSame(['plate', $lifted->id], self::all($bench), 'above the piece');
        $filled = self::bench($svg);
        $filled->do('fill-hole', ['at' => '30,30']);
        self::assertEqualsWithDelta(2500.0, $filled->piece('plate')->shape->area(), 1e-9);
        self::assertSame(4, $filled->piece('plate')->shape->nodeCount());
        self::assertMatchesRegularExpression('/There is no hole at 12,12/', self::refusal($filled, 'fill-hole', ['at' => '12,12']));
    }

    /** @return iterable<string, array{string, array<string, mixed>, float, int}> kind, fields, area and nodes of a square of 40 */
    public static function offsets(): iterable
    {
        yield 'outset, round' => ['outset', ['distance' => 2], 44 ** 2 - (4 - M_PI) * 4, 8];
        yield 'outset, mitred' => ['outset', ['distance' => 2, 'join' => 'miter'], 44 ** 2, 4];
        yield 'outset, bevelled: cut at the distance' => ['outset', ['distance' => 2, 'join' => 'bevel'], 44 ** 2 - 4 * (2 * M_SQRT2 - 2) ** 2, 8];
        yield 'inset' => ['inset', ['distance' => 3], 34 ** 2, 4];
        yield 'ring' => ['ring', ['inner' => 1, 'outer' => 1, 'join' => 'miter'], 42 ** 2 - 38 ** 2, 8];
        yield 'band' => ['outset', ['distance' => 2, 'join' => 'miter', 'result' => 'band'], 40 ** 2 + 44 ** 2 - 40 ** 2, 12];
    }

    /** @param  array<string, mixed>  $fields */
    #[Test]
    #[DataProvider('offsets')]
    public function offsets_have_the_area_and_the_nodes_that_they_must_have(string $kind, array $fields, float $area, int $nodes): void
    {
        $bench = self::bench('<rect id="square" x="30" y="30" width="40" height="40" fill="#c33"/>');
        $bench->do($kind, ['pieces' => ['square'], ...$fields]);
        self::assertEqualsWithDelta($area, self::area($bench), 0.005);
        self::assertSame($nodes, $bench->art->nodeCount());
    }

    #[Test]
    public function steps_count_from_the_original_and_what_vanishes_says_so(): void
    {
        $bench = self::bench('<circle id="disc" cx="50" cy="50" r="20" fill="#c33"/>');
        $bench->do('outset', ['pieces' => ['disc'], 'distance' => 1, 'spacing' => 3, 'steps' => 3, 'result' => 'beside']);
        $radii = array_map(static fn (Piece $piece): float => round(($piece->box()?->width() ?? 0) / 2, 2), $bench->art->pieces);
        self::assertSame([27.0, 24.0, 21.0, 20.0], $radii, 'the widest lies lowest');
        self::assertSame(
            [4, 4, 4, 4],
            array_map(static fn (Piece $piece): int => $piece->shape->nodeCount(), $bench->art->pieces),
            'an offset circle is a circle',
        );
        self::assertMatchesRegularExpression('/"disc" is narrower than that/', self::refusal($bench, 'inset', ['pieces' => ['disc'], 'distance' => 21]));
        $line = self::bench('<path id="line" d="M10 50 H60" fill="none" stroke="#000"/>');
        $line->do('outset', ['pieces' => ['line'], 'distance' => 4, 'side' => 'left', 'join' => 'miter']);
        self::assertEqualsWithDelta(200.0, self::area($line), 1e-6);
        self::assertEqualsWithDelta(46.0, $line->piece('line')->box()?->top, 1e-6, 'seen along the line, its left is up');
    }

    #[Test]
    public function a_cut_border_bridges_drops_small_holes_has_no_sharp_corner_and_follows_its_art(): void
    {
        $bench = self::bench('<path id="plate" fill-rule="evenodd" fill="#c33" d="M20 20 H50 V50 H20 Z M30 30 H34 V34 H30 Z"/><rect id="bar" x="56.5"'
            .' y="20" width="9.5" height="30" fill="#333"/>');
        $bench->do('cut-border', ['pieces' => ['plate', 'bar'], 'distance' => '1mm', 'bridge' => '7mm', 'dropHoles' => '5mm', 'radius' => '2mm']);
        $border = $bench->piece($bench->made[0]);
        self::assertCount(1, $border->shape->contours, 'one line: the gap of 6 mm is bridged, the hole of 4 mm dropped');
        self::assertSame('plate', self::all($bench)[1], 'under the art');
        self::assertLessThanOrEqual(20, $border->shape->nodeCount());
        $plate = self::bench('<path id="plate" fill-rule="evenodd" fill="#c33" d="M20 20 H50 V50 H20 Z M30 30 H38 V38 H30 Z"/>');
        foreach ([['9mm', 1], ['5mm', 2]] as [$width, $lines]) {
            $art = $plate->art;
            $plate->do('cut-border', ['pieces' => ['plate'], 'distance' => 1, 'bridge' => 0, 'dropHoles' => $width, 'radius' => 0]);
            self::assertCount($lines, $plate->piece($plate->made[0])->shape->contours, "a hole of 6 mm is left, dropped under {$width}");
            $plate->art = $art;
        }
        // Nothing of the art comes nearer to it than the distance, less what thinning may take.
        $within = Offset::inset($border->shape, 0.94);
        self::assertEqualsWithDelta(0.0, Combine::cutAway($bench->piece('bar')->shape, [$within])->area(), 1e-6);
        $base = $border->recipe?->base;
        self::assertInstanceOf(BorderAround::class, $base);
        $bench->do('move', ['pieces' => ['bar'], 'x' => 5]);
        $followed = $bench->piece($border->id);
        self::assertEqualsWithDelta(72.0, $followed->box()?->right, 0.06);
        self::assertCount(2, $followed->shape->contours, 'the gap is 11 mm now: too wide to be bridged');
        $moved = $bench->piece($border->id)->box()?->top + 2.0;
        $bench->do('move', ['pieces' => [$border->id], 'y' => 2]);
        $bench->do('draw-shape', ['shape' => 'heart', 'x' => 80, 'y' => 80, 'width' => 10, 'height' => 10]);
        $bench->do('move', ['pieces' => [$bench->made[0]], 'x' => 3]);
        self::assertEqualsWithDelta($moved, $bench->piece($border->id)->box()?->top, 1e-6, 'it lies where it was moved to until its own pieces change');
        $bench->do('remove', ['pieces' => ['bar']]);
        self::assertEqualsWithDelta(51.0, $bench->piece($border->id)->box()?->right, 0.06);
        $bench->do('remove', ['pieces' => ['plate']]);
        self::assertNull($bench->piece($border->id)->recipe, 'with nothing to follow it stays as it is');
    }

    #[Test]
    public function interlaced_rings_go_over_and_under_in_turn_with_even_gaps(): void
    {
        $svg = '';
        for ($k = 0; $k < 6; $k++) {
            $svg .= sprintf(
                '<circle id="r%d" cx="%F" cy="%F" r="13" fill="none" stroke="#%d%d3333" stroke-width="3"/>',
                $k,
                50 + 22 * cos($k * M_PI / 3),
                50 + 22 * sin($k * M_PI / 3),
                $k,
                $k,
            );
        }
        $bench = self::bench($svg);
        $crossings = self::marks($bench, 'weave', ['pieces' => self::all($bench)], 'crossing');
        self::assertCount(12, $crossings);
        self::assertSame([], self::marks($bench, 'weave', ['pieces' => self::all($bench)], 'fault'));
        $over = array_count_values(array_map(static fn (Mark $mark): string => $mark->state, $crossings));
        self::assertSame(
            array_fill_keys(['r0', 'r1', 'r2', 'r3', 'r4', 'r5'], 2),
            array_replace(array_fill_keys(['r0', 'r1', 'r2', 'r3', 'r4', 'r5'], 0), $over),
            'each goes over twice and under twice',
        );
        $bench->do('weave', ['pieces' => self::all($bench), 'gap' => '0.8mm']);
        self::assertCount(12, $bench->art->pieces, 'each ring is cut at two places');
        foreach ($bench->art->pieces as $i => $piece) {
            self::assertCount(1, $piece->shape->contours);
            foreach (array_slice($bench->art->pieces, $i + 1) as $other) {
                self::assertTrue(Combine::keepOverlap([$piece->shape, $other->shape])->isEmpty());
                $near = Combine::keepOverlap([Offset::outset($piece->shape, 0.39), Offset::outset($other->shape, 0.39)]);
                self::assertLessThan(0.01, $near->area(), 'a gap of 0.8 mm everywhere');
            }
        }
        // A crossing that is turned lets the other pass over.
        $turned = self::bench($svg);
        $at = sprintf('%.3f,%.3f', $crossings[0]->x, $crossings[0]->y);
        $after = self::marks($turned, 'weave', ['pieces' => self::all($turned), 'turn' => $at], 'crossing');
        self::assertNotSame($crossings[0]->state, $after[0]->state);
        self::assertSame($crossings[1]->state, $after[1]->state);
    }

    #[Test]
    public function a_rope_that_crosses_itself_three_times_is_woven_and_three_through_one_place_are_pointed_out(): void
    {
        // A trefoil as one closed line.
        $d = '';
        for ($k = 0; $k < 48; $k++) {
            $t = 2 * M_PI * $k / 48;
            [$x, $y] = [50 + 10 * (sin($t) + 2 * sin(2 * $t)), 50 + 10 * (cos($t) - 2 * cos(2 * $t))];
            [$dx, $dy] = [10 * (cos($t) + 4 * cos(2 * $t)), 10 * (-sin($t) + 4 * sin(2 * $t))];
            $h = 2 * M_PI / 48 / 3;
            $points[] = [$x, $y, $dx * $h, $dy * $h];
        }
        foreach ($points as $k => [$x, $y, $dx, $dy]) {
            [$nx, $ny, $ndx, $ndy] = $points[($k + 1) % 48];
            $d .= $k === 0 ? "M{$x} {$y}" : '';
            $d .= sprintf('C%F %F %F %F %F %F', $x + $dx, $y + $dy, $nx - $ndx, $ny - $ndy, $nx, $ny);
        }
        $bench = self::bench("<path id=\"rope\" d=\"{$d}Z\" fill=\"none\" stroke=\"#884400\" stroke-width=\"4\"/>");
        self::assertCount(3, self::marks($bench, 'weave', ['pieces' => ['rope']], 'crossing'));
        $bench->do('weave', ['pieces' => ['rope'], 'gap' => 1]);
        self::assertCount(3, $bench->art->pieces, 'three closed pieces');
        foreach ($bench->art->pieces as $i => $piece) {
            foreach (array_slice($bench->art->pieces, $i + 1) as $other) {
                self::assertTrue(Combine::keepOverlap([$piece->shape, $other->shape])->isEmpty());
            }
        }
        $three = self::bench('<path id="a" d="M10 50 H90" stroke="#000" stroke-width="3" fill="none"/><path id="b" d="M50 10 V90" stroke="#000"'
            .' stroke-width="3" fill="none"/><path id="c" d="M20 20 L80 80" stroke="#000" stroke-width="3" fill="none"/>');
        self::assertNotSame([], self::marks($three, 'weave', ['pieces' => ['a', 'b', 'c']], 'fault'));
        self::assertMatchesRegularExpression('/do not cross/', self::refusal($three, 'weave', ['pieces' => ['a']]));
    }

    #[Test]
    public function a_crossing_can_be_turned_after_it_was_kept_moved_painted_and_stored_and_a_copy_is_a_weave_of_its_own(): void
    {
        $svg = '<path id="a" d="M10 40 H90" stroke="#aa0000" stroke-width="4" fill="none"/><path id="b" d="M30 10 V70" stroke="#0000aa" stroke-width="4"'
            .' fill="none"/><path id="c" d="M70 10 V70" stroke="#0000aa" stroke-width="4" fill="none"/>';
        $bench = self::bench($svg);
        $bench->do('weave', ['pieces' => ['a', 'b', 'c'], 'gap' => 1]);
        $first = self::marks($bench, 'weave', ['pieces' => ['a']], 'crossing');
        self::assertCount(2, $first, 'one strand stands for all of its weave');
        $wholes = static fn (Bench $bench): array => array_map(static fn (Piece $piece): float => round($piece->shape->area(), 3), $bench->art->pieces);
        $was = $wholes($bench);
        // As it is stored and read again, moved and in another colour.
        $bench->art = ArtworkJson::decode(ArtworkJson::encode($bench->art));
        $bench->do('transform', ['pieces' => self::all($bench), 'matrix' => [1, 0, 0, 1, 7, 3]]);
        $bench->do('fill', ['pieces' => ['a'], 'colour' => '#00aa00']);
        $moved = self::marks($bench, 'weave', ['pieces' => ['c'], 'gap' => 1], 'crossing');
        self::assertEqualsWithDelta([$first[0]->x + 7, $first[0]->y + 3], [$moved[0]->x, $moved[0]->y], 1e-6);
        $copy = clone $bench;
        $copy->do('copy', ['pieces' => self::all($bench), 'x' => 0, 'y' => 200]);
        self::assertCount(2, self::marks($copy, 'weave', ['pieces' => ['a']], 'crossing'), 'what it was copied from is not woven with the copy');
        self::assertCount(2, self::marks($copy, 'weave', ['pieces' => [$copy->made[0]]], 'crossing'));
        $all = count($copy->art->pieces);
        $copy->do('weave', ['pieces' => [$copy->made[0]], 'gap' => 1]);
        self::assertCount($all, $copy->art->pieces, 'and those that it was copied from lie where they lay');

        // A part too small to keep is dropped, and its strand is woven all the same.
        $short = self::bench('<path id="a" d="M10 40 H90" stroke="#aa0000" stroke-width="4" fill="none"/><path id="b" d="M30 10 V43.6" stroke="#0000aa"'
            .' stroke-width="4" fill="none"/>');
        $short->do('weave', ['pieces' => ['a', 'b'], 'gap' => 1, 'start' => 'over', 'parts' => 'together', 'leftover' => 2]);
        self::assertCount(1, $short->piece('b')->shape->contours);
        self::assertCount(1, self::marks($short, 'weave', ['pieces' => ['b']], 'crossing'));

        $at = sprintf('%.3f,%.3f', $moved[0]->x, $moved[0]->y);
        $bench->do('weave', ['pieces' => ['b'], 'gap' => 1, 'turn' => $at]);
        $turned = self::marks($bench, 'weave', ['pieces' => ['a'], 'gap' => 1, 'turn' => $at], 'crossing');
        self::assertNotSame($moved[0]->state, $turned[0]->state);
        self::assertSame($moved[1]->state, $turned[1]->state);
        self::assertSame('#00aa00', $bench->piece('a')->fill?->colour->hex(), 'in the colour that it has now');
        // Turned back it is what it was.
        $bench->do('weave', ['pieces' => ['c'], 'gap' => 1]);
        self::assertEqualsWithDelta($was, $wholes($bench), 1e-3);
        // Plain curves are woven no more.
        $bench->do('bake', ['pieces' => self::all($bench)]);
        self::assertMatchesRegularExpression('/do not cross/', self::refusal($bench, 'weave', ['pieces' => ['a']]));
    }

    #[Test]
    public function a_hoop_passes_before_and_behind_a_lantern(): void
    {
        $bench = self::bench('<ellipse id="lantern" cx="50" cy="50" rx="15" ry="25" fill="#ffcc66"/><ellipse id="hoop" cx="50" cy="50" rx="35" ry="9"'
            .' fill="none" stroke="#224488" stroke-width="3"/>');
        self::assertCount(2, self::marks($bench, 'weave', ['pieces' => ['lantern', 'hoop']], 'crossing'));
        $bench->do('weave', ['pieces' => ['lantern', 'hoop'], 'gap' => 1]);
        self::assertCount(3, $bench->art->pieces, 'the lantern in two, parted by the hoop before it, and the hoop, open behind it');
    }

    #[Test]
    public function a_drop_shade_is_the_sweep_without_the_piece_and_its_gap(): void
    {
        $bench = self::bench('<rect id="square" x="20" y="20" width="20" height="20" fill="#c33"/>');
        $bench->do('drop-shade', ['pieces' => ['square'], 'angle' => 45, 'distance' => 5 * M_SQRT2, 'fill' => '#000']);
        $shade = $bench->piece($bench->made[0]);
        self::assertSame($shade->id, $bench->art->pieces[0]->id, 'under the piece');
        // The sweep of a square along its diagonal: two strips of 20 by 5.
        self::assertEqualsWithDelta(2 * 20 * 5.0, $shade->shape->area(), 1e-6);
        self::assertSame(6, $shade->shape->nodeCount());
        $disc = self::bench('<circle id="disc" cx="50" cy="50" r="10" fill="#c33"/>');
        $disc->do('drop-shade', ['pieces' => ['disc'], 'angle' => 33, 'distance' => 8]);
        self::assertEqualsWithDelta(20 * 8.0, $disc->piece($disc->made[0])->shape->area(), 0.03);
        $gap = self::bench('<rect id="square" x="20" y="20" width="20" height="20" fill="#c33"/>');
        $gap->do('drop-shade', ['pieces' => ['square'], 'angle' => 0, 'distance' => 5, 'gap' => 1]);
        self::assertEqualsWithDelta(80.0, $gap->piece($gap->made[0])->shape->area(), 0.01);
        self::assertMatchesRegularExpression(
            '/gap is as wide/',
            self::refusal($gap, 'drop-shade', ['pieces' => ['square'], 'angle' => 0, 'distance' => 2, 'gap' => 3]),
        );
    }

    #[Test]
    public function a_wrap_follows_its_frame_within_a_fiftieth_stays_live_and_is_refused_where_it_folds(): void
    {
        $bench = self::bench('<rect id="bar" x="10" y="40" width="80" height="20" fill="#c33"/>');
        $before = $bench->piece('bar')->shape;
        $bench->do('wrap', ['pieces' => ['bar'], 'shape' => 'arc', 'amount' => '30%']);
        $box = $bench->piece('bar')->box();
        self::assertEqualsWithDelta(40 - 0.3 * 40, $box?->top, 0.02);
        self::assertEqualsWithDelta(60.0, $box?->bottom, 0.02);
        // Every place of the outline lies where the frame puts it.
        $top = [10, 40, 10 + 80 / 3, 40 - 16, 10 + 160 / 3, 40 - 16, 90, 40];
        foreach ([0.1, 0.37, 0.5, 0.81] as $u) {
            [$x, $y] = Cubic::at(array_map(floatval(...), $top), $u);
            [, $px, $py] = LinePlace::nearest($bench->piece('bar')->shape->contours[0], $x, $y);
            self::assertLessThan(0.02, hypot($px - $x, $py - $y));
        }
        self::assertLessThanOrEqual(8, $bench->piece('bar')->shape->nodeCount());
        // Another amount bends what was there before, not what came of it.
        $bench->do('wrap', ['pieces' => ['bar'], 'shape' => 'arc', 'amount' => '10%']);
        self::assertEqualsWithDelta(36.0, $bench->piece('bar')->box()?->top, 0.02);
        $bench->do('wrap', ['pieces' => ['bar'], 'shape' => 'bulge', 'amount' => '50%']);
        self::assertEqualsWithDelta(35.0, $bench->piece('bar')->box()?->top, 0.02, 'of the height that it had');
        $bench->do('move', ['pieces' => ['bar'], 'x' => 3, 'y' => 7]);
        $bench->do('wrap', ['pieces' => ['bar'], 'shape' => 'bulge', 'amount' => '20%']);
        self::assertEqualsWithDelta(
            [13.0, 45.0, 93.0, 69.0],
            array_values(get_object_vars($bench->piece('bar')->box() ?? throw new \LogicException)),
            0.02,
            'where it was moved to',
        );
        $bench->do('wrap', ['pieces' => ['bar'], 'off' => true]);
        self::assertEqualsWithDelta($before->area(), $bench->piece('bar')->shape->area(), 1e-9);
        // An arch over a straight base: the foot stays where it is, the middle of the head rises by half the width times the amount.
        $bench->do('wrap', ['pieces' => ['bar'], 'shape' => 'arch', 'amount' => '20%']);
        self::assertEqualsWithDelta(
            [13.0, 47.0 - 0.2 * 80 / 2, 93.0, 67.0],
            array_values(get_object_vars($bench->piece('bar')->box())),
            0.02,
        );
        $bench->do('wrap', ['pieces' => ['bar'], 'off' => true]);
        $bench->do('wrap', ['pieces' => ['bar'], 'shape' => 'cone', 'amount' => '50%']);
        self::assertSame(4, $bench->piece('bar')->shape->nodeCount(), 'lines stay lines');
        self::assertEqualsWithDelta(0.75 * 1600, $bench->piece('bar')->shape->area(), 1e-6);
        self::assertMatchesRegularExpression(
            '/folds over itself at/',
            self::refusal($bench, 'wrap', ['pieces' => ['bar'], 'shape' => 'drawn', 'frame' => 'M90 40 L10 40 L90 60 L10 60 Z']),
        );
    }

    #[Test]
    public function what_is_no_cubic_when_it_is_bent_is_fitted_within_a_fiftieth(): void
    {
        $bench = self::bench('<circle id="disc" cx="50" cy="50" r="30" fill="#c33"/>');
        $bench->do('wrap', ['pieces' => ['disc'], 'shape' => 'flag', 'amount' => '30%']);
        // The frame's sides as they are drawn: a place moves up by what the wave rises there.
        $wave = [20.0, 0.0, 40.0, -36.0, 60.0, 36.0, 80.0, 0.0];
        for ($k = 0; $k < 60; $k++) {
            [$x, $y] = [50 + 30 * cos($k * M_PI / 30), 50 + 30 * sin($k * M_PI / 30)];
            [, $px, $py] = LinePlace::nearest($bench->piece('disc')->shape->contours[0], $x, $y + Cubic::at($wave, ($x - 20) / 60)[1]);
            self::assertLessThan(0.03, hypot($px - $x, $py - $y - Cubic::at($wave, ($x - 20) / 60)[1]));
        }
        self::assertLessThan(24, $bench->piece('disc')->shape->nodeCount());
    }

    #[Test]
    public function what_follows_a_piece_that_is_bent_along_is_bent_once(): void
    {
        $bench = new Bench;
        $line = $bench->line([40, 60, 60, 60, 80, 60, 100, 60]);
        $bench->do('text', ['text' => 'Regatta', 'family' => 'Josefin Sans', 'size' => 8, 'along' => $line]);
        $text = $bench->made[0];
        $bench->do('link-copy', ['pieces' => [$line], 'x' => 0, 'y' => 10]);
        $copy = $bench->made[0];
        $bench->do('cut-border', ['pieces' => [$text], 'distance' => 1]);
        $border = $bench->made[0];
        $before = array_map(static fn (string $id): float => $bench->piece($id)->box()->top ?? 0.0, [$line, $text, $copy]);
        $bench->do('wrap', ['pieces' => [$line, $text, $copy, $border], 'shape' => 'arc', 'amount' => 0.2]);
        // A frame of 60 mm rises by a fifth of its half.
        $rise = 0.2 * 60 / 2;
        foreach ([$line, $text, $copy] as $k => $id) {
            $by = $before[$k] - ($bench->piece($id)->box()->top ?? 0.0);
            self::assertGreaterThan(3.0, $by);
            self::assertLessThan($rise + 1.5, $by, 'once');
        }
        $round = $bench->piece($border);
        self::assertInstanceOf(BorderAround::class, $round->recipe?->base);
        self::assertEqualsWithDelta(($bench->piece($text)->box()->top ?? 0.0) - 1, $round->box()?->top, 0.06, 'and the border goes round the bent letters');
    }

    #[Test]
    public function cells_that_find_nothing_say_what_is_missing_and_by_how_much(): void
    {
        $svg = '<g fill="none" stroke="#333"><path id="a" d="M10 10 H50 V40"/><path id="b" d="M49.4 40 H10 V10.3"/></g>';
        try {
            self::bench($svg)->do('cells', ['pieces' => ['a', 'b']]);
            self::fail('They enclose nothing.');
        } catch (Refused $refused) {
            // The wider of both gaps is what must be bridged.
            self::assertStringContainsString('open by 0.60 mm at 49.40, 40.00', $refused->getMessage());
        }
        $this->expectException(Refused::class);
        $this->expectExceptionMessage('no ends of theirs lie near each other');
        self::bench('<g fill="none" stroke="#333"><path id="a" d="M10 10 H50"/><path id="b" d="M10 60 H50"/></g>')->do('cells', ['pieces' => ['a', 'b']]);
    }

    #[Test]
    public function panes_are_spread_behind_their_frame(): void
    {
        $bench = self::bench('<path id="frame" fill-rule="evenodd" fill="#333" d="M10 10 H50 V50 H10 Z M20 20 H40 V40 H20 Z"/><rect id="pane" x="20"'
            .' y="20" width="20" height="20" fill="#6bf"/>');
        $bench->do('spread-behind', ['pieces' => ['pane'], 'by' => '1.2mm']);
        self::assertSame(['pane', 'frame'], self::all($bench));
        self::assertEqualsWithDelta(22.4 ** 2, $bench->piece('pane')->shape->area(), 1e-6);
    }

    #[Test]
    public function what_is_spread_goes_beneath_what_it_touches_on_its_own_layer_and_not_further(): void
    {
        $bench = self::bench('<rect id="ground" width="60" height="60" fill="#eee"/><rect id="far" x="70" y="70" width="5" height="5" fill="#0a0"/><path'
            .' id="frame" fill-rule="evenodd" fill="#333" d="M10 10 H50 V50 H10 Z M20 20 H40 V40 H20 Z"/><rect id="pane" x="20" y="20" width="20"'
            .' height="20" fill="#6bf"/>');
        $upper = array_map(
            static fn (Piece $piece): Piece => $piece->with(place: $piece->place->with(layer: $piece->id === 'ground' ? 'low' : 'high')),
            $bench->art->pieces,
        );
        $bench->art = new Artwork($bench->art->width, $bench->art->height, $upper, [new Layer('low', 'Low'), new Layer('high', 'High')]);
        $bench->do('spread-behind', ['pieces' => ['pane'], 'by' => '1.2mm']);
        self::assertSame(['ground', 'far', 'pane', 'frame'], self::all($bench));
    }

    #[Test]
    public function the_knife_can_be_turned_round_and_kept(): void
    {
        $svg = '<rect id="low" width="30" height="30" fill="#112233"/><rect id="high" x="20" width="30" height="30" fill="#aa0000"/>';
        foreach ([
            [[], ['low' => 600.0]],
            [['knife' => 'low'], ['high' => 600.0]],
            [['knife' => 'low', 'keepKnife' => true], ['low' => 900.0, 'high' => 600.0]],
            [['keepKnife' => true], ['low' => 600.0, 'high' => 900.0]],
        ] as [$more, $left]) {
            $bench = self::bench($svg);
            $bench->do('cut-away', ['pieces' => ['low', 'high'], ...$more]);
            self::assertSame(
                $left,
                array_column(array_map(static fn (Piece $piece): array => [$piece->id, round($piece->shape->area(), 6)], $bench->art->pieces), 1, 0),
            );
        }
    }

    #[Test]
    public function leftovers_are_dropped_or_given_to_the_neighbour_with_the_longest_border(): void
    {
        // A bar that leaves a sliver of 0.3 mm of the plate on its far side.
        $svg = '<rect id="plate" x="10" y="10" width="40" height="40" fill="#c33"/><rect id="bar" x="39.7" y="0" width="10" height="60" fill="#333"/>';
        $bench = self::bench($svg);
        $bench->do('split-all', ['pieces' => ['plate', 'bar'], 'leftover' => '0.5mm']);
        $plain = self::bench($svg)->do('split-all', ['pieces' => ['plate', 'bar']]);
        self::assertCount(count($plain->art->pieces) - 1, $bench->art->pieces);
        self::assertEqualsWithDelta(self::area($plain) - 0.3 * 40, self::area($bench), 1e-6);
        $given = self::bench($svg)->do('split-all', ['pieces' => ['plate', 'bar'], 'leftover' => '0.5mm', 'leftovers' => 'neighbour']);
        self::assertEqualsWithDelta(self::area($plain), self::area($given), 1e-6);
    }

    #[Test]
    public function nodes_that_are_not_needed_are_shown_and_go(): void
    {
        $bench = self::bench('<path id="p" fill="#c33" d="M10 10 L20 10 L30 10.001 L50 10 L50 50 L50 50.0005 L10 50 Z"/>');
        self::assertCount(3, self::marks($bench, 'clean-nodes', ['pieces' => ['p'], 'deviation' => '0.05mm'], 'node'));
        $bench->do('clean-nodes', ['pieces' => ['p'], 'deviation' => '0.05mm']);
        self::assertSame(4, $bench->piece('p')->shape->nodeCount());
        self::assertMatchesRegularExpression('/no node that is not needed/', self::refusal($bench, 'clean-nodes', ['pieces' => ['p']]));
    }

    #[Test]
    public function a_stroke_is_outlined_alone_or_parts_from_its_fill(): void
    {
        $svg = '<rect id="box" x="20" y="20" width="20" height="20" fill="#c33" stroke="#000" stroke-width="2"/>';
        $bench = self::bench($svg);
        $bench->do('outline-strokes', ['pieces' => ['box']]);
        self::assertSame(['box', ...$bench->made], self::all($bench));
        self::assertEqualsWithDelta(400.0, $bench->piece('box')->shape->area(), 1e-9);
        self::assertEqualsWithDelta(22 ** 2 - 18 ** 2, $bench->piece($bench->made[0])->shape->area(), 1e-6);
        $alone = self::bench($svg)->do('outline-strokes', ['pieces' => ['box'], 'keep' => 'stroke']);
        self::assertCount(1, $alone->art->pieces);
        // The outline of an outline.
        $alone->do('stroke', ['pieces' => ['box'], 'colour' => '#0000ff', 'width' => 0.5])->do('outline-strokes', ['pieces' => ['box']]);
        self::assertCount(2, $alone->art->pieces);
    }

    #[Test]
    public function parts_are_pulled_apart_from_a_place_and_each_gets_a_colour_of_its_own(): void
    {
        $bench = self::dial();
        $bench->do('cells', ['pieces' => self::all($bench), 'rest' => 'lift', 'colours' => 'apart']);
        self::assertCount(36, array_unique(array_map(static fn (Piece $piece): string => (string) $piece->fill?->colour->hex(), $bench->art->pieces)));
        $outer = array_values(array_filter(
            $bench->art->pieces,
            static fn (Piece $piece): bool => hypot(Inscribed::in($piece->shape)[0] - 50, Inscribed::in($piece->shape)[1] - 50) > 26,
        ));
        self::assertCount(12, $outer);
        $before = array_map(static fn (Piece $piece): float => hypot(Inscribed::in($piece->shape)[0] - 50, Inscribed::in($piece->shape)[1] - 50), $outer);
        $bench->do('pull-apart', ['pieces' => array_map(static fn (Piece $piece): string => $piece->id, $outer), 'by' => '4mm', 'from' => '50,50']);
        foreach ($outer as $i => $piece) {
            [$x, $y] = Inscribed::in($bench->piece($piece->id)->shape);
            self::assertEqualsWithDelta($before[$i] + 4, hypot($x - 50, $y - 50), 0.01);
        }
        self::assertEqualsWithDelta(
            0.0,
            array_sum(array_map(
                static fn (Piece $piece): float => ($piece->box()->left ?? 0) + ($piece->box()->right ?? 0) - 100,
                array_map(static fn (Piece $piece): Piece => $bench->piece($piece->id), $outer),
            )),
            0.5,
            'to all sides alike',
        );
    }

    #[Test]
    public function a_flag_is_broken_at_two_nodes_and_both_parts_closed(): void
    {
        $bench = self::bench('<path id="flag" d="M10 10H50V40H10Z" fill="#c33"/>');
        $bench->do('break-at', ['piece' => 'flag', 'nodes' => [[0, 0], [0, 2]], 'close' => true]);
        self::assertSame([600.0, 600.0], array_map(static fn (Piece $piece): float => $piece->shape->area(), $bench->art->pieces));
        self::assertSame([true, true], array_map(static fn (Piece $piece): bool => $piece->shape->contours[0]->closed, $bench->art->pieces));
        self::assertMatchesRegularExpression(
            '/two nodes at least/',
            self::refusal($bench, 'break-at', ['piece' => 'flag', 'nodes' => [[0, 0]], 'close' => true]),
        );
    }

    #[Test]
    public function the_largest_circle_in_a_shape_is_found(): void
    {
        [$x, $y, $radius] = Inscribed::in(self::bench('<path id="l" fill="#c33" d="M0 0 H60 V20 H20 V60 H0 Z"/>')->piece('l')->shape, 0.001);
        // In the corner of an L it touches both outer sides and the inner corner.
        self::assertEqualsWithDelta(20 * M_SQRT2 / (1 + M_SQRT2), $radius, 0.05);
        self::assertEqualsWithDelta($radius, $x, 0.1);
        self::assertEqualsWithDelta($radius, $y, 0.1);
        self::assertInstanceOf(Artwork::class, self::dial()->art);
    }
}
