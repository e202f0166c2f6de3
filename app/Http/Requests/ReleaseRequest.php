<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Who lets a job go that is not ready, and why. */
final class ReleaseRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'by' => ['required', 'string', 'max:80'],
            'reason' => ['required', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'by.*' => 'Say who lets it go.',
            'reason.*' => 'Say why it may go as it is, in up to 200 letters.',
        ];
    }
}
