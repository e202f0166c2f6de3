<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\ListWorksRequest;
use App\Http\Requests\WorkRequest;
use App\Http\Resources\WorkResource;
use App\Http\Resources\WorksResource;
use App\Models\ShopJob;
use App\Models\Work;
use App\Works\Kinds;
use App\Works\Works;
use Illuminate\Support\Facades\Gate;
use NeatEdge\Core\Described\Values;

/** Long work of every kind: asked for, looked at, stopped, paused, gone on with. */
final class WorkController
{
    /** Seconds for which what ended is still told of. */
    private const TOLD = 20;

    private const MOST = 200;

    /** What waits, runs, or ended just now; of one job also the last of each kind. */
    #[Answers(WorksResource::class)]
    public function index(ListWorksRequest $request): WorksResource
    {
        $job = $request->validated('job');
        // Each along an index of its own: there is the work of every job behind them.
        $works = Work::query()->whereIn('state', Work::OPEN)->orderBy('id')->limit(self::MOST)->get()
            ->merge(Work::query()->where('updated_at', '>=', now()->subSeconds(self::TOLD))->whereNotIn('state', Work::OPEN)
                ->orderBy('updated_at')->limit(self::MOST)->get())
            ->sortBy('id')->values()->take(self::MOST);
        $last = $job === null ? null : Work::query()->whereIn(
            'id',
            Work::query()->where('shop_job_id', $job)->where('kind', '!=', 'send')->groupBy('kind')->selectRaw('max(id)'),
        )->get();

        return new WorksResource([
            'works' => $works->map(WorkResource::row(...))->all(),
            'last' => (object) ($last?->keyBy('kind')->map(WorkResource::row(...))->all() ?? []),
        ]);
    }

    /** Asks for a kind of work with its values, for a job. */
    #[Answers(WorkResource::class, 202)]
    public function store(WorkRequest $request, ShopJob $job): WorkResource
    {
        $kind = Kinds::of($request->validated('kind'));
        Gate::authorize('ask', [Work::class, $kind]);
        $work = $kind->ask($job, Values::read($kind->fields(), $request->except('kind'), $job->unit));

        return (new WorkResource($work))->status(202);
    }

    /** How far it is. */
    #[Answers(WorkResource::class)]
    public function show(Work $work): WorkResource
    {
        return new WorkResource($work);
    }

    /** Stops it. */
    #[Answers(WorkResource::class)]
    public function stop(Work $work): WorkResource
    {
        return new WorkResource(Works::tell($work, 'stop'));
    }

    /** Has it wait after the part that it is at. */
    #[Answers(WorkResource::class)]
    public function pause(Work $work): WorkResource
    {
        return new WorkResource(Works::tell($work, 'pause'));
    }

    /** On from where it stopped. */
    #[Answers(WorkResource::class)]
    public function go(Work $work): WorkResource
    {
        return new WorkResource(Works::goOn($work));
    }
}
