<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What is to be shown, stored nowhere. With a lane, the preview before in the same lane is given up. */
final class PreviewRequest extends Asks
{
    public static function described(): array
    {
        return ['edit' => 'Edit'];
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'what' => ['required', 'in:edit,marks,step,cure,checks'],
            'lane' => ['sometimes', 'string', 'max:40'],
            'version' => ['sometimes', 'regex:/^\d{1,9}$/D'],
            'edit' => ['required_if:what,edit,marks', 'array'],
            'edit.kind' => ['required_with:edit', 'string', 'max:40'],
            'report' => ['sometimes', 'boolean'],
            'instead' => ['sometimes', 'string', 'max:80'],
            'findings' => ['required_if:what,cure', 'array', 'max:20000'],
            'findings.*' => ['integer', 'min:0'],
            'step' => ['required_if:what,step', 'array'],
            'step.id' => ['required_with:step', 'string', 'max:40'],
            'step.values' => ['sometimes', 'array'],
            'pieces' => ['required_if:what,checks', 'array', 'max:2000'],
            'pieces.*' => ['string', 'max:80'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'step.*' => 'Say which step, and its values.',
            'pieces.*' => 'Say which pieces were changed, at most 2000.',
            'edit.*' => 'Say which change is to be made.',
            '*' => 'Say the lane, the version of the job and what is to be shown.',
        ];
    }
}
