<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Person;
use App\Models\Scope;
use App\Models\ShopJob;
use App\Models\ShopSetting;
use App\Models\StockItem;
use App\People\Doors;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * Who asks, and what they may do.
 *
 * @phpstan-type MeRow array{
 *     // Whether anybody is asked who they are.
 *     asks: bool,
 *     // Null for whoever is not known, or need not be.
 *     person: array{id: int, name: string, address: string, role: 'owner'|'artist'|'operator'}|null,
 *     may: array{draw: bool, produce: bool, stock: bool, settings: bool, people: bool, account: bool},
 *     scopes: list<'look'|'jobs'|'machines'>,
 * }
 */
final class MeResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $person = $this->resource instanceof Person ? $this->resource : null;
        $may = Gate::forUser($person);

        return [
            'asks' => Doors::ask(),
            'person' => $person === null ? null : [
                'id' => $person->id, 'name' => $person->name, 'address' => $person->email, 'role' => $person->role->value,
            ],
            'may' => [
                'draw' => $may->allows('create', ShopJob::class), 'produce' => $may->allows('produce', ShopJob::class),
                'stock' => $may->allows('create', StockItem::class), 'settings' => $may->allows('create', ShopSetting::class),
                'people' => $may->allows('viewAny', Person::class), 'account' => $may->allows('account', Person::class),
            ],
            'scopes' => $person === null ? [] : array_values(array_map(
                static fn (Scope $scope): string => $scope->value,
                array_filter(Scope::cases(), static fn (Scope $scope): bool => $scope->isFor($person->role)),
            )),
        ];
    }
}
