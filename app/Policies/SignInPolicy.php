<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Person;
use App\Models\SignIn;
use Illuminate\Contracts\Auth\Authenticatable;

/** A sign-in is ended by whoever is signed in with it. */
final class SignInPolicy extends HouseRules
{
    public function delete(?Authenticatable $person, ?SignIn $signIn = null): bool
    {
        return $person instanceof Person && $person->isInPerson() && $signIn?->person_id === $person->id;
    }
}
