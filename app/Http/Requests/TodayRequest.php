<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** From which day on. */
final class TodayRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'day' => ['nullable', 'date_format:Y-m-d'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'day.*' => 'Say a day as 2026-12-24.',
        ];
    }
}
