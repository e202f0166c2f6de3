<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Person;
use App\Models\Role;

/** Whether whoever comes is asked who they are: not one artist on their own machine, but as soon as another name, address or person may ask. */
final class Doors
{
    /** Names and addresses under which a machine is reached by itself alone. */
    private const HERE = ['127.0.0.1', 'localhost', '[::1]', '::1', ''];

    /** @var list<Person>|null who works here, two at the most: looked up once a request */
    private static ?array $few = null;

    public static function ask(): bool
    {
        return self::isReached() || count(self::few()) > 1;
    }

    /** What was known of who works here is looked up anew: another request begins, or somebody came or left. */
    public static function forget(): void
    {
        self::$few = null;
    }

    /** @return list<Person> */
    private static function few(): array
    {
        return self::$few ??= array_values(Person::query()->whereNull('left_at')->orderBy('id')->limit(2)->get()->all());
    }

    /** Whether the shop can be reached from elsewhere, by what it was told. */
    public static function isReached(): bool
    {
        $names = [...explode(',', strtolower((string) config('neat-edge.hosts'))), strtolower((string) config('neat-edge.listen'))];

        return array_diff(array_map(trim(...), $names), self::HERE) !== [];
    }

    /** Whether somebody can come in who may do everything. */
    public static function hasOwner(): bool
    {
        return Person::query()->where('role', Role::Owner)->whereNull('left_at')->whereNotNull('password')->exists();
    }

    /** Who sits at the machine where nobody is asked: the one person of the shop, if it knows any. */
    public static function alone(): ?Person
    {
        return self::few()[0] ?? null;
    }
}
