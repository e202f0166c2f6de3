<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use Closure;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Prepare\RemoveHidden;
use NeatEdge\Core\Sheet\Sheet;
use NeatEdge\Core\Tests\Support\RealArt;
use NeatEdge\Core\Tests\Support\Render;
use Throwable;

/**
 * Real artwork of several kinds, before and after each operation, seen by librsvg, and by resvg where that differs. A
 * file that does not look the same is explained where reading named what it could not take, or where it is see-through.
 */
final class Look
{
    private const FILES = 200;

    /** Sets that have fewer. */
    private const SMALL = ['weather' => 122, 'weather-lines' => 122];

    private const WIDTH = 800;

    /** @param  list<string>  $sets */
    public function __construct(private readonly array $sets = ['icons', 'strokes', 'emoji', 'flags', 'round-flags', 'weather', 'weather-lines', 'map-signs'])
    {
    }

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        foreach ($this->sets as $set) {
            $same = array_fill_keys(array_keys(self::operations()), 0);
            $explained = $wrong = $crashed = array_fill_keys(array_keys($same), []);
            $slowest = 0.0;
            $files = RealArt::of($set, self::SMALL[$set] ?? self::FILES);
            foreach ($files as $name => $svg) {
                foreach (self::operations() as $operation => $apply) {
                    try {
                        $start = hrtime(true);
                        $drawing = Reader::read($svg);
                        $out = Writer::write($apply($drawing->artwork));
                        $slowest = max($slowest, (hrtime(true) - $start) / 1e6);
                        if (Render::looksSame($svg, $out, self::WIDTH)) {
                            $same[$operation]++;
                        } elseif ($drawing->findings !== [] || self::isSeeThrough($drawing->artwork)) {
                            $explained[$operation][] = $name;
                        } else {
                            $wrong[$operation][] = $name;
                        }
                    } catch (Throwable $failure) {
                        $crashed[$operation][] = "{$name} ({$failure->getMessage()})";
                    }
                }
            }
            foreach (array_keys($same) as $operation) {
                $judged = max(1, count($files) - count($explained[$operation]));
                $list = [...$wrong[$operation], ...$crashed[$operation]];
                yield [
                    count($files)." {$set}, {$operation}: look the same".($list === [] ? '' : ' (not: '.implode(' ', array_slice($list, 0, 12)).')'),
                    sprintf(
                        '%d same, %d explained, %d wrong: %.1f %%',
                        $same[$operation],
                        count($explained[$operation]),
                        count($list),
                        100 * $same[$operation] / $judged,
                    ),
                    'at least 99.5 %',
                ];
            }
            yield ["{$set}: slowest", sprintf('%.0f ms', $slowest), 'under 5 s'];
        }
    }

    /** @return array<string, Closure(Artwork): Artwork> */
    private static function operations(): array
    {
        return [
            'outline' => static fn (Artwork $art): Artwork => (new OutlineStrokes)->apply($art),
            'visible' => static fn (Artwork $art): Artwork => (new RemoveHidden)->apply($art),
            'weld' => static fn (Artwork $art): Artwork => (new MergeByColour)->apply($art),
            // The sheets, each written and read by itself, laid on one another again.
            'split' => static function (Artwork $art): Artwork {
                $pieces = [];
                foreach (Sheet::allOf((new MergeByColour)->apply($art)) as $sheet) {
                    array_push($pieces, ...Reader::read(Writer::write($sheet->artwork()))->artwork->pieces);
                }

                return $art->withPieces($pieces);
            },
        ];
    }

    private static function isSeeThrough(Artwork $art): bool
    {
        return array_filter($art->pieces, static fn (Piece $piece): bool => ($piece->fill !== null && ! $piece->fill->isFlatColour())
            || ($piece->fill->opacity ?? 1.0) < 1.0
            || ($piece->stroke !== null && (! $piece->stroke->paint->isFlatColour() || $piece->stroke->paint->opacity < 1.0))) !== [];
    }
}
