<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** A picture to draw after. */
final class ReferencePictureRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'file' => ['required', 'file'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.*' => 'Choose one picture: PNG, JPEG or SVG, up to 20 MB.',
        ];
    }

    /** @throws ValidationException where there are several, or none */
    public function sent(): UploadedFile
    {
        return $this->oneFile('Choose one picture: PNG, JPEG or SVG, up to 20 MB.');
    }
}
