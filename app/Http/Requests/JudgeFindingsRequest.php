<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What somebody says of findings: seen, accepted with a reason, or open again. */
final class JudgeFindingsRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'preparation' => ['required', 'integer'],
            'findings' => ['required', 'array', 'min:1', 'max:20000'],
            'findings.*' => ['integer', 'min:0'],
            'accepted' => ['sometimes', 'nullable', 'string', 'min:1', 'max:200'],
            'open' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'accepted.*' => 'Give a reason of up to 200 letters.',
            'open.*' => 'Say true or false.',
            '*' => 'Choose findings first.',
        ];
    }
}
