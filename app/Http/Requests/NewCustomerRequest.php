<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A customer who is new: they have a name. */
final class NewCustomerRequest extends CustomerRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'name' => ['required', 'string', 'max:120']];
    }
}
