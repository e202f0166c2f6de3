<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Proof\Things;
use NeatEdge\Core\Recipe\Wrap\Net;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Type\FontShelf;
use NeatEdge\Pages\Dots;

/** What it takes to show art on things: art of 500 pieces on three mugs, another colour of one, and its picture in dots. */
final class ProofTimes
{
    private const TRIES = 7;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $art = Reader::read(Served::sheet(500))->artwork;
        $product = Things::product('quay');
        yield $this->figure('500 pieces in three places, from the art', 'under 2,000 ms', static function () use ($product, $art): void {
            Writer::write($product->shown([], $product->everywhere(Seen::of($art))));
        });
        // The art is known: only the thing has another colour.
        $laid = $product->everywhere(Seen::of($art));
        $stone = $product->coloured()[1]->id;
        yield $this->figure('another colour of the stone, the same art', 'under 500 ms', static function () use ($product, $laid, $stone): void {
            Writer::write($product->shown([$stone => new Colour(120, 60, 40)], $laid));
        });
        $mug = Things::product('mug');
        yield $this->figure('500 pieces on one mug', 'under 700 ms', static function () use ($mug, $art): void {
            $mug->shown([], $mug->everywhere(Seen::of($art)));
        });
        yield from $this->wraps($art);
        $svg = Writer::write($product->shown([], $laid));
        $start = hrtime(true);
        (new Dots)->png($svg, 1600);
        yield ['three mugs in 1,600 dots', sprintf('%.1f s', (hrtime(true) - $start) / 1e9), 'no target'];
        yield ['pieces of the picture', (string) self::pieces($product->shown([], $laid)), 'at least 1,500'];
    }

    /** @return iterable<array{string, string, string}> */
    private function wraps(Artwork $art): iterable
    {
        $ids = array_map(static fn (Piece $piece): string => $piece->id, $art->pieces);
        $shapes = array_filter(array_map(static fn (Piece $piece): ?Box => $piece->box(), $art->pieces));
        $box = Box::around(...$shapes) ?? new Box(0.0, 0.0, 1.0, 1.0);
        // Each second knot is pulled by a twentieth of the art.
        $lines = array_map(static function (Contour $line, int $k) use ($box): Contour {
            $coords = $line->coords;
            foreach ($coords as $i => $n) {
                $coords[$i] += 0.02 * $box->width() * sin($n);
            }

            return new Contour(array_values($coords), false);
        }, Net::straight($box, 4, 4)->lines()->contours, range(0, 7));
        $path = implode(' ', array_map(
            static fn (Contour $line): string => 'M'.implode(' ', array_slice($line->coords, 0, 2)).'C'.implode(' ', array_slice($line->coords, 2)),
            $lines,
        ));
        foreach ([
            'an arch' => ['shape' => 'arc', 'amount' => 0.3],
            'a round thing' => ['shape' => 'round', 'round' => '400mm', 'height' => '400mm', 'turn' => 10],
            'a net of four by four' => ['shape' => 'net', 'frame' => $path],
        ] as $name => $fields) {
            $edit = Edits::make('wrap', ['pieces' => $ids, ...$fields], FontShelf::shipped());
            yield $this->figure("500 pieces wrapped by {$name}", 'under 300 ms', static function () use ($edit, $art): void {
                $edit->apply($art);
            });
        }
    }

    /**
     * @param  callable(): void  $work
     * @return array{string, string, string}
     */
    private function figure(string $name, string $target, callable $work): array
    {
        $times = [];
        for ($k = 0; $k < self::TRIES; $k++) {
            $before = Timed::here();
            $work();
            $times[] = 1000 * (Timed::here() - $before);
        }
        sort($times);

        return ["{$name}: CPU, median, slowest of ".self::TRIES, sprintf('%.0f, %.0f ms', $times[intdiv(self::TRIES, 2)], $times[self::TRIES - 1]), $target];
    }

    private static function pieces(Artwork $artwork): int
    {
        return count($artwork->pieces);
    }
}
