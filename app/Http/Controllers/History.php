<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Budget;
use App\Http\Ticket;
use App\Models\BenchPiece;
use App\Models\Revision;
use App\Models\ShopJob;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use LogicException;
use NeatEdge\Core\Format\Json\ArtworkDifference;

/** A job's states in a row: each new one follows the one in force, which undo goes back to. */
final class History
{
    /**
     * Changes a job, unless another window was faster: then nothing is changed and the newer state is sent. The change is worked out against
     * one state of the job, with nobody kept waiting; only then is the write lock taken, for as long as storing takes.
     *
     * @param  int  $version  the job's version that the window knows
     * @param  callable(ShopJob): Proposal  $propose
     * @param  ShopJob|null  $read  the job with as much of its bench as the change is about; all of it is read when null
     */
    public static function change(ShopJob $job, int $version, callable $propose, ?ShopJob $read = null): JsonResponse
    {
        $read ??= ShopJob::snapshot($job->id);
        if ($read->version !== $version) {
            return self::stale($read);
        }
        $proposal = Budget::within('This change', static fn (): Proposal => $propose($read));

        return DB::transaction(static function () use ($job, $version, $proposal, $read): JsonResponse {
            $job = ShopJob::query()->lockForUpdate()->findOrFail($job->id);
            // A way back that was looked up leads from the state that was in force then: it may have been laid anew since.
            if ($job->version !== $version || ($proposal->revision !== null && $job->revision !== $read->revision)) {
                return self::stale($job);
            }
            // A change whose answer was lost is asked for again.
            if (self::key() !== '' && self::key() === $job->last_key) {
                return self::text(Ticket::changed($job, null, []));
            }

            return self::text(Ticket::changed($job, $proposal->ahead, self::store($job, $proposal)));
        });
    }

    /**
     * @return array<string, string> what the page draws, by id, of the pieces that were changed or are new
     */
    private static function store(ShopJob $job, Proposal $proposal): array
    {
        $job->fill($proposal->columns);
        if ($proposal->notices !== []) {
            $job->notices = array_values(array_replace($job->notices, array_intersect_key($proposal->notices, $job->notices)));
        }
        $pages = [];
        if ($proposal->ahead !== null) {
            $beside = $proposal->notices === [] ? null : ['ahead' => ['notices' => $proposal->notices], 'back' => ['notices' => $proposal->noticesBefore]];
            $number = $proposal->revision ?? Revision::add($job, $proposal->label, $proposal->ahead, $proposal->back ?? throw new LogicException('A new state has a way back.'), $beside);
            self::putInForce($job, $number, $proposal->ahead);
            $pages = BenchPiece::change($job, $proposal->ahead);
        }
        if ($proposal->tells) {
            $job->version++;
        }
        if ($proposal->tells || $proposal->revision !== null) {
            $job->last_key = self::key();
        }
        $job->save();

        return $pages;
    }

    private static function putInForce(ShopJob $job, int $number, ArtworkDifference $difference): void
    {
        $job->revision = $number;
        if ($difference->frame !== null) {
            $job->width_mm = (float) $difference->frame['width'];
            $job->height_mm = (float) $difference->frame['height'];
        }
    }

    /** What the page calls the change. */
    private static function key(): string
    {
        $key = request()->input('key');

        return is_string($key) && preg_match('/^[0-9a-z-]{1,40}$/D', $key) === 1 ? $key : '';
    }

    private static function stale(ShopJob $job): JsonResponse
    {
        return self::text('{"message":"This job was changed in another window; here is its newer state.",'.substr(Ticket::whole($job), 1), 409);
    }

    private static function text(string $json, int $status = 200): JsonResponse
    {
        return new JsonResponse($json, $status, [], 0, true);
    }
}
