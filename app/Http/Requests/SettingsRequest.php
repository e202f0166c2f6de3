<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What the shop has its own way in, by name; what is not named stays. */
final class SettingsRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['values' => ['required', 'array'], 'values.*' => ['nullable', 'string', 'max:200']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['values.*' => 'Say the settings by their names.'];
    }
}
