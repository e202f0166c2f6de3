<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\NewStockItemRequest;
use App\Http\Requests\StockItemRequest;
use App\Http\Resources\StockItemResource;
use App\Http\Resources\StockResource;
use App\Models\StockItem;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use NeatEdge\Core\Shop\Stock;
use NeatEdge\Core\Shop\StockKind;

/** What the shop has. */
final class StockController
{
    /** All of it, and of what kinds. */
    #[Answers(StockResource::class)]
    public function index(): StockResource
    {
        return new StockResource([
            'kinds' => collect(Stock::kinds())->map(static fn (StockKind $kind, string $key): array => [
                ...$kind->toArray(),
                'changes' => Gate::allows('create', [StockItem::class, $key]),
            ])->all(),
            'items' => StockItem::query()->orderBy('kind')->orderBy('name')->get()->map(StockItemResource::row(...))->all(),
        ]);
    }

    /** Adds something. */
    #[Answers(StockItemResource::class, 201)]
    public function store(NewStockItemRequest $request): StockItemResource
    {
        $kind = $request->validated('kind');
        $item = StockItem::query()->create([
            'kind' => $kind,
            'name' => trim($request->validated('name')),
            'data' => Stock::values($kind, (array) $request->input('values')),
        ]);

        return (new StockItemResource($item))->status(201);
    }

    /** Gives it another name or other values. */
    #[Answers(StockItemResource::class)]
    public function update(StockItemRequest $request, StockItem $item): StockItemResource
    {
        $item->update([
            'name' => trim((string) $request->validated('name', $item->name)),
            'data' => Stock::values($item->kind, (array) $request->input('values'), $item->data),
        ]);

        return new StockItemResource($item);
    }

    /** Takes it from the shop; jobs that name it keep what they knew of it. */
    #[Answers(status: 204)]
    public function destroy(StockItem $item): Response
    {
        $item->delete();

        return response()->noContent();
    }
}
