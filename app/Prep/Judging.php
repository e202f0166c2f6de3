<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Check\Judgements;

/** What somebody says of what was found or left out. */
final class Judging
{
    /**
     * @param  string|null  $reason  why it can be done without; null takes that back
     * @param  string|null  $by  who says so
     * @return ShopJob|null null where there is no such notice
     */
    public static function notice(ShopJob $job, int $number, ?string $reason, ?string $by = null): ?ShopJob
    {
        return DB::transaction(static function () use ($job, $number, $reason, $by): ?ShopJob {
            $job = ShopJob::query()->lockForUpdate()->findOrFail($job->id);
            $notices = $job->notices;
            if (! isset($notices[$number])) {
                return null;
            }
            if ($reason === null) {
                unset($notices[$number]['accepted'], $notices[$number]['acceptedBy'], $notices[$number]['cured']);
            } else {
                $notices[$number]['accepted'] = $reason;
                unset($notices[$number]['cured'], $notices[$number]['acceptedBy']);
                $notices[$number] += $by === null ? [] : ['acceptedBy' => $by];
            }
            $job->update(['notices' => $notices]);

            return $job->refresh();
        });
    }

    /**
     * @param  list<int>  $numbers  of findings of the preparation
     * @param  string|null  $reason  why they can be done without; null for what was only looked at
     * @param  bool  $open  whether all that was said of them is taken back
     * @param  string|null  $by  who says so
     * @return ShopJob|null null where there are no such findings
     */
    public static function findings(ShopJob $job, int $preparation, array $numbers, ?string $reason, bool $open, ?string $by = null): ?ShopJob
    {
        return DB::transaction(static function () use ($job, $preparation, $numbers, $reason, $open, $by): ?ShopJob {
            $job = ShopJob::query()->lockForUpdate()->findOrFail($job->id);
            $prepared = $job->preparations()->whereKey($preparation)->first();
            $chosen = $prepared === null ? [] : array_intersect_key($prepared->findings(), array_flip($numbers));
            if ($prepared === null || count($chosen) !== count(array_unique($numbers))) {
                return null;
            }
            $judged = Judgements::without($job->judged ?? [], array_values($chosen), $job->width_mm);
            if (! $open) {
                array_push($judged, ...array_map(static fn (array $row): array => Judgements::of($row, $job->width_mm, $reason, $by), array_values($chosen)));
            }
            $job->update(['judged' => $judged]);
            $prepared->update(['summary' => $prepared->summed($judged, $job->width_mm)]);

            return $job->refresh();
        });
    }
}
