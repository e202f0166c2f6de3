<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\Auth;

/**
 * What somebody makes knows who, from the moment that it is stored; what a worker makes, or was made where nobody is asked who they are, knows nobody.
 *
 * @property int|null $person_id
 * @property-read Person|null $person
 */
trait MadeBySomebody
{
    public static function bootMadeBySomebody(): void
    {
        self::creating(static function (self $made): void {
            $made->person_id ??= Auth::id() === null ? null : (int) Auth::id();
        });
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
