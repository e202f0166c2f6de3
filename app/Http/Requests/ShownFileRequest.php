<?php

declare(strict_types=1);

namespace App\Http\Requests;

use NeatEdge\Pages\ProofFile;

/** A picture of art on a thing as a file. */
final class ShownFileRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'pixels' => ['nullable', 'integer', 'min:50', 'max:'.ProofFile::MOST],
            'v' => ['sometimes', 'nullable', 'string', 'max:60'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['pixels.*' => 'A proof is 50 to 8000 dots wide.', 'v.*' => 'Choose from what is there.'];
    }
}
