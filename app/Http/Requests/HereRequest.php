<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Pieces that are chosen on a page. */
final class HereRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'held' => ['sometimes', 'array', 'max:5000'],
            'held.*' => ['string', 'max:60'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'held.*' => 'Say the pieces by their names.',
        ];
    }
}
