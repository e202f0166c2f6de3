<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\MoveCopiesRequest;
use App\Http\Resources\CopiesResource;
use App\Models\ShopJob;
use App\Prep\CopiesByHand;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

/** Copies on their sheets. */
final class CopyController
{
    /** Where the copies of each sheet lie, with their outlines. */
    #[Answers([CopiesResource::class])]
    public function index(ShopJob $job): AnonymousResourceCollection
    {
        return CopiesResource::collection(CopiesByHand::told($job));
    }

    /** Copies are moved or turned by hand, together, and stay there; where one would lie on another all stay where they were. */
    #[Answers([CopiesResource::class])]
    public function move(MoveCopiesRequest $request, ShopJob $job): AnonymousResourceCollection
    {
        $fields = $request->validated();
        CopiesByHand::move($job, $fields['sheet'], $fields['moved']) ?? abort(404);

        return CopiesResource::collection(CopiesByHand::told($job->refresh()));
    }
}
