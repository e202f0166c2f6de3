<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Revision;
use App\Models\ShopJob;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Format\Json\ArtworkDifference;

/**
 * How a job is laid out, changed as a state of its history: undone like everything else. The art is the same, so no preparation and no window becomes stale
 * by it.
 */
final class Laid
{
    /**
     * @param  string  $label  what the history calls it
     * @param  callable(array<string, mixed>): array<string, mixed>  $change  the new choices from those in force; see ShopJob::$making
     */
    public static function change(ShopJob $job, string $label, callable $change): ShopJob
    {
        return DB::transaction(static function () use ($job, $label, $change): ShopJob {
            $job = ShopJob::query()->lockForUpdate()->findOrFail($job->id);
            $before = $job->making ?? [];
            $after = $change($before);
            if ($after == $before) {
                return $job;
            }
            $nothing = ArtworkDifference::fromArray([]);
            $number = Revision::add($job, $label, $nothing, $nothing, ['ahead' => ['making' => $after], 'back' => ['making' => $before]]);
            $job->update(['making' => $after, 'revision' => $number]);

            return $job;
        });
    }
}
