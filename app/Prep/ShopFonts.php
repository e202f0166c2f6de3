<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Contents;
use App\Models\ShopFont;
use App\Works\Budget;
use Illuminate\Support\Facades\File;
use NeatEdge\Core\Type\Font;
use NeatEdge\Core\Type\FontRefused;
use NeatEdge\Core\Type\FontShelf;
use Throwable;

/** The fonts that the shop added, beside those that ship. */
final class ShopFonts
{
    public static function shelf(): FontShelf
    {
        return FontShelf::shipped(static function (FontShelf $shelf): void {
            foreach (ShopFont::query()->orderBy('id')->get() as $one) {
                try {
                    $shelf->put(Font::load(self::here($one->path)));
                } catch (FontRefused) {
                    // A file that was taken away by hand: the finding on the text names what is missing.
                    continue;
                }
            }
        });
    }

    /** Where a font lies on this host; one that was added at another is fetched from what they share. */
    public static function here(string $path): string
    {
        $own = storage_path($path);
        if (! is_file($own) && Contents::disk()->exists(self::shared($path))) {
            File::ensureDirectoryExists(dirname($own));
            $part = $own.'.'.getmypid();
            File::put($part, (string) Contents::disk()->get(self::shared($path)));
            rename($part, $own);
        }

        return $own;
    }

    private static function shared(string $path): string
    {
        return 'fonts/'.basename($path);
    }

    /** Another wherever one was added or taken away. */
    public static function stamp(): string
    {
        return hash('xxh32', ShopFont::query()->orderBy('id')->pluck('path')->join(' '));
    }

    /** @throws FontRefused */
    public static function add(string $fileName, string $bytes): ShopFont
    {
        $path = 'app/fonts/'.hash('sha256', $bytes);
        $known = ShopFont::query()->where('path', $path)->first();
        if ($known !== null) {
            return $known;
        }
        File::ensureDirectoryExists(dirname(storage_path($path)));
        $waiting = storage_path($path).'.'.getmypid();
        // Whatever ends the request, memory included, nothing is left behind.
        register_shutdown_function(static fn () => @unlink($waiting));
        File::put($waiting, $bytes);
        try {
            $font = Budget::within('Reading this font', static fn (): Font => Font::load($waiting, $fileName));
        } catch (Throwable $refused) {
            File::delete($waiting);
            throw $refused;
        }
        Contents::write(self::shared($path), $bytes);
        rename($waiting, storage_path($path));

        return ShopFont::query()->create([
            'family' => $font->family,
            'bold' => $font->bold,
            'italic' => $font->italic,
            'file_name' => mb_substr(mb_scrub($fileName), 0, 200),
            'path' => $path,
        ]);
    }

    public static function remove(ShopFont $font): void
    {
        $font->delete();
        File::delete(storage_path($font->path));
        Contents::disk()->delete(self::shared($font->path));
    }
}
