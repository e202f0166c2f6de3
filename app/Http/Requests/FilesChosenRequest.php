<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use NeatEdge\Core\Format\Formats;

/** How the files of a job are written, and to which machine they go: as somebody chose it last. */
final class FilesChosenRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'format' => ['required', Rule::in(array_keys(Formats::catalogue()))],
            'together' => ['required', 'boolean'],
            'machine' => ['present', 'nullable', 'integer'],
            'values' => ['present', 'array', 'max:20'],
            'values.*' => ['array', 'max:60'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['format.*' => 'There is no such format.', '*' => 'Choose from what is there.'];
    }

    /** @return array{format: string, together: bool, machine: int|null, values: array<string, array<string, bool|float|int|string>>} */
    public function chosen(): array
    {
        $values = [];
        foreach ((array) $this->input('values') as $format => $own) {
            // What was typed is read where a file is written; here it is only kept, as words and numbers.
            $kept = array_filter(
                (array) $own,
                static fn (mixed $value): bool => is_bool($value) || is_int($value) || is_float($value) || (is_string($value) && mb_strlen($value) <= 200),
            );
            if (isset(Formats::catalogue()[$format]) && $kept !== []) {
                $values[(string) $format] = $kept;
            }
        }

        return [
            'format' => $this->validated('format'),
            'together' => $this->boolean('together'),
            'machine' => $this->validated('machine') === null ? null : $this->integer('machine'),
            'values' => $values,
        ];
    }
}
