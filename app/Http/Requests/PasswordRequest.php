<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rules\Password;

/** Another password in place of one's own. */
final class PasswordRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'current' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', Password::defaults()],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'current.*' => 'Say your password as it is now.',
            'password.*' => 'A password has at least 10 letters, and at most 200.',
        ];
    }
}
