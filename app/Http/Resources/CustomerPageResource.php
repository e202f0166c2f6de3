<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Customer;
use Illuminate\Http\Request;

/**
 * One page of the customers that somebody looks for.
 *
 * @phpstan-type CustomerPageRow array{
 *     found: int, page: int,
 *     customers: list<array{id: int, name: string, email: string, phone: string, jobs: int}>,
 * }
 */
final class CustomerPageResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [...$this->resource, 'customers' => array_map(static fn (Customer $customer): array => [
            'id' => $customer->id, 'name' => $customer->name, 'email' => $customer->email, 'phone' => $customer->phone, 'jobs' => (int) $customer->jobs_count,
        ], $this->resource['customers'])];
    }
}
