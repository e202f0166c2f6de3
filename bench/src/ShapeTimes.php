<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

/** How quick previews of shaping are over HTTP: each operation on 20 and on 200 pieces, cells, and a weave of 40 crossings. */
final class ShapeTimes
{
    private const TRIES = 21;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $served = new Served;
        foreach ([[20, 80], [200, 300]] as [$count, $target]) {
            yield from $this->operations($count, $target);
        }
        yield $this->cells();
        yield $this->weave();
        unset($served);
    }

    /** Stars of twenty nodes that overlap their neighbours. */
    private static function stars(int $count): string
    {
        mt_srand(11);
        $across = (int) ceil(sqrt($count));
        $body = '';
        for ($k = 0; $k < $count; $k++) {
            [$x, $y] = [10 * ($k % $across) + 10, 10 * intdiv($k, $across) + 10];
            $points = [];
            for ($i = 0; $i < 20; $i++) {
                $r = $i % 2 === 0 ? 7.0 : 4.0 + mt_rand(0, 100) / 100;
                $points[] = sprintf('%.3F,%.3F', $x + $r * cos($i * M_PI / 10), $y + $r * sin($i * M_PI / 10));
            }
            $body .= sprintf('<polygon points="%s" fill="#%06x"/>', implode(' ', $points), mt_rand(0, 3) * 0x402010 + 0x101010);
        }
        $side = 10 * $across + 20;

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$side}mm\" height=\"{$side}mm\" viewBox=\"0 0 {$side} {$side}\">{$body}</svg>";
    }

    /** @return iterable<array{string, string, string}> */
    private function operations(int $count, int $target): iterable
    {
        $id = Served::job(self::stars($count));
        $all = array_map(static fn (int $k): string => "p{$k}", range(1, $count));
        $kinds = [
            'weld' => [],
            'cut-away' => [],
            'keep-difference' => [],
            'split-all' => [],
            'cells' => ['rest' => 'lift'],
            'part' => ['angle' => 30],
            'inset' => ['distance' => 0.5],
            'outset' => ['distance' => 0.5],
            'ring' => ['inner' => 0.3, 'outer' => 0.3],
            'cut-border' => ['distance' => 2],
            'drop-shade' => ['distance' => 2],
            'spread-behind' => ['by' => 0.5],
            'wrap' => ['shape' => 'arc', 'amount' => 0.2],
            'clean-nodes' => ['deviation' => 4.0], 'merge-by-colour' => [], 'weave' => ['gap' => 0.2, 'pattern' => 'upper'],
        ];
        foreach ($kinds as $kind => $fields) {
            yield [
                "{$kind}, {$count} pieces: median, 95th percentile",
                self::times(static fn () => Served::post(
                    "jobs/{$id}/previews",
                    ['lane' => 'shape', 'version' => 1, 'what' => 'edit', 'edit' => ['kind' => $kind, 'pieces' => $all, ...$fields]],
                )),
                "under {$target} ms",
            ];
        }
    }

    private static function times(callable $ask): string
    {
        $times = [];
        for ($k = 0; $k < self::TRIES + 2; $k++) {
            $start = hrtime(true);
            try {
                $ask();
            } catch (\RuntimeException $refused) {
                return substr($refused->getMessage(), -60);
            }
            // The first two warm the server's workers.
            if ($k > 1) {
                $times[] = (hrtime(true) - $start) / 1e6;
            }
        }
        sort($times);

        return sprintf('%.0f, %.0f ms', $times[intdiv(self::TRIES, 2)], $times[(int) (0.95 * self::TRIES)]);
    }

    /** @return array{string, string, string} */
    private function cells(): array
    {
        $body = '';
        for ($k = 0; $k < 60; $k++) {
            $body .= sprintf(
                '<circle cx="%.2F" cy="%.2F" r="14" fill="none" stroke="#222"/>',
                50 + 25 * cos($k * 2.4) * sqrt($k / 60),
                50 + 25 * sin($k * 2.4) * sqrt($k / 60),
            );
        }
        $id = Served::job("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"100mm\" height=\"100mm\" viewBox=\"0 0 100 100\">{$body}</svg>");
        $all = array_map(static fn (int $k): string => "p{$k}", range(1, 60));
        $count = count(Served::post(
            "jobs/{$id}/previews",
            ['lane' => 'marks', 'version' => 1, 'what' => 'marks', 'edit' => ['kind' => 'cells', 'pieces' => $all, 'meet' => 0]],
        )['marks']);

        return [
            "cells of 60 shapes ({$count} cells), laid once a tool: median, 95th",
            self::times(static fn () => Served::post(
                "jobs/{$id}/previews",
                ['lane' => 'marks', 'version' => 1, 'what' => 'marks', 'edit' => ['kind' => 'cells', 'pieces' => $all, 'meet' => 0]],
            )),
            'a press after that asks nothing',
        ];
    }

    /** @return array{string, string, string} */
    private function weave(): array
    {
        $body = '';
        for ($k = 0; $k < 20; $k++) {
            $body .= sprintf(
                '<circle cx="%.3F" cy="%.3F" r="11" fill="none" stroke="#222" stroke-width="2"/>',
                80 + 55 * cos($k * M_PI / 10),
                80 + 55 * sin($k * M_PI / 10),
            );
        }
        $id = Served::job("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"160mm\" height=\"160mm\" viewBox=\"0 0 160 160\">{$body}</svg>");
        $all = array_map(static fn (int $k): string => "p{$k}", range(1, 20));
        $count = count(Served::post(
            "jobs/{$id}/previews",
            ['lane' => 'marks', 'version' => 1, 'what' => 'marks', 'edit' => ['kind' => 'weave', 'pieces' => $all]],
        )['marks']);

        return [
            "a weave of {$count} crossings: median, 95th",
            self::times(static fn () => Served::post(
                "jobs/{$id}/previews",
                ['lane' => 'shape', 'version' => 1, 'what' => 'edit', 'edit' => ['kind' => 'weave', 'pieces' => $all, 'gap' => 0.5]],
            )),
            'under 500 ms',
        ];
    }
}
