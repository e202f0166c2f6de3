<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Backup\Damaged;
use App\Backup\JobArchive;
use App\Backup\JobOpening;
use App\Http\Description\Answers;
use App\Http\Requests\OpenJobRequest;
use App\Http\Resources\OpenedJobResource;
use App\Http\Zips;
use App\Models\ShopJob;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** One job as a file, out and in again. */
final class WholeJobController
{
    /** The job as a file, for another shop or for later: its bench, ticket, named versions, pictures and the customer's file. */
    #[Answers(type: 'application/zip')]
    public function show(ShopJob $job): Response
    {
        return Zips::sent(JobArchive::bytes($job), (Str::slug(mb_substr($job->title, 0, 80)) ?: "job-{$job->id}").'.job');
    }

    /** A job out of such a file. */
    #[Answers(OpenedJobResource::class, 201)]
    public function store(OpenJobRequest $request): OpenedJobResource
    {
        try {
            return (new OpenedJobResource(JobOpening::from((string) $request->sent()->getRealPath())))->status(201);
        } catch (Damaged $damaged) {
            throw ValidationException::withMessages(['file' => $damaged->getMessage()]);
        }
    }
}
