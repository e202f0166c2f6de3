<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Plt;

use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Format\Lines\LineDrawing;
use NeatEdge\Core\Format\Lines\Words;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;

/**
 * Reads plotter language: lines with the pen down, packed lines, arcs, circles and curves as lines by pen; filled rectangles, wedges and polygons as areas;
 * labels
 * as letters. What draws and is not taken is named.
 */
final class PltReader
{
    private const MOST_PLACES = 1_000_000;

    /** Instructions that draw nothing: how a pen goes, what a machine is told and asked. */
    private const SILENT = [
        'AC', 'AF', 'AH', 'AP', 'AS', 'BP', 'CA', 'CF', 'CM', 'CO', 'CP', 'CR', 'CS', 'CT', 'CV', 'DC', 'DL', 'DP', 'DS', 'DT', 'EC', 'FR', 'FS',
        'FT', 'GM', 'GP', 'IM', 'IV', 'KY', 'LA', 'MC', 'MG', 'MT', 'ND', 'NP', 'NR', 'OA', 'OC', 'OD', 'OE', 'OF', 'OG', 'OH', 'OI', 'OK', 'OL',
        'OO', 'OP', 'OS', 'OT', 'OW', 'PB', 'PG', 'PS', 'PT', 'PW', 'QL', 'RF', 'RP', 'SA', 'SB', 'SD', 'SS', 'ST', 'SV', 'TD', 'TL', 'TR', 'UL',
        'VA', 'VN', 'VS', 'WU', 'ZZ',
    ];

    /** mm: the letters that a plotter begins with, across and up. */
    private const LETTER = [2.85, 3.75];

    private LineDrawing $drawing;

    private Scale $scale;

    /** @var list<array{float, float}> the line that is being drawn, mm */
    private array $line = [];

    /** @var list<list<array{float, float}>>|null lines of the polygon that is being told, mm; null outside one */
    private ?array $polygon = null;

    /** @var list<list<array{float, float}>> the last polygon that was told */
    private array $told = [];

    private float $x = 0.0;

    private float $y = 0.0;

    private bool $down = false;

    private bool $relative = false;

    /** Whether the next place, not that of the pen, begins a part of a polygon. */
    private bool $next = false;

    private string $pen = 'pen 1';

    /** @var array{float, float} mm across and up */
    private array $letter = self::LETTER;

    private float $direction = 0.0;

    private float $slant = 0.0;

    private int $origin = 1;

    private int $places = 0;

    private function __construct()
    {
        $this->drawing = new LineDrawing;
        $this->scale = new Scale;
    }

    /** @throws FileRefused */
    public static function drawing(string $bytes): LineDrawing
    {
        $self = new self;
        $number = 0;
        foreach ((new PltScanner($bytes))->instructions() as [$word, $rest]) {
            Patience::ask(8);
            $number++;
            if ($word === 'PE') {
                $self->packed($rest);
            } elseif ($word === 'LB') {
                $self->label($rest);
            } else {
                $values = preg_match_all('/[-+]?(?:\d+\.?\d*|\.\d+)/', $rest, $numbers) ? array_map(floatval(...), $numbers[0]) : [];
                foreach ($values as $value) {
                    if (abs($value) > 1e8) {
                        throw FileRefused::because(sprintf('Instruction %d of the PLT file names a place that lies too far off.', $number));
                    }
                }
                $self->do($word, $values);
            }
        }
        if ($number === 0) {
            throw FileRefused::because('The PLT file holds no instructions.');
        }
        $self->lift();

        return $self->drawing;
    }

    /** @param  list<float>  $v */
    private function do(string $word, array $v): void
    {
        $this->moves($word, $v) || $this->encloses($word, $v) || $this->sets($word, $v)
            || in_array($word, self::SILENT, true)
            || $this->drawing->leaveOut("instruction {$word}", 'it is not turned into lines', $this->at());
    }

    /**
     * Pens and lines.
     *
     * @param  list<float>  $v
     * @return bool whether it is one of them
     */
    private function moves(string $word, array $v): bool
    {
        match ($word) {
            'SP' => $this->choose((int) ($v[0] ?? 0)),
            'PU' => $this->penUp($v),
            'PD' => $this->penDown($v),
            'PA' => $this->go($v, false),
            'PR' => $this->go($v, true),
            'AA' => $this->arc($v, false),
            'AR' => $this->arc($v, true),
            'AT' => $this->through($v, false),
            'RT' => $this->through($v, true),
            'BZ' => $this->curve($v, false),
            'BR' => $this->curve($v, true),
            default => $word = null,
        };

        return $word !== null;
    }

    /**
     * What comes back to where it began.
     *
     * @param  list<float>  $v
     * @return bool whether it is one of them
     */
    private function encloses(string $word, array $v): bool
    {
        match ($word) {
            'CI' => $this->circle($v[0] ?? 0.0),
            'EA' => $this->box($v, false, false),
            'ER' => $this->box($v, true, false),
            'RA' => $this->box($v, false, true),
            'RR' => $this->box($v, true, true),
            'EW' => $this->wedge($v, false),
            'WG' => $this->wedge($v, true),
            'PM' => $this->polygon((int) ($v[0] ?? 0)),
            'FP' => $this->fillPolygon(),
            'EP' => $this->edgePolygon(),
            default => $word = null,
        };

        return $word !== null;
    }

    /**
     * How all that follows is to be taken.
     *
     * @param  list<float>  $v
     * @return bool whether it is one of them
     */
    private function sets(string $word, array $v): bool
    {
        match ($word) {
            'IN' => $this->begin(true),
            'DF' => $this->begin(false),
            'IP' => $this->scaled(fn () => $this->scale->corners($v)),
            'SC' => $this->units($v),
            'RO' => $this->turned((int) ($v[0] ?? 0)),
            'SI' => $this->letter = count($v) >= 2 ? [10 * $v[0], 10 * $v[1]] : self::LETTER,
            'DI' => $this->direction = count($v) >= 2 ? rad2deg(atan2($v[1], $v[0])) : 0.0,
            'SL' => $this->slant = $v[0] ?? 0.0,
            'IW' => $v === [] ? null : $this->drawing->replace(
                'A window that cuts the drawing off (IW) is not heeded: what lies outside it is there too.',
                $this->at(),
            ),
            'LT' => $v === [] || (int) $v[0] === 0 ? null : $this->drawing->replace('Dashed lines (LT) are taken whole.', $this->at()),
            'LO' => $this->origin = (int) ($v[0] ?? 1),
            default => $word = null,
        };

        return $word !== null;
    }

    private function at(): Point
    {
        return $this->scale->matrix()->apply($this->x, $this->y);
    }

    /** All is as a plotter begins; corners and the place of the pen stay where only the defaults are asked for. */
    private function begin(bool $all): void
    {
        $this->lift();
        [$this->relative, $this->polygon, $this->told] = [false, null, []];
        [$this->letter, $this->direction, $this->slant, $this->origin] = [self::LETTER, 0.0, 0.0, 1];
        $at = $this->at();
        if ($all) {
            $this->scale = new Scale;
            [$this->x, $this->y, $this->pen] = [0.0, 0.0, 'pen 1'];

            return;
        }
        $this->scale->units([]);
        $this->stand($at);
    }

    /** @param  \Closure(): mixed  $change  of the scale: the pen stays where it is */
    private function scaled(\Closure $change): void
    {
        $this->lift(false);
        $at = $this->at();
        $change();
        $this->stand($at);
    }

    private function stand(Point $at): void
    {
        $here = $this->scale->matrix()->inverse()->apply($at->x, $at->y);
        [$this->x, $this->y] = [$here->x, $here->y];
    }

    /** @param  list<float>  $v */
    private function units(array $v): void
    {
        $this->scaled(function () use ($v): void {
            if (! $this->scale->units($v)) {
                throw FileRefused::because('The scale of the PLT file (SC) has no size.');
            }
        });
    }

    private function turned(int $degrees): void
    {
        if (! in_array($degrees, [0, 90, 180, 270], true)) {
            throw FileRefused::because(sprintf('The PLT file turns its sheet by %d degrees (RO); only quarters are known.', $degrees));
        }
        $this->scaled(fn () => $this->scale->turn($degrees));
    }

    private function choose(int $pen): void
    {
        $this->lift();
        $this->pen = 'pen '.max(1, $pen);
    }

    /** @param  list<float>  $v */
    private function penUp(array $v): void
    {
        $this->lift();
        $this->go($v, $this->relative);
    }

    /** @param  list<float>  $v */
    private function penDown(array $v): void
    {
        $this->down = true;
        $this->go($v, $this->relative);
    }

    private function lift(bool $up = true): void
    {
        if (count($this->line) > 1) {
            if ($this->polygon === null) {
                $this->drawing->layer($this->pen)->lines[] = Contour::polygon($this->line, false);
            } else {
                $this->polygon[] = $this->line;
            }
        }
        $this->line = [];
        $this->down = $up ? false : $this->down;
    }

    /** @param  list<float>  $v */
    private function go(array $v, bool $relative): void
    {
        $this->relative = $relative;
        for ($i = 0, $n = count($v) - 1; $i < $n; $i += 2) {
            $this->to($relative ? $this->x + $v[$i] : $v[$i], $relative ? $this->y + $v[$i + 1] : $v[$i + 1]);
        }
    }

    private function to(float $x, float $y): void
    {
        if (++$this->places > self::MOST_PLACES) {
            throw FileRefused::because(sprintf('The PLT file names more than %s places.', number_format(self::MOST_PLACES)));
        }
        // In a polygon every place counts, with the pen up or down.
        if ($this->down || $this->polygon !== null) {
            if ($this->line === [] && ! $this->next) {
                $this->line[] = $this->mm($this->x, $this->y);
            }
            $this->next = false;
            $this->line[] = $this->mm($x, $y);
        }
        [$this->x, $this->y] = [$x, $y];
    }

    /** @return array{float, float} */
    private function mm(float $x, float $y): array
    {
        $p = $this->scale->matrix()->apply($x, $y);

        return [$p->x, $p->y];
    }

    private function packed(string $text): void
    {
        foreach (Packed::moves($text) as [$how, $x, $y]) {
            if ($how === 'pen') {
                $this->choose((int) $x);

                continue;
            }
            $absolute = str_ends_with($how, 'to');
            if (str_starts_with($how, 'up')) {
                $this->lift();
            } else {
                $this->down = true;
            }
            $this->to($absolute ? $x : $this->x + $x, $absolute ? $y : $this->y + $y);
        }
    }

    /** @param  list<float>  $v  middle, degrees, perhaps a chord's angle */
    private function arc(array $v, bool $relative): void
    {
        if (count($v) >= 3) {
            [$cx, $cy] = $relative ? [$this->x + $v[0], $this->y + $v[1]] : [$v[0], $v[1]];
            $this->sweep($cx, $cy, deg2rad(max(-360.0, min(360.0, $v[2]))));
        }
    }

    private function sweep(float $cx, float $cy, float $sweep): void
    {
        $r = hypot($this->x - $cx, $this->y - $cy);
        $from = atan2($this->y - $cy, $this->x - $cx);
        // Chords that leave the arc by a hundredth of a millimetre at most.
        $mm = max(1e-6, $r * $this->scale->matrix()->meanScale());
        $step = 2 * acos(max(0.0, min(0.9999, 1 - 0.01 / $mm)));
        for ($k = 1, $n = max(4, min(2000, (int) ceil(abs($sweep) / $step))); $k <= $n; $k++) {
            $this->to($cx + $r * cos($from + $sweep * $k / $n), $cy + $r * sin($from + $sweep * $k / $n));
        }
    }

    /** @param  list<float>  $v  a place on the arc, and its end */
    private function through(array $v, bool $relative): void
    {
        if (count($v) < 4) {
            return;
        }
        [$ox, $oy] = $relative ? [$this->x, $this->y] : [0.0, 0.0];
        [$mx, $my, $ex, $ey] = [$v[0] + $ox, $v[1] + $oy, $v[2] + $ox, $v[3] + $oy];
        [$ax, $ay, $bx, $by] = [$mx - $this->x, $my - $this->y, $ex - $this->x, $ey - $this->y];
        $det = 2 * ($ax * $by - $ay * $bx);
        if (abs($det) < 1e-9 * (hypot($ax, $ay) * hypot($bx, $by) + 1e-12)) {
            $this->to($mx, $my);
            $this->to($ex, $ey);

            return;
        }
        $cx = $this->x + ($by * ($ax * $ax + $ay * $ay) - $ay * ($bx * $bx + $by * $by)) / $det;
        $cy = $this->y + ($ax * ($bx * $bx + $by * $by) - $bx * ($ax * $ax + $ay * $ay)) / $det;
        $sweep = atan2($ey - $cy, $ex - $cx) - atan2($this->y - $cy, $this->x - $cx);
        $sweep = $det > 0 ? fmod($sweep + 4 * M_PI, 2 * M_PI) : -fmod(4 * M_PI - $sweep, 2 * M_PI);
        $this->sweep($cx, $cy, $sweep);
    }

    private function circle(float $radius): void
    {
        if ($radius != 0.0) {
            $line = Contour::circle($this->x, $this->y, abs($radius))->transformed($this->scale->matrix());
            if ($this->polygon !== null) {
                $this->polygon[] = array_map(fn (array $p): array => [$p[0], $p[1]], self::chords($line));
            } else {
                $this->drawing->layer($this->pen)->lines[] = $line;
            }
        }
    }

    /** @return list<array{float, float}> */
    private static function chords(Contour $line): array
    {
        $chords = [];
        foreach ($line->closedSegments() as $s) {
            for ($k = 0; $k < 32; $k++) {
                $chords[] = Cubic::placeOn($s, $k / 32);
            }
        }

        return $chords;
    }

    /** @param  list<float>  $v */
    private function box(array $v, bool $relative, bool $filled): void
    {
        if (count($v) < 2) {
            return;
        }
        [$x, $y] = $relative ? [$this->x + $v[0], $this->y + $v[1]] : [$v[0], $v[1]];
        $line = Contour::polygon([$this->mm($this->x, $this->y), $this->mm($x, $this->y), $this->mm($x, $y), $this->mm($this->x, $y)]);
        $filled ? $this->drawing->layer($this->pen)->areas[] = Shape::of($line) : $this->drawing->layer($this->pen)->lines[] = $line;
    }

    /** @param  list<float>  $v  radius, angle of the start, sweep */
    private function wedge(array $v, bool $filled): void
    {
        if (count($v) < 3 || $v[0] == 0.0) {
            return;
        }
        $from = deg2rad($v[1] + ($v[0] < 0 ? 180.0 : 0.0));
        $sweep = deg2rad(max(-360.0, min(360.0, $v[2])));
        $points = abs($sweep) < 2 * M_PI - 1e-9 ? [$this->mm($this->x, $this->y)] : [];
        for ($k = 0, $n = max(4, (int) ceil(abs($sweep) / 0.02)); $k <= $n; $k++) {
            $points[] = $this->mm($this->x + abs($v[0]) * cos($from + $sweep * $k / $n), $this->y + abs($v[0]) * sin($from + $sweep * $k / $n));
        }
        $line = Contour::polygon($points);
        $filled ? $this->drawing->layer($this->pen)->areas[] = Shape::of($line) : $this->drawing->layer($this->pen)->lines[] = $line;
    }

    /** @param  list<float>  $v  two handles and an end, for each curve */
    private function curve(array $v, bool $relative): void
    {
        for ($i = 0; $i + 5 < count($v); $i += 6) {
            [$ox, $oy] = $relative ? [$this->x, $this->y] : [0.0, 0.0];
            $s = [$this->x, $this->y, $v[$i] + $ox, $v[$i + 1] + $oy, $v[$i + 2] + $ox, $v[$i + 3] + $oy, $v[$i + 4] + $ox, $v[$i + 5] + $oy];
            if ($this->down && $this->polygon === null) {
                $this->lift(false);
                $this->drawing->layer($this->pen)->lines[] = Contour::ofSegments([$s], false)->transformed($this->scale->matrix());
                [$this->x, $this->y] = [$s[6], $s[7]];
            } else {
                for ($k = 1; $k <= 32; $k++) {
                    $this->to(...Cubic::placeOn($s, $k / 32));
                }
            }
        }
    }

    /** @param  int  $how  0 begins a polygon, 1 ends a part of it, 2 ends it */
    private function polygon(int $how): void
    {
        if ($how === 0) {
            $down = $this->down;
            $this->lift();
            $this->down = $down;
            $this->polygon = [];
        } elseif ($this->polygon !== null) {
            $this->lift(false);
            $this->next = $how === 1;
            $told = $this->polygon;
            if ($how === 2 && $told !== null) {
                $this->told = $told;
                $this->polygon = null;
            }
        }
    }

    private function fillPolygon(): void
    {
        $lines = array_values(array_filter($this->told, static fn (array $line): bool => count($line) > 2));
        if ($lines !== []) {
            $this->drawing->layer($this->pen)->areas[] = new Shape(
                array_map(static fn (array $line): Contour => Contour::polygon($line), $lines),
                FillRule::Evenodd,
            );
        }
    }

    private function edgePolygon(): void
    {
        foreach ($this->told as $line) {
            $this->drawing->layer($this->pen)->lines[] = Contour::polygon($line, count($line) > 2);
        }
    }

    private function label(string $text): void
    {
        $text = mb_scrub(preg_match('//u', $text) === 1 ? $text : mb_convert_encoding($text, 'UTF-8', 'ISO-8859-1'));
        $plain = trim(str_replace(["\r\n", "\r"], "\n", (string) preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', '', $text)), "\n");
        $height = abs($this->letter[1]);
        if (trim($plain) === '' || $height <= 0) {
            return;
        }
        $at = $this->at();
        $matrix = Matrix::translation($at->x, $at->y)->after(Matrix::rotation($this->direction))->after(new Matrix(
            1.0,
            0.0,
            $this->slant,
            $this->letter[1] < 0 ? -1.0 : 1.0,
            0.0,
            0.0,
        ));
        $column = intdiv(max(1, $this->origin % 10 ?: 1) - 1, 3) % 3;
        $row = (max(1, $this->origin % 10 ?: 1) - 1) % 3;
        $this->drawing->layer($this->pen)->words[] = new Words(
            $plain,
            $height,
            $matrix,
            'monospace',
            align: ['start', 'middle', 'end'][$column],
            stand: ['base', 'middle', 'top'][$row],
        );
        // The pen goes on behind the letters: one and a half widths each.
        $along = $this->origin === 1 ? 1.5 * abs($this->letter[0]) * mb_strlen($plain) : 0.0;
        $this->stand(new Point($at->x + $along * cos(deg2rad($this->direction)), $at->y + $along * sin(deg2rad($this->direction))));
    }
}
