<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\StockItem;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use NeatEdge\Core\Shop\Stock;

/** Something that the shop has. */
final class NewStockItemRequest extends Asks
{
    public function authorize(): bool
    {
        return Gate::allows('create', [StockItem::class, is_string($this->input('kind')) ? $this->input('kind') : null]);
    }

    public static function described(): array
    {
        return ['values' => 'StockValues'];
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::in(array_keys(Stock::kinds()))],
            'name' => [
                'required',
                'string',
                'max:80',
                Rule::unique('stock', 'name')->where('kind', is_string($this->input('kind')) ? $this->input('kind') : ''),
            ],
            'values' => ['sometimes', 'array'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'kind.*' => 'There is no such kind of thing.',
            'name.unique' => 'There is one of that name already.',
            'name.*' => 'Give it a name of at most 80 letters.',
            'values.*' => 'Say its values by their names.',
        ];
    }
}
