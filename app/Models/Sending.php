<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A file on its way to a machine: what of it was acknowledged is stored as it comes, so that after a break it is gone on with, and nothing is sent twice
 * unseen.
 *
 * @property int $id
 * @property int $shop_job_id
 * @property int $version of the job that it was made of
 * @property string $machine its name
 * @property string $kind
 * @property string $address host:port
 * @property string $file name of the file that is sent
 * @property string $title
 * @property int $number of the sheet or plate, from 0
 * @property int|null $work_id
 * @property-read Work|null $work how far it is, and how it ended
 * @property float $length_mm that tools go
 * @property float $height_mm of the sheet
 * @property list<array{at: string, what: string}> $log
 */
final class Sending extends Model
{
    use MadeBySomebody;

    protected $guarded = [];

    /** @var list<string> */
    protected $with = ['work'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['log' => 'array', 'length_mm' => 'float', 'height_mm' => 'float'];
    }

    /** The file as it goes to the machine; empty when it is not kept any more. */
    public function bytes(): string
    {
        return $this->content !== null && Contents::has($this->content) ? Contents::get($this->content) : '';
    }

    /** By what the machine knows it again. */
    public function word(): string
    {
        return pathinfo($this->file, PATHINFO_FILENAME)."-{$this->id}";
    }

    /** Written down at once, whatever comes after. */
    public function noted(string $what): void
    {
        $this->update(['log' => [...$this->log, ['at' => now()->toIso8601String(), 'what' => $what]]]);
    }

    /** @return BelongsTo<Work, $this> */
    public function work(): BelongsTo
    {
        return $this->belongsTo(Work::class);
    }
}
