<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Scope;
use Illuminate\Validation\Rule;

/** A token for a program: what it is for, what it may do, for how many days. */
final class GiveTokenRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'scope' => ['required', Rule::in(array_column(Scope::cases(), 'value'))],
            'days' => ['nullable', 'integer', 'between:1,3650'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.*' => 'Say in at most 80 letters what the token is for.',
            'scope.*' => 'Say what it may do: look, jobs or machines.',
            'days.*' => 'Say for how many days, 1 to 3650, or nothing for as long as it is not taken back.',
        ];
    }
}
