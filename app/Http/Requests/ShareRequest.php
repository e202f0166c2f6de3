<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A proof is shown to a customer. */
final class ShareRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'ground' => ['required', 'string', 'regex:/^#[0-9a-f]{6}$/D'],
            'days' => ['nullable', 'integer', 'min:1', 'max:365'],
            'to' => ['nullable', 'string', 'email:rfc', 'max:200'],
            'onThing' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'ground.*' => 'A colour is written as # and six digits, such as #1d5c46.',
            'days.*' => 'A link leads there for 1 to 365 days.',
            'to.*' => 'That is no address of mail.',
            'onThing.*' => 'Choose from what is there.',
        ];
    }
}
