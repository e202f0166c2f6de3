<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\ShopJob;
use App\Models\Work;
use App\Works\Kinds;
use App\Works\Works;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use NeatEdge\Core\Described\Values;

/** Long work of every kind: asked for, looked at, stopped, paused, gone on with. */
final class WorkController
{
    /** Seconds for which what ended is still told of. */
    private const TOLD = 20;

    /** What waits, runs, or ended just now; of one job also the last of each kind. */
    public function index(Request $request): JsonResponse
    {
        $job = $request->validate(['job' => ['sometimes', 'integer']], ['*' => 'Name a job.'])['job'] ?? null;
        $works = Work::query()->whereIn('state', Work::OPEN)->orWhere(static fn ($query) => $query->where('updated_at', '>=', now()->subSeconds(self::TOLD))->whereNotIn('state', Work::OPEN))->orderBy('id')->limit(200)->get();
        $last = $job === null ? null : Work::query()->whereIn('id', Work::query()->where('shop_job_id', $job)->where('kind', '!=', 'send')->groupBy('kind')->selectRaw('max(id)'))->get();

        return new JsonResponse(['works' => $works->map(static fn (Work $work): array => $work->row()), 'last' => (object) ($last?->keyBy('kind')->map(static fn (Work $work): array => $work->row())->all() ?? [])]);
    }

    /** A kind of work with its values, for a job. */
    public function store(Request $request, ShopJob $job): JsonResponse
    {
        $kind = Kinds::of($request->validate(['kind' => ['required', Rule::in(array_keys(Kinds::all()))]], ['*' => 'Say which kind of work.'])['kind']);
        $work = $kind->ask($job, Values::read($kind->fields(), $request->except('kind'), $job->unit));

        return new JsonResponse($work->row(), 202);
    }

    public function show(Work $work): JsonResponse
    {
        return new JsonResponse($work->row());
    }

    public function stop(Work $work): JsonResponse
    {
        return new JsonResponse(Works::tell($work, 'stop')->row());
    }

    public function pause(Work $work): JsonResponse
    {
        return new JsonResponse(Works::tell($work, 'pause')->row());
    }

    /** On from where it stopped. */
    public function go(Work $work): JsonResponse
    {
        return new JsonResponse(Works::goOn($work)->row());
    }
}
