<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** A job as a file. */
final class OpenJobRequest extends Asks
{
    /** A job may hold several pictures and versions beside the customer's file. */
    private const FILES = 5;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'file' => ['required', 'file', 'max:'.intdiv(self::FILES * (int) config('neat-edge.upload_bytes'), 1000)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.max' => sprintf('The file of the job is larger than %d MB.', intdiv(self::FILES * (int) config('neat-edge.upload_bytes'), 1_000_000)),
            'file.*' => 'The file did not arrive; choose it again.',
        ];
    }

    /** @throws ValidationException where there are several, or none */
    public function sent(): UploadedFile
    {
        return $this->oneFile('Choose one file.');
    }
}
