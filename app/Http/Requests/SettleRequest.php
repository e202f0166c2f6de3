<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Whether what a customer asked for is done. */
final class SettleRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['settled' => ['required', 'boolean']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['settled.*' => 'Say true or false.'];
    }
}
