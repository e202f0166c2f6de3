<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use NeatEdge\Pages\ProofFile;

/** A picture of art on a thing as a file. */
final class ShownFileRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'pixels' => ['nullable', 'integer', 'min:50', 'max:'.ProofFile::MOST],
            'without' => ['sometimes', Rule::in(['light', 'art'])],
            'v' => ['sometimes', 'nullable', 'string', 'max:60'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['pixels.*' => 'A proof is 50 to 8000 dots wide.', 'without' => 'Choose from what is there.', 'v.*' => 'Choose from what is there.'];
    }

    /** @return 'light'|'art'|null */
    public function without(): ?string
    {
        /** @var 'light'|'art'|null $without held by the rules */
        $without = $this->validated('without');

        return $without;
    }
}
