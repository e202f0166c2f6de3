<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\StockItem;
use Illuminate\Validation\Rule;

/** Something that the shop has, with other values. */
final class StockItemRequest extends Asks
{
    public static function described(): array
    {
        return ['values' => 'StockValues'];
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => [
                'sometimes',
                'required',
                'string',
                'max:80',
                Rule::unique('stock', 'name')->where('kind', $this->item()?->kind)->ignore($this->item()?->id),
            ],
            'values' => ['sometimes', 'array'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.unique' => 'There is one of that name already.',
            'name.*' => 'Give it a name of at most 80 letters.',
            'values.*' => 'Say its values by their names.',
        ];
    }

    private function item(): ?StockItem
    {
        $item = $this->route('item');

        return $item instanceof StockItem ? $item : null;
    }
}
