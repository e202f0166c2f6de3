<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Tests\Support\HostileFiles;

/** Hostile files through the command line: answered in one line, how long at most, how much memory at most. */
final class BadInput
{
    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $files = HostileFiles::refused();
        $answered = 0;
        $slowest = 0.0;
        $memory = 0;
        $path = (string) tempnam(sys_get_temp_dir(), 'bad');
        foreach ($files as [$file]) {
            file_put_contents($path, $file);
            $start = hrtime(true);
            $process = proc_open(
                [dirname(__DIR__, 2).'/bin/neat-edge', 'visible', $path, '-o', '/dev/null'],
                [1 => ['file', '/dev/null', 'w'], 2 => ['pipe', 'w']],
                $pipes,
            );
            if ($process === false) {
                continue;
            }
            $pid = proc_get_status($process)['pid'];
            do {
                usleep(4000);
                preg_match('/VmHWM:\s+(\d+)/', (string) @file_get_contents("/proc/{$pid}/status"), $found);
                $memory = max($memory, (int) ($found[1] ?? 0));
                $status = proc_get_status($process);
            } while ($status['running']);
            $slowest = max($slowest, (hrtime(true) - $start) / 1e9);
            $answered += $status['exitcode'] === 2 && preg_match('/^neat-edge: [^\n]+\n$/', (string) stream_get_contents($pipes[2])) === 1 ? 1 : 0;
            proc_close($process);
        }
        unlink($path);
        yield [count($files).' hostile files: answered in one line', (string) $answered, (string) count($files)];
        yield ['slowest answer', sprintf('%.2f s', $slowest), 'under 10 s'];
        yield ['most memory (whole process)', sprintf('%.0f MB', $memory / 1000), 'under 512 MB'];
    }
}
