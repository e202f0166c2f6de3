<?php

declare(strict_types=1);

namespace App\Models;

use App\Jobs\RunSending;
use Illuminate\Database\Eloquent\Model;

/**
 * A file on its way to a machine: what of it was acknowledged is stored as it comes, so that after a break it is gone on with, and nothing is sent twice unseen.
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
 * @property string $status waiting, running, paused, stopped, done or cancelled
 * @property string $asked pause or cancel, or nothing
 * @property string|null $worker process that holds it, or held it last
 * @property int $done parts that were acknowledged
 * @property int $of
 * @property float $length_mm that tools go
 * @property float $height_mm of the sheet
 * @property string $error
 * @property list<array{at: string, what: string}> $log
 */
final class Sending extends Model
{
    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['log' => 'array', 'length_mm' => 'float', 'height_mm' => 'float'];
    }

    public function path(): string
    {
        return rtrim((string) config('neat-edge.sendings'), '/')."/{$this->id}.bin";
    }

    /** By what the machine knows it again. */
    public function word(): string
    {
        return pathinfo($this->file, PATHINFO_FILENAME)."-{$this->id}";
    }

    public function note(string $what): void
    {
        $this->log = [...$this->log, ['at' => now()->toIso8601String(), 'what' => $what]];
    }

    /** Another sheet that its machine was left in the middle of: whatever came between would take its place away. Null when this one may begin. */
    public function heldBy(): ?self
    {
        return $this->done > 0 ? null : self::query()->where('address', $this->address)->whereKeyNot($this->id)->whereIn('status', ['running', 'paused', 'stopped'])->where('done', '>', 0)->oldest('id')->first();
    }

    /** The machine is free: what waited for it comes next. */
    public function letNext(): void
    {
        $next = self::query()->where('address', $this->address)->where('status', 'waiting')->oldest('id')->value('id');
        if ($next !== null) {
            RunSending::dispatch((int) $next);
        }
    }

    /** @return array<string, mixed> */
    public function row(): array
    {
        return [
            'id' => $this->id, 'machine' => $this->machine, 'kind' => $this->kind, 'file' => $this->file, 'title' => $this->title, 'number' => $this->number, 'status' => $this->status, 'asked' => $this->asked,
            'done' => $this->done, 'of' => $this->of, 'length' => $this->length_mm, 'error' => $this->error, 'log' => $this->log, 'version' => $this->version,
        ];
    }
}
