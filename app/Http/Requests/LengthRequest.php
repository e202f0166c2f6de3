<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use NeatEdge\Core\Geometry\Length;

/** A length as it was typed, perhaps of a described value whose bounds hold. */
final class LengthRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'text' => ['required', 'string', 'max:200'],
            'unit' => ['sometimes', Rule::in(array_keys(Length::MM_PER))],
            'of' => ['sometimes', 'nullable', 'numeric'],
            'any' => ['sometimes', 'boolean'],
            'label' => ['sometimes', 'string', 'max:60'],
            'least' => ['sometimes', 'numeric'],
            'most' => ['sometimes', 'numeric'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'text.*' => 'Type a length such as 300mm.',
            'unit.*' => 'There is no such unit.',
            'of.*' => 'Type a length such as 300mm.',
            'any.*' => 'Type a length such as 300mm.',
            '*' => 'Say what the length is of in at most 60 letters, and its bounds in mm.',
        ];
    }
}
