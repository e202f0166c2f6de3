<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Whom a customer is one with. */
final class MergeRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'into' => ['required', 'integer', 'min:1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'into.*' => 'Choose the other customer.',
        ];
    }
}
