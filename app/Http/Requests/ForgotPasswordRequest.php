<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Whose password was forgotten. */
final class ForgotPasswordRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'address' => ['required', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'address.*' => 'Say your address, as the shop has it.',
        ];
    }
}
