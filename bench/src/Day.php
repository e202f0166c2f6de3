<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Process\Processes;
use RuntimeException;
use Symfony\Component\Process\Process;

/** A day at the shop: nine jobs of three processes come in, are prepared, laid out and sent, and two of the three machines fail in the middle of it. */
final class Day
{
    /** File of the demo, process, and finished width. */
    private const JOBS = [
        ['window-decal.svg', 'cut-vinyl', '600mm'], ['brass-lantern-tag.svg', 'engraving', '60mm'], ['stewards-tabard.svg', 'screen-print', '280mm'],
        ['sticker-sheet.svg', 'cut-vinyl', '220mm'], ['brass-lantern-tag.svg', 'engraving', '45mm'], ['window-decal.svg', 'screen-print', '300mm'],
        ['window-decal.svg', 'cut-vinyl', '420mm'], ['stewards-tabard.svg', 'engraving', '120mm'], ['stewards-tabard.svg', 'screen-print', '200mm'],
    ];

    /** Bed, and how it fails: the cutter runs out of material, the engraver's line is pulled. */
    private const MACHINES = [
        'cutter' => ['--bed=5000x610mm', '--fail=empty', '--after=3000'],
        'recorder' => ['--bed=450x600mm'],
        'engraver' => ['--bed=600x400mm', '--fail=drop', '--after=9000'],
    ];

    /** Seconds that anything is waited for. */
    private const PATIENCE = 600;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $port = random_int(31_000, 39_000);
        $served = new Served($port);
        $machines = [];
        try {
            foreach (array_keys(self::MACHINES) as $i => $kind) {
                $machines[$kind] = new Process(
                    [
                        PHP_BINARY,
                        dirname(__DIR__, 2).'/console/neat-edge.php',
                        'device',
                        $kind,
                        '--port='.($port + $i),
                        "--out-dir={$served->folder}/{$kind}",
                        '--pace=0',
                        ...self::MACHINES[$kind],
                    ],
                    timeout: null,
                );
                $machines[$kind]->start();
            }
            yield from $this->day($served);
        } finally {
            foreach ($machines as $machine) {
                $machine->stop(0.0, SIGKILL);
            }
        }
    }

    /** @return iterable<array{string, string, string}> */
    private function day(Served $served): iterable
    {
        $start = microtime(true);
        $ids = [];
        foreach (Served::get('stock')['items'] as $item) {
            if ($item['kind'] === 'machine') {
                // What a machine says that it cut is then what the sheet says: no swivels, nothing past a start.
                Served::patch("stock/{$item['id']}", ['values' => ['blade' => '0', 'overcut' => '0']]);
                $ids[$item['values']['kind']] = $item['id'];
            }
        }
        $jobs = [];
        foreach (self::JOBS as [$file, $process, $width]) {
            $job = Served::job((string) file_get_contents(dirname(__DIR__, 2)."/database/demo/{$file}"), $process, $width);
            Served::post("jobs/{$job}/preparations", []);
            $jobs[$job] = $process;
        }
        [$sendings, $length] = self::sent($jobs, $ids);
        $sheets = count($sendings);
        $failed = array_sum(array_map(self::faults(...), $sendings));
        yield [
            sprintf('nine jobs of three processes: %d sheets made, %d faults on the way', $sheets, $failed),
            sprintf('%.0f s', microtime(true) - $start),
            'all made',
        ];
        foreach (['cutter' => 'cut_mm', 'engraver' => 'engraved_mm'] as $kind => $name) {
            $did = self::did("{$served->folder}/{$kind}", $name);
            yield ["the {$kind} went as far as its sheets say, off by", sprintf('%.4f %%', 100 * abs($did - $length[$kind]) / $length[$kind]), 'at most 0.1 %'];
        }
        $plates = count(array_filter($jobs, static fn (string $process): bool => $process === 'screen-print'));
        yield [
            "films of {$plates} jobs exposed",
            (string) (int) self::did("{$served->folder}/recorder", 'plates'),
            (string) ($sheets - self::count($served->folder, 'cutter') - self::count($served->folder, 'engraver')),
        ];
    }

    /**
     * All sheets of jobs, each to its machine as soon as it is prepared.
     *
     * @param  array<int, string>  $jobs  process by job
     * @param  array<string, int>  $ids  machines by kind
     * @return array{list<int>, array<string, float>} sendings, and mm that cutter and engraver are to go
     */
    private static function sent(array $jobs, array $ids): array
    {
        $length = ['cutter' => 0.0, 'engraver' => 0.0];
        $sendings = [];
        foreach ($jobs as $job => $process) {
            self::until(
                static fn (): bool => in_array(Served::get("jobs/{$job}")['preparation']['status'] ?? '', ['done', 'failed'], true),
                "job {$job} to be prepared",
            );
            $kind = Processes::of($process)->machine();
            foreach (Served::get("jobs/{$job}/making")['layouts'] as $number => $layout) {
                $sendings[] = (int) Served::post("jobs/{$job}/sendings", ['machine' => $ids[$kind], 'number' => $number])['id'];
                if (isset($length[$kind])) {
                    $length[$kind] += $layout['length_mm'];
                }
            }
        }

        return [$sendings, $length];
    }

    /** Waits until a sheet is made, and puts new material in wherever its machine broke off. @return int how often it did */
    private static function faults(int $id): int
    {
        $failed = 0;
        self::until(static function () use ($id, &$failed): bool {
            $now = Served::get("sendings/{$id}");
            if ($now['work']['state'] === 'failed') {
                $failed++;
                Served::post("works/{$now['work']['id']}/go", []);
            }

            return $now['work']['state'] === 'done';
        }, "sending {$id}");

        return $failed + count(array_filter(Served::get("sendings/{$id}")['log'], static fn (array $row): bool => str_contains($row['what'], 'broke off')));
    }

    /** The sum of what a machine says in its logs. */
    public static function did(string $folder, string $name): float
    {
        return array_sum(array_map(
            static fn (string $path): float => (float) (json_decode((string) file_get_contents($path), true)[$name] ?? 0),
            glob("{$folder}/*.json") ?: [],
        ));
    }

    private static function count(string $folder, string $kind): int
    {
        return count(glob("{$folder}/{$kind}/*.json") ?: []);
    }

    /** @param  callable(): bool  $is */
    public static function until(callable $is, string $what): void
    {
        for ($end = microtime(true) + self::PATIENCE; ! $is(); usleep(200_000)) {
            if (microtime(true) > $end) {
                throw new RuntimeException("Waited too long for {$what}.");
            }
        }
    }
}
