<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Preparation;
use App\Models\Release;
use App\Models\ShopJob;
use NeatEdge\Core\Check\Verdict;
use NeatEdge\Core\Described\Refused;

/** Before anything leaves for a machine or as a file: what is not ready goes only where somebody said by name that it shall. */
final class Gate
{
    /**
     * @param  bool  $earlier  whether an earlier state was asked for by name: that it is one stands against it no more
     *
     * @throws NotReady where nobody has let it go as it is
     */
    public static function pass(ShopJob $job, ?Preparation $preparation = null, bool $earlier = false): void
    {
        $preparation ??= $job->latestPreparation;
        // Who let it go was also told that it is an earlier state.
        $told = $earlier && $preparation !== null ? Verdicts::of($preparation, $job) : null;
        if ($told !== null && self::released($job, $told) !== null) {
            return;
        }
        if ($earlier && $preparation !== null) {
            $preparation = clone $preparation;
            $preparation->version = $job->version;
        }
        $verdict = $preparation === null ? null : Verdicts::of($preparation, $job);
        if ($verdict === null || $verdict->isReady() || self::released($job, $verdict) !== null) {
            return;
        }
        throw new NotReady($verdict);
    }

    /**
     * Whether what was prepared may leave: an earlier state only where that is asked for by name, and what is not ready only where somebody let it go.
     *
     * @throws Refused|NotReady
     */
    public static function leave(ShopJob $job, Preparation $preparation, bool $earlier = false): void
    {
        Made::holdStale($preparation, $earlier);
        self::pass($job, $preparation, $earlier);
    }

    /** Somebody lets a job go as it is; it holds for this state of it alone. */
    public static function release(ShopJob $job, Verdict $verdict, string $by, string $reason): Release
    {
        return Release::query()->create([
            'shop_job_id' => $job->id,
            'version' => $job->version,
            'state' => self::state($verdict),
            'open' => $verdict->open,
            'by' => $by,
            'reason' => $reason,
        ]);
    }

    public static function released(ShopJob $job, Verdict $verdict): ?Release
    {
        return Release::query()->where('shop_job_id', $job->id)->where('version', $job->version)->where('state', self::state($verdict))->latest('id')->first();
    }

    private static function state(Verdict $verdict): string
    {
        return hash('xxh128', json_encode([$verdict->sentence, $verdict->open], JSON_THROW_ON_ERROR));
    }
}
