<?php

declare(strict_types=1);

namespace App\Models;

use App\Works\Kind;
use App\Works\Kinds;
use Illuminate\Database\Eloquent\Model;

/**
 * What takes longer than somebody waits: asked for once, worked on by one process at a time, told of, stopped and gone on with in one way (see App\Works).
 *
 * @property int $id
 * @property string $kind
 * @property string $key what it is of, by content and version of the engine; empty where each is another
 * @property string $lane what it uses alone, such as a machine; empty where it uses nothing alone
 * @property int|null $shop_job_id
 * @property string $title as the strip calls it
 * @property array<string, mixed> $about values of its kind's fields
 * @property string $state waiting, running, paused, stopped, done or failed
 * @property string $asked stop or pause, while it runs
 * @property int $done parts
 * @property int $of
 * @property float $share of it that is done, 0 to 1
 * @property string $doing
 * @property float|null $began_at seconds since 1970
 * @property float|null $ends_at about when it will be done, in seconds since 1970
 * @property array<string, mixed>|null $outcome
 * @property string $error
 * @property string $holder process that has it, or had it last
 * @property int $fence grows whenever somebody takes it: who holds an earlier number holds it no more
 * @property float $lease_until seconds since 1970
 * @property int $tries
 * @property float $queued_at seconds since 1970
 */
final class Work extends Model
{
    use MadeBySomebody;

    public const OPEN = ['waiting', 'running'];

    protected $guarded = [];

    /** @var array<string, mixed> */
    protected $attributes = [
        'key' => '',
        'lane' => '',
        'state' => 'waiting',
        'asked' => '',
        'done' => 0,
        'of' => 1,
        'share' => 0.0,
        'doing' => '',
        'error' => '',
        'holder' => '',
        'fence' => 0,
        'lease_until' => 0.0,
        'tries' => 0,
        'queued_at' => 0.0,
        'about' => '[]',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'about' => 'array',
            'outcome' => 'array',
            'share' => 'float',
            'began_at' => 'float',
            'ends_at' => 'float',
            'lease_until' => 'float',
            'queued_at' => 'float',
        ];
    }

    public function kind(): Kind
    {
        return Kinds::of($this->kind);
    }

    public function isOpen(): bool
    {
        return in_array($this->state, self::OPEN, true);
    }

    /** Seconds that it still takes, counting down from what its last part told; null while too little is done to tell. */
    public function secondsLeft(): ?int
    {
        return $this->state !== 'running' || $this->ends_at === null ? null : max(1, (int) ceil($this->ends_at - microtime(true)));
    }
}
