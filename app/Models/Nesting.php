<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A search for a closer way to lay a job's copies.
 *
 * @property int $id
 * @property int $shop_job_id
 * @property string $status waiting, running, done, stopped or failed
 * @property int $seconds that it may take
 * @property bool $stop_requested
 * @property array<string, array{length: float, tried: int}>|null $progress by colour of the sheet
 * @property string $error
 */
final class Nesting extends Model
{
    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['stop_requested' => 'boolean', 'progress' => 'array'];
    }

    /** @return array<string, mixed> */
    public function row(): array
    {
        return ['id' => $this->id, 'status' => $this->status, 'seconds' => $this->seconds, 'progress' => (object) ($this->progress ?? []), 'error' => $this->error];
    }
}
