<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Drawn\PageArt;
use App\Http\Description\Answers;
use App\Http\Requests\ChangeRequest;
use App\Http\Requests\VersionNameRequest;
use App\Http\Resources\ArtResource;
use App\Http\Resources\ChangedStateResource;
use App\Http\Resources\VersionListResource;
use App\Models\ShopJob;
use App\Models\Version;
use App\Prep\History;
use App\Prep\Proposal;

/** States of a job that were given names. */
final class VersionController
{
    /** The versions of a job, and what was done last. */
    #[Answers(VersionListResource::class)]
    public function index(ShopJob $job): VersionListResource
    {
        return new VersionListResource($job);
    }

    /** Gives the state in force a name. */
    #[Answers(VersionListResource::class)]
    public function store(VersionNameRequest $request, ShopJob $job): VersionListResource
    {
        Version::keep($job, trim($request->validated('name')));

        return new VersionListResource($job);
    }

    /** The art of a version. */
    #[Answers(ArtResource::class)]
    public function show(ShopJob $job, Version $version): ArtResource
    {
        return new ArtResource(PageArt::of($version->art()));
    }

    /** Takes the name back; the state stays in the history. */
    #[Answers(VersionListResource::class)]
    public function destroy(ShopJob $job, Version $version): VersionListResource
    {
        $version->delete();

        return new VersionListResource($job);
    }

    /** Lays a version on the bench again, as a new revision: what was done since stays in the history. */
    #[Answers(ChangedStateResource::class)]
    public function back(ChangeRequest $request, ShopJob $job, Version $version): ChangedStateResource
    {
        return new ChangedStateResource(History::change(
            $job,
            $request->asker(),
            static fn (ShopJob $job): Proposal => Proposal::state('Back to "'.$version->name.'"', $job->art(), $version->art()),
        ));
    }
}
