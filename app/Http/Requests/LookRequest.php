<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** A file that may become a job. */
final class LookRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'file' => ['required', 'file', 'max:'.intdiv((int) config('neat-edge.upload_bytes'), 1000)],
            'taking' => ['sometimes', 'array'],
            'taking.*' => ['nullable', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.max' => sprintf('The file is larger than %d MB.', intdiv((int) config('neat-edge.upload_bytes'), 1_000_000)),
            'file.*' => 'The file did not arrive; choose it again.',
            'taking.*' => 'Say how the file is to be taken by the names of its choices.',
        ];
    }

    /** @throws ValidationException where there are several, or none */
    public function sent(): UploadedFile
    {
        return $this->oneFile('Choose one file.');
    }
}
