<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\PlanarMap\Combine;

/**
 * Whole processes against two general-purpose path libraries, both compiled to WebAssembly: one keeps curves, one
 * flattens to polygons. CPU time, user and system, medians of five, taken in turns; nodes and area of what comes out.
 */
final class Compare
{
    private const TIMES = 5;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $folder = sys_get_temp_dir().'/neat-edge-compare-'.getmypid();
        mkdir($folder);
        try {
            $growth = [];
            foreach (self::works() as $name => [$work, $svg, $size]) {
                $input = "{$folder}/in.svg";
                file_put_contents($input, $svg());
                $cpu = ['ours' => [], 'curves' => [], 'polygons' => []];
                for ($k = 0; $k < self::TIMES; $k++) {
                    foreach (array_keys($cpu) as $who) {
                        $cpu[$who][] = self::run($who, $work, $input, "{$folder}/{$who}.svg");
                    }
                }
                $median = array_map(Timed::median(...), $cpu);
                [$nodes, $area] = [[], []];
                foreach (array_keys($cpu) as $who) {
                    [$nodes[$who], $area[$who]] = self::outcome("{$folder}/{$who}.svg");
                }
                if ($size > 0) {
                    $growth[$size] = $median['ours'];
                }
                yield [
                    $name,
                    sprintf('%.2f / %.2f / %.2f s', $median['ours'], $median['curves'], $median['polygons']),
                    $size >= 4000 ? sprintf(
                        '%.2f of curves (under 1), %.2f of polygons (at most 1.3)',
                        $median['ours'] / $median['curves'],
                        $median['ours'] / $median['polygons'],
                    )
                        : sprintf('%.2f of curves (under 1), %.2f of polygons', $median['ours'] / $median['curves'], $median['ours'] / $median['polygons']),
                ];
                yield ['    nodes; area, mm²', sprintf('%d / %d / %d', ...array_values($nodes)), sprintf('%.3f / %.3f / %.3f', ...array_values($area))];
            }
            yield ['growth exponent, N = 1000 to 16,000, whole process', sprintf('%.3f', log($growth[16000] / $growth[1000]) / log(16)), 'at most 1.1'];
        } finally {
            array_map(unlink(...), glob("{$folder}/*") ?: []);
            rmdir($folder);
        }
    }

    /** @return array<string, array{string, \Closure(): string, int}> name => work, drawing, number of shapes where it grows */
    private static function works(): array
    {
        $works = [
            'emoji: 200 on a sheet, visible' => ['visible', Works::emoji(...), 0],
            'icons: 400 outlined and welded' => ['weld', Works::icons(...), 0],
        ];
        foreach ([250, 1000, 4000, 16000] as $n) {
            $works["shapes: {$n} welded"] = ['weld', static fn (): string => Works::scene($n), $n];
        }

        return $works + ['map: 3000 lands welded' => ['weld', Works::map(...), 0], 'tiles: 60 x 60 and circles welded' => ['weld', Works::tiles(...), 0]];
    }

    /** @return float CPU seconds */
    private static function run(string $who, string $work, string $input, string $output): float
    {
        $root = dirname(__DIR__, 2);
        $command = match ($who) {
            'ours' => ["{$root}/bin/neat-edge", $work, ...($work === 'weld' ? ['--by=all'] : []), $input, '-o', $output],
            default => ['node', "{$root}/bench/compare/{$who}.mjs", $work, $input, $output],
        };

        return Timed::cpu($command);
    }

    /** @return array{int, float} nodes, and the area in mm² of all pieces */
    private static function outcome(string $file): array
    {
        $artwork = Reader::read((string) file_get_contents($file))->artwork;
        $nodes = 0;
        $area = 0.0;
        foreach ($artwork->pieces as $piece) {
            $nodes += $piece->shape->nodeCount();
            // By their own fill rule, whichever way round they are written.
            $area += Combine::weld([$piece->shape])->area();
        }

        return [$nodes, $area];
    }
}
