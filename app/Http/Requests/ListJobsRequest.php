<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\JobList;
use Illuminate\Validation\Rule;

/** Which jobs somebody looks for. */
final class ListJobsRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'search' => ['nullable', 'string', 'max:200'],
            'only' => ['nullable', Rule::in(array_keys(JobList::ONLY))],
            'order' => ['nullable', Rule::in(array_keys(JobList::ORDERS))],
            'page' => ['nullable', 'integer', 'between:1,100000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'search.*' => 'Search for at most 200 letters.',
            '*' => 'Choose from what is there.',
        ];
    }
}
