<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What one is called. */
final class NameRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.*' => 'Say a name of at most 80 letters.',
        ];
    }
}
