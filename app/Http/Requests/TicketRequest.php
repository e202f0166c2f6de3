<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Shop\Stock;

/** Another ticket; another size scales the art as a new revision. */
final class TicketRequest extends ChangeRequest
{
    public static function described(): array
    {
        return ['limits' => 'TypedLimits'];
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'title' => ['sometimes', 'string', 'min:1', 'max:120'],
            'customer' => ['sometimes', 'nullable', 'string', 'max:120'],
            'due' => ['sometimes', 'nullable', 'date_format:Y-m-d'],
            'process' => ['sometimes', Rule::in(Processes::keys())],
            'unit' => ['sometimes', Rule::in(array_keys(Length::MM_PER))],
            'width' => ['sometimes', 'string', 'max:200'],
            'limits' => ['sometimes', 'array'],
            'limits.*' => ['nullable', 'string', 'max:200'],
            'line' => ['sometimes', 'nullable', 'string', 'max:200'],
            'gap' => ['sometimes', 'nullable', 'string', 'max:200'],
            'stock' => ['sometimes', 'array:'.implode(',', array_keys(Stock::kinds()))],
            'stock.*' => ['nullable', 'integer'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            ...parent::messages(),
            'stock.*' => 'Choose from what the shop has.',
            'title.*' => 'A job needs a title of at most 120 letters.',
            'customer.*' => 'A customer has a name of at most 120 letters.',
            'due.*' => 'Choose a day.',
            'process.*' => 'Choose how the job is made.',
            'width.*' => 'Type a width such as 300mm.',
            'unit.*' => 'There is no such unit.',
        ];
    }
}
