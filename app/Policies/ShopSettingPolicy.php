<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Role;

/** What the shop has its own way in is its owner's to say. */
final class ShopSettingPolicy extends HouseRules
{
    protected const CHANGE = [Role::Owner];
}
