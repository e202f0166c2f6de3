<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use Closure;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Flat\Merging;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Prepare\UnderLimits;
use NeatEdge\Core\Tests\Support\RandomArt;

/** Every step and every check on art that doubles: what takes more than its share of the time is named. One process, least of three, CPU. */
final class Doubling
{
    /** Pieces, and their double. */
    private const PIECES = 500;

    /** Seconds under which a time says nothing of growth. */
    private const LEAST = 0.03;

    /** n log n of the double, with what the machine drifts. */
    private const MOST = 2.7;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $kinds = [
            'pieces over each other' => self::over(...),
            'pieces side by side' => self::beside(...),
            'colours' => self::colours(...),
            'holes' => self::holes(...),
        ];
        foreach ($kinds as $kind => $art) {
            [$small, $large] = [$art(self::PIECES), $art(2 * self::PIECES)];
            foreach ($this->work() as $name => $work) {
                try {
                    $ready = [$work($small), $work($large)];
                } catch (Refused) {
                    continue;
                }
                [$few, $many] = [self::least($ready[0]), self::least($ready[1])];
                if ($many < self::LEAST) {
                    continue;
                }
                $growth = $many / max($few, 1e-4);
                yield [
                    "{$name}, {$kind}",
                    sprintf('%.0f, %.0f ms: %.2f', 1000 * $few, 1000 * $many, $growth),
                    sprintf('at most %.1f%s', self::MOST, $growth > self::MOST ? ': MORE' : ''),
                ];
            }
        }
    }

    /** @return iterable<string, Closure(Artwork): Closure> what is measured, on some art that was made ready */
    private function work(): iterable
    {
        $limits = new Limits(0.5, 0.5, 2.0, 1.0);
        foreach (Steps::catalogue() as $kind => $_) {
            yield $kind => static function (Artwork $art) use ($kind, $limits): Closure {
                $step = Steps::make($kind);
                $step = $step instanceof UnderLimits ? $step->under($limits) : $step;

                return static fn () => $step->apply($art);
            };
        }
        foreach (Inspection::rules($limits) as $rule) {
            yield 'check '.array_values($rule::about())[0]->kind => static function (Artwork $art) use ($rule): Closure {
                $merged = Merging::laid($art);

                // What is remembered of pieces is not to help.
                return static fn () => $rule->findings($art, self::anew($merged));
            };
        }
    }

    private static function anew(Artwork $art): Artwork
    {
        return $art->with(apart: $art->apart, pieces: array_map(static fn (Piece $piece): Piece => clone $piece, $art->pieces));
    }

    /** @param  Closure(): mixed  $work */
    private static function least(Closure $work): float
    {
        $least = INF;
        for ($k = 0; $k < 3 && ($k < 1 || $least < 2.0); $k++) {
            $before = Timed::here();
            $work();
            $least = min($least, Timed::here() - $before);
        }

        return $least;
    }

    private static function over(int $n): Artwork
    {
        $side = 10 * sqrt($n);

        return new Artwork($side, $side, self::painted(Works::shapes($n), 30));
    }

    private static function beside(int $n): Artwork
    {
        $art = new RandomArt(5);
        $columns = (int) ceil(sqrt($n));
        $shapes = [];
        for ($i = 0; $i < $n; $i++) {
            $shapes[] = Shape::of($art->star(6.0 + 12.0 * ($i % $columns), 6.0 + 12.0 * intdiv($i, $columns), 4.0, 7));
        }

        return new Artwork(12.0 * $columns, 12.0 * $columns, self::painted($shapes, 6));
    }

    private static function colours(int $n): Artwork
    {
        $n = intdiv($n, 4);
        $columns = (int) ceil(sqrt($n));
        $shapes = [];
        for ($i = 0; $i < $n; $i++) {
            $shapes[] = Shape::of(Contour::rectangle(6.0 * ($i % $columns), 6.0 * intdiv($i, $columns), 5.0, 5.0));
        }

        return new Artwork(6.0 * $columns, 6.0 * $columns, self::painted($shapes, $n));
    }

    private static function holes(int $n): Artwork
    {
        $columns = (int) ceil(sqrt($n));
        $side = 10.0 * $columns;
        $contours = [Contour::rectangle(0.0, 0.0, $side, $side)];
        for ($i = 0; $i < $n; $i++) {
            $contours[] = Contour::circle(5.0 + 10.0 * ($i % $columns), 5.0 + 10.0 * intdiv($i, $columns), 3.0)->reversed();
        }

        return new Artwork($side, $side, self::painted([new Shape($contours), Shape::of(Contour::rectangle(2.0, 2.0, $side - 4.0, 2.5))], 2));
    }

    /**
     * @param  list<Shape>  $shapes
     * @return list<Piece>
     */
    private static function painted(array $shapes, int $colours): array
    {
        $pieces = [];
        foreach ($shapes as $i => $shape) {
            $k = $i % $colours;
            $pieces[] = new Piece("p{$i}", $shape, new Paint(new Colour((37 * $k + 20) % 256, (91 * $k + 60) % 256, (151 * $k + 90 + intdiv($k, 256)) % 256)));
        }

        return $pieces;
    }
}
