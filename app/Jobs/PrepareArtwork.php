<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Preparation;
use App\Prep\Broken;
use App\Prep\Preparing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use RuntimeException;
use Symfony\Component\Process\Process;
use Throwable;

/**
 * Has a prep line run in the background, in a process of its own: what it takes in memory and time is bounded, and when it breaks
 * off neither the worker nor the shop goes with it.
 */
final class PrepareArtwork implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    /** How often it is asked whether to stop, in microseconds. */
    private const LOOK = 150_000;

    private const UNTOUCHED = ' The source art is untouched. Try again, or with fewer steps.';

    public function __construct(private readonly int $preparation)
    {
    }

    public function handle(): void
    {
        $preparation = Preparation::query()->find($this->preparation);
        if ($preparation === null || Preparation::query()->whereKey($preparation->id)->where('status', 'waiting')->update(['status' => 'running']) === 0) {
            return;
        }
        $preparation->refresh();
        if (config('neat-edge.prepare_in') === 'here') {
            Preparing::run($preparation);

            return;
        }
        $megabytes = (int) config('neat-edge.prepare_megabytes');
        $seconds = (int) config('neat-edge.prepare_seconds');
        $process = new Process([
            PHP_BINARY, '-d', "memory_limit={$megabytes}M", '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=128M', '-d', 'opcache.jit=function', '-d', 'display_errors=stderr',
            base_path('artisan'), 'neat-edge:prepare', (string) $preparation->id,
        ], base_path(), timeout: null);
        $process->start();
        $end = microtime(true) + $seconds;
        while ($process->isRunning()) {
            usleep(self::LOOK);
            $asked = (bool) Preparation::query()->whereKey($preparation->id)->value('stop_requested');
            if ($asked || microtime(true) > $end) {
                $process->stop(0.0, SIGKILL);
                Preparing::end($preparation, $asked
                    ? ['status' => 'stopped', 'doing' => '']
                    : ['status' => 'failed', 'doing' => '', 'error' => sprintf('Preparing took longer than %d minutes and was given up; the source art is untouched. Prepare a part of the art, or clean its nodes first.', (int) ceil($seconds / 60))]);

                return;
            }
        }
        if ($process->getExitCode() === 0) {
            return;
        }
        $full = str_contains($process->getErrorOutput().$process->getOutput(), 'Allowed memory size');
        Preparing::end($preparation, ['status' => 'failed', 'doing' => '', 'error' => $full
            ? sprintf('Preparing this art takes more than %d MB of memory and was given up; the source art is untouched. Prepare a part of it, or clean its nodes first.', $megabytes)
            : Broken::why(new RuntimeException($process->getErrorOutput().$process->getOutput()), 'The preparation broke off before it was done').self::UNTOUCHED]);
    }

    public function failed(?Throwable $problem): void
    {
        Broken::ended(fn () => Preparation::query()->whereKey($this->preparation)->whereIn('status', ['waiting', 'running'])->update([
            'status' => 'failed', 'doing' => '', 'error' => Broken::why($problem, 'The preparation broke off before it was done').self::UNTOUCHED,
        ]));
    }
}
