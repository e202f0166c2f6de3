<?php

declare(strict_types=1);

namespace App\Works;

use App\Models\Work;
use App\Prep\Broken;
use App\Prep\Holder;
use RuntimeException;
use Symfony\Component\Process\Process;

/** A work in a process of its own: what it takes in memory and CPU is bounded, and when it breaks off neither the worker nor the shop goes with it. */
final class Apart
{
    /** How often it is looked at, in microseconds. */
    private const LOOK = 100_000;

    /** How far it stands back behind whoever answers the page: of what somebody waits for, and of what nobody does (nice(1)). */
    private const BACK = 5;

    private const FAR_BACK = 12;

    public static function run(Hold $hold): void
    {
        $work = $hold->work;
        $fence = $work->fence;
        $megabytes = (int) config('neat-edge.prepare_megabytes');
        $seconds = (int) config('neat-edge.prepare_seconds');
        $process = new Process(
            [...self::php($work->kind(), $megabytes), base_path('artisan'), 'neat-edge:work', (string) $work->id, (string) $fence],
            base_path(),
            timeout: null,
        );
        $process->start();
        while ($process->isRunning()) {
            usleep(self::LOOK);
            $now = Work::query()->whereKey($work->id)->first(['state', 'fence', 'asked']);
            if ($now === null || $now->state !== 'running' || $now->fence !== $fence) {
                // It is done, or somebody else's.
                continue;
            }
            // The clock is not asked: on a busy machine it takes longer, and comes.
            $spent = Holder::spent((int) $process->getPid()) > $seconds;
            if ($now->asked === 'stop' || $spent) {
                $process->stop(0.0, SIGKILL);
                $work->refresh();
                Works::end(
                    $hold,
                    $spent ? 'failed' : 'stopped',
                    $spent ? $work->kind()->broke($work, sprintf('It needs more than %d minutes of computing.', (int) ceil($seconds / 60))) : '',
                );

                return;
            }
        }
        $work->refresh();
        if ($work->state !== 'running' || $work->fence !== $fence) {
            return;
        }
        $said = $process->getErrorOutput().$process->getOutput();
        $full = str_contains($said, 'Allowed memory size');
        Broken::ended(static fn () => Works::end(
            $hold,
            'failed',
            $work->kind()->broke($work, $full ? sprintf('It takes more than %d MB of memory.', $megabytes) : Broken::why(new RuntimeException($said), '')),
        ));
    }

    /** @return list<string> a command that computes as fast as can be, and stands back behind whoever answers the page where the cores are full */
    public static function php(Kind $kind, int $megabytes): array
    {
        return [
            'nice', '-n', (string) ($kind->isWaitedFor() ? self::BACK : self::FAR_BACK),
            PHP_BINARY, '-d', "memory_limit={$megabytes}M", '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=128M', '-d', 'opcache.jit=function',
            '-d', 'display_errors=stderr',
        ];
    }
}
