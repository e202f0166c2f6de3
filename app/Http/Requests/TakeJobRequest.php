<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Process\Processes;

/** A new job: of a file, or an empty bench of a size. */
final class TakeJobRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'title' => ['nullable', 'string', 'max:120'],
            'process' => ['required', Rule::in(Processes::keys())],
            'width' => ['nullable', 'string', 'max:200'],
            'height' => ['required_without:file', 'nullable', 'string', 'max:200'],
            'of' => ['nullable', Rule::in(['page', 'art'])],
            'taking' => ['sometimes', 'array'],
            'taking.*' => ['nullable', 'string', 'max:200'],
            'file' => ['required_without:height', 'file', 'max:'.intdiv((int) config('neat-edge.upload_bytes'), 1000)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'process.*' => 'Choose how the job is made.',
            'of.*' => 'The finished width is that of the page or of the art.',
            'width.*' => 'Type a width such as 300mm.',
            'height.string' => 'Type a height such as 200mm.',
            'title.max' => 'The title is longer than 120 letters.',
            'height.required_without' => 'Choose a file first, or type the height of an empty bench.',
            'file.required_without' => 'Choose a file first, or type the height of an empty bench.',
            'file.max' => sprintf('The file is larger than %d MB.', intdiv((int) config('neat-edge.upload_bytes'), 1_000_000)),
            'file.uploaded' => 'The file did not arrive whole; it may be too large.',
            'file.*' => 'The file did not arrive; choose it again.',
        ];
    }

    /** @throws ValidationException where there are several, or none */
    public function sent(): UploadedFile
    {
        return $this->oneFile('Choose one file.');
    }
}
