<?php

declare(strict_types=1);

namespace App\Works\Kinds;

use App\Models\Batch;
use App\Models\Work;
use App\Prep\BatchAtHand;
use App\Prep\Broken;
use App\Works\Apart;
use App\Works\Hold;
use App\Works\Kind;
use App\Works\Works;
use NeatEdge\Core\Described\Refused;
use RuntimeException;
use Symfony\Component\Process\Process;

/** A batch, by the very command that a script would call, in processes of its own, some files at a time; begun again it goes on where it was. */
final class RunBatch extends Kind
{
    private const LOOK = 150_000;

    public function key(): string
    {
        return 'batch';
    }

    public function label(): string
    {
        return 'Batch';
    }

    public function queue(): string
    {
        return 'batches';
    }

    public static function begin(Batch $batch): Work
    {
        return Works::start(new self, null, $batch->title, ['batch' => $batch->id], also: static fn (Work $work) => $batch->update(['work_id' => $work->id]));
    }

    public function goesOn(Work $work): bool
    {
        return in_array($work->state, ['done', 'stopped', 'failed'], true);
    }

    public function resumes(): bool
    {
        return true;
    }

    public function run(Work $work, Hold $hold): ?array
    {
        $batch = Batch::query()->where('work_id', $work->id)->first() ?? throw Refused::because('The batch is not there any more.');
        $at = new BatchAtHand($batch);
        try {
            return $this->through($batch, $at, $work, $hold);
        } finally {
            $at->forget();
        }
    }

    private function through(Batch $batch, BatchAtHand $at, Work $work, Hold $hold): null
    {
        $process = new Process([
            ...Apart::php($this, (int) config('neat-edge.prepare_megabytes')),
            base_path('console/neat-edge.php'),
            'batch',
            $at->path('in'),
            '--preset='.$at->path('preset.json'),
            '--process='.$batch->process,
            '--out-dir='.$at->path('out'),
            '--jobs='.config('neat-edge.batch_jobs'),
            ...($batch->width === '' ? [] : ["--width={$batch->width}"]),
            ...(is_file($at->path('sizes.csv')) ? ['--sizes='.$at->path('sizes.csv')] : []),
        ], base_path(), timeout: null);
        $process->start();
        try {
            while ($process->isRunning()) {
                usleep(self::LOOK);
                $this->keep($batch, $at, $hold);
            }
        } finally {
            // However it ends, what it began ends with it.
            $process->stop(0.0, SIGKILL);
        }
        $this->keep($batch, $at, $hold);
        $at->leave();
        $words = trim((string) preg_replace('/^neat-edge: /', '', trim($process->getErrorOutput())));

        // 0: all are ready; 1: some are not; 2: the call was wrong. With anything else the command itself fell over.
        return match ($process->getExitCode()) {
            0, 1 => null,
            2 => throw Refused::because(mb_substr($words, 0, 400)),
            default => throw Refused::because($this->broke($work, Broken::why(new RuntimeException($words.$process->getOutput()), ''))),
        };
    }

    /** Only who still holds the batch keeps what came of it. */
    private function keep(Batch $batch, BatchAtHand $at, Hold $hold): void
    {
        $done = $at->done();
        $hold->tell(count($done), max(1, $batch->files), sprintf('%d of %d files', count($done), $batch->files));
        $at->keep($done);
    }

    protected function brokeOff(): string
    {
        return 'The batch broke off.';
    }

    protected function kept(Work $work, string $why): string
    {
        return "{$why} What was done is kept. Go on with it.";
    }
}
