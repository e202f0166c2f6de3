<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What a job's art is shown on: what is left out stays as it is. */
final class ShowRequest extends Asks
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'thing' => ['sometimes', 'string', 'regex:/^[a-z][a-z0-9-]{0,40}$/D'],
            'colours' => ['sometimes', 'array', 'max:40'],
            'colours.*' => ['nullable', 'string', 'regex:/^#[0-9a-f]{6}$/D'],
            'arts' => ['sometimes', 'array', 'max:12'],
            'arts.*' => ['array'],
            'arts.*.job' => ['sometimes', 'nullable', 'integer', 'min:0'],
            'arts.*.version' => ['sometimes', 'nullable', 'integer', 'min:1'],
            'arts.*.width' => ['sometimes'],
            'arts.*.x' => ['sometimes'],
            'arts.*.y' => ['sometimes'],
            'arts.*.turn' => ['sometimes'],
            'lights' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'colours.*' => 'A colour is written as # and six digits, such as #1d5c46.',
            '*' => 'Choose from what is there.',
        ];
    }

    /** @return array{thing?: string, colours?: array<string, string>, arts?: array<string, array<string, mixed>>, lights?: bool} */
    public function chosen(): array
    {
        $asked = $this->validated();
        $isLayer = static fn (int|string $key): bool => preg_match('/^\w{1,40}$/D', (string) $key) === 1;
        $keyed = static fn (mixed $of): array => array_filter((array) $of, $isLayer, ARRAY_FILTER_USE_KEY);

        return [
            ...(isset($asked['thing']) ? ['thing' => (string) $asked['thing']] : []),
            ...(isset($asked['colours']) ? ['colours' => array_map(static fn (?string $hex): string => $hex ?? '', $keyed($asked['colours']))] : []),
            ...(isset($asked['arts']) ? ['arts' => $keyed($this->input('arts'))] : []),
            ...(isset($asked['lights']) ? ['lights' => (bool) $asked['lights']] : []),
        ];
    }
}
