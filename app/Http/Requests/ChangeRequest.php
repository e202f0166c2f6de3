<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A change to a job. It says which version of the job it knows: where another was faster nothing is changed. */
class ChangeRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        // No word, no truth value: a version is counted.
        return ['version' => ['required', 'regex:/^\d{1,9}$/D'], 'key' => []];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['version.*' => 'The page did not say which state of the job it knows; load it again.'];
    }
}
