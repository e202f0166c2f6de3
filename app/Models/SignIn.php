<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A browser that somebody is signed in with. Whoever ends it, here or from another browser, takes its row away: no cookie brings it back.
 *
 * @property int $id
 * @property int $person_id
 * @property string $key SHA-256 of what the browser keeps
 * @property string $from address
 * @property string $with what the browser says of itself
 * @property Carbon $seen_at
 * @property Carbon $created_at
 * @property-read Person|null $person
 */
final class SignIn extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['seen_at' => 'datetime'];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
