<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A template of a job, under a name. */
final class TemplateRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:80']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['name.*' => 'Give the template a name of at most 80 letters.'];
    }
}
