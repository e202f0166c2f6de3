<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Which act of a job is gone to. */
final class ActRequest extends ChangeRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'number' => ['required', 'integer', 'min:1']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...parent::messages(), 'number.*' => 'Say which act is gone to, by its number in the list.'];
    }
}
