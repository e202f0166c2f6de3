<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Sheet\Sheet;

/**
 * One run of a job's prep line.
 *
 * @property int $id
 * @property int $shop_job_id
 * @property int $version the job's version that it was made of
 * @property string $status waiting, running, done, stopped or failed
 * @property list<string> $steps
 * @property string|null $ground hex of what see-through pieces are laid on
 * @property int $done
 * @property int $of
 * @property string $doing
 * @property bool $stop_requested
 * @property string|null $error
 * @property list<string>|null $stage_keys where each step's outcome is kept
 * @property array<string, mixed>|null $result
 */
final class Preparation extends Model
{
    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['steps' => 'array', 'stage_keys' => 'array', 'result' => 'array', 'stop_requested' => 'boolean'];
    }

    /** @return BelongsTo<ShopJob, $this> */
    public function job(): BelongsTo
    {
        return $this->belongsTo(ShopJob::class, 'shop_job_id');
    }

    /** The art after a step, the first of which is 0; null when there is no such step. */
    public function stageArt(int $stage): ?Artwork
    {
        $key = $this->stage_keys[$stage] ?? null;

        return $key === null ? null : StepResult::query()->find($key)?->art();
    }

    /** @return list<Sheet> what the machine gets; empty until the line has run */
    public function sheets(): array
    {
        $last = count($this->stage_keys ?? []) - 1;
        $art = $last < 0 ? null : $this->stageArt($last);

        return $art === null ? [] : Sheet::allOf($art);
    }
}
