<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;

/** Files of what was prepared; of an earlier state only where that is asked for by name. */
class EarlierRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'earlier' => ['sometimes', Rule::in(['1'])],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            '*' => 'The earlier state is asked for as earlier=1.',
        ];
    }

    public function wantsEarlier(): bool
    {
        return $this->validated('earlier') === '1';
    }
}
