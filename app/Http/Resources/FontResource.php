<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\ShopFont;
use Illuminate\Http\Request;

/**
 * A font that the shop added.
 *
 * @phpstan-type FontRow array{id: int, family: string, style: string}
 */
final class FontResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(ShopFont $shopFont): array
    {
        return [
            'id' => $shopFont->id,
            'family' => $shopFont->family,
            'style' => trim(($shopFont->bold ? 'bold ' : '').($shopFont->italic ? 'italic' : '')) ?: 'regular',
        ];
    }
}
