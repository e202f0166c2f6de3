<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Role;
use App\Models\StockItem;
use Illuminate\Contracts\Auth\Authenticatable;

/** What the shop has is its owner's to say; machines, and what they cut with, also the operator's, and what a colour is called also the artist's. */
final class StockItemPolicy extends HouseRules
{
    protected const CHANGE = [Role::Owner];

    private const AT_MACHINES = ['machine', 'blade', 'head'];

    public function create(?Authenticatable $person, ?string $kind = null): bool
    {
        return in_array($kind, self::AT_MACHINES, true) ? self::may($person, [Role::Owner, Role::Operator]) : parent::create($person);
    }

    public function update(?Authenticatable $person, ?StockItem $item = null): bool
    {
        return in_array($item?->kind, self::AT_MACHINES, true) ? self::may($person, [Role::Owner, Role::Operator]) : parent::update($person);
    }

    public function delete(?Authenticatable $person, ?StockItem $item = null): bool
    {
        return $this->update($person, $item);
    }

    public function nameColours(?Authenticatable $person): bool
    {
        return self::may($person, [Role::Owner, Role::Artist]);
    }
}
