<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Ticket;
use App\Models\Revision;
use App\Models\ShopJob;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Artwork\Artwork;

/** A job's states in a row: each new one follows the one in force, which undo goes back to. */
final class History
{
    /**
     * Changes a job in one transaction, unless another window was faster: then nothing is changed and the newer state is sent.
     *
     * @param  int  $version  the job's version that the window knows
     * @param  callable(ShopJob): bool  $do  tells whether the art or its limits changed, so that other windows are stale
     */
    public static function change(ShopJob $job, int $version, callable $do): JsonResponse
    {
        return DB::transaction(static function () use ($job, $version, $do): JsonResponse {
            $job = ShopJob::query()->lockForUpdate()->findOrFail($job->id);
            if ($job->version !== $version) {
                return new JsonResponse(['message' => 'This job was changed in another window; here is its newer state.', ...Ticket::whole($job)], 409);
            }
            if ($do($job)) {
                $job->version++;
            }
            $job->save();

            return new JsonResponse(Ticket::whole($job));
        });
    }

    /** Stores a new state and puts it in force; to be called inside a transaction that holds the job. */
    public static function append(ShopJob $job, string $label, Artwork $artwork): void
    {
        $number = 1 + (int) $job->revisions()->max('number');
        Revision::query()->create([
            'shop_job_id' => $job->id,
            'number' => $number,
            'parent' => $job->revision,
            'label' => $label,
            'artwork' => Revision::packed($artwork),
        ]);
        self::putInForce($job, $number, $artwork);
    }

    public static function putInForce(ShopJob $job, int $number, Artwork $artwork): void
    {
        $job->revision = $number;
        $job->width_mm = $artwork->width;
        $job->height_mm = $artwork->height;
    }
}
