<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\StockItem;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use NeatEdge\Core\Shop\Stock;
use NeatEdge\Core\Shop\StockKind;

/** What the shop has. */
final class StockController
{
    public function index(): JsonResponse
    {
        return new JsonResponse([
            'kinds' => array_map(static fn (StockKind $kind): array => $kind->toArray(), Stock::kinds()),
            'items' => StockItem::query()->orderBy('kind')->orderBy('name')->get()->map(static fn (StockItem $one): array => $one->row()),
        ]);
    }

    public function store(Request $request): JsonResponse
    {
        $kind = $request->validate(['kind' => ['required', Rule::in(array_keys(Stock::kinds()))]], ['*' => 'There is no such kind of thing.'])['kind'];
        $item = StockItem::query()->create(['kind' => $kind, 'name' => self::name($request, $kind), 'data' => Stock::values($kind, (array) $request->input('values'))]);

        return new JsonResponse($item->row(), 201);
    }

    public function update(Request $request, StockItem $item): JsonResponse
    {
        $item->update([
            'name' => $request->has('name') ? self::name($request, $item->kind, $item->id) : $item->name,
            'data' => Stock::values($item->kind, (array) $request->input('values'), $item->data),
        ]);

        return new JsonResponse($item->row());
    }

    public function destroy(StockItem $item): JsonResponse
    {
        $item->delete();

        return new JsonResponse(null, 204);
    }

    private static function name(Request $request, string $kind, ?int $own = null): string
    {
        return trim((string) $request->validate(
            ['name' => ['required', 'string', 'max:80', Rule::unique('stock', 'name')->where('kind', $kind)->ignore($own)]],
            ['name.unique' => 'There is one of that name already.', 'name.*' => 'Give it a name of at most 80 letters.'],
        )['name']);
    }
}
