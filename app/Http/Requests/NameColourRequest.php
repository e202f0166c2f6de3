<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What the shop calls a colour; an empty name takes it back. */
final class NameColourRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'hex' => ['required', 'string', 'regex:/^#[0-9a-f]{6}$/D'],
            'name' => ['present', 'nullable', 'string', 'max:80'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'hex.*' => 'A colour is written as # and six digits, such as #1d5c46.',
            'name.*' => 'A material or ink has a name of at most 80 letters.',
        ];
    }
}
