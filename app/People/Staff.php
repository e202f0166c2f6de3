<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Person;
use App\Models\Role;
use App\Models\Scope;
use Illuminate\Support\Facades\DB;
use Laravel\Sanctum\NewAccessToken;
use NeatEdge\Core\Described\Refused;

/** Who works in the shop, as its owner has it. */
final class Staff
{
    /** Letters of a password. */
    public const LEAST = 10;

    public const MOST = 200;

    /** Tokens that one person may have. */
    private const TOKENS = 50;

    /** Somebody comes to the shop; they have no password until they choose one by a link. @throws Refused */
    public static function welcome(string $name, string $address, Role $role): Person
    {
        if (Person::query()->where('email', self::address($address))->exists()) {
            throw Refused::because('Somebody of the shop has this address already.');
        }

        return Person::query()->create(['name' => trim($name), 'email' => self::address($address), 'role' => $role]);
    }

    /** Somebody is the owner, with this password, whoever they were before. @throws Refused */
    public static function owner(string $name, string $address, string $password): Person
    {
        if (trim($name) === '' || filter_var($address, FILTER_VALIDATE_EMAIL) === false) {
            throw Refused::because('Say a name, and an address that mail reaches.');
        }
        if (mb_strlen($password) < self::LEAST || mb_strlen($password) > self::MOST) {
            throw Refused::because('A password has at least 10 letters, and at most 200.');
        }
        $owner = Person::query()->updateOrCreate(
            ['email' => self::address($address)],
            ['name' => trim($name), 'role' => Role::Owner, 'password' => $password, 'left_at' => null],
        );
        SigningIn::endAll($owner);

        return $owner;
    }

    /**
     * Another name or role, gone or back again.
     *
     * @param  array{name?: string, role?: Role, left?: bool}  $values
     *
     * @throws Refused where nobody would be left who may do everything
     */
    public static function change(Person $person, array $values): Person
    {
        return DB::transaction(static function () use ($person, $values): Person {
            $owners = Person::query()->lockForUpdate()->where('role', Role::Owner)->whereNull('left_at')->whereNotNull('password')->pluck('id');
            $stays = ($values['role'] ?? $person->role) === Role::Owner && ! ($values['left'] ?? $person->left_at !== null);
            if (! $stays && $owners->all() === [$person->id]) {
                throw Refused::because('The shop needs an owner; make somebody else one first.');
            }
            $person->fill([
                'name' => trim($values['name'] ?? $person->name),
                'role' => $values['role'] ?? $person->role,
                'left_at' => isset($values['left']) ? ($values['left'] ? ($person->left_at ?? now()) : null) : $person->left_at,
            ]);
            if ($person->left_at !== null) {
                SigningIn::endAll($person);
                $person->tokens()->delete();
            }
            $person->save();

            return $person;
        });
    }

    /** Another password; whoever is signed in elsewhere with the old one is not any more. @param  string|null  $but  the key of a browser that stays */
    public static function password(Person $person, string $password, ?string $but = null): void
    {
        $person->update(['password' => $password]);
        SigningIn::endAll($person, $but);
    }

    /** A token for a program, told this once. @throws Refused */
    public static function token(Person $person, string $name, Scope $scope, ?int $days): NewAccessToken
    {
        if (! $scope->isFor($person->role)) {
            throw Refused::because('A token may do no more than who gives it away.');
        }
        if ($person->tokens()->count() >= self::TOKENS) {
            throw Refused::because('There are so many tokens that none is looked after; take some back first.');
        }

        return $person->createToken(trim($name), [$scope->value], $days === null ? null : now()->addDays($days));
    }

    /** An address as it is compared: letters of both sizes are the same. */
    public static function address(string $address): string
    {
        return mb_strtolower(trim($address));
    }
}
