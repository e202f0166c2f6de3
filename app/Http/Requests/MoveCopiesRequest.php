<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Where copies are to lie that somebody moved. */
final class MoveCopiesRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'sheet' => ['required', 'string', 'max:7'],
            'moved' => ['required', 'array', 'list', 'between:1,2000'],
            'moved.*.copy' => ['required', 'integer', 'min:0', 'distinct'],
            'moved.*.x' => ['required', 'numeric', 'between:-10000,100000'],
            'moved.*.y' => ['required', 'numeric', 'between:-10000,100000'],
            'moved.*.turn' => ['sometimes', 'numeric', 'between:-360,360'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            '*' => 'Say which copies, and where they are to lie.',
        ];
    }
}
