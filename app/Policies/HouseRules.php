<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Person;
use App\Models\Role;
use App\People\Doors;
use Illuminate\Contracts\Auth\Authenticatable;

/**
 * Who may do what: whoever is let in sees jobs and what comes of them; who changes a kind of thing stands in one line of its policy. Where nobody is asked
 * who they are, one person works alone and may do everything.
 */
abstract class HouseRules
{
    /** Roles that see it. */
    protected const SEE = [Role::Owner, Role::Artist, Role::Operator];

    /** Roles that make, change and take away. */
    protected const CHANGE = [Role::Owner, Role::Artist];

    /** Whether a program with a token may, as far as its scope goes. */
    protected const BY_TOKEN = true;

    public function viewAny(?Authenticatable $person): bool
    {
        return $this->sees($person);
    }

    public function view(?Authenticatable $person): bool
    {
        return $this->sees($person);
    }

    public function create(?Authenticatable $person): bool
    {
        return self::may($person, static::CHANGE);
    }

    public function update(?Authenticatable $person): bool
    {
        return self::may($person, static::CHANGE);
    }

    public function delete(?Authenticatable $person): bool
    {
        return self::may($person, static::CHANGE);
    }

    private function sees(?Authenticatable $person): bool
    {
        // A token that may only look sees what an artist sees.
        $looks = $person instanceof Person && $person->acts() === null && static::BY_TOKEN;

        return $looks ? in_array(Role::Artist, static::SEE, true) : self::may($person, static::SEE);
    }

    /** @param  list<Role>  $roles */
    protected static function may(?Authenticatable $person, array $roles): bool
    {
        if (! $person instanceof Person) {
            return ! Doors::ask();
        }
        if (! Doors::ask() && $person->isInPerson()) {
            return true;
        }
        $role = $person->acts();

        return $role !== null && in_array($role, $roles, true) && (static::BY_TOKEN || $person->isInPerson());
    }
}
