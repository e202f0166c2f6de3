<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Resources\PreparationResource;
use App\Models\Preparation;
use App\Models\ShopJob;
use App\Works\Kinds\Prepare;
use NeatEdge\Core\Described\Values;

/** Runs of a job's line. */
final class PreparationController
{
    /** Prepares a job by its line. */
    #[Answers(PreparationResource::class, 202)]
    public function store(ShopJob $job, Prepare $kind): PreparationResource
    {
        $preparation = Prepare::preparation($kind->ask($job, Values::read($kind->fields(), []))) ?? abort(404);

        return (new PreparationResource($preparation))->status(202);
    }

    /** How far it is, and what came of it. */
    #[Answers(PreparationResource::class)]
    public function show(Preparation $preparation): PreparationResource
    {
        return new PreparationResource($preparation);
    }
}
