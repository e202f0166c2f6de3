<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Ticket;
use App\Models\Release;
use App\Models\ShopJob;
use App\Prep\Gate;
use App\Prep\Made;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use NeatEdge\Core\Described\Refused;

/** Who let a job go that was not ready, and why. */
final class ReleaseController
{
    public function index(ShopJob $job): JsonResponse
    {
        return new JsonResponse(Release::query()->where('shop_job_id', $job->id)->orderByDesc('id')->limit(100)->get()->map(static fn (Release $one): array => $one->row()));
    }

    public function store(Request $request, ShopJob $job): JsonResponse
    {
        $fields = $request->validate(['by' => ['required', 'string', 'max:80'], 'reason' => ['required', 'string', 'max:200']], ['by.*' => 'Say who lets it go.', 'reason.*' => 'Say why it may go as it is, in up to 200 letters.']);
        $verdict = Ticket::verdict(Made::prepared($job), $job) ?? throw Refused::because('Prepare the job first.');
        if ($verdict->isReady()) {
            throw Refused::because('The job is ready; nothing holds it.');
        }
        if ($verdict->empty) {
            throw Refused::because('There is nothing to make.');
        }

        return new JsonResponse(Gate::release($job, $verdict, trim($fields['by']), trim($fields['reason']))->row(), 201);
    }
}
