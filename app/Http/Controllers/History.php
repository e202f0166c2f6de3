<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Ticket;
use App\Models\BenchPiece;
use App\Models\Revision;
use App\Models\ShopJob;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Format\Json\ArtworkDifference;

/** A job's states in a row: each new one follows the one in force, which undo goes back to. */
final class History
{
    /**
     * Changes a job in one transaction, unless another window was faster: then nothing is changed and the newer state is sent.
     *
     * @param  int  $version  the job's version that the window knows
     * @param  callable(ShopJob): (ArtworkDifference|bool|null)  $do  what of the art it changed; of other changes, whether other windows are stale by it
     */
    public static function change(ShopJob $job, int $version, callable $do): JsonResponse
    {
        return DB::transaction(static function () use ($job, $version, $do): JsonResponse {
            $job = ShopJob::query()->lockForUpdate()->findOrFail($job->id);
            if ($job->version !== $version) {
                return self::text('{"message":"This job was changed in another window; here is its newer state.",'.substr(Ticket::whole($job), 1), 409);
            }
            $done = $do($job);
            if ($done === null || $done === false) {
                $job->save();

                return self::text(Ticket::changed($job, null, []));
            }
            $pages = $done instanceof ArtworkDifference ? BenchPiece::change($job, $done) : [];
            $job->version++;
            $job->save();

            return self::text(Ticket::changed($job, $done instanceof ArtworkDifference ? $done : null, $pages));
        });
    }

    /** Stores a new state and puts it in force; to be called inside a change. */
    public static function append(ShopJob $job, string $label, Artwork $before, Artwork $after): ArtworkDifference
    {
        $ahead = ArtworkDifference::between($before, $after);
        if ($ahead->isNothing()) {
            throw EditRefused::because('That changes nothing.');
        }
        $number = 1 + (int) $job->revisions()->max('number');
        Revision::query()->create([
            'shop_job_id' => $job->id,
            'number' => $number,
            'parent' => $job->revision,
            'label' => $label,
            'change' => Revision::packed($ahead, ArtworkDifference::between($after, $before)),
        ]);
        self::putInForce($job, $number, $ahead);

        return $ahead;
    }

    public static function putInForce(ShopJob $job, int $number, ArtworkDifference $difference): void
    {
        $job->revision = $number;
        if ($difference->frame !== null) {
            $job->width_mm = (float) $difference->frame['width'];
            $job->height_mm = (float) $difference->frame['height'];
        }
    }

    private static function text(string $json, int $status = 200): JsonResponse
    {
        return new JsonResponse($json, $status, [], 0, true);
    }
}
