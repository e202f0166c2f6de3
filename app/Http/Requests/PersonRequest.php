<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Role;
use Illuminate\Validation\Rule;

/** What is said anew of somebody; what is not named stays. */
final class PersonRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['sometimes', 'required', 'string', 'max:80'],
            'role' => ['sometimes', 'required', Rule::in(array_column(Role::cases(), 'value'))],
            'left' => ['sometimes', 'required', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.*' => 'Say a name of at most 80 letters.',
            'role.*' => 'Say what they do: owner, artist or operator.',
            'left.*' => 'Say whether they left.',
        ];
    }
}
