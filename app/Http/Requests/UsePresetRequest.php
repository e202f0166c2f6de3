<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A preset whose line a job takes. */
final class UsePresetRequest extends ChangeRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'preset' => ['required', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            ...parent::messages(),
            'preset.*' => 'That preset is not on the shelf any more.',
        ];
    }
}
