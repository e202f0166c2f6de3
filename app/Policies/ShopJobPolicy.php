<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Role;
use Illuminate\Contracts\Auth\Authenticatable;

/** Art is its artists'; what is laid on sheets, written and sent is also the operator's. */
final class ShopJobPolicy extends HouseRules
{
    /** Lay it out, write its files, send it. */
    public function produce(?Authenticatable $person): bool
    {
        return self::may($person, Role::cases());
    }
}
