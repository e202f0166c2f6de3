<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Drawn\PageArt;
use App\Models\BenchPiece;
use App\Models\ShopJob;
use App\Words\Words;
use NeatEdge\Core\Format\Json\ArtworkJson;

/**
 * A job with its art, all of one moment.
 *
 * @phpstan-import-type ArtRow from ArtResource
 * @phpstan-import-type FindingRow from FindingResource
 * @phpstan-import-type FindingGroupRow from FindingResource
 * @phpstan-import-type HistoryRow from HistoryResource
 * @phpstan-import-type JobRow from JobResource
 * @phpstan-import-type PreparationRow from PreparationResource
 *
 * @phpstan-type JobStateRow array{
 *     job: JobRow,
 *     notices: list<FindingRow>,
 *     groups?: list<FindingGroupRow>,
 *     history: HistoryRow,
 *     preparation: PreparationRow|null,
 *     art: ArtRow,
 * }
 */
final class JobStateResource extends TextResource
{
    protected function text(): string
    {
        return self::whole($this->resource);
    }

    /** @return string JSON; the pieces are kept as the page draws them */
    public static function whole(ShopJob $job): string
    {
        return ShopJob::reading(static fn (): string => self::read(ShopJob::query()->findOrFail($job->id)));
    }

    /**
     * The steps of the line as who reads them calls them.
     *
     * @param  array<string, mixed>  $frame
     * @return array<string, mixed>
     */
    public static function said(array $frame): array
    {
        return isset($frame['line']) ? [...$frame, 'line' => Words::of()->row($frame['line'])] : $frame;
    }

    private static function read(ShopJob $job): string
    {
        $frame = ArtworkJson::text(self::said(PageArt::frame(ArtworkJson::data((string) $job->bench))));

        return substr(
            ArtworkJson::text(Words::of()->row(JobWordsResource::row($job))),
            0,
            -1,
        ).',"art":'.substr($frame, 0, -1).',"pieces":['.implode(',', BenchPiece::pages($job)).']}}';
    }
}
