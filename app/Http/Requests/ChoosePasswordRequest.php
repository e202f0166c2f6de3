<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rules\Password;

/** A password, with the link that was sent for it. */
final class ChoosePasswordRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'address' => ['required', 'string', 'max:200'],
            'token' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', Password::defaults()],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'address.*' => 'This link leads nowhere any more; ask for another.',
            'token.*' => 'This link leads nowhere any more; ask for another.',
            'password.*' => 'A password has at least 10 letters, and at most 200.',
        ];
    }
}
