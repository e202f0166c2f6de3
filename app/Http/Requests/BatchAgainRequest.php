<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** The file of a batch that is to be tried again; all that failed when none is named. */
final class BatchAgainRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'file' => ['sometimes', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            '*' => 'Name a file of the batch.',
        ];
    }
}
