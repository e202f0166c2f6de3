<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Resources\JobResource;
use App\Http\Resources\TrashedJobResource;
use App\Models\ShopJob;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;

/** Jobs that were thrown away, kept for some weeks. */
final class TrashController
{
    private const PAGE = 200;

    /** Those that were thrown away last come first. */
    #[Answers([TrashedJobResource::class], paged: true)]
    public function index(): AnonymousResourceCollection
    {
        return TrashedJobResource::collection(ShopJob::onlyTrashed()->orderByDesc('deleted_at')->orderByDesc('id')->simplePaginate(self::PAGE));
    }

    /** Brings a job back. */
    #[Answers(JobResource::class)]
    public function restore(int $job): JobResource
    {
        $found = ShopJob::onlyTrashed()->findOrFail($job);
        $found->restore();

        return new JobResource($found);
    }

    /** Takes a job out of the trash for good, with all that belonged to it. */
    #[Answers(status: 204)]
    public function destroy(int $job): Response
    {
        ShopJob::onlyTrashed()->findOrFail($job)->forceDelete();

        return response()->noContent();
    }
}
