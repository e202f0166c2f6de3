<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A job at a table of finished sizes, checked one after the other.
 *
 * @phpstan-type Row array{typed: string, width?: float, height?: float, sheets?: int, verdict?: array<string, mixed>, groups?: list<array<string, mixed>>, error?: string}
 *
 * @property int $id
 * @property int $shop_job_id
 * @property int $version of the job that is checked
 * @property string $status waiting, running, done, stopped or failed
 * @property list<Row> $rows in the order in which they were typed
 * @property string $doing what of the size that is at work
 * @property bool $stop_requested
 */
final class SizeRun extends Model
{
    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['rows' => 'array', 'stop_requested' => 'boolean'];
    }

    /** @return array<string, mixed> */
    public function row(): array
    {
        return ['id' => $this->id, 'version' => $this->version, 'status' => $this->status, 'rows' => $this->rows, 'doing' => $this->doing];
    }
}
