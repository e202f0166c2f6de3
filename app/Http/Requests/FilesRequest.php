<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;

/** Files for a machine: in which format, with which choices of it. */
final class FilesRequest extends EarlierRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'format' => ['sometimes', 'string', 'max:20'],
            'values' => ['sometimes', 'array'],
            'plates' => ['sometimes', Rule::in(['one', 'each'])],
            ...parent::rules(),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            '*' => 'Choose from what the format takes.',
        ];
    }
}
