<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What a version is to be called. */
final class VersionNameRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:120'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.*' => 'Give the version a name of up to 120 letters.',
        ];
    }
}
