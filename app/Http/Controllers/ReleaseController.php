<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\ReleaseRequest;
use App\Http\Resources\ReleaseResource;
use App\Models\Person;
use App\Models\Release;
use App\Models\ShopJob;
use App\Prep\Gate;
use App\Prep\Made;
use App\Prep\Verdicts;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use NeatEdge\Core\Described\Refused;

/** Who let a job go that was not ready, and why. */
final class ReleaseController
{
    private const PAGE = 100;

    /** Of one job, the latest first. */
    #[Answers([ReleaseResource::class], paged: true)]
    public function index(ShopJob $job): AnonymousResourceCollection
    {
        return ReleaseResource::collection(Release::query()->where('shop_job_id', $job->id)->orderByDesc('id')->simplePaginate(self::PAGE));
    }

    /** Lets it go as it is, for this state of it alone. */
    #[Answers(ReleaseResource::class, 201)]
    public function store(ReleaseRequest $request, ShopJob $job): ReleaseResource
    {
        $verdict = Verdicts::of(Made::prepared($job), $job) ?? throw Refused::because('Prepare the job first.');
        if ($verdict->isReady()) {
            throw Refused::because('The job is ready; nothing holds it.');
        }
        if ($verdict->empty) {
            throw Refused::because('There is nothing to make.');
        }

        // Whoever is signed in lets it go under their own name, whatever was typed.
        $by = Person::asking()->name ?? trim($request->validated('by'));

        return (new ReleaseResource(Gate::release($job, $verdict, $by, trim($request->validated('reason')))))->status(201);
    }
}
