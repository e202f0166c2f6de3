<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** A table of customers, as CSV. */
final class ImportCustomersRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['file' => ['required', 'file', 'max:5000']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['file.max' => 'The list is larger than 5 MB.', 'file.*' => 'The list did not arrive; choose it again.'];
    }

    /** @throws ValidationException where there are several, or none */
    public function sent(): UploadedFile
    {
        return $this->oneFile('Choose one list.');
    }
}
