<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Which customers somebody looks for. */
final class FindCustomersRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'search' => ['nullable', 'string', 'max:200'],
            'page' => ['nullable', 'integer', 'between:1,100000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'search.*' => 'Search for at most 200 letters.',
            '*' => 'Choose from what is there.',
        ];
    }
}
