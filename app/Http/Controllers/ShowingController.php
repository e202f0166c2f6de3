<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Pictures;
use App\Http\Requests\ShownFileRequest;
use App\Http\Requests\ShowRequest;
use App\Http\Resources\JobResource;
use App\Http\Resources\ShowingResource;
use App\Http\Resources\ThingsResource;
use App\Models\ShopJob;
use App\Prep\Showing;
use App\Works\Budget;
use Illuminate\Http\Response;
use NeatEdge\Core\Proof\Things;

/** Art on things. */
final class ShowingController
{
    /** Things that art can be shown on. */
    #[Answers(ThingsResource::class)]
    public function things(): ThingsResource
    {
        return new ThingsResource(['things' => Showing::things()]);
    }

    /** A thing that ships, as a job of the shop's own: its bench can be changed, and is a thing again. */
    #[Answers(JobResource::class, 201)]
    public function open(string $thing): JobResource
    {
        return (new JobResource(Showing::asJob(isset(Things::all()[$thing]) ? $thing : abort(404))))->status(201);
    }

    /** What this job's art is shown on. */
    #[Answers(ShowingResource::class)]
    public function show(ShopJob $job): ShowingResource
    {
        return new ShowingResource(Budget::within('Showing it', static fn (): array => (new Showing(ShopJob::snapshot($job->id)))->told()));
    }

    /** Another thing, colours, places of art, with its light or without; kept with the job. */
    #[Answers(ShowingResource::class)]
    public function update(ShowRequest $request, ShopJob $job): ShowingResource
    {
        Showing::choose($job, $request->chosen());

        return $this->show($job);
    }

    /** The picture: for the page as SVG, as a file in dots or as a PDF. */
    #[Answers(type: 'image/svg+xml|image/png|application/pdf')]
    public function file(ShownFileRequest $request, ShopJob $job, string $format): Response
    {
        $showing = new Showing(ShopJob::snapshot($job->id));
        $bytes = Budget::within('Showing it', static fn (): string => match ($format) {
            'svg' => $showing->svg($request->without()),
            'png' => $showing->png((int) ($request->validated('pixels') ?? 1600)),
            'pdf' => $showing->pdf(),
            default => abort(404),
        });

        return $format === 'svg' ? Pictures::text($bytes) : Pictures::file($bytes, $showing->name(), $format);
    }
}
