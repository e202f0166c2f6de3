<?php

declare(strict_types=1);

namespace App\Policies;

use Illuminate\Contracts\Auth\Authenticatable;

/**
 * One person works here: whoever the page is open for may do everything. Every route asks its policy all the same, so that where there are several people
 * with roles only these answers become others.
 */
abstract class HouseRules
{
    public function viewAny(?Authenticatable $person): bool
    {
        return true;
    }

    public function view(?Authenticatable $person): bool
    {
        return true;
    }

    public function create(?Authenticatable $person): bool
    {
        return true;
    }

    public function update(?Authenticatable $person): bool
    {
        return true;
    }

    public function delete(?Authenticatable $person): bool
    {
        return true;
    }
}
