<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** A preset from a file. */
final class ImportPresetRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'file' => ['required', 'file', 'max:1000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.*' => 'Choose a preset file of at most 1 MB.',
        ];
    }

    /** @throws ValidationException where there are several, or none */
    public function sent(): UploadedFile
    {
        return $this->oneFile('Choose a preset file of at most 1 MB.');
    }
}
