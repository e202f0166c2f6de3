<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Batch;
use App\Prep\Broken;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use RuntimeException;
use Symfony\Component\Process\Process;
use Throwable;

/** Has a batch run by the very command that a script would call, in processes of its own, two files at a time; begun again it goes on where it was. */
final class RunBatch implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    private const LOOK = 150_000;

    public function __construct(private readonly int $batch)
    {
        $this->onQueue('batches');
    }

    public function handle(): void
    {
        if (Batch::query()->whereKey($this->batch)->where('status', 'waiting')->update(['status' => 'running']) === 0) {
            return;
        }
        $batch = Batch::query()->findOrFail($this->batch);
        $process = new Process([
            PHP_BINARY, '-d', 'memory_limit='.((int) config('neat-edge.prepare_megabytes')).'M', '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=128M', '-d', 'opcache.jit=function', '-d', 'display_errors=stderr',
            base_path('console/neat-edge.php'), 'batch', $batch->folder('in'), '--preset='.$batch->folder('preset.json'), '--process='.$batch->process, '--out-dir='.$batch->folder('out'), '--jobs='.config('neat-edge.batch_jobs'),
            ...($batch->width === '' ? [] : ["--width={$batch->width}"]), ...(is_file($batch->folder('sizes.csv')) ? ['--sizes='.$batch->folder('sizes.csv')] : []),
        ], base_path(), timeout: null);
        $process->start();
        while ($process->isRunning()) {
            usleep(self::LOOK);
            if ((bool) Batch::query()->whereKey($batch->id)->value('stop_requested')) {
                $process->stop(0.0, SIGKILL);
                $this->end(['status' => 'stopped']);

                return;
            }
        }
        $words = trim((string) preg_replace('/^neat-edge: /', '', trim($process->getErrorOutput())));
        // 0: all are ready; 1: some are not; 2: the call was wrong. With anything else the command itself fell over.
        $this->end(match ($process->getExitCode()) {
            0, 1 => ['status' => 'done'],
            2 => ['status' => 'failed', 'error' => mb_substr($words, 0, 400)],
            default => ['status' => 'failed', 'error' => Broken::why(new RuntimeException($words.$process->getOutput()), 'The batch broke off').' What was done is kept. Go on with it.'],
        });
    }

    /** @param  array<string, mixed>  $columns */
    private function end(array $columns): void
    {
        Batch::query()->whereKey($this->batch)->where('status', 'running')->update($columns);
    }

    public function failed(?Throwable $problem): void
    {
        Broken::ended(fn () => $this->end(['status' => 'failed', 'error' => Broken::why($problem, 'The batch broke off').' What was done is kept. Go on with it.']));
    }
}
