<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Numbers of the plates that are shown over each other, with commas between. */
final class MixedRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'on' => ['sometimes', 'nullable', 'string', 'max:2000'],
            'v' => ['sometimes', 'nullable', 'string', 'max:40'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            '*' => 'Name plates by their numbers.',
        ];
    }
}
