<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What is known of a customer; what is not named stays. */
class CustomerRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['sometimes', 'required', 'string', 'max:120'],
            'email' => ['sometimes', 'nullable', 'string', 'max:200'],
            'phone' => ['sometimes', 'nullable', 'string', 'max:60'],
            'note' => ['sometimes', 'nullable', 'string', 'max:2000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.*' => 'Say a name of at most 120 letters.',
            'email.*' => 'An address has at most 200 letters.',
            'phone.*' => 'A number has at most 60 signs.',
            'note.*' => 'A note has at most 2000 letters.',
        ];
    }
}
