<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Pieces by their ids. */
final class PiecesRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'pieces' => ['required', 'array', 'max:50000'],
            'pieces.*' => ['string', 'max:80'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'pieces.*' => 'Choose pieces first.',
        ];
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_values($this->validated('pieces'));
    }
}
