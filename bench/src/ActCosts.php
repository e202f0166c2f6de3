<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use Illuminate\Support\Facades\DB;

/**
 * What each kind of act costs: seconds of CPU, queries, bytes kept; asked of the application in this very process, on a database with the demo in it.
 * docs/scale.md reckons with it.
 */
final class ActCosts
{
    private const TIMES = 12;

    private ShopHere $shop;

    private int $queries = 0;

    /** The job that was made last. */
    private int $newest = 0;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $this->shop = new ShopHere(sys_get_temp_dir().'/neat-edge-acts-'.getmypid());
        DB::listen(function (): void {
            $this->queries++;
        });
        yield from $this->acts();
    }

    /** @return iterable<array{string, string, string}> */
    private function acts(): iterable
    {
        $svg = (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/window-decal.svg');
        $id = $this->made($svg);
        $piece = $this->shop->ask('GET', "jobs/{$id}")['art']['pieces'][0]['id'];
        $version = fn (): int => $this->shop->ask('GET', "jobs/{$id}")['job']['version'];
        $edit = static fn (int $at): array => ['version' => $at, 'edit' => ['kind' => 'move', 'pieces' => [$piece], 'x' => 0.1, 'y' => 0]];
        $acts = [
            'an edit' => fn (int $at) => fn () => $this->shop->ask('POST', "jobs/{$id}/edits", $edit($at)),
            'a preview' => fn (int $at) => fn () => $this->shop->ask(
                'POST',
                "jobs/{$id}/previews",
                ['version' => $at, 'what' => 'edit', 'edit' => ['kind' => 'outset', 'pieces' => [$piece], 'distance' => '0.7mm']],
            ),
            'a job opened' => fn (int $at) => fn () => $this->shop->ask('GET', "jobs/{$id}"),
            'the list of jobs' => fn (int $at) => fn () => $this->shop->ask('GET', 'jobs'),
            'a job of a file' => fn (int $at) => fn () => $this->made($svg),
            'prepared' => fn (int $at) => fn () => $this->shop->ask('POST', 'jobs/'.$this->newest.'/preparations', []),
            'laid out' => fn (int $at) => fn () => $this->shop->ask('GET', 'jobs/'.$this->newest.'/making'),
        ];
        foreach ($acts as $name => $act) {
            $times = in_array($name, ['prepared', 'laid out'], true) ? 1 : self::TIMES;
            // The first of a kind is compiled: a worker that stays has done that long ago.
            $times === 1 ? null : ($act($version()))();
            [$seconds, $queries, $bytes] = [[], [], []];
            for ($i = 0; $i < $times; $i++) {
                $do = $act($version());
                [$cpu, $had, $lay] = [Timed::here(), $this->queries, $this->bytes()];
                $do();
                $seconds[] = Timed::here() - $cpu;
                $queries[] = $this->queries - $had;
                $bytes[] = $this->bytes() - $lay;
            }
            sort($seconds);
            yield [
                "{$name}: s of CPU, queries, kB kept",
                sprintf('%.3f, %d, %.0f', $seconds[intdiv($times, 2)], max($queries), array_sum($bytes) / $times / 1000),
                'what docs/scale.md reckons with',
            ];
        }
        $kept = DB::table('revisions')->where('shop_job_id', $id)->where('number', '>', 1)->selectRaw('avg(length(change)) as many')->value('many');
        yield ['what is kept of an edit, bytes', sprintf('%.0f', (float) $kept), 'within 20 MB a job'];
    }

    private function made(string $svg): int
    {
        return $this->newest = $this->shop->made($svg)[0];
    }

    private function bytes(): int
    {
        return (int) shell_exec('du -sb '.escapeshellarg($this->shop->folder).' | cut -f1');
    }
}
