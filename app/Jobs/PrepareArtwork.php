<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Preparation;
use App\Prep\DatabaseStepCache;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Prepare\Flatten;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Prepare\Stopped;
use NeatEdge\Core\Sheet\JobReport;
use NeatEdge\Core\Sheet\Sheet;
use Throwable;

/** Runs a prep line in the background, says how far it is, and stops when asked. */
final class PrepareArtwork implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 600;

    public function __construct(private readonly int $preparation)
    {
    }

    public function handle(): void
    {
        $preparation = Preparation::query()->find($this->preparation);
        if ($preparation === null || $preparation->status !== 'waiting') {
            return;
        }
        $preparation->update(['status' => 'running']);
        $job = $preparation->job()->firstOrFail();
        $source = Flatten::of($job->art());
        $cache = new DatabaseStepCache;
        try {
            $result = PrepLine::standard($cache)->only($preparation->steps)->run($source, static function (int $done, int $of, string $doing) use ($preparation): void {
                $preparation->refresh();
                if ($preparation->stop_requested) {
                    throw new Stopped;
                }
                // Checking is one more piece of work after the line.
                $preparation->update(['done' => min($done, $of), 'of' => $of + 1, 'doing' => $doing === 'Done' ? 'Check' : $doing]);
            });
            $findings = Inspection::of($source, $result->artwork(), $job->limits());
        } catch (Stopped) {
            $preparation->update(['status' => 'stopped', 'doing' => '']);

            return;
        }
        $report = JobReport::of($result, Sheet::allOf($result->artwork()), $findings, $job->limits());
        foreach ($result->stages as $i => $stage) {
            $report['steps'][$i]['cached'] = $stage['cached'];
        }
        $preparation->update([
            'status' => 'done',
            'done' => $preparation->of,
            'doing' => '',
            'stage_keys' => $cache->asked,
            'result' => $report,
        ]);
    }

    public function failed(?Throwable $problem): void
    {
        Preparation::query()->whereKey($this->preparation)->update([
            'status' => 'failed',
            'error' => 'The preparation broke off before it was done; the source art is untouched. Try again, or with fewer steps.',
        ]);
    }
}
