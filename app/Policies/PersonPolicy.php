<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Person;
use App\Models\Role;
use Illuminate\Contracts\Auth\Authenticatable;

/** Who works here is the owner's to say, and what one is called and signs in with one's own: in person, by no program. */
final class PersonPolicy extends HouseRules
{
    protected const SEE = [Role::Owner];

    protected const CHANGE = [Role::Owner];

    protected const BY_TOKEN = false;

    /** One's own name, password, sign-ins and tokens. */
    public function account(?Authenticatable $person): bool
    {
        return $person instanceof Person && $person->isInPerson();
    }
}
