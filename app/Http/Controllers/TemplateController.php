<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\BeginRequest;
use App\Http\Requests\TemplateRequest;
use App\Http\Resources\JobResource;
use App\Http\Resources\TemplateResource;
use App\Models\JobTemplate;
use App\Models\ShopJob;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;
use NeatEdge\Core\Geometry\Length;

/** What new jobs begin with. */
final class TemplateController
{
    /** All templates. */
    #[Answers([TemplateResource::class])]
    public function index(): AnonymousResourceCollection
    {
        return TemplateResource::collection(JobTemplate::query()->orderBy('name')->get());
    }

    /** Makes one of a job: its ticket, guides and line, without its art. */
    #[Answers(TemplateResource::class, 201)]
    public function store(TemplateRequest $request, ShopJob $job): TemplateResource
    {
        return (new TemplateResource(JobTemplate::of(ShopJob::snapshot($job->id), trim($request->validated('name')))))->status(201);
    }

    /** A new job that begins with it. */
    #[Answers(JobResource::class, 201)]
    public function begin(BeginRequest $request, JobTemplate $template): JobResource
    {
        $size = static fn (string $name): ?Length => trim((string) $request->validated($name)) === ''
            ? null
            : Length::positive((string) $request->validated($name));

        return (new JobResource($template->begun(trim((string) $request->validated('title')), $size('width'), $size('height'))))->status(201);
    }

    /** Takes it away; jobs that began with it stay. */
    #[Answers(status: 204)]
    public function destroy(JobTemplate $template): Response
    {
        $template->delete();

        return response()->noContent();
    }
}
