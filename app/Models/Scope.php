<?php

declare(strict_types=1);

namespace App\Models;

/** What a program may do that comes with a token, within what whoever gave it may do. */
enum Scope: string
{
    /** Look at jobs and what came of them, and change nothing. */
    case Look = 'look';

    /** What an artist may. */
    case Jobs = 'jobs';

    /** What an operator may. */
    case Machines = 'machines';

    /** As whom a program acts; null where it changes nothing. People, stock and settings are no program's. */
    public function role(): ?Role
    {
        return match ($this) {
            self::Look => null,
            self::Jobs => Role::Artist,
            self::Machines => Role::Operator,
        };
    }

    /** Whether somebody of this role may give it away. */
    public function isFor(Role $role): bool
    {
        return $this !== self::Jobs || $role !== Role::Operator;
    }
}
