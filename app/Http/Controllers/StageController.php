<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Drawn\PageArt;
use App\Http\Description\Answers;
use App\Http\Pictures;
use App\Http\Resources\ArtResource;
use App\Http\Resources\FoundResource;
use App\Http\Resources\LookDifferenceResource;
use App\Http\Resources\LookPlacesResource;
use App\Models\Preparation;
use App\Models\ShopJob;
use App\Models\StepResult;
use App\Works\Budget;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cache;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Prepare\Look;
use NeatEdge\Core\Seen\Seen;

/** The art after each step of a line. */
final class StageController
{
    /** Seconds for which counts of findings are kept. */
    private const KEPT = 7 * 86_400;

    /** The art after a step, the first of which is 0. */
    #[Answers(ArtResource::class)]
    public function show(Preparation $preparation, int $stage): ArtResource
    {
        return new ArtResource(PageArt::of($preparation->stageArt($stage) ?? abort(404)));
    }

    /** What a step did to the look: measured the first time that somebody asks, and kept with the step's outcome. */
    #[Answers(LookDifferenceResource::class)]
    public function look(Preparation $preparation, int $stage): LookDifferenceResource
    {
        $key = $preparation->stage_keys[$stage] ?? abort(404);
        $kept = StepResult::query()->findOrFail($key);
        $report = $kept->report();
        $look = $report->look;
        if ($look === null) {
            $look = Look::between(self::before($preparation, $stage), $kept->art(), PrepLine::of($preparation->line())->ground);
            // Before the first step lies the bench, which may be another by now.
            if ($stage > 0) {
                $kept->update(['report' => json_encode($report->withLook($look)->toArray(), JSON_THROW_ON_ERROR)]);
            }
        }

        return new LookDifferenceResource($look->toArray());
    }

    /** Where a step changed the look: places to step through, the largest first. */
    #[Answers(LookPlacesResource::class)]
    public function changes(Preparation $preparation, int $stage): LookPlacesResource
    {
        $after = $preparation->stageArt($stage) ?? abort(404);

        return new LookPlacesResource(Look::places(self::before($preparation, $stage), $after, PrepLine::of($preparation->line())->ground));
    }

    /** How many findings there were before a step and are after it: counted the first time that somebody asks, and kept for these limits. */
    #[Answers(FoundResource::class)]
    public function found(Preparation $preparation, int $stage): FoundResource
    {
        $job = $preparation->job()->firstOrFail();
        $limits = $job->limits();
        // What was counted already wants nothing of the bench.
        $bench = null;
        $tally = static function (int $at) use ($preparation, $job, $limits, &$bench): array {
            $key = $at < 0 ? "source {$job->id} {$job->version}" : ($preparation->stage_keys[$at] ?? abort(404));
            $count = static function () use ($preparation, $job, $limits, $at, &$bench): array {
                $bench ??= ShopJob::snapshot($job->id)->art();
                $source = Seen::of($bench);

                return Inspection::tally($bench, $source, $at < 0 ? $source : ($preparation->stageArt($at) ?? abort(404)), $limits);
            };

            return Cache::remember('found '.hash('xxh128', $key.PrepLine::ENGINE.json_encode($limits, JSON_THROW_ON_ERROR)), self::KEPT, $count);
        };

        return new FoundResource(Budget::within('Counting what is found', static fn (): array => ['before' => $tally($stage - 1), 'after' => $tally($stage)]));
    }

    /** The art after a step as a picture. */
    #[Answers(type: 'image/svg+xml')]
    public function picture(Preparation $preparation, int $stage): Response
    {
        return Pictures::svg($preparation->stageArt($stage) ?? abort(404));
    }

    /** The art after a step, for its card. */
    #[Answers(type: 'image/webp'), Answers(status: 304)]
    public function small(Request $request, Preparation $preparation, int $stage): Response
    {
        $key = $preparation->stage_keys[$stage] ?? abort(404);

        return Pictures::small($request, "stage {$key}", static fn (): string => Writer::write($preparation->stageArt($stage) ?? abort(404)));
    }

    /** The art that a step began with. */
    private static function before(Preparation $preparation, int $stage): Artwork
    {
        return ($stage > 0 ? $preparation->stageArt($stage - 1) : Seen::of($preparation->job()->firstOrFail()->art())) ?? abort(404);
    }
}
