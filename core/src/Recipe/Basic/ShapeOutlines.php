<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Basic;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Recipe\Corners\RoundCorners;

/** The outlines of basic shapes, about the origin. */
final class ShapeOutlines
{
    /**
     * @param  array<string, float|string|bool>  $values  every field of the kind, within its bounds
     * @return list<Contour>
     */
    public static function of(ShapeKind $kind, array $values): array
    {
        $n = static fn (string $name): float => (float) $values[$name];
        [$w, $h] = [$n('width') / 2, $n('height') / 2];

        return match ($kind) {
            ShapeKind::Rectangle => [self::rectangle($w, $h, [$n('topLeft'), $n('topRight'), $n('bottomRight'), $n('bottomLeft')])],
            ShapeKind::Ellipse => self::ellipse($w, $h, $n('start'), $n('sweep'), $n('inner'), $values['ends'] === 'arc'),
            ShapeKind::Polygon => self::cornered(self::spokes((int) $n('sides'), [1.0], $w, $h), $n('round')),
            ShapeKind::Star => self::cornered(self::spokes(2 * (int) $n('points'), [1.0, $n('inner')], $w, $h), $n('round')),
            ShapeKind::Heart => [self::heart($w, $h, $n('cleft'))],
            ShapeKind::Banner => self::banner($w, $h, $n('depth'), $n('overlap'), $n('tail'), $n('notch')),
            ShapeKind::Drop => [self::drop($w, $h)],
            ShapeKind::Arrow => [self::arrow($w, $h, min($n('head'), 2 * $w), min($n('shaft') / 2, $h))],
            ShapeKind::Line => [Contour::polygon([[-$w, -$h], [$w, $h]], false)],
        };
    }

    /**
     * Radii that would meet are held as CSS has it: all by the same factor (Backgrounds and Borders 3, 5.5).
     *
     * @param  array{float, float, float, float}  $radii  from the top left, clockwise
     */
    private static function rectangle(float $w, float $h, array $radii): Contour
    {
        [$a, $b, $c, $d] = $radii;
        $fit = 1.0;
        foreach ([[2 * $w, $a + $b], [2 * $w, $c + $d], [2 * $h, $b + $c], [2 * $h, $d + $a]] as [$room, $wanted]) {
            $fit = $wanted > $room ? min($fit, $room / $wanted) : $fit;
        }
        [$a, $b, $c, $d] = [$a * $fit, $b * $fit, $c * $fit, $d * $fit];
        $pen = new Pen;
        $pen->moveTo(-$w + $a, -$h);
        foreach ([
            [$w - $b, -$h, $w, -$h + $b, $b],
            [$w, $h - $c, $w - $c, $h, $c],
            [-$w + $d, $h, -$w, $h - $d, $d],
            [-$w, -$h + $a, -$w + $a, -$h, $a],
        ] as [$x, $y, $ex, $ey, $radius]) {
            [$px, $py] = $pen->position();
            if (abs($px - $x) + abs($py - $y) > 1e-9) {
                $pen->lineTo($x, $y);
            }
            if ($radius > 1e-9) {
                $pen->arcTo($radius, $radius, 0, false, true, $ex, $ey);
            }
        }
        $pen->close();

        return $pen->contours()[0];
    }

    /** @return list<Contour> */
    private static function ellipse(float $w, float $h, float $start, float $sweep, float $inner, bool $open): array
    {
        $hole = $inner > 1e-6;
        if ($sweep >= 360.0 - 1e-9) {
            $outer = Contour::ellipse(0, 0, $w, $h);

            return $hole ? [$outer, Contour::ellipse(0, 0, $w * $inner, $h * $inner)->reversed()] : [$outer];
        }
        $pen = new Pen;
        $at = static fn (float $degrees, float $share): array => [$w * $share * cos(deg2rad($degrees)), $h * $share * sin(deg2rad($degrees))];
        [$x, $y] = $at($start, 1.0);
        $pen->moveTo($x, $y);
        self::arc($pen, $w, $h, $start, $start + $sweep);
        if ($open) {
            $contours = $pen->contours();
            if ($hole) {
                $pen = new Pen;
                [$x, $y] = $at($start, $inner);
                $pen->moveTo($x, $y);
                self::arc($pen, $w * $inner, $h * $inner, $start, $start + $sweep);
                array_push($contours, ...$pen->contours());
            }

            return $contours;
        }
        if ($hole) {
            [$x, $y] = $at($start + $sweep, $inner);
            $pen->lineTo($x, $y);
            self::arc($pen, $w * $inner, $h * $inner, $start + $sweep, $start);
        } else {
            $pen->lineTo(0, 0);
        }
        $pen->close();

        return $pen->contours();
    }

    /** Cubics of at most a quarter turn; the ellipse is about the origin and the pen stands at its first angle. */
    private static function arc(Pen $pen, float $rx, float $ry, float $from, float $to): void
    {
        $parts = max(1, (int) ceil(abs($to - $from) / 90 - 1e-9));
        $step = deg2rad(($to - $from) / $parts);
        $k = 4 / 3 * tan($step / 4);
        $a = deg2rad($from);
        for ($i = 0; $i < $parts; $i++) {
            $b = $a + $step;
            $pen->cubicTo(
                $rx * (cos($a) - $k * sin($a)), $ry * (sin($a) + $k * cos($a)),
                $rx * (cos($b) + $k * sin($b)), $ry * (sin($b) - $k * cos($b)),
                $rx * cos($b), $ry * sin($b),
            );
            $a = $b;
        }
    }

    /**
     * @param  non-empty-list<float>  $lengths  of the spokes in turn, as shares
     * @return list<array{float, float}>
     */
    private static function spokes(int $count, array $lengths, float $w, float $h): array
    {
        $spokes = [];
        for ($i = 0; $i < $count; $i++) {
            $angle = 2 * M_PI * $i / $count - M_PI / 2;
            $share = $lengths[$i % count($lengths)];
            $spokes[] = [$w * $share * cos($angle), $h * $share * sin($angle)];
        }

        return $spokes;
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return list<Contour>
     */
    private static function cornered(array $points, float $radius): array
    {
        $shape = Shape::of(Contour::polygon($points));
        if ($radius > 0) {
            $corners = array_map(static fn (int $node): array => [0, $node, $radius], array_keys($points));
            $shape = (new RoundCorners($corners))->on($shape);
        }

        return $shape->contours;
    }

    private static function heart(float $w, float $h, float $cleft): Contour
    {
        $k = Pen::QUARTER;
        $c = -1 + 2 * $cleft;
        $right = [[0.06, $c - 0.65 * (1 + $c), 0.25, -1, 0.5, -1], [0.5 + 0.5 * $k, -1, 1, -0.5 - 0.5 * $k, 1, -0.5], [1, 0.1, 0.42, 0.5, 0, 1]];
        $coords = [0.0, $c * $h];
        foreach ($right as $s) {
            array_push($coords, $s[0] * $w, $s[1] * $h, $s[2] * $w, $s[3] * $h, $s[4] * $w, $s[5] * $h);
        }
        $half = new Contour($coords, false);
        $other = $half->transformed(Matrix::scaling(-1, 1))->reversed();
        $coords = [...$half->coords, ...array_slice($other->coords, 2)];

        return new Contour([...array_slice($coords, 0, -2), $coords[0], $coords[1]], true);
    }

    /**
     * The band, then each tail with the fold that leads behind the band: five outlines side by side, none over another.
     *
     * @return list<Contour>
     */
    private static function banner(float $w, float $h, float $depth, float $overlap, float $tail, float $notch): array
    {
        $depth = min($depth, 1.9 * $h);
        $tail = min($tail, 0.9 * $w);
        $band = $w - $tail;
        $overlap = min($overlap, $band);
        $notch = min($notch, $tail * 0.95);
        $contours = [Contour::polygon([[-$band, -$h], [$band, -$h], [$band, $h - $depth], [-$band, $h - $depth]])];
        $left = [[[-$w, -$h + $depth], [-$band, -$h + $depth], [-$band, $h - $depth], [-$band + $overlap, $h], [-$w, $h]]];
        if ($notch > 0) {
            $left[0][] = [-$w + $notch, $depth / 2];
        }
        if ($depth > 0 && $overlap > 0) {
            $left[] = [[-$band, $h - $depth], [-$band + $overlap, $h - $depth], [-$band + $overlap, $h]];
        }
        foreach ($left as $points) {
            $contour = Contour::polygon($points);
            $contours[] = $contour;
            $contours[] = $contour->transformed(Matrix::scaling(-1, 1))->reversed();
        }

        return $contours;
    }

    /** Two straight sides that meet in the tip and touch the round of the foot. */
    private static function drop(float $w, float $h): Contour
    {
        $high = max($h, 1.1 * $w);
        $middle = $high - $w;
        $reach = 2 * $high - $w;
        // Where a tangent from the tip touches the round.
        $angle = asin($w / $reach);
        $turn = rad2deg($angle);
        $pen = new Pen;
        $pen->moveTo(0, -$high - $middle);
        $pen->lineTo($w * cos($angle), -$w * sin($angle));
        // Nodes at the extrema.
        foreach ([[-$turn, 0.0], [0.0, 90.0], [90.0, 180.0], [180.0, 180.0 + $turn]] as [$from, $to]) {
            self::arc($pen, $w, $w, $from, $to);
        }
        $pen->close();

        return $pen->contours()[0]->transformed(Matrix::scaling(1, $h / $high)->after(Matrix::translation(0, $middle)));
    }

    private static function arrow(float $w, float $h, float $head, float $shaft): Contour
    {
        $neck = $w - $head;
        $points = [[-$w, -$shaft], [$neck, -$shaft], [$neck, -$h], [$w, 0.0], [$neck, $h], [$neck, $shaft], [-$w, $shaft]];

        return Contour::polygon($head >= 2 * $w - 1e-9 ? array_slice($points, 2, 3) : $points);
    }
}
