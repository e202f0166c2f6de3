<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use NeatEdge\Core\Process\Processes;

/** The line of a job under a name. */
final class KeepPresetRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80', Rule::notIn(array_keys(Processes::presets()))],
            'note' => ['sometimes', 'nullable', 'string', 'max:500'],
            'for' => ['sometimes', 'array'],
            'for.*' => [Rule::in(Processes::keys())],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.not_in' => 'That preset is built in; choose another name.',
            'name.*' => 'A preset needs a name of at most 80 letters.',
            'note.*' => 'The note has more than 500 letters.',
            '*' => 'Choose processes from the list.',
        ];
    }
}
