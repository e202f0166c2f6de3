<?php

declare(strict_types=1);

namespace App\Http\Requests;

use NeatEdge\Pages\ProofFile;

/** A proof as a file. */
final class ProofRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'ground' => ['required', 'string', 'regex:/^#[0-9a-f]{6}$/D'],
            'pixels' => ['nullable', 'integer', 'min:50', 'max:'.ProofFile::MOST],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'ground.*' => 'A colour is written as # and six digits, such as #1d5c46.',
            'pixels.*' => 'A proof is 50 to 8000 dots wide.',
        ];
    }
}
