<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** The files of a job at another width. */
final class SizeRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'width' => ['required', 'string', 'max:200'],
            'format' => ['sometimes', 'string', 'max:20'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            '*' => 'Type a width such as 300mm.',
        ];
    }
}
