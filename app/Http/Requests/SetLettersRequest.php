<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** The font in which letters are to be set that had none. */
final class SetLettersRequest extends ChangeRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'missing' => ['required', 'string', 'max:60'],
            'family' => ['required', 'string', 'max:60'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            ...parent::messages(),
            'missing.*' => 'Say which font was missing.',
            'family.*' => 'Choose the font that the letters are set in.',
        ];
    }
}
