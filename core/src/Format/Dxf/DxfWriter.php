<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Dxf;

use Closure;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\AboutFormat;
use NeatEdge\Core\Format\LayoutWriter;
use NeatEdge\Core\Format\Outlines;
use NeatEdge\Core\Geometry\Arc;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Polyline;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;

/** Drawing exchange: lines on layers in millimetres, y upwards. As release 12 with arcs and chords, or as release 2000 with the curves themselves. */
final class DxfWriter implements LayoutWriter
{
    /** Colour numbers of the exchange format, as red, green, blue, that are told apart on every screen. */
    private const COLOURS = [
        1 => [255, 0, 0],
        2 => [255, 255, 0],
        3 => [0, 255, 0],
        4 => [0, 255, 255],
        5 => [0, 0, 255],
        6 => [255, 0, 255],
        7 => [0, 0, 0],
        8 => [128, 128, 128],
        30 => [255, 127, 0],
        94 => [0, 127, 0],
        174 => [0, 0, 127],
        14 => [127, 0, 0],
        34 => [127, 63, 0],
    ];

    private int $handle = 0x100;

    private function __construct(private readonly bool $curves, private readonly float $tolerance)
    {
    }

    public static function about(): AboutFormat
    {
        return new AboutFormat('dxf', 'DXF', 'dxf', 'image/vnd.dxf', 'Lines on layers, for drawing programs and routers.', false, [
            Field::choice('version', 'Version', 'r12', ['r12' => 'R12: arcs and straight lines', 'r2000' => 'R2000: curves as splines']),
            Field::length('tolerance', 'Lines leave curves by', 0.01, 0.001, 'in R12, where a curve is no arc'),
        ]);
    }

    public static function from(Values $values): self
    {
        $v = $values->all();

        return new self($v['version'] === 'r2000', (float) $v['tolerance']);
    }

    public function loses(Layout $layout): array
    {
        return Outlines::lost($layout, 'DXF');
    }

    public function write(array $layouts, Closure $put): void
    {
        $layout = $layouts[0]->with(layers: Outlines::layers($layouts[0]));
        $names = self::names($layout);
        $this->head($layout, $names, $put);
        $put(self::pairs([0, 'SECTION', 2, 'ENTITIES']));
        foreach ($layout->layers as $i => $layer) {
            foreach (Outlines::of($layer) as $line) {
                Patience::ask(64);
                $put($this->curves ? $this->curve($line, $names[$i], $layout->height) : $this->polyline($line, $names[$i], $layout->height));
            }
        }
        $put(self::pairs([0, 'ENDSEC']));
        if ($this->curves) {
            $put(self::pairs([
                0, 'SECTION', 2, 'OBJECTS', 0, 'DICTIONARY', 5, 'C', 330, '0', 100, 'AcDbDictionary', 281, 1, 3, 'ACAD_GROUP', 350, 'D', 0,
                'DICTIONARY', 5, 'D', 330, 'C', 100, 'AcDbDictionary', 281, 1, 0, 'ENDSEC',
            ]));
        }
        $put(self::pairs([0, 'EOF']));
    }

    /** @return list<string> a name for each layer that the format takes, none twice */
    private static function names(Layout $layout): array
    {
        $names = [];
        foreach ($layout->layers as $layer) {
            $name = strtoupper(trim(
                preg_replace('/[^A-Za-z0-9]+/', '_', (string) iconv('UTF-8', 'ASCII//TRANSLIT//IGNORE', mb_scrub($layer->name))) ?? '',
                '_',
            ));
            $name = substr($name === '' ? strtoupper($layer->role->value) : $name, 0, 28);
            for ($k = 2, $free = $name; in_array($free, $names, true); $k++) {
                $free = "{$name}_{$k}";
            }
            $names[] = $free;
        }

        return $names;
    }

    /**
     * @param  list<string>  $names
     * @param  Closure(string): void  $put
     */
    private function head(Layout $layout, array $names, Closure $put): void
    {
        $put(self::pairs([
            0, 'SECTION', 2, 'HEADER', 9, '$ACADVER', 1, $this->curves ? 'AC1015' : 'AC1009', 9, '$INSUNITS', 70, 4,
            ...($this->curves ? [9, '$HANDSEED', 5, 'FFFFF'] : []),
            9, '$EXTMIN', 10, 0.0, 20, 0.0, 30, 0.0, 9, '$EXTMAX', 10, $layout->width, 20, $layout->height, 30, 0.0, 0, 'ENDSEC', 0, 'SECTION', 2, 'TABLES',
        ]));
        if (! $this->curves) {
            $put(self::pairs([
                0, 'TABLE', 2, 'LTYPE', 70, 1, 0, 'LTYPE', 2, 'CONTINUOUS', 70, 0, 3, 'Solid line', 72, 65, 73, 0, 40, 0.0, 0, 'ENDTAB', 0, 'TABLE',
                2, 'LAYER', 70, count($names),
            ]));
            foreach ($layout->layers as $i => $layer) {
                $put(self::pairs([0, 'LAYER', 2, $names[$i], 70, 0, 62, self::colour($layer), 6, 'CONTINUOUS']));
            }
            $put(self::pairs([0, 'ENDTAB', 0, 'ENDSEC']));

            return;
        }
        $table = static fn (string $name, string $handle, int $count): array => [
            0, 'TABLE', 2, $name, 5, $handle, 330, '0', 100, 'AcDbSymbolTable', 70, $count,
        ];
        $record = static fn (string $type, string $handle, string $owner, string $class): array => [
            0, $type, 5, $handle, 330, $owner, 100, 'AcDbSymbolTableRecord', 100, $class,
        ];
        $put(self::pairs([...$table('VPORT', '8', 0), 0, 'ENDTAB', ...$table('LTYPE', '5', 3)]));
        foreach (['14' => 'ByBlock', '15' => 'ByLayer', '16' => 'Continuous'] as $handle => $name) {
            $put(self::pairs([...$record('LTYPE', (string) $handle, '5', 'AcDbLinetypeTableRecord'), 2, $name, 70, 0, 3, '', 72, 65, 73, 0, 40, 0.0]));
        }
        $put(self::pairs([
            0, 'ENDTAB', ...$table('LAYER', '2', count($names) + 1), ...$record('LAYER', '10', '2', 'AcDbLayerTableRecord'), 2, '0', 70, 0, 62, 7, 6,
            'Continuous',
        ]));
        foreach ($layout->layers as $i => $layer) {
            $put(self::pairs([
                ...$record('LAYER', dechex(0x40 + $i), '2', 'AcDbLayerTableRecord'), 2, $names[$i], 70, 0, 62, self::colour($layer), 6, 'Continuous',
            ]));
        }
        $put(self::pairs([
            0, 'ENDTAB', ...$table('STYLE', '3', 1), ...$record('STYLE', '11', '3', 'AcDbTextStyleTableRecord'), 2, 'Standard', 70, 0, 40, 0.0, 41,
            1.0, 50, 0.0, 71, 0, 42, 2.5, 3, 'txt', 4, '', 0, 'ENDTAB', ...$table('VIEW', '6', 0), 0, 'ENDTAB', ...$table('UCS', '7', 0), 0,
            'ENDTAB', ...$table('APPID', '9', 1), ...$record('APPID', '12', '9', 'AcDbRegAppTableRecord'), 2, 'ACAD', 70, 0,
            0, 'ENDTAB', ...$table('DIMSTYLE', 'A', 0), 100, 'AcDbDimStyleTable', 0, 'ENDTAB', ...$table('BLOCK_RECORD', '1', 2),
            ...$record('BLOCK_RECORD', '1F', '1', 'AcDbBlockTableRecord'), 2, '*Model_Space',
            ...$record('BLOCK_RECORD', '1B', '1', 'AcDbBlockTableRecord'), 2, '*Paper_Space', 0, 'ENDTAB', 0, 'ENDSEC', 0, 'SECTION', 2, 'BLOCKS',
        ]));
        foreach ([['*Model_Space', '20', '21', '1F'], ['*Paper_Space', '1C', '1D', '1B']] as [$name, $block, $end, $owner]) {
            $put(self::pairs([
                0, 'BLOCK', 5, $block, 330, $owner, 100, 'AcDbEntity', 8, '0', 100, 'AcDbBlockBegin', 2, $name, 70, 0, 10, 0.0, 20, 0.0, 30, 0.0, 3,
                $name, 1, '', 0, 'ENDBLK', 5, $end, 330, $owner, 100, 'AcDbEntity', 8, '0', 100, 'AcDbBlockEnd',
            ]));
        }
        $put(self::pairs([0, 'ENDSEC']));
    }

    /** Release 12: places with the arcs between them, chords where a curve is no arc. */
    private function polyline(Contour $line, string $layer, float $height): string
    {
        $vertices = [];
        foreach ($line->closed ? $line->closedSegments() : $line->segments() as $s) {
            $arc = Arc::of($s, $this->tolerance);
            if ($arc !== null) {
                // Turned over with the y axis, an arc that ran clockwise on the bench does so no more.
                $vertices[] = [$s[0], $s[1], -$arc->bulge()];

                continue;
            }
            for ($k = 0, $n = Polyline::chords($s, $this->tolerance); $k < $n; $k++) {
                $vertices[] = [...Cubic::placeOn($s, $k / $n), 0.0];
            }
        }
        $last = $line->segment($line->segmentCount() - 1);
        if (! $line->closed) {
            $vertices[] = [$last[6], $last[7], 0.0];
        }
        $out = self::pairs([0, 'POLYLINE', 8, $layer, 66, 1, 70, $line->closed ? 1 : 0, 10, 0.0, 20, 0.0, 30, 0.0]);
        foreach ($vertices as [$x, $y, $bulge]) {
            $out .= self::pairs([0, 'VERTEX', 8, $layer, 10, $x, 20, $height - $y, 30, 0.0, ...(abs($bulge) > 1e-9 ? [42, $bulge] : [])]);
        }

        return $out.self::pairs([0, 'SEQEND', 8, $layer]);
    }

    /** Release 2000: straight runs as one line of places, others as one spline through its cubic segments, whose inner knots stand three times. */
    private function curve(Contour $line, string $layer, float $height): string
    {
        $segments = $line->closed ? $line->closedSegments() : $line->segments();
        $handle = strtoupper(dechex($this->handle++));
        $entity = static fn (string $type, string $class): array => [0, $type, 5, $handle, 330, '1F', 100, 'AcDbEntity', 8, $layer, 100, $class];
        $straight = array_filter($segments, static fn (array $s): bool => ! Cubic::isLine($s)) === [];
        if ($straight) {
            $places = array_map(static fn (array $s): array => [$s[0], $s[1]], $segments);
            $end = $segments[count($segments) - 1];
            if (! $line->closed) {
                $places[] = [$end[6], $end[7]];
            }
            $text = self::pairs([...$entity('LWPOLYLINE', 'AcDbPolyline'), 90, count($places), 70, $line->closed ? 1 : 0]);
            foreach ($places as [$x, $y]) {
                $text .= self::pairs([10, $x, 20, $height - $y]);
            }

            return $text;
        }
        $n = count($segments);
        $text = self::pairs([...$entity('SPLINE', 'AcDbSpline'), 70, 8 | ($line->closed ? 1 : 0), 71, 3, 72, 3 * ($n + 1) + 2, 73, 3 * $n + 1, 74, 0]);
        for ($k = 0; $k <= $n; $k++) {
            $text .= str_repeat(self::pairs([40, (float) $k]), $k === 0 || $k === $n ? 4 : 3);
        }
        $place = static fn (float $x, float $y): string => self::pairs([10, $x, 20, $height - $y, 30, 0.0]);
        $text .= $place($segments[0][0], $segments[0][1]);
        foreach ($segments as $s) {
            $s = Cubic::isLine($s) ? [
                $s[0], $s[1], $s[0] + ($s[6] - $s[0]) / 3, $s[1] + ($s[7] - $s[1]) / 3, $s[6] - ($s[6] - $s[0]) / 3, $s[7] - ($s[7] - $s[1]) / 3,
                $s[6], $s[7],
            ] : $s;
            $text .= $place($s[2], $s[3]).$place($s[4], $s[5]).$place($s[6], $s[7]);
        }

        return $text;
    }

    /** The number of the colour that is nearest to that of a layer. */
    private static function colour(Layer $layer): int
    {
        [$r, $g, $b] = array_map(hexdec(...), str_split(substr($layer->colour, 1), 2));
        $best = [7, INF];
        foreach (self::COLOURS as $number => [$red, $green, $blue]) {
            $d = ($r - $red) ** 2 + ($g - $green) ** 2 + ($b - $blue) ** 2;
            $best = $d < $best[1] ? [$number, $d] : $best;
        }

        return $best[0];
    }

    /** @param  list<int|float|string>  $pairs  codes and values in turn */
    private static function pairs(array $pairs): string
    {
        $text = '';
        for ($i = 0, $n = count($pairs); $i < $n; $i += 2) {
            $value = $pairs[$i + 1];
            $text .= $pairs[$i]."\n".(is_float($value) ? rtrim(
                rtrim(number_format($value, 6, '.', ''), '0'),
                '.',
            ).(fmod(round($value, 6), 1.0) == 0.0 ? '.0' : '') : $value)."\n";
        }

        return $text;
    }
}
