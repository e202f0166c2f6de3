<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\ShopFont;
use App\Prep\ShopFonts;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Type\FontShelf;

final class FontController
{
    public function index(): JsonResponse
    {
        return new JsonResponse([
            'shipped' => FontShelf::shippedFamilies(),
            'added' => ShopFont::query()->orderBy('family')->orderBy('id')->get()->map(self::told(...))->values(),
        ]);
    }

    public function store(Request $request): JsonResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:'.intdiv((int) config('neat-edge.font_bytes'), 1000)]], [
            'file.max' => sprintf('The font is larger than %d MB.', intdiv((int) config('neat-edge.font_bytes'), 1_000_000)),
            'file.*' => 'The font did not arrive; drop it again.',
        ]);
        $file = $request->file('file');
        if (! $file instanceof UploadedFile) {
            throw ValidationException::withMessages(['file' => 'Drop one font.']);
        }

        return new JsonResponse(self::told(ShopFonts::add($file->getClientOriginalName(), (string) $file->get())), 201);
    }

    public function destroy(ShopFont $font): JsonResponse
    {
        ShopFonts::remove($font);

        return new JsonResponse(null, 204);
    }

    /** @return array<string, mixed> */
    private static function told(ShopFont $font): array
    {
        return ['id' => $font->id, 'family' => $font->family, 'style' => trim(($font->bold ? 'bold ' : '').($font->italic ? 'italic' : '')) ?: 'regular'];
    }
}
