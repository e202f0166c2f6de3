<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Dxf;

use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Format\Lines\DrawnLine;
use NeatEdge\Core\Format\Lines\LineDrawing;
use NeatEdge\Core\Format\Lines\Words;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Stroke\WidthStops;

/**
 * Reads text drawings in exchange format: lines, arcs, circles, ellipses, polylines with bulges and widths, splines, hatches, solids, letters, and blocks that
 * are placed, to a depth. By layer, in millimetres, y upwards. Whatever else stands in one is named.
 */
final class DxfReader
{
    private const MOST_ENTITIES = 200_000;

    private const DEPTH = 8;

    /** Why some things are left out. */
    private const NO_ART = [
        'DIMENSION' => 'it tells a measure and is no art',
        'LEADER' => 'it points at something and is no art',
        'MULTILEADER' => 'it points at something and is no art',
        'TOLERANCE' => 'it tells a tolerance and is no art',
        'POINT' => 'a point has no line',
        'XLINE' => 'a line without ends is a help for drawing',
        'RAY' => 'a line without an end is a help for drawing',
        'IMAGE' => 'the picture lies outside the file',
        'VIEWPORT' => 'it is a window of a layout on paper', 'ATTDEF' => 'it only says what stands in copies of a block',
    ];

    private LineDrawing $drawing;

    private Letters $letters;

    private int $made = 0;

    private function __construct(private readonly DxfFile $file, private readonly bool $asleep)
    {
        $this->drawing = new LineDrawing($file->unit !== null);
        $this->letters = new Letters($file->styles);
    }

    /**
     * @param  float|null  $unit  mm that one unit is, where the file does not say
     * @param  bool  $asleep  whether to take what lies on layers that are off, frozen or not plotted, and on paper
     *
     * @throws FileRefused
     */
    public static function drawing(string $bytes, ?float $unit = null, bool $asleep = false): LineDrawing
    {
        $file = DxfFile::read($bytes);
        $self = new self($file, $asleep);
        $unit = $file->unit ?? $unit ?? ($file->inches ? 25.4 : 1.0);
        foreach ($file->drawn as $entity) {
            Patience::ask(16);
            $self->draw($entity, Matrix::scaling($unit, $unit), 0, null);
        }

        return $self->drawing;
    }

    /** @param  string|null  $layer  of the block that it stands in */
    private function draw(Entity $e, Matrix $place, int $depth, ?string $layer): void
    {
        $own = in_array($e->text(8), ['', '0'], true) ? ($layer ?? '0') : $e->text(8);
        $why = $this->sleeps($e, $own);
        if ($why !== null && ! $this->asleep) {
            $this->drawing->asleep[$why] = ($this->drawing->asleep[$why] ?? 0) + 1;

            return;
        }
        $at = $place->apply($e->number(10), $e->number(20));
        // What is drawn on a plane of its own has its places on that plane; seen from below, it is mirrored.
        $onPlane = ! in_array($e->type, ['LINE', 'ELLIPSE', 'SPLINE', 'MTEXT', 'POINT'], true);
        if ($onPlane && hypot($e->number(210), $e->number(220)) > 1e-6) {
            $this->drawing->leaveOut($e->type, 'it lies in a plane that is seen at an angle', $at);

            return;
        }
        $place = $onPlane && $e->number(230, 1.0) < 0 ? $place->after(new Matrix(-1.0, 0.0, 0.0, 1.0, 0.0, 0.0)) : $place;
        $this->drawOn($e, $place, $depth, $own, $at);
    }

    /**
     * @param  string  $own  layer of it
     * @param  Point  $at  where it begins
     */
    private function drawOn(Entity $e, Matrix $place, int $depth, string $own, Point $at): void
    {
        match ($e->type) {
            'INSERT' => $this->insert($e, $place, $depth, $own),
            'LINE' => $this->line($e, Contour::polygon([[$e->number(10), $e->number(20)], [$e->number(11), $e->number(21)]], false), $own, $place),
            'CIRCLE' => $this->line($e, $e->number(40) > 0 ? Contour::circle($e->number(10), $e->number(20), $e->number(40)) : null, $own, $place),
            'ARC' => $this->line($e, Curves::arc($e->number(10), $e->number(20), $e->number(40), $e->number(50), $e->number(51)), $own, $place),
            'ELLIPSE' => $this->line($e, Curves::ellipse($e), $own, $place),
            'SPLINE' => $this->line($e, Curves::spline($e), $own, $place),
            'LWPOLYLINE' => $this->polyline($e, $e->places(), $e->number(43), $own, $place),
            'POLYLINE' => $this->vertices($e, $own, $place),
            'HATCH' => $this->hatch($e, $own, $place),
            'SOLID', 'TRACE' => $this->area($e, Shape::of(Contour::polygon(self::corners($e, [10, 11, 13, 12]))), $own, $place),
            'TEXT', 'ATTRIB' => $this->words($e, $this->letters->line($e, $e->text(1)), $own, $place),
            'ATTDEF' => $depth > 0 && $e->is(70, 2) ? $this->words(
                $e,
                $this->letters->line($e, $e->text(1)),
                $own,
                $place,
            ) : ($depth > 0 ? null : $this->drawing->leaveOut('ATTDEF', self::NO_ART['ATTDEF'], $at)),
            'MTEXT' => $this->words($e, $this->letters->block($e), $own, $place),
            default => $this->drawing->leaveOut($e->type, self::NO_ART[$e->type] ?? 'it is not turned into lines', $at),
        };
    }

    /** Why a thing is not drawn; null for one that is. */
    private function sleeps(Entity $e, string $layer): ?string
    {
        $table = $this->file->layers[$layer] ?? null;

        return match (true) {
            $e->number(67) > 0 => 'on paper, beside the model',
            $e->number(60) > 0 || ($e->type === 'ATTRIB' && $e->is(70, 1)) => 'hidden',
            $table === null => null,
            $table->is(70, 1) => 'on layers that are frozen',
            $table->number(62) < 0 => 'on layers that are off',
            $table->has(290) && $table->number(290) < 1 => 'on layers that are not plotted',
            default => null,
        };
    }

    private function line(Entity $e, ?Contour $contour, string $layer, Matrix $place): void
    {
        if ($contour === null) {
            $this->drawing->leaveOut($e->type, 'it has no size, or cannot be read', $place->apply($e->number(10), $e->number(20)));

            return;
        }
        $line = $this->held($contour, $e)->transformed($place);
        $weight = $e->number(370, -1.0) >= 0 ? $e->number(370) : ($this->file->layers[$layer] ?? null)?->number(370) ?? 0.0;
        $key = sprintf('%.2F', max(0.0, $weight) / 100);
        $this->drawing->weights[$key] = ($this->drawing->weights[$key] ?? 0.0) + $line->roughLength();
        $this->drawing->layer($layer)->lines[] = $line;
    }

    /**
     * @param  list<array{float, float, float, float, float}>  $places  with bulge and widths
     * @param  float  $even  width all along
     */
    private function polyline(Entity $e, array $places, float $even, string $layer, Matrix $place): void
    {
        $closed = $e->is(70, 1);
        $contour = Curves::polyline(array_map(static fn (array $p): array => [$p[0], $p[1], $p[2]], $places), $closed);
        $widths = array_map(static fn (array $p): array => $even > 0 ? [$even, $even] : [$p[3], $p[4]], $closed ? $places : array_slice($places, 0, -1));
        $greatest = $widths === [] ? 0.0 : max(array_merge(...$widths));
        if ($contour === null || $greatest <= 0) {
            $this->line($e, $contour, $layer, $place);

            return;
        }
        $stops = null;
        if (array_filter($widths, static fn (array $w): bool => abs($w[0] - $greatest) > 1e-9 || abs($w[1] - $greatest) > 1e-9) !== []) {
            $stops = self::stops($places, $widths, $greatest, $closed);
            if ($stops === null) {
                $this->drawing->replace(
                    'A wide line with more changes of width than are kept is as wide as it is at most.',
                    $place->apply($places[0][0], $places[0][1]),
                );
            }
        }
        $this->drawing->layer($layer)->wide[] = (new DrawnLine($this->held($contour, $e), $greatest, $stops))->transformed($place);
    }

    /**
     * @param  list<array{float, float, float, float, float}>  $places
     * @param  list<array{float, float}>  $widths  at both ends of each stretch
     */
    private static function stops(array $places, array $widths, float $greatest, bool $closed): ?WidthStops
    {
        $long = [0.0];
        $n = count($places);
        foreach (array_keys($widths) as $i) {
            $piece = Curves::polyline([[$places[$i][0], $places[$i][1], $places[$i][2]], [$places[($i + 1) % $n][0], $places[($i + 1) % $n][1], 0.0]], false);
            $long[] = $long[$i] + ($piece?->length() ?? 0.0);
        }
        $all = max(1e-12, $long[count($long) - 1]);
        $stops = [];
        foreach ($widths as $i => [$from, $to]) {
            foreach ([[$long[$i] / $all, $from], [$long[$i + 1] / $all, $to]] as [$share, $width]) {
                $last = $stops === [] ? null : $stops[count($stops) - 1];
                if ($last === null || abs($last[0] - $share) > 1e-9 || abs($last[1] - $width / $greatest) > 1e-9) {
                    $stops[] = [$last !== null && abs($last[0] - $share) <= 1e-9 ? min(1.0, $share + 1e-6) : $share, $width / $greatest];
                }
            }
        }

        return $stops === [] || count($stops) > WidthStops::MOST ? null : ($closed ? (new WidthStops($stops))->closed() : new WidthStops($stops));
    }

    /** A polyline of release 12, whose vertices are things of their own. */
    private function vertices(Entity $e, string $layer, Matrix $place): void
    {
        if ($e->is(70, 16) || $e->is(70, 64)) {
            $this->drawing->leaveOut(
                'POLYLINE of a mesh',
                'it is a surface, no line',
                $place->apply(($e->vertices[0] ?? $e)->number(10), ($e->vertices[0] ?? $e)->number(20)),
            );

            return;
        }
        // Vertices that only frame a smooth curve lie beside it.
        $on = array_filter($e->vertices, static fn (Entity $v): bool => ! $v->is(70, 16));
        $width = static fn (Entity $v, int $code): float => $v->has($code) ? $v->number($code) : $e->number($code);
        $this->polyline(
            $e,
            array_values(array_map(static fn (Entity $v): array => [$v->number(10), $v->number(20), $v->number(42), $width($v, 40), $width($v, 41)], $on)),
            0.0,
            $layer,
            $place,
        );
    }

    private function hatch(Entity $e, string $layer, Matrix $place): void
    {
        [$area, $unread] = Hatch::area($e);
        $at = $area->box()?->middle();
        $at = $at === null ? $place->apply($e->number(10), $e->number(20)) : $place->apply($at->x, $at->y);
        if ($area->isEmpty()) {
            $this->drawing->leaveOut('HATCH', 'its border cannot be read', $at);

            return;
        }
        if ($unread > 0) {
            $this->drawing->replace('An edge round a hatch is of a kind that is not read; the border is closed straight there.', $at);
        }
        if ($e->number(450) > 0) {
            $this->drawing->replace('A hatch of changing colour is taken as an area of one.', $at);
        } elseif ($e->number(70) < 1) {
            $this->drawing->replace('A hatch of lines or a pattern is taken as a full area.', $at);
        }
        $this->area($e, $area, $layer, $place);
    }

    private function area(Entity $e, Shape $area, string $layer, Matrix $place): void
    {
        foreach ($area->contours as $contour) {
            $this->held($contour, $e);
        }
        $this->drawing->layer($layer)->areas[] = $area->transformed($place);
    }

    private function words(Entity $e, ?Words $words, string $layer, Matrix $place): void
    {
        // Letters that are empty draw nothing.
        if ($words !== null) {
            $this->held(Contour::polygon([[$e->number(10), $e->number(20)], [$e->number(10) + $words->height, $e->number(20)]], false), $e);
            $this->drawing->layer($layer)->words[] = $words->transformed($place);
        }
    }

    /**
     * @param  list<int>  $codes  of x, in the order round the area
     * @return list<array{float, float}>
     */
    private static function corners(Entity $e, array $codes): array
    {
        $corners = [];
        foreach ($codes as $code) {
            $corner = $e->has($code) ? [$e->number($code), $e->number($code + 10)] : [$e->number(12), $e->number(22)];
            if ($corners === [] || $corners[count($corners) - 1] !== $corner) {
                $corners[] = $corner;
            }
        }

        return $corners;
    }

    private function held(Contour $contour, Entity $e): Contour
    {
        foreach ($contour->coords as $value) {
            if (! is_finite($value) || abs($value) > 1e9) {
                throw FileRefused::because(sprintf('A %s of the DXF file lies too far off.', strtolower($e->type)));
            }
        }

        return $contour;
    }

    private function insert(Entity $e, Matrix $place, int $depth, string $layer): void
    {
        if ($depth >= self::DEPTH) {
            throw FileRefused::because(sprintf('The blocks of the DXF file stand in one another more than %d deep.', self::DEPTH));
        }
        $name = $e->text(2);
        if (! isset($this->file->blocks[$name]) && ! isset($this->file->bases[$name])) {
            $this->drawing->leaveOut(
                sprintf('block "%s"', mb_substr($name, 0, 40)),
                'the file does not hold it',
                $place->apply($e->number(10), $e->number(20)),
            );

            return;
        }
        [$bx, $by] = $this->file->bases[$name] ?? [0.0, 0.0];
        $columns = max(1, min(500, (int) $e->number(70, 1.0)));
        $rows = max(1, min(500, (int) $e->number(71, 1.0)));
        for ($r = 0; $r < $rows; $r++) {
            for ($c = 0; $c < $columns; $c++) {
                $matrix = Matrix::translation($e->number(10), $e->number(20))
                    ->after(Matrix::rotation($e->number(50)))
                    ->after(Matrix::translation($c * $e->number(44), $r * $e->number(45)))
                    ->after(Matrix::scaling($e->number(41, 1.0), $e->number(42, 1.0)))
                    ->after(Matrix::translation(-$bx, -$by));
                foreach ($this->file->blocks[$name] ?? [] as $one) {
                    Patience::ask(16);
                    if (++$this->made > self::MOST_ENTITIES) {
                        throw FileRefused::because(sprintf('The blocks of the DXF file come to more than %s entities.', number_format(self::MOST_ENTITIES)));
                    }
                    $this->draw($one, $place->after($matrix), $depth + 1, $layer);
                }
            }
        }
    }
}
