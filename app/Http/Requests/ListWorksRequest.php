<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Long work; of one job also the last of each kind. */
final class ListWorksRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'job' => ['sometimes', 'integer'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            '*' => 'Name a job.',
        ];
    }
}
