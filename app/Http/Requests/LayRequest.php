<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** How a job is laid out: choices, materials, other jobs beside it. */
final class LayRequest extends Asks
{
    public static function described(): array
    {
        return ['values' => 'MakingValues'];
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'values' => ['sometimes', 'array'],
            'materials' => ['sometimes', 'array', 'max:200'],
            'materials.*' => ['nullable', 'integer'],
            'along' => ['sometimes', 'array', 'max:40'],
            'along.*.job' => ['required', 'integer', 'distinct'],
            'along.*.copies' => ['required', 'integer', 'between:1,2000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'along.*.copies.*' => 'Lay 1 to 2000 copies of each job.',
            'along.*.job.distinct' => 'Each job is laid with it once; give it more copies instead.',
            '*' => 'Choose from what is there.',
        ];
    }
}
