<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Revision;
use App\Models\ShopJob;
use NeatEdge\Core\Artwork\Artwork;

/** A job's states in a row: each new one follows the one in force, which undo goes back to. */
final class History
{
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
