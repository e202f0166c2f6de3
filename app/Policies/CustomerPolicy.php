<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Role;
use Illuminate\Contracts\Auth\Authenticatable;

/** Who looks after jobs looks after whom they are for; what is known of somebody is handed out and forgotten by the owner. */
final class CustomerPolicy extends HouseRules
{
    public function delete(?Authenticatable $person): bool
    {
        return self::may($person, [Role::Owner]);
    }
}
