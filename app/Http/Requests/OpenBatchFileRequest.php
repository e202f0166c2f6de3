<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A file of a batch. */
final class OpenBatchFileRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'file' => ['required', 'string', 'max:4000'],
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
