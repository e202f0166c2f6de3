<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Customer;
use App\Prep\Customers;
use Illuminate\Http\Request;

/**
 * Who jobs are made for, with the latest of them.
 *
 * @phpstan-import-type DueJobRow from WorkListResource
 *
 * @phpstan-type CustomerRow array{
 *     id: int, name: string, email: string, phone: string, note: string,
 *     jobs: list<DueJobRow>,
 *     // That those jobs were separated into, each once.
 *     colours: list<array{colour: string, name: string}>,
 *     proofs: list<CustomerProofRow>,
 * }
 * @phpstan-type CustomerProofRow array{
 *     id: int, job: int, title: string, at: string|null, to: string,
 *     // Whether its link leads there.
 *     live: bool,
 *     seen: string|null,
 *     // With the words of their pins.
 *     answers: list<array{kind: 'approved'|'changes', by: string, at: string|null, settled: bool, words: string}>,
 * }
 */
final class CustomerResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(Customer $customer): array
    {
        return [
            'id' => $customer->id, 'name' => $customer->name, 'email' => (string) $customer->email, 'phone' => (string) $customer->phone,
            'note' => (string) $customer->note, 'jobs' => Customers::jobs($customer), 'colours' => Customers::colours($customer),
            'proofs' => Customers::proofs($customer),
        ];
    }
}
