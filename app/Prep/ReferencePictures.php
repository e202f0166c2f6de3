<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ReferencePicture;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\SvgRefused;
use NeatEdge\Core\Format\Svg\Writer;

/** Takes pictures in to draw over. An SVG is read and written anew, so that nothing of its own but numbers and colours stays. */
final class ReferencePictures
{
    private const LONGEST_SIDE = 20_000;

    /** @throws ValidationException with one sentence */
    public static function add(string $bytes): ReferencePicture
    {
        [$type, $width, $height, $bytes] = self::measured($bytes);
        $file = substr(hash('sha256', $bytes), 0, 32);

        return ReferencePicture::query()->firstOrCreate(['file' => $file], ['type' => $type, 'width' => $width, 'height' => $height, 'bytes' => $bytes]);
    }

    /** @return array{string, int, int, string} type, width and height in px, bytes */
    private static function measured(string $bytes): array
    {
        $size = @getimagesizefromstring($bytes);
        if ($size !== false && in_array($size[2], [IMAGETYPE_PNG, IMAGETYPE_JPEG], true)) {
            if ($size[0] < 1 || $size[1] < 1 || max($size[0], $size[1]) > self::LONGEST_SIDE) {
                throw ValidationException::withMessages(['file' => sprintf('The picture is %d by %d dots; up to %d a side are taken.', $size[0], $size[1], self::LONGEST_SIDE)]);
            }

            return [$size['mime'], $size[0], $size[1], $bytes];
        }
        try {
            $art = Reader::read($bytes, null, ShopFonts::shelf())->artwork;
        } catch (SvgRefused) {
            throw ValidationException::withMessages(['file' => 'The file is no picture that can be laid under the work: PNG, JPEG and SVG are taken.']);
        }
        $scale = 1000 / max($art->width, $art->height);

        return ['image/svg+xml', max(1, (int) round($art->width * $scale)), max(1, (int) round($art->height * $scale)), Writer::write($art)];
    }
}
