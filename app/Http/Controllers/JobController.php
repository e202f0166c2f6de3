<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\JobList;
use App\Http\Requests\ListJobsRequest;
use App\Http\Requests\TakeJobRequest;
use App\Http\Requests\TicketRequest;
use App\Http\Resources\ChangedStateResource;
use App\Http\Resources\JobPageResource;
use App\Http\Resources\JobResource;
use App\Http\Resources\JobStateResource;
use App\Models\ShopJob;
use App\Prep\Duplicating;
use App\Prep\History;
use App\Prep\Intake;
use App\Prep\Tickets;
use App\Works\Works;
use Illuminate\Http\Response;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Process\Processes;

/** Jobs and their tickets. */
final class JobController
{
    /** Jobs that somebody looks for, one page of them: nothing is read that is long, and nothing is worked out. */
    #[Answers(JobPageResource::class)]
    public function index(ListJobsRequest $request): JobPageResource
    {
        $asked = $request->validated();

        return new JobPageResource(JobList::page(
            (string) ($asked['search'] ?? ''),
            $asked['only'] ?? 'all',
            $asked['order'] ?? 'updated',
            (int) ($asked['page'] ?? 1),
        ));
    }

    /** A new job, of a file or an empty bench. */
    #[Answers(JobResource::class, 201)]
    public function store(TakeJobRequest $request): JobResource
    {
        $fields = $request->validated();
        $title = trim((string) ($fields['title'] ?? ''));
        $process = Processes::of($fields['process']);
        if (! $request->hasFile('file')) {
            $job = Intake::blank($title, $process, Length::positive((string) ($fields['width'] ?? '')), Length::positive((string) ($fields['height'] ?? '')));

            return (new JobResource($job))->status(201);
        }
        $file = $request->sent();
        $name = $file->getClientOriginalName();
        $job = Intake::take(
            $title !== '' ? $title : mb_substr((string) preg_replace('/\.('.implode('|', array_keys(Incoming::ENDINGS)).')$/i', '', mb_scrub($name)), 0, 120),
            $process,
            Intake::width($fields['width'] ?? null),
            $name,
            (string) $file->get(),
            ofArt: ($fields['of'] ?? 'page') === 'art',
            taking: Intake::said($fields['taking'] ?? []),
        );

        return (new JobResource($job))->status(201);
    }

    /** A job with its art and all that is said of it. */
    #[Answers(JobStateResource::class)]
    public function show(ShopJob $job): JobStateResource
    {
        return new JobStateResource($job);
    }

    /** Changes the ticket; another size scales the art as a new revision. */
    #[Answers(ChangedStateResource::class)]
    public function update(TicketRequest $request, ShopJob $job): ChangedStateResource
    {
        return new ChangedStateResource(History::change($job, $request->asker(), Tickets::change($job, $request->validated())));
    }

    /** A second job like it. */
    #[Answers(JobResource::class, 201)]
    public function copy(ShopJob $job): JobResource
    {
        return (new JobResource(Duplicating::of($job)))->status(201);
    }

    /** Put away: it is done with, and lists pass it over. Nothing of it goes. */
    #[Answers(status: 204)]
    public function archive(ShopJob $job): Response
    {
        $job->timestamps = false;
        $job->update(['archived_at' => now()]);

        return response()->noContent();
    }

    /** Back among the others. */
    #[Answers(status: 204)]
    public function unarchive(ShopJob $job): Response
    {
        $job->timestamps = false;
        $job->update(['archived_at' => null]);

        return response()->noContent();
    }

    /** To the trash, from where it can be brought back for some weeks. */
    #[Answers(status: 204)]
    public function destroy(ShopJob $job): Response
    {
        Works::stopAll($job);
        $job->delete();

        return response()->noContent();
    }
}
