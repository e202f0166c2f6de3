<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Prepare\RemoveHidden;
use NeatEdge\Core\Tests\Support\RealArt;
use NeatEdge\Core\Tests\Support\Render;
use Throwable;

/** Real artwork, outlined and without hidden areas, seen at 1600 px by librsvg, and by resvg where that differs. */
final class Look
{
    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        foreach (['icons', 'emoji'] as $set) {
            foreach ([new OutlineStrokes, new RemoveHidden] as $step) {
                $same = 0;
                $crashed = 0;
                $slowest = 0.0;
                $wrong = [];
                foreach (RealArt::of($set, 100) as $name => $svg) {
                    try {
                        $start = hrtime(true);
                        $out = Writer::write($step->apply(Reader::read($svg)->artwork));
                        $slowest = max($slowest, (hrtime(true) - $start) / 1e6);
                        Render::looksSame($svg, $out, 1600) ? $same++ : $wrong[] = $name;
                    } catch (Throwable) {
                        $crashed++;
                    }
                }
                yield ["100 {$set}, {$step->key()}: look the same".($wrong === [] ? '' : ' (not: '.implode(' ', $wrong).')'), "{$same} %", 'at least 99 %'];
                yield ["100 {$set}, {$step->key()}: crashed, slowest", sprintf('%d, %.0f ms', $crashed, $slowest), '0, under 5 s'];
            }
        }
    }
}
