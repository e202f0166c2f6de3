<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Role;
use App\Models\Work;
use App\Works\Kind;
use Illuminate\Contracts\Auth\Authenticatable;

/** Long work is stopped and gone on with by whoever may ask for its kind. */
final class WorkPolicy extends HouseRules
{
    public function update(?Authenticatable $person, ?Work $work = null): bool
    {
        return $work === null ? parent::update($person) : self::asks($person, $work->kind());
    }

    /** Whether somebody may ask for this kind. */
    public function ask(?Authenticatable $person, Kind $kind): bool
    {
        return self::asks($person, $kind);
    }

    private static function asks(?Authenticatable $person, Kind $kind): bool
    {
        return self::may($person, $kind->produces() ? Role::cases() : self::CHANGE);
    }
}
