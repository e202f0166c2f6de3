<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Drawn\PageArt;
use App\Prep\Changed;
use App\Words\Words;
use NeatEdge\Core\Format\Json\ArtworkJson;

/**
 * The answer to a change: of the art only what is otherwise now.
 *
 * @phpstan-import-type ChangesRow from ArtResource
 * @phpstan-import-type FindingRow from FindingResource
 * @phpstan-import-type HistoryRow from HistoryResource
 * @phpstan-import-type JobRow from JobResource
 * @phpstan-import-type PreparationRow from PreparationResource
 *
 * @phpstan-type ChangedStateRow array{
 *     job: JobRow,
 *     notices: list<FindingRow>,
 *     history: HistoryRow,
 *     preparation: PreparationRow|null,
 *     changes: ChangesRow,
 * }
 */
final class ChangedStateResource extends TextResource
{
    protected function text(): string
    {
        /** @var Changed $changed */
        $changed = $this->resource;
        $difference = $changed->difference;
        $changes = ArtworkJson::text([
            'gone' => array_map(strval(...), array_keys(array_filter($difference->pieces ?? [], static fn (?array $piece): bool => $piece === null))),
            'order' => $difference?->order,
            'frame' => $difference?->frame === null ? null : JobStateResource::said(PageArt::frame($difference->frame)),
        ]);

        return substr(
            ArtworkJson::text(Words::of()->row(JobWordsResource::row($changed->job, brief: true))),
            0,
            -1,
        ).',"changes":'.substr($changes, 0, -1).',"pieces":['.implode(',', $changed->pages).']}}';
    }
}
