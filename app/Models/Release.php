<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * Somebody let a job that is not ready go to its machine, or leave as a file.
 *
 * @property int $id
 * @property int $shop_job_id
 * @property int $version of the job
 * @property string $state of its verdict: where that becomes another, it is asked anew
 * @property list<string> $open what stood against it
 * @property string $by who
 * @property string $reason
 * @property Carbon|null $created_at
 */
final class Release extends Model
{
    use MadeBySomebody;

    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['open' => 'array'];
    }
}
