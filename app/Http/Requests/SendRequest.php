<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A sheet, and the machine that it goes to; again where it was sent before. */
final class SendRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'machine' => ['required', 'integer'],
            'number' => ['required', 'integer', 'min:0'],
            'again' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            '*' => 'Choose a sheet and a machine.',
        ];
    }
}
