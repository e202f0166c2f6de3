<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Who somebody says they are, and their password. */
final class SignInRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'address' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'address.*' => 'Say your address, as the shop has it.',
            'password.*' => 'Say your password.',
        ];
    }
}
