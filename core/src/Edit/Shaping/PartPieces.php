<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Edit\ShowsMarks;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Crossings;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\CurveThrough;
use NeatEdge\Core\Geometry\LinePlace;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\AnyOwner;

/**
 * P4: parts the chosen pieces along a line - drawn, straight by angle and place, or that of another piece - into equal slices, or into sectors. Every
 * part is a piece of its own with the paints of the whole; open lines and outlines without fill are cut where the line crosses them.
 */
final readonly class PartPieces implements Edit, ShowsMarks
{
    private const MOST = 400;

    /**
     * @param  list<string>  $ids
     * @param  list<Contour>  $line
     * @param  array{float, float}|null  $at
     */
    public function __construct(
        private array $ids,
        private array $line,
        private string $along,
        private ?float $angle,
        private ?array $at,
        private int $slices,
        private bool $byArea,
        private int $sectors,
        private bool $leadOn,
    ) {
    }

    public static function about(string $kind): About
    {
        return new About('Part', 'Cut into pieces along a line, into slices or into sectors.', [
            Field::words('line', 'Line', Field::PATH, help: 'path data in mm'),
            Field::words('along', 'Along the piece', Field::PIECE, help: 'the id of a piece whose lines part the others'),
            Field::angle('angle', 'Angle', 90.0),
            Field::words('at', 'Through', Field::PLACE, help: 'what a straight line goes through, or the middle of sectors; the middle when left out'),
            Field::count('slices', 'Slices', 0, 0, self::MOST),
            Field::choice('equal', 'Slices of equal', 'extent', ['extent' => 'Extent', 'area' => 'Area']),
            Field::count('sectors', 'Sectors', 0, 0, self::MOST),
            Field::flag('leadOn', 'Lead the line on where it falls short', false),
            Field::length('smooth', 'Smoothing', 0.0, 0.0, 'for a line drawn by hand', 100.0),
            ...Leftovers::fields(),
        ], 1, About::JOIN, 'P', About::DRAWS_LINE);
    }

    public static function from(Values $values): self
    {
        $line = $values->path('line');
        $smooth = $values->length('smooth');
        if ($smooth > 0.0) {
            $line = array_map(static fn (Contour $contour): Contour => self::smoothed($contour, $smooth), $line);
        }

        return new self(
            $values->pieces(), $line, $values->text('along'), $values->has('angle') ? $values->number('angle') : null, $values->place('at'),
            $values->count('slices'), $values->choice('equal') === 'area',
            $values->count('sectors'), $values->flag('leadOn'),
        );
    }

    private static function smoothed(Contour $line, float $deviation): Contour
    {
        $points = [[$line->coords[0], $line->coords[1]]];
        foreach ($line->segments() as $s) {
            $last = $points[count($points) - 1];
            if (! Cubic::isLine($s)) {
                return $line;
            }
            if (hypot($s[6] - $last[0], $s[7] - $last[1]) > 1e-6) {
                $points[] = [$s[6], $s[7]];
            }
        }

        return count($points) < 3 || $line->closed ? $line : Contour::ofSegments(CurveThrough::fit($points, $deviation), false);
    }

    public function label(): string
    {
        return $this->slices > 1 ? sprintf('Part in %d slices', $this->slices) : ($this->sectors > 1 ? sprintf('Part in %d sectors', $this->sectors) : 'Part');
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        unset($chosen[$this->along]);
        $free = FreeIds::in($artwork);
        $by = [];
        $lines = $this->along === '' ? null : $this->alongLines($artwork);
        foreach ($chosen as $piece) {
            $cuts = $lines ?? $this->cuts($piece, Chosen::box($chosen));
            $parts = self::parted($piece, $artwork, $cuts);
            if (count($parts) < 2 && $this->leadOn) {
                $parts = self::parted($piece, $artwork, array_map(static fn (Contour $cut): Contour => self::ledOn($cut, Chosen::box([$piece])), $cuts));
            }
            if (count($parts) > 1) {
                $by[$piece->id] = Outlined::parts($piece, $parts, $free);
            }
        }
        if ($by === []) {
            throw Refused::because($this->why($artwork, array_values($chosen)));
        }

        return Outlined::replaced($artwork, $by);
    }

    /** @return list<Contour> */
    private function alongLines(Artwork $artwork): array
    {
        $piece = $artwork->piece($this->along) ?? throw Refused::missingPiece($this->along);

        return $piece->shape->contours;
    }

    /**
     * The lines that part one of the pieces.
     *
     * @param  Box  $all  round all that are chosen
     * @return list<Contour>
     */
    private function cuts(Piece $piece, Box $all): array
    {
        if ($this->slices > 1) {
            return $this->sliceLines($piece);
        }
        $middle = ($this->sectors > 1 ? $piece->box() ?? $all : $all)->middle();
        [$x, $y] = $this->at ?? [$middle->x, $middle->y];
        $far = hypot($all->width(), $all->height()) + hypot($x - $all->middle()->x, $y - $all->middle()->y) + 1.0;
        if ($this->sectors > 1) {
            $rays = [];
            for ($k = 0; $k < $this->sectors; $k++) {
                $turn = deg2rad(($this->angle ?? 0.0) + 360 * $k / $this->sectors);
                $rays[] = Contour::polygon([[$x, $y], [$x + $far * cos($turn), $y + $far * sin($turn)]], false);
            }

            return $rays;
        }
        if ($this->line !== []) {
            return $this->line;
        }
        if ($this->angle === null) {
            throw Refused::because('Draw a line, or say an angle, slices or sectors.');
        }
        $turn = deg2rad($this->angle);

        return [Contour::polygon([[$x - $far * cos($turn), $y - $far * sin($turn)], [$x + $far * cos($turn), $y + $far * sin($turn)]], false)];
    }

    /** @return list<Contour> parallels at the angle, upright when none is said */
    private function sliceLines(Piece $piece): array
    {
        $turn = deg2rad($this->angle ?? 90.0);
        // The cut runs along (u, v); slices are counted across it.
        [$u, $v] = [cos($turn), sin($turn)];
        $edges = [];
        $least = INF;
        $most = -INF;
        foreach ($piece->shape->contours as $contour) {
            $ring = [];
            foreach ((new Contour($contour->coords, true))->closedSegments() as $s) {
                for ($k = 0, $n = Cubic::isLine($s) ? 1 : 64; $k < $n; $k++) {
                    [$x, $y] = Cubic::placeOn($s, $k / $n);
                    $ring[] = [$x * -$v + $y * $u, $x * $u + $y * $v];
                }
            }
            foreach ($ring as $i => [$across, $along]) {
                $least = min($least, $across);
                $most = max($most, $across);
                [$nextAcross, $nextAlong] = $ring[($i + 1) % count($ring)];
                $edges[] = [$across, $along, $nextAcross, $nextAlong];
            }
        }
        $lines = [];
        $box = $piece->box();
        $far = ($box === null ? 1.0 : hypot($box->width(), $box->height()) + abs($box->left) + abs($box->top)) + 1.0;
        $total = abs(self::areaUnder($edges, $most));
        for ($k = 1; $k < $this->slices; $k++) {
            $c = $least + ($most - $least) * $k / $this->slices;
            if ($this->byArea && $total > 0) {
                [$low, $high] = [$least, $most];
                for ($i = 0; $i < 60; $i++) {
                    $c = ($low + $high) / 2;
                    abs(self::areaUnder($edges, $c)) < $total * $k / $this->slices ? $low = $c : $high = $c;
                }
            }
            $lines[] = Contour::polygon([[-$c * $v - $far * $u, $c * $u - $far * $v], [-$c * $v + $far * $u, $c * $u + $far * $v]], false);
        }

        return $lines;
    }

    /**
     * Area of what lies below a value: the integral of the lesser of both along the outline.
     *
     * @param  list<array{float, float, float, float}>  $edges  across and along, at both ends
     */
    private static function areaUnder(array $edges, float $c): float
    {
        $sum = 0.0;
        foreach ($edges as [$a, $p, $b, $q]) {
            if ($a > $b) {
                [$a, $p, $b, $q, $sign] = [$b, $q, $a, $p, -1];
            } else {
                $sign = 1;
            }
            if ($c <= $a) {
                $sum += $sign * $c * ($q - $p);
            } elseif ($c >= $b) {
                $sum += $sign * ($a + $b) / 2 * ($q - $p);
            } else {
                $m = $p + ($q - $p) * ($c - $a) / ($b - $a);
                $sum += $sign * (($a + $c) / 2 * ($m - $p) + $c * ($q - $m));
            }
        }

        return $sum;
    }

    /**
     * @param  list<Contour>  $cuts
     * @return list<Shape> the parts of a piece; one when nothing parts it
     */
    private static function parted(Piece $piece, Artwork $artwork, array $cuts): array
    {
        if ($piece->fill === null) {
            return self::cutLines($piece, $cuts);
        }
        $tolerance = $artwork->tolerance();
        // Edges inside an outline that overlaps itself part nothing.
        $shape = PlanarMap::of([$piece->shape], $tolerance)->region(new AnyOwner);
        $before = count(self::cells($shape, [], $tolerance));
        $parts = self::cells($shape, $cuts, $tolerance);

        return count($parts) > $before ? $parts : [$piece->shape];
    }

    /**
     * @param  list<Contour>  $cuts
     * @return list<Shape>
     */
    private static function cells(Shape $shape, array $cuts, Tolerance $tolerance): array
    {
        $cells = PlanarMap::of([$shape], $tolerance, array_map(static fn (Contour $cut): Shape => Shape::of($cut), $cuts))->cells();

        return array_values($cells->shapes(array_filter(array_keys($cells->covers), static fn (int $cell): bool => $cells->covers[$cell] !== [])));
    }

    /**
     * @param  list<Contour>  $cuts
     * @return list<Shape>
     */
    private static function cutLines(Piece $piece, array $cuts): array
    {
        $lines = [];
        $parted = false;
        foreach ($piece->shape->contours as $line) {
            $n = count($line->closedSegments());
            $places = [];
            foreach (Crossings::on(0, [$line, ...$cuts]) as $crossing) {
                if ($crossing->b !== 0 && ($line->closed || ($crossing->g > 1e-6 && $crossing->g < $n - 1e-6))) {
                    $places[sprintf(
                        '%.6f',
                        $line->closed && $crossing->g > $n - 1e-6 ? 0.0 : $crossing->g,
                    )] = $line->closed && $crossing->g > $n - 1e-6 ? 0.0 : $crossing->g;
                }
            }
            $places = array_values($places);
            sort($places);
            if ($places === []) {
                $lines[] = $line;

                continue;
            }
            $parted = true;
            foreach ($line->closed ? $places : [0.0, ...$places] as $i => $from) {
                $to = ($line->closed ? $places[($i + 1) % count($places)] : $places[$i] ?? (float) $n);
                $part = LinePlace::between($line, $from, $to);
                if ($part !== null) {
                    $lines[] = $part;
                }
            }
        }

        return $parted ? array_map(static fn (Contour $line): Shape => Shape::of($line), $lines) : [$piece->shape];
    }

    private static function ledOn(Contour $cut, Box $box): Contour
    {
        if ($cut->closed) {
            return $cut;
        }
        $far = hypot($box->width(), $box->height());
        $more = LooseEnds::onward($cut, true, $far)->segments();
        $less = LooseEnds::onward($cut, false, $far)->reversed()->segments();

        return Contour::ofSegments([...$less, ...$cut->segments(), ...$more], false);
    }

    /** @param  list<Piece>  $pieces */
    private function why(Artwork $artwork, array $pieces): string
    {
        $short = null;
        foreach ($this->along !== '' ? $this->alongLines($artwork) : $this->line as $cut) {
            if ($cut->closed) {
                continue;
            }
            $lines = [...Lines::of($pieces)->contours, $cut];
            foreach ([true, false] as $atEnd) {
                $met = LooseEnds::ahead($lines, count($lines) - 1, $atEnd, 1000.0);
                $short = $met === null ? $short : max($short ?? 0.0, $met[2]);
            }
        }

        return $short === null ? 'The line does not cross any of the chosen pieces.' : sprintf(
            'The line falls short by %.2f mm; draw it further, or have it led on.',
            $short,
        );
    }

    public function marks(Artwork $artwork): array
    {
        $chosen = Chosen::in($artwork, $this->ids);
        unset($chosen[$this->along]);
        $marks = [];
        foreach ($chosen as $piece) {
            foreach ($this->along === '' ? $this->cuts($piece, Chosen::box($chosen)) : $this->alongLines($artwork) as $cut) {
                $marks[] = new Mark('stretch', $cut->coords[0], $cut->coords[1], '', Shape::of($cut));
            }
        }

        return $marks;
    }
}
