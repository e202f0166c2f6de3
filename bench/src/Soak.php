<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use RuntimeException;

/** Two clients on two jobs, 200 edits a minute each, for ten minutes; nothing may fail or be lost. */
final class Soak
{
    private const MINUTES = 10;

    private const A_MINUTE = 200;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $served = new Served;
        $minutes = (float) (getenv('NEAT_EDGE_MINUTES') ?: self::MINUTES);
        $jobs = [Served::job(Served::sheet(200)), Served::job(Served::sheet(200))];
        $clients = [];
        foreach ($jobs as $id) {
            $pid = pcntl_fork();
            if ($pid === 0) {
                $this->client($id, $minutes);
                // Without the destructor of the server, which belongs to the parent.
                posix_kill(posix_getpid(), SIGKILL);
            }
            $clients[$id] = $pid;
        }
        foreach ($clients as $pid) {
            pcntl_waitpid($pid, $status);
        }
        foreach ($jobs as $i => $id) {
            $told = array_map(floatval(...), explode(' ', (string) file_get_contents(self::file($id))));
            unlink(self::file($id));
            $number = Served::get("jobs/{$id}/versions")['steps'][0]['number'];
            $at = Served::get("jobs/{$id}")['art']['pieces'][0]['box'][0];
            $lost = $told[0] + 1 - $number;
            yield [
                'client '.($i + 1)." on its job for {$minutes} min: edits, errors, lost, slowest",
                sprintf('%d, %d, %d, %.0f ms', $told[0], $told[1], $lost + (abs($at - $told[2]) > 1e-6 ? 1 : 0), $told[3]),
                sprintf('%d, 0, 0', $minutes * self::A_MINUTE),
            ];
        }
    }

    private static function file(int $id): string
    {
        return sys_get_temp_dir()."/neat-edge-soak-{$id}";
    }

    private function client(int $id, float $minutes): void
    {
        $state = Served::get("jobs/{$id}");
        [$version, $at] = [$state['job']['version'], $state['art']['pieces'][0]['box'][0]];
        [$done, $failed, $slowest] = [0, 0, 0.0];
        $start = microtime(true);
        while ($done + $failed < $minutes * self::A_MINUTE) {
            $due = $start + ($done + $failed) * 60 / self::A_MINUTE;
            usleep((int) max(0, 1e6 * ($due - microtime(true))));
            $before = microtime(true);
            try {
                $version = Served::post(
                    "jobs/{$id}/edits",
                    ['version' => $version, 'edit' => ['kind' => 'move', 'pieces' => ['p1', 'p'.(2 + $done % 190)], 'x' => 0.01, 'y' => 0]],
                )['job']['version'];
                $at += 0.01;
                $done++;
            } catch (RuntimeException $problem) {
                $failed++;
                fwrite(STDERR, "client of job {$id}: {$problem->getMessage()}\n");
                $version = Served::get("jobs/{$id}")['job']['version'];
            }
            $slowest = max($slowest, 1000 * (microtime(true) - $before));
        }
        file_put_contents(self::file($id), "{$done} {$failed} {$at} {$slowest}");
    }
}
