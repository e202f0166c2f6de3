<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\FontRequest;
use App\Http\Resources\FontResource;
use App\Http\Resources\FontsResource;
use App\Models\ShopFont;
use App\Prep\ShopFonts;
use Illuminate\Http\Response;
use NeatEdge\Core\Type\FontShelf;

/** Fonts of the shop. */
final class FontController
{
    /** Families that ship, and fonts that were added. */
    #[Answers(FontsResource::class)]
    public function index(): FontsResource
    {
        return new FontsResource([
            'shipped' => FontShelf::shippedFamilies(),
            'added' => array_values(ShopFont::query()->orderBy('family')->orderBy('id')->get()->map(FontResource::row(...))->all()),
        ]);
    }

    /** Adds a font. */
    #[Answers(FontResource::class, 201)]
    public function store(FontRequest $request): FontResource
    {
        $file = $request->sent();

        return (new FontResource(ShopFonts::add($file->getClientOriginalName(), (string) $file->get())))->status(201);
    }

    /** Takes a font from the shelf; letters that were set stay as they are. */
    #[Answers(status: 204)]
    public function destroy(ShopFont $font): Response
    {
        ShopFonts::remove($font);

        return response()->noContent();
    }
}
