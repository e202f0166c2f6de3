<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Budget;
use App\Http\PageArt;
use App\Http\Ticket;
use App\Models\Preparation;
use App\Models\ShopJob;
use App\Models\StepResult;
use App\Works\Kinds\Prepare;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cache;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Prepare\Look;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Seen\Seen;

final class PreparationController
{
    /** Seconds for which counts of findings are kept. */
    private const KEPT = 7 * 86_400;

    public function store(ShopJob $job, Prepare $kind): JsonResponse
    {
        $preparation = Prepare::preparation($kind->ask($job, Values::read($kind->fields(), []))) ?? abort(404);

        return new JsonResponse(Ticket::preparation($preparation, $job->refresh()), 202);
    }

    public function show(Preparation $preparation): JsonResponse
    {
        return new JsonResponse(Ticket::preparation($preparation, $preparation->job()->firstOrFail()));
    }

    public function stage(Preparation $preparation, int $stage): JsonResponse
    {
        return new JsonResponse(PageArt::of($preparation->stageArt($stage) ?? abort(404)));
    }

    /** What a step did to the look: measured the first time that somebody asks, and kept with the step's outcome. */
    public function look(Preparation $preparation, int $stage): JsonResponse
    {
        $key = $preparation->stage_keys[$stage] ?? abort(404);
        $kept = StepResult::query()->findOrFail($key);
        $report = $kept->report();
        if ($report->look === null) {
            $before = $stage > 0 ? $preparation->stageArt($stage - 1) : Seen::of($preparation->job()->firstOrFail()->art());
            $ground = PrepLine::of($preparation->line())->ground;
            $report = $report->withLook(Look::between($before ?? abort(404), $kept->art(), $ground));
            // Before the first step lies the bench, which may be another by now.
            if ($stage > 0) {
                $kept->update(['report' => json_encode($report->toArray(), JSON_THROW_ON_ERROR)]);
            }
        }

        return new JsonResponse($report->look?->toArray());
    }

    /** Where a step changed the look: places to step through, the largest first. */
    public function changes(Preparation $preparation, int $stage): JsonResponse
    {
        $after = $preparation->stageArt($stage) ?? abort(404);
        $before = $stage > 0 ? $preparation->stageArt($stage - 1) : Seen::of($preparation->job()->firstOrFail()->art());

        return new JsonResponse(Look::places($before ?? abort(404), $after, PrepLine::of($preparation->line())->ground));
    }

    /** How many findings there were before a step and are after it: counted the first time that somebody asks, and kept for these limits. */
    public function found(Preparation $preparation, int $stage): JsonResponse
    {
        $job = ShopJob::snapshot($preparation->shop_job_id);
        $bench = $job->art();
        $source = Seen::of($bench);
        $limits = $job->limits();
        $tally = static function (int $at) use ($preparation, $job, $bench, $source, $limits): array {
            $key = $at < 0 ? "source {$job->id} {$job->version}" : ($preparation->stage_keys[$at] ?? abort(404));

            return Cache::remember('found '.hash('xxh128', $key.PrepLine::ENGINE.json_encode($limits, JSON_THROW_ON_ERROR)), self::KEPT, static fn (): array => Inspection::tally($bench, $source, $at < 0 ? $source : ($preparation->stageArt($at) ?? abort(404)), $limits));
        };

        return new JsonResponse(Budget::within('Counting what is found', static fn (): array => ['before' => $tally($stage - 1), 'after' => $tally($stage)]));
    }

    public function picture(Preparation $preparation, int $stage): Response
    {
        return Pictures::svg($preparation->stageArt($stage) ?? abort(404));
    }
}
