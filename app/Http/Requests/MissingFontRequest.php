<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A font that was not at hand when a file came in. */
final class MissingFontRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'missing' => ['required', 'string', 'max:60'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            '*' => 'Say which font was missing.',
        ];
    }
}
