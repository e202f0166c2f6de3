<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\BenchPiece;
use App\Models\Revision;
use App\Models\ShopJob;
use App\Works\Budget;
use Illuminate\Support\Facades\DB;
use LogicException;
use NeatEdge\Core\Format\Json\ArtworkDifference;

/** A job's states in a row: each new one follows the one in force, which undo goes back to. */
final class History
{
    /**
     * Changes a job, unless another window was faster. The change is worked out against one state of the job, with nobody kept waiting; only then is the
     * write lock taken, for as long as storing takes.
     *
     * @param  Asker  $asker  what is known of who asks
     * @param  callable(ShopJob): Proposal  $propose
     * @param  ShopJob|null  $read  the job with as much of its bench as the change is about; all of it is read when null
     *
     * @throws Stale when another window was faster: nothing is changed
     */
    public static function change(ShopJob $job, Asker $asker, callable $propose, ?ShopJob $read = null): Changed
    {
        $read ??= ShopJob::snapshot($job->id);
        if ($read->version !== $asker->version) {
            throw new Stale($read);
        }
        $proposal = Budget::within('This change', static fn (): Proposal => $propose($read));

        return DB::transaction(static function () use ($job, $asker, $proposal, $read): Changed {
            $job = ShopJob::query()->lockForUpdate()->findOrFail($job->id);
            // A way back that was looked up leads from the state that was in force then: it may have been laid anew since.
            if ($job->version !== $asker->version || ($proposal->revision !== null && $job->revision !== $read->revision)) {
                throw new Stale($job);
            }
            // A change whose answer was lost is asked for again.
            if ($asker->key !== '' && $asker->key === $job->last_key) {
                return new Changed($job, null, []);
            }

            return new Changed($job, $proposal->ahead, self::store($job, $proposal, $asker->key));
        });
    }

    /**
     * @return array<string, string> what the page draws, by id, of the pieces that were changed or are new
     */
    private static function store(ShopJob $job, Proposal $proposal, string $key): array
    {
        $job->fill($proposal->columns);
        if ($proposal->notices !== []) {
            $job->notices = array_values(array_replace($job->notices, array_intersect_key($proposal->notices, $job->notices)));
        }
        $pages = [];
        if ($proposal->ahead !== null) {
            $beside = $proposal->notices === [] ? null : ['ahead' => ['notices' => $proposal->notices], 'back' => ['notices' => $proposal->noticesBefore]];
            $number = $proposal->revision ?? Revision::add(
                $job,
                $proposal->label,
                $proposal->ahead,
                $proposal->back ?? throw new LogicException('A new state has a way back.'),
                $beside,
            );
            self::putInForce($job, $number, $proposal->ahead);
            $pages = BenchPiece::change($job, $proposal->ahead);
        }
        if ($proposal->tells) {
            $job->version++;
        }
        if ($proposal->tells || $proposal->revision !== null) {
            $job->last_key = $key;
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
}
