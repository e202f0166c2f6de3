<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;
use NeatEdge\Core\Process\Processes;

/** Files and the preset that they go through. */
final class BatchRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'title' => ['nullable', 'string', 'max:120'],
            'preset' => ['required', 'string', 'max:80'],
            'process' => ['nullable', Rule::in(Processes::keys())],
            'width' => ['nullable', 'string', 'max:200'],
            'sizes' => ['nullable', 'string', 'max:1000000'],
            'files' => ['required', 'array', 'min:1', 'max:1000'],
            'paths' => ['sometimes', 'array', 'max:1000'],
            'paths.*' => ['string', 'max:4000'],
            'files.*' => ['file', 'max:'.intdiv((int) config('neat-edge.upload_bytes'), 1000)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'files.*' => 'Choose drawings or a ZIP of them.',
            'files' => 'Choose drawings or a ZIP of them.',
            'preset.*' => 'Choose a preset.',
            'process.*' => 'Choose how the jobs are made.',
            'title.*' => 'The title is longer than 120 letters.',
            'width.*' => 'Type a width such as 300mm.',
            'sizes.*' => 'The table of sizes is too long.',
            'paths.*' => 'Choose drawings or a ZIP of them.',
        ];
    }

    /** @return list<array{string, string}> files, each as its name and where it lies: a browser sends names without folders, which are told beside */
    public function sent(): array
    {
        $paths = array_values((array) $this->validated('paths', []));
        $files = [];
        foreach (array_values((array) $this->file('files')) as $i => $file) {
            if ($file instanceof UploadedFile) {
                $files[] = [(string) ($paths[$i] ?? $file->getClientOriginalName()), $file->getRealPath() ?: ''];
            }
        }

        return $files;
    }
}
