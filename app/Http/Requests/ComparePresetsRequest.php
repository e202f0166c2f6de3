<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Two presets by their names. */
final class ComparePresetsRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'one' => ['required', 'string', 'max:200'],
            'other' => ['required', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            '*' => 'Say which two presets.',
        ];
    }
}
