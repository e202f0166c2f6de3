<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\ShopJob;
use Illuminate\Http\Request;

/**
 * A job that was opened from its file.
 *
 * @phpstan-import-type JobRow from JobResource
 *
 * @phpstan-type OpenedJobRow array{
 *     job: JobRow,
 *     // What of it did not come along.
 *     says: list<string>,
 * }
 */
final class OpenedJobResource extends Resource
{
    /** @param  array{ShopJob, list<string>}  $opened */
    public function __construct(array $opened)
    {
        parent::__construct($opened);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        [$job, $says] = $this->resource;

        return ['job' => JobResource::row($job), 'says' => $says];
    }
}
