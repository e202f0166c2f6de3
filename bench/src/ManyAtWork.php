<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use RuntimeException;

/**
 * Fifty people at work for ten minutes while what serves them is killed, emptied and filled: no acknowledged edit may be lost, no sheet cut twice, nothing may
 * be stuck, and what fails says so. NEAT_EDGE_MINUTES and NEAT_EDGE_PEOPLE make it shorter.
 */
final class ManyAtWork
{
    /** What happens, by the share of the time at which it does. */
    private const HAPPENS = [
        'a web process killed' => 0.15, 'a worker killed' => 0.3, 'the database cut off and begun anew' => 0.45, 'Redis killed and begun empty' => 0.6,
        'the disk filled' => 0.72, 'the disk freed' => 0.78, 'the sender of the cutter killed' => 0.88,
    ];

    /** By kind of machine: file of the demo, process and width of what is made there over and over. */
    private const MADE = [
        'cutter' => ['window-decal.svg', 'cut-vinyl', '300mm'], 'engraver' => ['brass-lantern-tag.svg', 'engraving', '60mm'],
        'recorder' => ['stewards-tabard.svg', 'screen-print', '200mm'],
    ];

    /** Seconds after one of these in which times are not those of a day. */
    private const AFTER = 8.0;

    /** @var list<array{float, string}> */
    private array $happened = [];

    /** @var array<string, array{job: int, machine: int, sending: int, length: float}> by kind of machine */
    private array $operators = [];

    private float $asked = 0.0;

    /** @param  bool  $keep  whether bench/shop.json is written anew: what bin/bench scale is held against */
    public function __construct(private readonly bool $keep = false)
    {
    }

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        if (posix_geteuid() !== 0) {
            yield ['many people at work', 'not measured', 'root: a database has a user of its own'];

            return;
        }
        $minutes = (float) (getenv('NEAT_EDGE_MINUTES') ?: 10);
        $people = (int) (getenv('NEAT_EDGE_PEOPLE') ?: 50);
        $floor = new Floor(random_int(31_000, 39_000));
        $alone = new Crowd(1);
        $alone->come();
        $alone->work(min(60.0, 12 * $minutes), $floor->keepUp(...));
        $crowd = new Crowd($people);
        $crowd->come();
        $this->operators($floor);
        $start = microtime(true);
        $crowd->work(60 * $minutes, function (float $at) use ($floor, $minutes): void {
            $floor->keepUp();
            $this->happens($floor, $at / (60 * $minutes));
            $this->send($at / (60 * $minutes) < 0.97);
        });
        $seconds = microtime(true) - $start;
        foreach (['edit', 'preview'] as $act) {
            $one = $alone->times($act, static fn (): bool => true);
            $many = $crowd->times($act, $this->isQuiet(...));
            yield ["{$act}: median / 95th of one person, ms", self::said($one), 'what there is to hold against'];
            yield [sprintf('the same of %d people', $people), self::said($many), '95th at most 3 times that of one'];
        }
        yield [
            sprintf('in %.0f s: edits acknowledged, prepared, laid out', $seconds),
            "{$crowd->edits}, {$crowd->prepared}, {$crowd->laid}",
            'as many as were asked for',
        ];
        yield ['answers that were no acknowledgement, by status', self::counted($crowd->failed), 'while something was broken only'];
        yield ['of these without a word of why', (string) $crowd->silent, '0'];
        yield ['begun again', self::counted($floor->again), 'what was killed'];
        [$lost, $pieces] = $crowd->lost();
        yield ["places of {$pieces} pieces that are not as acknowledged", (string) $lost, '0'];
        yield from $this->waits($floor, $people, $seconds);
        yield from $this->machines($floor);
        yield from $this->stuck($floor);
    }

    private function operators(Floor $floor): void
    {
        $ids = [];
        foreach (Crowd::get('stock')['items'] as $item) {
            if ($item['kind'] === 'machine') {
                // What a machine says that it cut is then what the sheet says: no swivels, nothing past a start.
                Crowd::tried("stock/{$item['id']}", Crowd::json(['values' => ['blade' => '0', 'overcut' => '0']]), method: 'PATCH');
                $ids[$item['values']['kind']] = $item['id'];
            }
        }
        foreach (self::MADE as $kind => [$file, $process, $width]) {
            $svg = (string) file_get_contents(dirname(__DIR__, 2)."/database/demo/{$file}");
            $job = Crowd::job($svg, $process, $width);
            $prepared = Crowd::post("jobs/{$job}/preparations", '{}');
            Day::until(static fn (): bool => in_array(
                Crowd::get("preparations/{$prepared['id']}")['status'] ?? '',
                ['done', 'failed'],
                true,
            ), "{$file} to be prepared");
            // Whoever makes them has looked at what is open.
            Crowd::post("jobs/{$job}/releases", Crowd::json(['by' => 'The shop', 'reason' => 'It is tried']));
            Day::until(static function () use ($job, &$layouts): bool {
                $layouts = Crowd::get("jobs/{$job}/making")['layouts'] ?? [];

                return $layouts !== [];
            }, "{$file} to be laid out");
            $this->operators[$kind] = [
                'job' => $job,
                'machine' => $ids[$kind],
                'sending' => 0,
                'length' => (float) $layouts[0]['length_mm'],
            ];
        }
    }

    /** Sheet after sheet at each machine: what broke off is gone on with. */
    private function send(bool $more): void
    {
        if (microtime(true) - $this->asked < 1.0) {
            return;
        }
        $this->asked = microtime(true);
        foreach ($this->operators as $kind => $one) {
            $sending = $one['sending'] === 0 ? null : Crowd::tried("sendings/{$one['sending']}");
            $state = $sending['work']['state'] ?? 'done';
            if ($one['sending'] !== 0 && $sending === null) {
                continue;
            }
            if ($state === 'failed') {
                Crowd::tried('works/'.($sending['work']['id'] ?? 0).'/go', '{}');
            } elseif ($state === 'done' && $more) {
                $new = Crowd::tried("jobs/{$one['job']}/sendings", Crowd::json(['machine' => $one['machine'], 'number' => 0, 'again' => true]));
                if ($new !== null) {
                    $this->operators[$kind]['sending'] = (int) $new['id'];
                }
            }
        }
    }

    private function happens(Floor $floor, float $share): void
    {
        $next = array_keys(self::HAPPENS)[count($this->happened)] ?? null;
        if ($next === null || $share < self::HAPPENS[$next]) {
            return;
        }
        $this->happened[] = [microtime(true), $next];
        match ($next) {
            'a web process killed' => $floor->kill('web 1'),
            'a worker killed' => $floor->kill('worker 1'),
            'the database cut off and begun anew' => $floor->restartDatabase(),
            'Redis killed and begun empty' => $floor->restartRedis(),
            'the disk filled' => $floor->fillDisk(),
            'the disk freed' => $floor->freeDisk(),
            'the sender of the cutter killed' => $floor->kill('sender cutter'),
            default => throw new RuntimeException($next),
        };
    }

    private function isQuiet(float $at): bool
    {
        foreach ($this->happened as [$when, $what]) {
            $until = $when + self::AFTER;
            foreach ($this->happened as [$then, $other]) {
                $until = $what === 'the disk filled' && $other === 'the disk freed' ? $then + self::AFTER : $until;
            }
            if ($at >= $when && $at <= $until) {
                return false;
            }
        }

        return true;
    }

    /** @return iterable<array{string, string, string}> */
    private function machines(Floor $floor): iterable
    {
        foreach ($this->operators as $kind => $one) {
            $end = microtime(true) + 180;
            while ($one['sending'] !== 0 && ($state = Crowd::get("sendings/{$one['sending']}")['work']['state'] ?? '') !== 'done' && microtime(true) < $end) {
                $floor->keepUp();
                $this->send(false);
                usleep(300_000);
            }
        }
        // A sheet that is told as sent and was refused by a lost answer is one more at the machine and none here: what is noted in the shop counts.
        foreach (['cutter' => 'cut_mm', 'engraver' => 'engraved_mm'] as $kind => $name) {
            $one = $this->operators[$kind];
            $sent = self::sendings($floor, $one['job']);
            $due = $sent * $one['length'];
            $did = Day::did("{$floor->folder}/{$kind}", $name);
            yield [
                "{$kind}: {$sent} sheets, went as far as they say, off by",
                sprintf('%.3f %%', $due > 0 ? 100 * abs($did - $due) / $due : 0),
                'at most 0.1 %',
            ];
        }
        $one = $this->operators['recorder'];
        yield [
            'recorder: films exposed, of those that were sent',
            sprintf('%d of %d', Day::did("{$floor->folder}/recorder", 'plates'), self::sendings($floor, $one['job'])),
            'as many',
        ];
    }

    /** The list on the page has the newest alone. */
    private static function sendings(Floor $floor, int $job): int
    {
        return (int) $floor->list(
            "select count(*) from sendings join works on works.id = sendings.work_id where sendings.shop_job_id = {$job} and works.state = 'done'",
        )[0];
    }

    /** @return iterable<array{string, string, string}> */
    private function waits(Floor $floor, int $people, float $seconds): iterable
    {
        $waits = array_map(
            floatval(...),
            $floor->list("select began_at - queued_at from works where state = 'done' and kind in ('prepare', 'lay-out') order by 1"),
        );
        $median = Timed::share($waits, 0.5);
        $late = Timed::share($waits, 0.95);
        yield [sprintf('long work waited for at the page: %d, wait 50th / 95th, s', count($waits)), sprintf('%.2f / %.2f', $median, $late), ''];
        $kinds = [];
        foreach (['prepare', 'lay-out'] as $kind) {
            // When it ended is kept to the second.
            $took = array_map(
                static fn (string $one): float => max(0.05, (float) $one),
                $floor->list("select extract(epoch from updated_at) + 0.5 - began_at from works where state = 'done' and kind = '{$kind}'"),
            );
            $mean = array_sum($took) / max(1, count($took));
            $square = array_sum(array_map(static fn (float $one): float => ($one - $mean) ** 2, $took)) / max(1, count($took));
            $kinds[$kind] = ['many' => count($took), 'seconds' => round($mean, 3), 'spread' => round(sqrt(log(1 + $square / max(1e-9, $mean ** 2))), 3)];
            yield ["  {$kind}: many, seconds each", sprintf('%d, %.2f', count($took), $mean), ''];
        }
        if ($this->keep) {
            file_put_contents(dirname(__DIR__).'/shop.json', json_encode([
                'people' => $people, 'seconds' => round($seconds), 'workers' => 2, 'wait' => [round($median, 3), round($late, 3)], 'kinds' => $kinds,
            ], JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR)."\n");
        }
    }

    /** @return iterable<array{string, string, string}> */
    private function stuck(Floor $floor): iterable
    {
        $open = [];
        for ($end = microtime(true) + 120; microtime(true) < $end; usleep(500_000)) {
            preg_match_all('/neat_edge_works\{kind="([^"]+)",state="(waiting|running)"\} (\d+)/', self::counts(), $found);
            if (($open = array_filter(array_combine(array_map(null, $found[1]), $found[3]))) === []) {
                break;
            }
        }
        yield ['long work that neither ended nor goes on after two minutes', self::counted(array_map(intval(...), $open)), '0'];
        $failed = $floor->asked(
            "select kind || ': ' || left(error, 90) as said, count(*) as many from works where state = 'failed' group by 1 order by 2 desc",
        );
        yield ['long work that failed', (string) array_sum($failed), 'of what was broken only'];
        foreach ($failed as $said => $many) {
            yield ["  {$said}", (string) $many, str_ends_with(trim((string) $said), ':') ? 'a sentence' : 'said so'];
        }
    }

    private static function counts(): string
    {
        return (string) @file_get_contents('http://127.0.0.1:'.Floor::PORT.'/api/v1/counts');
    }

    /** @param  list<float>  $times  the shortest first */
    private static function said(array $times): string
    {
        return $times === [] ? '-' : sprintf('%.0f / %.0f', Timed::share($times, 0.5), Timed::share($times, 0.95));
    }

    /** @param  array<string|int, int>  $counts */
    private static function counted(array $counts): string
    {
        return $counts === [] ? '0' : implode(
            ', ',
            array_map(static fn (string|int $what, int $many): string => "{$what}: {$many}", array_keys($counts), $counts),
        );
    }
}
