<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Role;
use Illuminate\Validation\Rule;

/** Somebody who comes to work in the shop. */
final class WelcomeRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'address' => ['required', 'string', 'max:200', 'email'],
            'role' => ['required', Rule::in(array_column(Role::cases(), 'value'))],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.*' => 'Say a name of at most 80 letters.',
            'address.*' => 'Say an address that mail reaches.',
            'role.*' => 'Say what they do: owner, artist or operator.',
        ];
    }
}
