<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A change of the art. */
final class EditRequest extends ChangeRequest
{
    public static function described(): array
    {
        return ['edit' => 'Edit'];
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'edit' => ['required', 'array'],
            'edit.kind' => ['required', 'string', 'max:40'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            ...parent::messages(),
            'edit' => 'Say which change is to be made.',
            'edit.*' => 'Say which change is to be made.',
        ];
    }
}
