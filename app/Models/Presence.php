<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Somebody's page that is open on a bench, and the pieces that are chosen there.
 *
 * @property int $shop_job_id
 * @property string $page
 * @property int $person_id
 * @property list<string> $held
 * @property float $seen_at
 * @property-read Person|null $person
 */
final class Presence extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['held' => 'array', 'seen_at' => 'float'];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
