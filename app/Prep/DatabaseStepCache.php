<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\StepResult;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Line\StepCache;
use NeatEdge\Core\Prepare\StepReport;

/** Keeps the outcome of steps in the database, so that changing a late step never reruns the early ones. */
final class DatabaseStepCache implements StepCache
{
    /** @var list<string> keys asked for, in the order of the steps */
    public array $asked = [];

    public function get(string $key): ?array
    {
        $this->asked[] = $key;
        $kept = StepResult::query()->find($key);
        if ($kept === null) {
            return null;
        }

        return [$kept->art(), $kept->report()];
    }

    public function put(string $key, Artwork $artwork, StepReport $report): void
    {
        StepResult::query()->updateOrCreate(['key' => $key], [
            'artwork' => (string) gzcompress(ArtworkJson::encode($artwork), 3),
            'report' => json_encode($report->toArray(), JSON_THROW_ON_ERROR),
        ]);
    }
}
