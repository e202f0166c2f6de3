<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A job that begins with a template; a size that is not said is that of the template. */
final class BeginRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'title' => ['nullable', 'string', 'max:120'],
            'width' => ['nullable', 'string', 'max:200'],
            'height' => ['nullable', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'title.*' => 'The title is longer than 120 letters.',
            'width.*' => 'Type a width such as 300mm.',
            'height.*' => 'Type a height such as 200mm.',
        ];
    }
}
