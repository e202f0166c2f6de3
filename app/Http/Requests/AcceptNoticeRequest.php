<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Why somebody can do without what was left out or replaced; null takes it back. */
final class AcceptNoticeRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'accepted' => ['present', 'nullable', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'accepted.*' => 'Give a reason of up to 200 letters.',
        ];
    }
}
