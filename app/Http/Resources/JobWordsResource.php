<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Preparation;
use App\Models\ShopJob;
use Illuminate\Http\Request;
use NeatEdge\Core\Check\FindingGroups;

/**
 * A job with all that is said of it, but for the art.
 *
 * @phpstan-import-type FindingRow from FindingResource
 * @phpstan-import-type FindingGroupRow from FindingResource
 * @phpstan-import-type HistoryRow from HistoryResource
 * @phpstan-import-type JobRow from JobResource
 * @phpstan-import-type PreparationRow from PreparationResource
 *
 * @phpstan-type JobWordsRow array{
 *     job: JobRow,
 *     notices: list<FindingRow>,
 *     // Where nothing was prepared, groups of the notices.
 *     groups?: list<FindingGroupRow>,
 *     history: HistoryRow,
 *     preparation: PreparationRow|null,
 * }
 */
final class JobWordsResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /**
     * @param  bool  $brief  without what no change to the art changes: the outcome of the last preparation, which may be long
     * @return array<string, mixed>
     */
    public static function row(ShopJob $job, bool $brief = false): array
    {
        $preparation = $brief ? $job->preparations()->latest('id')->first(Preparation::BRIEF) : $job->latestPreparation;
        $notices = $job->placedNotices();

        return [
            'job' => JobResource::row($job),
            'notices' => $notices,
            ...($brief || $preparation !== null ? [] : ['groups' => FindingGroups::of($notices)]),
            'history' => HistoryResource::row($job),
            'preparation' => $preparation === null
                ? null
                : ($brief ? PreparationResource::brief($preparation, $job) : PreparationResource::row($preparation, $job)),
        ];
    }
}
